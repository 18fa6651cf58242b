/** Zones: a single-zone job zoned, a call that opens its damper, a transformer on the wrong side, two ways compared. */
import type { Page } from '@playwright/test';
import { expectAccessible } from './axe';
import { button, expect, openNewJob, status, test } from './bench';
import { workDown } from './landing';
import { surveyFurnace } from './survey';

const noSerious = async (page: Page) => {
  await expectAccessible(page);
};

/** Lets everything that waits come to its end. */
async function settle(page: Page): Promise<void> {
  const skip = button(page, 'Skip ahead to the end of the wait');
  for (let i = 0; i < 8; i++) {
    await page.waitForTimeout(250);
    if (await skip.isVisible()) await skip.click();
  }
}

async function compareWays(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Plan' }).click();
  await button(page, 'Add').click();
  await page.getByLabel('Room of zone 2').fill('Hay loft');
  await button(page, 'Compare the ways').click();
  await expect(page.getByRole('list', { name: 'Ways to zone it' })).toBeVisible();
}

test('a single-zone job is zoned, from survey to finished landing list', async ({ page, server }) => {
  test.slow();
  const answer = await page.request.post(`${server.url}/api/jobs`, {
    data: { name: 'Zoned', site: 'Quince orchard', survey: true },
  });
  const { id } = (await answer.json()) as { id: string };
  await page.goto(`${server.url}/job/${id}/survey`);
  await surveyFurnace(page);
  await compareWays(page);
  await button(page, 'Take this plan: Zone panel with dampers').click();
  await expect(status(page)).toContainText(/^0 of \d+ steps done/);
  const steps = await workDown(page);
  expect(steps[0]).toMatch(/^Open .* lock it/);
  expect(steps.some((text) => /Mount Zone panel/.test(text))).toBe(true);
  // What was on the unit's Y goes to the first strip.
  expect(
    steps.some((text) => /Move yellow of Thermostat cable from Furnace board Y to Zone panel 1Y/.test(text)),
  ).toBe(true);
  expect(steps.some((text) => /Hay loft/.test(text))).toBe(true);
  await button(page, 'See the proof').click();
  await expect(status(page)).toContainText(/nothing (found|wrong)/);
});

test('a call in one zone opens its damper, shuts the other, and the bypass answers', async ({
  page,
  server,
}) => {
  await openNewJob(page, server, 'One zone', 'zones-two');
  await button(page, 'Air').click();
  await expect(button(page, /^Damper 1\. Zone 1.*: open, /)).toBeVisible();
  await button(page, 'Zone 2: Cool').click();
  await settle(page);
  await expect(button(page, /^Damper 1\. Zone 1.*: shut, /)).toBeVisible();
  await expect(button(page, /^Damper 2\. Zone 2.*: calls, open, /)).toBeVisible();
  await expect(button(page, /^Bypass damper\. Bypass \d+ % open, /)).toBeVisible();
  await expect(status(page)).toContainText('Cooling');
  // The other zone wants heat: it waits its turn.
  await button(page, 'Zone 1: Heat').click();
  await settle(page);
  await expect(status(page)).toContainText('heating waits its turn');
  await noSerious(page);
  // Tubes exchanged: it never opens.
  await button(page, /^Bypass damper\. /).click();
  await button(page, 'Tubes: Exchanged').click();
  await button(page, 'Close').click();
  await settle(page);
  await expect(button(page, /^Bypass damper\. Bypass shut, /)).toBeVisible();
});

test('a transformer on the wrong side of the switch is found, and put right', async ({ page, server }) => {
  await openNewJob(page, server, 'Wrong side', 'zones-two');
  await page.getByTestId('stud-switch.LOAD').click();
  await button(page, /Move the black conductor to another stud/)
    .last()
    .click();
  await page.getByTestId('stud-switch.LINE').click();
  await page.getByRole('link', { name: 'Plan' }).click();
  await expect(status(page)).toContainText('Not proven');
  await expect(page.getByRole('list', { name: 'Findings' })).toContainText(
    'With Furnace switch off the unit is dead and Zone panel still has its own 24 V.',
  );
  await button(page, 'What would put it right?').first().click();
  await expect(page.getByText(/Move black of Zone leads from Furnace switch LINE to .*LOAD/)).toBeVisible();
  await button(page, 'Do it in the model').click();
  await expect(status(page)).toContainText(/nothing (found|wrong)/);
});

test(
  'a panel and two thermostats in parallel stand side by side',
  { tag: '@wide' },
  async ({ page, server }) => {
    await openNewJob(page, server, 'Compared');
    await compareWays(page);
    const ways = page.getByRole('list', { name: 'Ways to zone it' });
    const way = (name: string) =>
      ways.getByRole('listitem').filter({ has: page.getByRole('heading', { name }) });
    await expect(way('Zone panel with dampers')).toContainText('Zone panel for 2 zones');
    await expect(way('Zone panel with dampers')).toContainText('nothing found');
    const parallel = way('Thermostats in parallel, no dampers');
    await expect(parallel).toContainText('All must stand in the same mode');
    await expect(parallel).toContainText(/October to April, heating: Below leads at \d+ °F/);
    await expect(parallel).toContainText('Label to print');
    await expect(parallel).toContainText('Twist-on connector for 3');
    await noSerious(page);
    // What was asked is a line by now.
    await button(page, /^Change: /).click();
    await page.getByLabel('Room of zone 2').fill(' ');
    await expect(page.getByText('Every zone needs the name of its room.')).toBeVisible();
    await expect(button(page, 'Compare the ways')).toBeDisabled();
  },
);

test('ducts given wrong are refused with a reason, and the rooms are lived through for a day', async ({
  page,
  server,
}) => {
  await openNewJob(page, server, 'Wrong figures', 'zones-two');
  await button(page, 'Air').click();
  await expect(page.getByText('Every combination has its air, and none is loud.')).toBeVisible();
  await button(page, 'Change ducts and fan').click();
  const field = page.getByLabel(/^Fan’s table, middle pressure/);
  await field.fill('7');
  await field.press('Enter');
  await expect(
    page.getByText('Fan’s table, middle pressure must be a number from 0 to 2.01 in. w.c.'),
  ).toBeVisible();
  // In the other habit of units, and lower than the lowest.
  await field.fill('20 Pa');
  await field.press('Enter');
  await expect(page.getByText(/must lie between the lowest and the highest pressure/)).toBeVisible();
  await button(page, 'Close').click();
  // Nothing was lost: the ducts are as they were.
  await expect(page.getByText('Every combination has its air, and none is loud.')).toBeVisible();
  await expect(
    page.getByRole('img', { name: /^Temperatures over a day\. Thermostat below: 69 °F to 71 °F/ }),
  ).toBeVisible();
  await button(page, 'Day: Summer').click();
  await expect(page.getByText(/^90 °F outdoors all day, cooled; wanted is 75 °F\.$/)).toBeVisible();
  await noSerious(page);
});
