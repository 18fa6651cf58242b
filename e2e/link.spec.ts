/** Every conductor outdoors broken: planned over a wireless link, landed, and run in both modes. */
import { expectAccessible } from './axe';
import { button, call, expect, openNewJob, status, test, untilRunning } from './bench';
import { workDown } from './landing';

test('a dead cable is planned around over the air, to a proven landing list', async ({ page, server }) => {
  test.slow();
  await openNewJob(page, server, 'Nail in the chase', 'heat-pump');
  await page.getByRole('link', { name: 'Plan' }).click();
  await button(page, 'Add').click();
  await button(page, 'Which run: Outdoor cable').click();
  for (const colour of ['red', 'yellow', 'orange', 'white', 'black'])
    await button(page, `${colour} is broken`).click();
  await button(page, 'Plan around what is broken').click();
  const link = page
    .getByRole('list', { name: 'Ways for the run' })
    .getByRole('listitem')
    .filter({ hasText: 'Wireless link, no conductor outdoors' });
  await expect(link).toContainText(/Proven in \d+ states/);
  await expect(link).toContainText('Bring: Wireless link, indoor and outdoor module');
  await expect(link).toContainText('line side of the contactor');
  await expectAccessible(page);
  await link.getByRole('button', { name: /^Take this plan/ }).click();

  const steps = await workDown(page);
  expect(steps[0]).toMatch(/^Open .* lock it/);
  expect(steps.some((text) => /Mount Outdoor module/.test(text))).toBe(true);
  expect(steps.some((text) => /on Contactor L1$/.test(text))).toBe(true);
  expect(steps.some((text) => /Fit a jumper Outdoor module R to Outdoor module K/.test(text))).toBe(true);

  await page.getByRole('link', { name: 'Trace' }).click();
  await call(page, 'Cool');
  await untilRunning(page, /^Cooling: .*compressor/);
  // What is between the modules is a service of its own: jammed, both fall silent, and the relays let go.
  const open = () =>
    page
      .getByTestId(/^plate-linkOut/)
      .first()
      .click();
  await open();
  await button(page, 'Interference: Jammed').click();
  await expect(page.getByText(/^It hears nothing/)).toBeVisible();
  await button(page, 'Press its pairing button').click();
  await expect(page.getByText(/is paired with/)).toBeVisible();
  await button(page, 'Close').click();
  await expect(status(page)).toContainText('do not hear one another');
  await open();
  await button(page, 'Interference: None').click();
  await expect(
    page.getByText(/^It hears the other module: O and Y|^It hears the other module: Y and O/),
  ).toBeVisible();
  await button(page, 'Close').click();
  await untilRunning(page, /^Cooling: .*compressor/);

  await call(page, 'Heat');
  await untilRunning(page, /^Heating: .*compressor/);
});
