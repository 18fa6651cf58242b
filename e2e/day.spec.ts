/** Whole days: one without signal from the first question to the report, one of two people with the line cut now and then. */
import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BrowserContext, Page } from '@playwright/test';
import { chromium } from '@playwright/test';
import { seeded } from '../packages/core/src/diagnose';
import {
  button,
  call,
  expect,
  installed,
  lift,
  looseEnd,
  probe,
  stud,
  untilRunning,
  ownTest as test,
} from './bench';
import { HEADLESS } from './chromium';
import { workDown } from './landing';
import { begunJob, outstanding, place, twoPhones } from './phones';
import { surveyFurnace } from './survey';

/** Takes what the browser is handed as a file, and reads it. */
async function fileOf(page: Page, press: () => Promise<void>): Promise<string> {
  const [handed] = await Promise.all([page.waitForEvent('download'), press()]);
  return readFileSync(await handed.path(), 'utf8');
}

async function photograph(page: Page, press: () => Promise<void>, picture: Buffer): Promise<void> {
  const [chooser] = await Promise.all([page.waitForEvent('filechooser'), press()]);
  await chooser.setFiles({ name: 'board.png', mimeType: 'image/png', buffer: picture });
}

/** A disk that takes its time over a picture: nothing of it lies there while it does. */
const slowDisk = (context: BrowserContext) =>
  context.addInitScript(() => {
    const { put } = IDBObjectStore.prototype;
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, value: { value?: object }, key) {
      const request = put.call(this, value, key);
      const until = performance.now() + 1000;
      const hold = () => {
        if (performance.now() < until) this.get('nothing').onsuccess = hold;
      };
      if (value.value && 'file' in value.value) hold();
      return request;
    };
  });

test('a day without signal: begun, surveyed, planned, landed, proven, written, reported; then all of it is sent', async ({
  page,
  context,
  own,
}) => {
  test.slow();
  await slowDisk(context);
  await installed(page, own.url);
  const picture = await page.screenshot();
  await page.close();
  await own.down();

  // Begun in the attic.
  let phone = await context.newPage();
  await phone.goto(own.url);
  await button(phone, 'New job').click();
  await phone.getByTestId('new-site').fill('Damson cottage');
  await phone.getByTestId('new-name').fill('Attic furnace');
  await button(phone, 'Create job').click();
  await surveyFurnace(phone);
  await button(phone, 'Photos').click();
  await photograph(phone, () => button(phone, 'Photograph Plant room').click(), picture);
  await expect(button(phone, /^Open photograph 1 of Plant room/)).toBeVisible();

  // The telephone is dropped: what was done is there when the app is opened again.
  const id = new URL(phone.url()).pathname.split('/')[2]!;
  await phone.close();
  phone = await context.newPage();
  await phone.goto(own.url);
  await expect(outstanding(phone)).toBeVisible();
  await phone.getByRole('link', { name: 'Open Attic furnace, Damson cottage' }).click();
  await expect(stud(phone, 'board.R')).toHaveAccessibleName(/hot/);
  await call(phone, 'Cool');
  await untilRunning(phone, /compressor/);
  await probe(phone, 'board.Y', 'board.C');
  await button(phone, /^Log/).click();
  await phone.getByTestId('actual').fill('26.1');
  await button(phone, 'Save reading').click();
  await expect(phone.getByTestId('actual')).toHaveCount(0);
  await call(phone, 'Off');

  // Planned, proven and landed.
  await place(phone, 'Plan');
  await expect(phone.getByRole('status')).toContainText('Proven');
  await button(phone, 'Swap').click();
  await button(phone, 'Plan the landings').click();
  await button(phone, /^Take this plan/)
    .first()
    .click();
  const steps = await workDown(phone);
  expect(steps.length).toBeGreaterThan(6);

  // Written and reported.
  await place(phone, 'Record');
  await button(phone, 'Log').click();
  await phone.getByLabel('A line for the log').fill('Filter was black');
  await button(phone, 'Log it').click();
  await phone.getByLabel('A line for the log').fill('New thermostat on the wall');
  await button(phone, 'Photograph it').click();
  await photograph(phone, () => button(phone, 'Of which place: Hall').click(), picture);
  await expect(phone.getByRole('list', { name: 'Log' })).toContainText('New thermostat on the wall');
  await button(phone, 'Report').click();
  const told = await fileOf(phone, () => button(phone, 'Report as Markdown').click());
  expect(told).toContain('Damson cottage: Attic furnace');
  expect(told).toContain('Filter was black');
  // Markdown escapes the point.
  expect(told).toContain('26\\.1 V');
  expect(told).toMatch(/Not sealed yet, for lack of an answer: 2/);
  await button(phone, 'Report as PDF').click();
  await expect(phone.getByText('Try again with signal')).toBeVisible();
  await place(phone, 'Wire');
  await button(phone, 'Papers').click();
  expect(await fileOf(phone, () => button(phone, 'Wiring diagram for the unit (SVG)').click())).toContain(
    'Damson cottage · Attic furnace',
  );
  await outstanding(phone).click();
  await expect(phone.getByRole('heading', { name: 'Not sent yet' })).toBeVisible();
  expect(await phone.getByRole('listitem').count()).toBeGreaterThan(5);

  // Back on the road: all of it is sent, in its order, and nothing twice.
  await own.up();
  await button(phone, 'Try now').click();
  await expect(phone.getByText('Nothing waits')).toBeVisible({ timeout: 60_000 });
  const asked = async (path: string) =>
    (await (await phone.request.get(`${own.url}/api/jobs/${id}${path}`)).json()) as Record<string, unknown>[];
  expect(await asked('')).toMatchObject({ name: 'Attic furnace', site: 'Damson cottage' });
  expect(await asked('/photos')).toHaveLength(2);
  expect(await asked('/readings')).toHaveLength(1);
  const entries = await asked('/record');
  expect(entries.map(({ body }) => (body as { text?: string }).text).filter(Boolean)).toEqual(
    expect.arrayContaining(['Filter was black', 'New thermostat on the wall']),
  );
  const report = await (await phone.request.get(`${own.url}/api/jobs/${id}/report.md?zone=UTC`)).text();
  expect(report).toContain('Filter was black');
  expect(report).not.toContain('Not sealed yet');
});

const note = async (page: Page, text: string) => {
  await place(page, 'Record');
  await button(page, 'Log').click();
  await page.getByLabel('A line for the log').fill(text);
  await button(page, 'Log it').click();
  await expect(page.getByRole('list', { name: 'Log' })).toContainText(text);
  await place(page, 'Trace');
};

test('two phones on one job for a day, the line cut at any moment and the server killed: all that both did is in', async ({
  browser,
  own,
}) => {
  test.slow();
  const [ada, bo] = await twoPhones(browser, own.url);
  const { id } = await begunJob(ada, own.url, {
    ...{ name: 'Two of us', site: 'Damson cottage', template: 'furnace-ac' },
  });
  for (const page of [ada, bo]) {
    await page.goto(`${own.url}/job/${id}`);
    await expect(stud(page, 'board.R')).toHaveAccessibleName(/hot/);
  }

  // Each sees who is there, and what the other does as it is done.
  await expect(ada.getByRole('img', { name: 'Also here: Bo Reed' })).toBeVisible();
  await lift(ada, 'stat.G', 'green');
  await expect(looseEnd(bo, 'statG')).toBeVisible();
  await expect(outstanding(bo)).toHaveCount(0);

  // From here on the line comes and goes while both work.
  const next = seeded(20281115);
  const maybeCut = (page: Page) => page.context().setOffline(next() < 0.5);
  const work: [Page, (page: Page) => Promise<void>][] = [
    [ada, (page) => lift(page, 'stat.Y', 'yellow')],
    [bo, (page) => lift(page, 'board.W', 'white')],
    [ada, (page) => note(page, 'Yellow is chafed')],
    [bo, (page) => note(page, 'White is warm')],
    [bo, (page) => lift(page, 'board.G', 'green')],
    [ada, (page) => lift(page, 'stat.W', 'white')],
    [ada, (page) => note(page, 'Off to the van')],
    [bo, (page) => note(page, 'Board looked at')],
  ];
  for (const [i, [page, act]] of work.entries()) {
    await maybeCut(page);
    if (i === 3) await own.down();
    if (i === 6) await own.up();
    await act(page);
  }
  await Promise.all([ada, bo].map((page) => page.context().setOffline(false)));

  for (const page of [ada, bo]) {
    await expect(outstanding(page)).toHaveCount(0);
    await expect(page.getByRole('alert')).toHaveCount(0);
  }
  const asked = async <T>(path: string) =>
    (await (await ada.request.get(`${own.url}/api/jobs/${id}${path}`)).json()) as T;
  interface Ends {
    circuit: { cables: { conductors: { colour: string; from: string | null; to: string | null }[] }[] };
  }
  const landed = async () =>
    (await asked<Ends>('')).circuit.cables
      .flatMap(({ conductors }) => conductors)
      .flatMap(({ from, to }) => [from, to]);
  for (const off of ['stat.G', 'stat.Y', 'stat.W', 'board.W', 'board.G'])
    await expect.poll(landed).not.toContain(off);
  await expect
    .poll(async () =>
      (await asked<{ by: string; body: { text: string } }[]>('/record'))
        .map(({ by, body }) => `${by}: ${body.text}`)
        .sort(),
    )
    .toEqual([
      'Ada Quill: Off to the van',
      'Ada Quill: Yellow is chafed',
      'Bo Reed: Board looked at',
      'Bo Reed: White is warm',
    ]);
  // Both look at the same circuit.
  for (const page of [ada, bo]) {
    await expect(looseEnd(page, 'statY')).toBeVisible();
    // Lifted at both of its ends, one by each of them.
    await expect(looseEnd(page, 'statW')).toHaveCount(0);
  }
  await Promise.all([ada, bo].map((page) => page.context().close()));
});

test('storage that is full costs nothing that is in hand, and is said', async ({ page, context, own }) => {
  await installed(page, own.url);
  const begun = await page.request.post(`${own.url}/api/jobs`, {
    data: { name: 'Full', site: 'Damson cottage', template: 'furnace-ac' },
  });
  const { id } = (await begun.json()) as { id: string };
  await page.goto(`${own.url}/job/${id}`);
  await expect(stud(page, 'board.R')).toHaveAccessibleName(/hot/);
  // As a browser without room answers: every write to its database fails.
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('No room', 'QuotaExceededError');
    };
  });
  await own.down();
  await lift(page, 'stat.G', 'green');
  await expect(page.getByRole('link', { name: /This browser has no room/ })).toBeVisible();
  await expect(looseEnd(page, 'statG')).toBeVisible();
  await own.up();
  await expect(outstanding(page)).toHaveCount(0);
  const stored = (await (await page.request.get(`${own.url}/api/jobs/${id}`)).json()) as { revision: number };
  expect(stored.revision).toBe(2);
  await context.close();
});

/** Ends every process of a browser at once, as a telephone does that runs out of power. */
function killBrowser(profile: string): void {
  for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name)))
    try {
      if (readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(profile))
        process.kill(Number(pid), 'SIGKILL');
    } catch {
      // It ended by itself meanwhile.
    }
}

test('a browser that is killed in mid-write, again and again, has everything that it showed as written', async ({
  own,
}) => {
  const profile = mkdtempSync(join(tmpdir(), 'zygostat-killed-'));
  const open = (): Promise<BrowserContext> =>
    chromium.launchPersistentContext(profile, { ...HEADLESS, viewport: { width: 390, height: 844 } });
  const lines = (page: Page) => page.getByRole('list', { name: 'Log' }).getByRole('listitem');
  const write = async (page: Page, line: string) => {
    await page.getByLabel('A line for the log').fill(line);
    await button(page, 'Log it').click();
  };
  let context = await open();
  let page = context.pages()[0] ?? (await context.newPage());
  await installed(page, own.url);
  const begun = await page.request.post(`${own.url}/api/jobs`, {
    data: { name: 'Killed', site: 'Damson cottage', template: 'furnace-ac' },
  });
  const { id } = (await begun.json()) as { id: string };
  const log = `${own.url}/job/${id}/record?view=log`;
  await page.goto(log);
  await page.getByLabel('Who writes').fill('Sol');
  await write(page, 'With signal');
  await expect(lines(page)).toHaveCount(1);
  // Taken along whole, with what was just sent, a moment later.
  await expect
    .poll(() =>
      page.evaluate(async (path) => (await caches.match(path))?.text() ?? '', `/api/jobs/${id}/record`),
    )
    .toContain('With signal');
  await own.down();

  const shown = ['With signal'];
  for (let time = 1; time <= 3; time++) {
    for (const part of ['begun', 'done']) {
      shown.push(`Time ${time}, ${part}`);
      await write(page, shown.at(-1)!);
      await expect(lines(page).filter({ hasText: shown.at(-1)! })).toHaveCount(1);
    }
    // Killed while the next is on its way to the disk; nobody was told that it is written.
    await page.getByLabel('A line for the log').fill(`Time ${time}, cut off`);
    void button(page, 'Log it')
      .click()
      .catch(() => undefined);
    killBrowser(profile);
    await context.close().catch(() => undefined);
    context = await open();
    page = context.pages()[0] ?? (await context.newPage());
    await page.goto(log);
    for (const line of shown) await expect(lines(page).filter({ hasText: line })).toHaveCount(1);
  }

  await own.up();
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(outstanding(page)).toHaveCount(0);
  const record = await page.request.get(`${own.url}/api/jobs/${id}/record`);
  const texts = ((await record.json()) as { body: { text: string } }[]).map(({ body }) => body.text);
  expect(texts.filter((text) => !text.endsWith('cut off'))).toEqual(shown);
  // What was cut off is there whole or not at all, and once.
  expect(new Set(texts).size).toBe(texts.length);
  await context.close();
  rmSync(profile, { recursive: true, force: true });
});
