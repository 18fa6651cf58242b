import { expect, move, openNewJob, status, test } from './bench';

test('a good circuit is proven by itself and says what was covered', async ({ page, server }) => {
  await openNewJob(page, server, 'Proven');
  await page.getByRole('link', { name: 'Plan' }).click();
  await expect(page.getByRole('status')).toContainText('Proven');
  await expect(page.getByRole('status')).toContainText(
    /90 states, \d+ properties: nothing (found|wrong.*caution)\. For revision 1\./,
  );
  await page.getByRole('button', { name: 'What is proven?' }).click();
  await expect(page.getByText('Every safety stops what it must')).toBeVisible();
});

test(
  'a proof that fails is seen live, and passes once the mistake is undone',
  { tag: '@wide' },
  async ({ page, server }) => {
    await openNewJob(page, server, 'Repaired');
    await move(page, 'board.Y', 'board.W', 'yellow');
    await page.getByRole('link', { name: 'Plan' }).click();
    await expect(page.getByRole('status')).toContainText('Not proven');
    const finding = page
      .getByRole('list', { name: 'Findings' })
      .getByRole('listitem')
      .filter({ hasText: 'with cooling called' })
      .first();
    await finding.getByRole('button', { name: 'Why?' }).click();
    await expect(finding).toContainText('fed by a conductor or contact that should not feed it');
    await finding.getByRole('button', { name: 'See it live' }).click();
    await expect(status(page)).toContainText('Cooling called, but heating runs');
    await page.getByRole('link', { name: 'Plan' }).click();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('status')).toContainText(/nothing (found|wrong)/);
  },
);

test('a reversed valve is put right by the repair proposed', async ({ page, server }) => {
  await openNewJob(page, server, 'Reversed', 'heat-pump');
  await page.getByTestId('plate-stat').first().click();
  await page.getByRole('button', { name: 'O/B is energised in: Heating (B)' }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('link', { name: 'Plan' }).click();
  await expect(page.getByRole('status')).toContainText('Not proven');
  await page.getByRole('button', { name: 'What would put it right?' }).first().click();
  await expect(page.getByText('Set Thermostat: O/B is energised in: Cooling (O).')).toBeVisible();
  await page.getByRole('button', { name: 'Do it in the model' }).click();
  await expect(page.getByRole('status')).toContainText(/90 states, \d+ properties: nothing (found|wrong)/);
});
