/** Two people at one panel: a power-off that one takes back shuts the list of the other, with signal and after an hour without. */
import type { Page } from '@playwright/test';
import { expectAccessible } from './axe';
import { button, expect, installed, ownTest as test, stud } from './bench';
import { takeBatteryPlan } from './landing';
import { lookAt } from './hall';
import { begunJob, cut, outstanding, place, twoPhones } from './phones';

const next = (page: Page) => page.getByRole('region', { name: 'Next step' });
const off = (page: Page) => page.getByRole('checkbox', { name: /^Open .* lock it/ });
const shut = (page: Page) => page.getByRole('alert').filter({ hasText: 'Treat every wire as live' });

/** Passes the gate: power off, and read dead. */
async function passGate(page: Page): Promise<void> {
  await expect(next(page).getByRole('heading', { level: 2 })).toHaveText(/^Open .* lock it/);
  await next(page).getByRole('button', { name: 'Done' }).click();
  await expect(next(page).getByRole('heading', { level: 2 })).toHaveText(/^Prove .* dead/);
  await next(page).getByLabel('Reading, V').fill('0.1');
  await next(page).getByRole('button', { name: 'It is dead' }).click();
  await expect(next(page).getByRole('heading', { level: 2 })).not.toHaveText(/^(Open|Prove)/);
}

/** An hour goes by on a phone. */
const anHour = (page: Page) => page.clock.setFixedTime(new Date(Date.now() + 3600_000));

test('a power-off taken back by one shuts the other’s list, on line and after an hour off line', async ({
  browser,
  own,
}) => {
  test.slow();
  const [ada, bo] = await twoPhones(browser, own.url);
  const { id } = await begunJob(ada, own.url, {
    ...{ name: 'Two at one panel', site: 'Damson cottage', template: 'furnace-ac-no-c' },
  });
  for (const page of [ada, bo]) {
    await page.goto(`${own.url}/job/${id}`);
    await expect(stud(page, 'board.R')).toHaveAccessibleName(/hot/);
  }
  await takeBatteryPlan(ada);
  await passGate(ada);
  await place(bo, 'Wire');
  // Who did it and when is beside it.
  await expect(off(bo)).toBeChecked();
  await expect(off(bo)).toContainText(/Ada Quill, \w{3} \d+, \d+:\d\d/);

  // With signal: at once.
  await off(bo).click();
  await expect(shut(ada)).toContainText('Bo Reed took the power-off steps back');
  await expect(off(ada)).not.toBeChecked();
  await expectAccessible(ada, 'a gate that was shut');
  await passGate(ada);
  await expect(off(bo)).toBeChecked();
  await expect(shut(bo)).toHaveCount(0);

  // Without: Ada works on, off line; Bo takes it back; an hour later they meet.
  await ada.context().setOffline(true);
  const landing = (await next(ada).getByRole('heading', { level: 2 }).textContent())!;
  await next(ada).getByRole('button', { name: 'Done' }).click();
  await expect(outstanding(ada)).toBeVisible();
  await off(bo).click();
  await expect(off(bo)).not.toBeChecked();
  await anHour(ada);
  await ada.context().setOffline(false);
  await ada.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(shut(ada)).toContainText('Bo Reed took the power-off steps back');
  await expect(off(ada)).not.toBeChecked();
  // What was landed meanwhile stays, for both.
  for (const page of [ada, bo]) {
    await expect(page.getByRole('checkbox', { name: landing, exact: true })).toBeChecked();
    await expect(off(page)).not.toBeChecked();
    await expect(next(page).getByRole('heading', { level: 2 })).toHaveText(/^Open .* lock it/);
  }
  await Promise.all([ada, bo].map((page) => page.context().close()));
});

test('survey, landing list, search, building and record: what both did off line is there, what one took back stays taken back', async ({
  browser,
  own,
}) => {
  test.slow();
  const both = await twoPhones(browser, own.url);
  const [ada, bo] = both;
  const site = 'Damson cottage';

  // Survey: Ada takes an answer back while Bo goes on from it.
  const surveyed = await begunJob(ada, own.url, { name: 'Surveyed by two', site, survey: true });
  for (const page of both) {
    await page.goto(`${own.url}/job/${surveyed.id}/survey`);
    await expect(page.getByRole('heading', { name: 'Is it a line-voltage thermostat?' })).toBeVisible();
  }
  await button(ada, 'No').click();
  await button(ada, 'Yes').click();
  await expect(button(bo, 'Take back: a burner')).toBeVisible();
  await cut(both, true);
  await button(ada, 'Take back: a burner').click();
  await button(bo, 'Yes').click();
  await expect(button(bo, 'Take back: C at the thermostat')).toBeVisible();
  await cut(both, false);
  for (const page of both) {
    await expect(button(page, 'Take back: C at the thermostat')).toBeVisible();
    await expect(button(page, 'Take back: a burner')).toHaveCount(0);
  }

  // Landing list: both tick off line, Ada takes one of hers back.
  const { id } = await begunJob(ada, own.url, { name: 'Landed by two', site, template: 'furnace-ac-no-c' });
  for (const page of both) {
    await page.goto(`${own.url}/job/${id}`);
    await expect(stud(page, 'board.R')).toHaveAccessibleName(/hot/);
  }
  await takeBatteryPlan(ada);
  await passGate(ada);
  await place(bo, 'Wire');
  const stepOf = async (page: Page) => (await next(page).getByRole('heading', { level: 2 }).textContent())!;
  const step = (page: Page, name: string) => page.getByRole('checkbox', { name, exact: true });
  const first = await stepOf(ada);
  await expect.poll(() => stepOf(bo)).toBe(first);
  await next(ada).getByRole('button', { name: 'Done' }).click();
  await expect(step(bo, first)).toBeChecked();
  await cut(both, true);
  await step(ada, first).click();
  await expect(step(ada, first)).not.toBeChecked();
  const second = await stepOf(bo);
  await next(bo).getByRole('button', { name: 'Done' }).click();
  await expect(step(bo, second)).toBeChecked();
  await cut(both, false);
  for (const page of both) {
    await expect(step(page, first)).not.toBeChecked();
    await expect(step(page, second)).not.toBeChecked();
  }
  // What Bo did waits for what must come before it, and is there when that is done again; the circuit, which has what he did, is asked about.
  await button(ada, 'As the list has it').click();
  await expect(button(bo, 'As the list has it')).toHaveCount(0);
  await next(bo).getByRole('button', { name: 'Done' }).click();
  for (const page of both) {
    await expect(step(page, first)).toBeChecked();
    await expect(step(page, second)).toBeChecked();
  }

  // Search: Ada withdraws what she saw while Bo answers what is asked next.
  const find = async (page: Page) => {
    await place(page, 'Trace');
    await button(page, 'Find').click();
  };
  const searched = await begunJob(ada, own.url, { name: 'Searched by two', site, template: 'furnace-ac' });
  for (const page of both) {
    await page.goto(`${own.url}/job/${searched.id}`);
    await expect(stud(page, 'board.R')).toHaveAccessibleName(/hot/);
  }
  await find(ada);
  await button(ada, 'It goes wrong with: Cooling').click();
  await button(ada, 'What comes out: Air, not tempered').click();
  await button(ada, 'Find it').click();
  await expect(next(ada)).toBeVisible();
  await find(bo);
  const observed = (page: Page) => page.getByRole('list', { name: 'Observed' }).getByRole('listitem');
  const lit = (page: Page) => button(page, 'Take back: Thermostat: screen lit');
  await expect(lit(bo)).toBeVisible();
  const before = await observed(bo).count();
  await cut(both, true);
  await lit(ada).click();
  await expect(lit(ada)).toHaveCount(0);
  await next(bo).getByRole('group', { name: 'Answers' }).getByRole('button').first().click();
  await expect.poll(() => observed(bo).count()).toBeGreaterThan(before);
  const more = (await observed(bo).count()) - before;
  await cut(both, false);
  for (const page of both) {
    await expect(lit(page)).toHaveCount(0);
    await expect.poll(() => observed(page).count()).toBe(before + more - 1);
  }

  // Record: a bypass of Ada's and a line of Bo's.
  await cut(both, true);
  await place(ada, 'Record');
  await button(ada, 'Open').click();
  await button(ada, 'A safety is bypassed').click();
  await ada.getByRole('list', { name: 'Safeties' }).getByRole('button', { name: 'Pan float' }).click();
  await button(ada, 'It is in: record it').click();
  await expect(ada.getByRole('region', { name: 'Bypass: Pan float' })).toContainText('put in by Ada Quill');
  await place(bo, 'Record');
  await button(bo, 'Log').click();
  await bo.getByLabel('A line for the log').fill('Pan is full to the brim');
  await button(bo, 'Log it').click();
  await expect(bo.getByRole('list', { name: 'Log' })).toContainText('Pan is full to the brim');
  await cut(both, false);
  await expect(bo.getByRole('link', { name: 'Bypassed: Pan float' })).toBeVisible();
  await button(ada, 'Log').click();
  await expect(ada.getByRole('list', { name: 'Log' })).toContainText('Pan is full to the brim');

  // Building: each looks at something else.
  const jobs = (await (await ada.request.get(`${own.url}/api/jobs`)).json()) as Record<string, string>[];
  const hall = jobs.find((job) => job.site === 'Lamplighters’ Hall')!;
  for (const page of both) {
    await page.goto(`${own.url}/site/${hall.siteId}`);
    await expect(button(page, 'Stage thermostat').last()).toBeVisible();
  }
  await cut(both, true);
  await lookAt(ada, 'Assembly room thermostat', 'Its screen: Blank');
  await lookAt(bo, 'Stage thermostat', 'Its screen: On');
  await cut(both, false);
  for (const page of both)
    for (const [thing, seen] of [
      ['Assembly room thermostat', 'Its screen: Blank'],
      ['Stage thermostat', 'Its screen: On'],
    ] as const) {
      await button(page, thing).last().click();
      const sheet = page.getByRole('dialog', { name: thing });
      await expect(sheet.getByRole('button', { name: seen })).toHaveAttribute('aria-pressed', 'true');
      await sheet.getByRole('button', { name: 'Close' }).click();
      await expect(sheet).toHaveCount(0);
    }
  await Promise.all(both.map((page) => page.context().close()));
});

test('whoever gave no name is asked for it where the lock goes on; a list that is begun is not replaced unasked', async ({
  page,
  own,
}) => {
  await page.addInitScript(() => localStorage.setItem('zygostat.1.by', '""'));
  await installed(page, own.url);
  const { id } = await begunJob(page, own.url, {
    ...{ name: 'Alone', site: 'Damson cottage', template: 'furnace-ac-no-c' },
  });
  await page.goto(`${own.url}/job/${id}`);
  await expect(stud(page, 'board.R')).toHaveAccessibleName(/hot/);
  await takeBatteryPlan(page);
  await expect(next(page).getByRole('button', { name: 'Done' })).toBeDisabled();
  await page.getByLabel('Who writes').fill('Sol');
  await passGate(page);
  await expect(off(page)).toContainText('Sol,');

  await place(page, 'Plan');
  await button(page, /^Take this plan/)
    .first()
    .click();
  const question = page.getByRole('dialog');
  await expect(question).toContainText(/^Replace the landing list\?/);
  await expect(question).toContainText(/2 of \d+ steps/);
  await expectAccessible(page, 'a list to be replaced');
  await button(page, 'Keep the present list').click();
  await place(page, 'Wire');
  await expect(off(page)).toBeChecked();
  // Whoever leaves the site takes the lock along.
  await button(page, /^Leave the site/).click();
  await expect(off(page)).not.toBeChecked();
  await expect(shut(page)).toContainText('Sol left the site');
});
