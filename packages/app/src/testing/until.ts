/** Waits until something holds, and fails when it does not within some seconds. */
export async function until(holds: () => boolean): Promise<void> {
  for (let i = 0; i < 200 && !holds(); i++) await new Promise((resolve) => setTimeout(resolve, 25));
  expect(holds()).toBe(true);
}
