/** Every view has its address: back closes what lies over it, then goes to the view before; a reload shows the same. */
import { button, expect, lift, openNewJob, stud, test } from './bench';

const view = (name: string) => new RegExp(`[?&]view=${name}$`);
const place = (page: Parameters<typeof button>[0], name: string) =>
  page.getByRole('link', { name, exact: true });

test('back closes a sheet, then returns to the pane before, and through the places', async ({
  page,
  server,
}) => {
  await openNewJob(page, server, 'Back');
  await button(page, 'Path').click();
  await expect(page).toHaveURL(view('path'));
  await button(page, 'Ladder').click();
  await button(page, 'Notes, theme and files').click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page).toHaveURL(view('ladder'));
  // Closed by hand it leaves nothing to go back through.
  await button(page, 'Notes, theme and files').click();
  await button(page, 'Close').click();
  await page.goBack();
  await expect(page).toHaveURL(view('path'));
  await expect(button(page, 'Path')).toHaveAttribute('aria-pressed', 'true');
  await place(page, 'Plan').click();
  await button(page, 'Sums').click();
  await place(page, 'Trace').click();
  // A place is found as it was left.
  await expect(button(page, 'Path')).toHaveAttribute('aria-pressed', 'true');
  await page.goBack();
  await expect(button(page, 'Sums')).toHaveAttribute('aria-pressed', 'true');
  await page.goForward();
  await expect(page).toHaveURL(view('path'));
  await button(page, 'Back to jobs').click();
  await expect(button(page, 'New job')).toBeVisible();
});

test('a sheet that leads elsewhere, and one after another, go back one by one', async ({ page, server }) => {
  await openNewJob(page, server, 'Sheets');
  await stud(page, 'board.R').click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await button(page, 'Close').click();
  await button(page, 'Notes, theme and files').click();
  await button(page, 'Settings: units, symbols, theme').click();
  await expect(page.getByRole('heading', { name: 'Settings' })).toBeVisible();
  await page.goBack();
  await expect(stud(page, 'board.R')).toBeVisible();
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('a reload keeps pane and undo; a plan made is there when one comes back from the sums', async ({
  page,
  server,
}) => {
  await openNewJob(page, server, 'Reload');
  await lift(page, 'stat.Y', 'yellow');
  await expect(button(page, 'Undo')).toBeEnabled();
  await button(page, 'Path').click();
  // Undo is written a moment after the edit.
  await page.waitForTimeout(600);
  await page.reload();
  await expect(button(page, 'Path')).toHaveAttribute('aria-pressed', 'true');
  await button(page, 'Undo').click();
  await expect(button(page, 'Undo')).toBeDisabled();
  await expect(button(page, 'Redo')).toBeEnabled();
  await place(page, 'Plan').click();
  await button(page, 'Swap').click();
  await button(page, 'Plan the landings').click();
  const ways = page.getByRole('list', { name: 'Ways' });
  await expect(ways).toBeVisible({ timeout: 60_000 });
  // What was asked is a line now, and can be changed.
  await expect(button(page, 'Plan the landings')).toHaveCount(0);
  await button(page, 'Sums').click();
  await expect(page.getByText('Within Class 2')).toBeVisible({ timeout: 60_000 });
  await page.goBack();
  await expect(ways).toBeVisible();
  await button(page, /^Change: /).click();
  await expect(button(page, 'Plan the landings')).toBeVisible();
});

test('a search is there again after a job was looked at', async ({ page, server }) => {
  await openNewJob(page, server, 'Weighbridge');
  await page.goto(server.url);
  await page.getByLabel('Search jobs and sites').fill('weighbridge');
  await expect(page.getByRole('link', { name: /^Open / })).toHaveCount(1);
  await expect(page).toHaveURL(/search=weighbridge/);
  await page.reload();
  await expect(page.getByLabel('Search jobs and sites')).toHaveValue('weighbridge');
  await expect(page.getByRole('link', { name: /^Open / })).toHaveCount(1);
});

test('a job is renamed, put away and brought back', async ({ page, server }) => {
  await openNewJob(page, server, 'Hop kiln');
  const menu = () => button(page, 'Notes, theme and files').click();
  await menu();
  await page.getByRole('textbox', { name: 'Name of the job' }).fill('Hop kiln, north');
  await button(page, 'Put this job away').click();
  await expect(button(page, 'Bring this job back to the list')).toBeVisible();
  await button(page, 'Close').click();
  await button(page, 'Back to jobs').click();
  await expect(button(page, 'Jobs put away')).toBeVisible();
  await expect(page.getByRole('link', { name: /Hop kiln/ })).toHaveCount(0);
  await button(page, 'Jobs put away').click();
  await page.getByRole('link', { name: 'Open Hop kiln, north, Quince orchard' }).click();
  await menu();
  await button(page, 'Bring this job back to the list').click();
  await button(page, 'Close').click();
  await button(page, 'Back to jobs').click();
  await button(page, 'Back to the jobs in hand').click();
  await expect(page.getByRole('link', { name: /Hop kiln, north/ })).toBeVisible();
});
