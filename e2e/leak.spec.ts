/** A leak controller put between thermostat and unit: planned, landed, tested in cooling and in heating. */
import type { Page } from '@playwright/test';
import { expectAccessible } from './axe';
import { button, call, expect, openNewJob, status, test, untilRunning } from './bench';
import { workDown } from './landing';

/** Puts the jumper of the controller into a place, on its sheet. */
async function setJumper(page: Page, place: 'In RUN' | 'In TEST' | 'In neither'): Promise<void> {
  await page
    .getByTestId(/^plate-leak/)
    .first()
    .click();
  await button(page, `Test jumper: ${place}`).click();
  await button(page, 'Close').click();
}

test('a leak controller is added, and tested in both modes', async ({ page, server }) => {
  test.slow();
  await openNewJob(page, server, 'Leak', 'furnace-ac-no-c');
  await page.getByRole('link', { name: 'Plan' }).click();
  await button(page, 'Add').click();
  await button(page, 'Plan a leak controller').click();
  const moved = page.getByRole('list', { name: 'Goes up to its strip' });
  await expect(moved).toContainText(
    'Yellow of Thermostat cable: off Furnace board Y, onto Leak controller TY',
  );
  await expect(page.getByRole('list', { name: 'Its harness' })).toContainText('G: on Furnace board G');
  await expect(page.getByText(/^LK of the harness stays free: insulate each end by itself/)).toBeVisible();
  await expect(page.getByText(/^Stays where it is: .* of Outdoor cable/)).toBeVisible();
  await expect(page.getByRole('list', { name: 'Test it, cooling and heating' })).toContainText(
    /Heat called, jumper in TEST: .*Gas valve/,
  );
  await expectAccessible(page);
  await button(page, 'Take this plan: leak controller').click();
  const steps = await workDown(page);
  expect(steps[0]).toMatch(/^Open .* lock it/);
  expect(steps.some((text) => /Mount Leak controller/.test(text))).toBe(true);

  await page.getByRole('link', { name: 'Trace' }).click();
  for (const [mode, runs] of [
    ['Cool', 'Cooling'],
    ['Heat', 'Heating'],
  ] as const) {
    await call(page, mode);
    await untilRunning(page, new RegExp(`^${runs}: `));
    await setJumper(page, 'In TEST');
    await expect(status(page)).toContainText('jumper in TEST');
    await setJumper(page, 'In RUN');
    // It lets nothing pass before its delay is over.
    await expect(status(page)).toContainText(`${runs} called`);
    await untilRunning(page, new RegExp(`^${runs}: `));
  }
  await setJumper(page, 'In neither');
  await expect(status(page)).toContainText('jumper in neither place');
});
