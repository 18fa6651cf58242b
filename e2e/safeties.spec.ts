/** Safeties against water: several in a row, proven and wired; and what each school does to a condensing furnace's water. */
import type { Page } from '@playwright/test';
import { expectAccessible } from './axe';
import { button, call, expect, openNewJob, status, test } from './bench';
import { workDown } from './landing';

async function compare(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Plan' }).click();
  await button(page, 'Add').click();
  await button(page, 'The furnace: Condensing').click();
  await button(page, 'Compare the places').click();
  await expect(page.getByRole('list', { name: 'Places' })).toBeVisible();
}

const place = (page: Page, title: string) =>
  page
    .getByRole('list', { name: 'Places' })
    .getByRole('listitem')
    .filter({ has: page.getByRole('heading', { name: title }) });

test('three switches in series are proven in every place, and wired', async ({ page, server }) => {
  await openNewJob(page, server, 'Seed loft', 'furnace-ac', 'stat.R');
  await page.getByRole('link', { name: 'Plan' }).click();
  await button(page, 'Add').click();
  await button(page, 'Add Moisture sensor').click();
  await button(page, 'Add Float switch').click();
  await expect(page.getByRole('list', { name: 'In the row' }).getByRole('listitem')).toHaveCount(3);
  await button(page, 'The furnace: Condensing').click();
  await button(page, 'Compare the places').click();
  const best = place(page, 'In R to the thermostat');
  await expect(best).toContainText('Suits this job');
  await expect(best).toContainText(/Proven in \d+ states/);
  await expect(best).toContainText('Any one of the 3 bypassed, the others still stop it.');
  await expect(best).toContainText('New moisture sensor NO. Insulate it.');
  await expectAccessible(page);
  await button(page, 'Take this plan: In R to the thermostat').click();
  await expect(page.getByRole('checkbox', { name: 'Mount New moisture sensor' })).toBeVisible();
  await expect(page.getByRole('checkbox', { name: /Mount Pan/ })).toHaveCount(0);
  await workDown(page);
  // Each of the three is among the tests that prove the job.
  await page.getByRole('link', { name: 'Record' }).click();
  for (const name of ['New float switch', 'New moisture sensor', 'New float switch 2'])
    await expect(page.getByText(new RegExp(`^${name} tripped`)).first()).toBeVisible();
});

/** Holds the drain on Trace and lets the night pass. */
async function blockDrain(page: Page, mode: 'Heat' | 'Cool'): Promise<void> {
  await page.getByRole('link', { name: 'Trace' }).click();
  await page.getByTestId('conditions').click();
  await button(page, /^Pan and drain/).click();
  await button(page, 'Water: Sucked out, wiped dry').click();
  await button(page, 'Water: As it comes').click();
  await button(page, 'Close').click();
  await call(page, 'Off');
  await call(page, mode);
  await page.getByTestId('conditions').click();
  await button(page, /^Pan and drain/).click();
  await button(page, 'Drain: Blocked').click();
  await button(page, 'Close').click();
  await page.getByTestId('conditions').click();
  for (let night = 0; night < 3; night++) await button(page, 'Let 8 h pass').click();
  await button(page, 'Close').click();
}

test('the water test of both schools on a condensing furnace', async ({ page, server }) => {
  await openNewJob(page, server, 'Cider press', 'furnace-ac', 'stat.R');
  await compare(page);
  const outdoor = place(page, 'In Y to the outdoor unit');
  await expect(outdoor).toContainText('Does not stop the water');
  await expect(outdoor).toContainText(/heat called: \d+ gal on the ceiling/);
  await expect(place(page, 'In R to the thermostat')).toContainText('Stays dry');

  // As it is, with the float it came with in Y: run by hand, the ceiling gets wet in heating.
  await blockDrain(page, 'Heat');
  await expect(page.getByText('Pan and drain runs over').first()).toBeVisible();

  // With one in R it does not: the float is up before, and the burner is off.
  await page.getByRole('link', { name: 'Plan' }).click();
  // What was compared is still there.
  await button(page, 'Take this plan: In R to the thermostat').click();
  await workDown(page);
  await blockDrain(page, 'Heat');
  await expect(page.getByText(/^Pan and drain \d+ mm below/)).toBeVisible();
  await expect(status(page)).toContainText(/float/i);
});
