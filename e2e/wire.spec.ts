/** From a survey to a finished landing list; on the phone and on a wide screen. */
import type { Locator, Page } from '@playwright/test';
import type { Server } from './bench';
import { expectAccessible } from './axe';
import { button, expect, openNewJob, test } from './bench';
import { takeBatteryPlan, workDown } from './landing';
import { landOldSubBase, surveyHeatPump } from './survey';

const next = (page: Page) => page.getByRole('region', { name: 'Next step' });

async function startSurvey(page: Page, server: Server, name: string): Promise<void> {
  const answer = await page.request.post(`${server.url}/api/jobs`, {
    data: { name, site: 'Quince orchard', survey: true },
  });
  const { id } = (await answer.json()) as { id: string };
  await page.goto(`${server.url}/job/${id}/survey`);
}

async function planSwap(page: Page, screws: string): Promise<void> {
  await page.getByRole('link', { name: 'Plan' }).click();
  await button(page, 'Swap').click();
  await button(page, `Screws of the new one: ${screws}`).click();
  await button(page, 'Plan the landings').click();
  // The answer first: what was asked is a line.
  await expect(page.getByRole('button', { name: /^Change: / })).toBeVisible();
  await expect(button(page, `Screws of the new one: ${screws}`)).toHaveCount(0);
}

/** A point that is not dead is not taken for dead. */
async function tryLive(step: Locator): Promise<void> {
  await step.getByLabel('Reading, V').fill('24');
  await expect(step).toContainText('is not dead');
  await expect(step.getByRole('button', { name: 'It is dead' })).toBeDisabled();
}

test('a heat pump with separate O and W, from survey to finished landing list', async ({ page, server }) => {
  test.slow();
  await startSurvey(page, server, 'Swapped');
  await surveyHeatPump(page);
  await landOldSubBase(page);
  await planSwap(page, 'R Y Y2 G O/B W2/AUX E C');
  const ways = page.getByRole('list', { name: 'Ways' });
  await expect(ways).toContainText(/Proven in \d+ states/);
  const landings = page.getByRole('list', { name: 'Landings' }).first();
  await expect(landings.getByRole('listitem').filter({ hasText: 'OG orange' })).toContainText(
    'New thermostat OB',
  );
  await expect(landings.getByRole('listitem').filter({ hasText: 'WH white' })).toContainText(
    'New thermostat AUX',
  );
  await expect(landings.getByRole('listitem').filter({ hasText: 'WH white' })).toContainText('was on W');
  await expect(ways).toContainText('O/B is energised in: Cooling (O)');
  await button(page, /^Take this plan/)
    .first()
    .click();
  await expect(page.getByRole('status')).toContainText(/^0 of \d+ steps done/);
  await expectAccessible(page);
  const steps = await workDown(page, tryLive);
  expect(steps[0]).toMatch(/^Open .* lock it/);
  expect(steps[1]).toMatch(/^Prove .* dead/);
  expect(steps.some((text) => /Land white .* on New thermostat AUX/.test(text))).toBe(true);
  expect(steps.filter((text) => /^New thermostat: /.test(text)).length).toBeGreaterThan(2);
  expect(steps.findIndex((text) => text.startsWith('Covers on'))).toBeGreaterThan(
    steps.findIndex((text) => text.startsWith('Land ')),
  );
  await button(page, 'See the proof').click();
  await expect(page.getByRole('status')).toContainText(/nothing (found|wrong)/);
  // The list outlives a reload.
  await page.getByRole('link', { name: 'Wire' }).click();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Everything is landed' })).toBeVisible();
});

test('short of conductors: the ways out stand side by side, and one is taken', async ({ page, server }) => {
  const id = await openNewJob(page, server, 'Short', 'furnace-ac-no-c');
  const { circuit } = (await (await page.request.get(`${server.url}/api/jobs/${id}`)).json()) as {
    circuit: { cables: { id: string; conductors: { id: string; from: string | null }[] }[] };
  };
  const [stat] = circuit.cables.filter((cable) => cable.id === 'statCable');
  stat!.conductors = stat!.conductors.filter(({ from }) => from !== null);
  await page.request.post(`${server.url}/api/jobs/${id}/revisions`, {
    data: { base: 1, circuit, note: 'short' },
  });
  await page.reload();
  await planSwap(page, 'R Y G W C');
  const ways = page.getByRole('list', { name: 'Ways' });
  for (const way of [
    'Give up G for C',
    'Y and G share one conductor',
    'Plug-in transformer',
    'Stay on batteries',
    'Pull a new 6-conductor cable',
    'Wireless thermostat',
  ])
    await expect(ways.getByRole('heading', { name: way })).toBeVisible();
  await expect(
    ways.getByRole('listitem').filter({ has: page.getByRole('heading', { name: 'Give up G for C' }) }),
  ).toContainText('With fan called nothing moves the air.');
  await button(page, 'Take this plan: Y and G share one conductor').click();
  await expect(page.getByRole('status')).toContainText(/^0 of \d+ steps done/);
  await expect(page.getByRole('checkbox', { name: /Mount Call splitter/ })).toBeVisible();
});

test('not as planned: a broken conductor makes the plan adapt', async ({ page, server }) => {
  await openNewJob(page, server, 'Adapted', 'furnace-ac-no-c');
  await takeBatteryPlan(page);
  while (!/Land yellow/.test((await next(page).getByRole('heading', { level: 2 }).textContent()) ?? '')) {
    const reading = next(page).getByLabel('Reading, V');
    const text = (await next(page).getByRole('heading', { level: 2 }).textContent()) ?? '';
    if (await reading.isVisible()) {
      await reading.fill('0');
      await next(page).getByRole('button', { name: 'It is dead' }).click();
    } else await next(page).getByRole('button', { name: 'Done' }).click();
    await expect(next(page).getByRole('heading', { level: 2, name: text, exact: true })).toHaveCount(0);
  }
  await next(page).getByRole('button', { name: 'Not as planned' }).click();
  await button(page, /is broken: plan without it/).click();
  await expect(page.getByText(/^\+ Land blue of Thermostat cable on New thermostat Y$/)).toBeVisible();
  await button(page, 'Take the changed plan').click();
  await expect(
    page.getByRole('checkbox', { name: 'Land blue of Thermostat cable on New thermostat Y' }),
  ).toBeVisible();
  await expect(page.getByRole('checkbox', { name: /^Open .*lock it/ })).toBeChecked();
});

test('sums and mistakes', async ({ page, server }) => {
  await openNewJob(page, server, 'Summed');
  await page.getByRole('link', { name: 'Plan' }).click();
  await button(page, 'Sums').click();
  await expect(page.getByRole('img', { name: /Transformer: \d+ VA of 40 VA/ })).toBeVisible();
  await expect(page.getByText(/[Pp]ulls in at 10 % low mains/).first()).toBeVisible();
  await button(page, 'The cables lie in air of: 140 °F').click();
  await expect(page.getByText(/Usually pulls in at 10 % low mains/)).toBeVisible();
  await button(page, 'Mistakes').click();
  await expect(page.getByRole('list', { name: 'Dangerous' })).toContainText('Board fuse opens');
  await button(page, 'yellow on Y with blue on C: dangerous').click();
  await expect(page.getByRole('region', { name: 'What it does' })).toContainText('Board fuse opens');
  await expectAccessible(page);
  await button(page, 'See it live').click();
  await expect(page.getByRole('img', { name: /^The circuit, Yellow of .* exchanged.*: / })).toBeVisible();
  await expectAccessible(page);
  await button(page, 'Close').click();
});

test('a wire schedule is refused by line, previewed, and taken', async ({ page, server }) => {
  const id = await openNewJob(page, server, 'Scheduled');
  const text = await (await page.request.get(`${server.url}/api/jobs/${id}/schedule.csv`)).text();
  await page.getByRole('link', { name: 'Wire' }).click();
  await button(page, 'Papers').click();
  const choose = async (csv: string) => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      button(page, 'Read a wire schedule (CSV)').click(),
    ]);
    await chooser.setFiles({ name: 'schedule.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  };
  await choose(text.replace('stat.Y', 'stat.Q'));
  await expect(page.getByRole('alert')).toContainText(/line \d+: from: Thermostat has no terminal "Q"/);
  await choose(text.replace('statY,YE', 'statY,VT'));
  await expect(page.getByText('Conductors that come: 0, change: 1, go: 0.')).toBeVisible();
  await button(page, 'Take it').click();
  await expect
    .poll(async () => JSON.stringify(await (await page.request.get(`${server.url}/api/jobs/${id}`)).json()))
    .toContain('"id":"statY","colour":"VT"');
  for (const paper of ['cards.pdf', 'tags.pdf', 'diagram.pdf', 'diagram.svg'])
    expect((await page.request.get(`${server.url}/api/jobs/${id}/papers/${paper}`)).status()).toBe(200);
});

/** Takes the first plan of a swap to batteries and works it down to the end. */
async function finishedList(page: Page, server: Server, name: string): Promise<void> {
  await openNewJob(page, server, name, 'furnace-ac-no-c');
  await takeBatteryPlan(page);
  await workDown(page, tryLive);
}

const ticked = (page: Page) => page.getByRole('checkbox', { checked: true });

test('a landing taken back after power-on brings both gates back, and keeps the other landings', async ({
  page,
  server,
}) => {
  test.slow();
  await finishedList(page, server, 'Gated');
  await page.getByRole('checkbox', { name: 'Land yellow of Thermostat cable on New thermostat Y' }).click();
  await expect(next(page).getByRole('heading', { level: 2 })).toHaveText(/^Open .* lock it/);
  await expect(page.getByRole('checkbox', { name: /^Prove .* dead/ })).not.toBeChecked();
  await expect(
    page.getByRole('checkbox', { name: 'Land green of Thermostat cable on New thermostat G' }),
  ).toBeChecked();
  await next(page).getByRole('button', { name: 'Done' }).click();
  await expect(next(page).getByRole('heading', { level: 2 })).toHaveText(/^Prove .* dead/);
  await next(page).getByLabel('Reading, V').fill('0.1');
  await next(page).getByRole('button', { name: 'It is dead' }).click();
  await expect(next(page).getByRole('heading', { level: 2 })).toHaveText(/^Land yellow/);
});

test(
  'undo takes back a tick, and a list put away can be taken up again',
  { tag: '@wide' },
  async ({ page, server }) => {
    test.slow();
    await finishedList(page, server, 'Undone');
    const all = await ticked(page).count();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(ticked(page)).not.toHaveCount(all);
    await expect(page.getByText('The circuit was changed since')).toHaveCount(0);
    await page.getByRole('button', { name: 'Redo' }).click();
    await expect(ticked(page)).toHaveCount(all);
    await button(page, 'Put the list away').click();
    await button(page, 'Yes, put it away').click();
    await expect(page.getByRole('heading', { name: 'Nothing is planned' })).toBeVisible();
    await button(page, /^Take it up again/).click();
    await expect(ticked(page)).toHaveCount(all);
  },
);

test('a list goes on from a circuit changed elsewhere without losing what was done', async ({
  page,
  server,
}) => {
  test.slow();
  await finishedList(page, server, 'Strayed');
  await page.getByRole('link', { name: 'Trace' }).click();
  await page.getByTestId('stud-board.Y').click();
  await page.getByRole('button', { name: 'Lift the yellow conductor' }).first().click();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('link', { name: 'Wire' }).click();
  await button(page, 'Go on from here').click();
  await expect(page.getByRole('heading', { name: 'Done before the circuit was changed' })).toBeVisible();
  await expect(page.getByText(/^Prove .* dead.*: 0\.1 V$/).first()).toBeVisible();
});

test('every place shows while the processor is slow', { tag: '@wide' }, async ({ page, server }) => {
  await openNewJob(page, server, 'Slow');
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  for (const [place, shows] of [
    ['Plan', 'Proof'],
    ['Wire', 'Landing list'],
    ['Survey', 'Identify'],
  ] as const) {
    await page.getByRole('link', { name: place }).click();
    // The way to the other places is there while this one is on its way.
    await expect(page.getByRole('link', { name: 'Trace' })).toBeVisible();
    await expect(page.getByRole('button', { name: shows, exact: true })).toBeVisible();
  }
});
