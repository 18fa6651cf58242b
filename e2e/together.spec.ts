/** Two people at one panel: a power-off that one takes back shuts the list of the other, with signal and after an hour without. */
import type { Page } from '@playwright/test';
import { expectAccessible } from './axe';
import { button, expect, installed, ownTest as test, stud } from './bench';
import { takeBatteryPlan } from './landing';

const place = (page: Page, name: string) => page.getByRole('link', { name, exact: true }).click();
const next = (page: Page) => page.getByRole('region', { name: 'Next step' });
const off = (page: Page) => page.getByRole('checkbox', { name: /^Open .* lock it/ });
const shut = (page: Page) => page.getByRole('alert').filter({ hasText: 'Treat every wire as live' });
const outstanding = (page: Page) => page.getByRole('link', { name: /^Not sent yet/ });

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
  const [ada, bo] = (await Promise.all(
    ['Ada Quill', 'Bo Reed'].map(async (name) => {
      const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
      const page = await context.newPage();
      await page.addInitScript((by) => localStorage.setItem('zygostat.1.by', JSON.stringify(by)), name);
      return page;
    }),
  )) as [Page, Page];
  await installed(ada, own.url);
  await installed(bo, own.url);
  const begun = await ada.request.post(`${own.url}/api/jobs`, {
    data: { name: 'Two at one panel', site: 'Damson cottage', template: 'furnace-ac-no-c' },
  });
  const { id } = (await begun.json()) as { id: string };
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

test('whoever gave no name is asked for it where the lock goes on; a list that is begun is not replaced unasked', async ({
  page,
  own,
}) => {
  await page.addInitScript(() => localStorage.setItem('zygostat.1.by', '""'));
  await installed(page, own.url);
  const begun = await page.request.post(`${own.url}/api/jobs`, {
    data: { name: 'Alone', site: 'Damson cottage', template: 'furnace-ac-no-c' },
  });
  const { id } = (await begun.json()) as { id: string };
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
