/** How long a server that does not answer is left alone. */

const FIRST_MS = 1000;
const LONGEST_MS = 30_000;

/** Twice as long after each try, or until this device is online again. */
export function untilAskedAgain(tries: number, delay: (ms: number) => Promise<void>): Promise<void> {
  const online = new Promise<void>((resolve) =>
    window.addEventListener('online', () => resolve(), { once: true }),
  );
  return Promise.race([delay(Math.min(FIRST_MS * 2 ** tries, LONGEST_MS)), online]);
}
