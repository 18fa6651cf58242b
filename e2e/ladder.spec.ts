import { readFileSync } from 'node:fs';
import { expectAccessible } from './axe';
import { call, expect, openNewJob, skip, status, test } from './bench';
import { largeCircuit } from '../packages/core/src/testing/large';

test(
  'the ladder is live, its terminals take the probes, and the list says the same',
  { tag: '@wide' },
  async ({ page, server }) => {
    await openNewJob(page, server, 'Ladder');
    await call(page, 'Cool');
    await skip(page);
    await page.getByRole('button', { name: 'Ladder', exact: true }).click();
    await page.getByTestId('rung-contactor.A1').first().click();
    await expect(page.getByRole('heading', { name: 'Contactor A1' })).toBeVisible();
    await page.getByRole('button', { name: 'Close' }).click();
    await page.getByRole('button', { name: 'List of rungs' }).click();
    const rung = page
      .getByRole('listitem')
      .filter({ hasText: /^Contactor/ })
      .first();
    await expect(rung).toContainText('Contactor · on');
    await expect(rung).toContainText('Pan float closed');
    await page.getByRole('button', { name: 'Call: Off' }).click();
    await expect(rung).toContainText('Thermostat R–Y open');
  },
);

test(
  'the timeline runs a call, says why, and the bench follows the cursor',
  { tag: '@wide' },
  async ({ page, server }) => {
    await openNewJob(page, server, 'Time');
    await page.getByRole('button', { name: 'Time', exact: true }).click();
    await page.getByRole('button', { name: 'Run: Heat' }).click();
    await expect(page.getByText(/Furnace board: pre-purge done\./)).toBeVisible();
    await page.getByRole('button', { name: 'Later event' }).click();
    await expect(page.getByText('At 4 s', { exact: true })).toBeVisible();
    for (let i = 0; i < 4; i++) await page.getByRole('button', { name: 'Later event' }).click();
    await expect(page.getByText('Blower (heating speed) on: blower on 30 s after flame')).toBeVisible();
    await expect(status(page)).toContainText('Held at 1 min 8 s on the timeline');
    await page.getByRole('button', { name: 'Let time go on from here' }).click();
    await expect(status(page)).not.toContainText('Held at');
  },
);

test('loom and ladder go out as SVG', async ({ page, server }) => {
  await openNewJob(page, server, 'Drawn');
  for (const which of ['loom', 'ladder']) {
    await page.getByRole('button', { name: 'Notes, theme and files' }).click();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: `Save the ${which} as a drawing (SVG)` }).click(),
    ]);
    const text = readFileSync(await download.path(), 'utf8');
    expect(text).toMatch(/^<\?xml/);
    expect(text).toContain('Pan float');
    await page.getByRole('button', { name: 'Close' }).click();
  }
});

test('sixty devices and two hundred conductors stay usable', { tag: '@wide' }, async ({ page, server }) => {
  const made = await page.request.post(`${server.url}/api/jobs`, {
    data: { name: 'Campus', site: 'Quince orchard', circuit: largeCircuit('Campus') },
  });
  const { id } = (await made.json()) as { id: string };
  await page.goto(`${server.url}/job/${id}`);
  await expect(page.getByTestId('stud-astat.R')).toHaveAccessibleName(/hot/);
  await call(page, 'Cool');
  await expect(status(page)).toContainText('compressor held');
  await page.getByRole('button', { name: 'Ladder', exact: true }).click();
  await expect(page.getByTestId('rung-acc1.A1').first()).toBeAttached();
});

for (const theme of ['Light', 'Dark', 'Glare (bright sun)'])
  test(
    `nothing for axe on ladder, timeline, survey and settings: ${theme}`,
    { tag: '@wide' },
    async ({ page, server }) => {
      const check = (what: string) => expectAccessible(page, what);
      await page.goto(`${server.url}/settings`);
      await page.getByRole('button', { name: `Theme: ${theme}` }).click();
      await check('settings');
      await openNewJob(page, server, `Axe ${theme}`);
      await page.getByRole('button', { name: 'Ladder', exact: true }).click();
      await expect(page.getByTestId('rung-contactor.A1').first()).toBeAttached();
      await check('ladder');
      await page.getByRole('button', { name: 'Time', exact: true }).click();
      await expect(page.getByText('Sequence of operation')).toBeVisible();
      await check('time');
      await page.getByRole('link', { name: 'Survey' }).click();
      await expect(page.getByRole('radio').first()).toBeVisible();
      await check('as found');
      await page.getByRole('button', { name: 'Identify' }).click();
      await check('identify');
    },
  );
