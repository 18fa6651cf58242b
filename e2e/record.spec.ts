/** A bypass is recorded, seen from everywhere, and closed with proof; what is noticed and logged stays. */
import type { Page } from '@playwright/test';
import { expectAccessible } from './axe';
import { button, bypassFloat, call, expect, openNewJob, status, test, untilSeen } from './bench';

/** Holds what is posted there until it is let go; what is returned lets it go and waits for the answer. */
async function holdAnswers(page: Page, where: string): Promise<() => Promise<void>> {
  let letGo = () => {};
  const gate = new Promise<void>((resolve) => (letGo = resolve));
  await page.route(where, async (route) => {
    if (route.request().method() === 'POST') await gate;
    await route.fallback();
  });
  return async () => {
    const answered = page.waitForResponse((response) => response.request().method() === 'POST');
    letGo();
    await answered;
    await page.unroute(where);
  };
}

test('a bypass is recorded in four taps, seen on the first screen, and closed with proof', async ({
  page,
  server,
}) => {
  const id = await openNewJob(page, server, 'Seed loft', 'furnace-ac', 'stat.R');
  await page.getByRole('link', { name: 'Record' }).click();
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await page.getByLabel('Who writes').fill('Sol');
  await page.getByRole('button', { name: 'A safety is bypassed' }).click();
  await page.getByRole('list', { name: 'Safeties' }).getByRole('button', { name: 'Pan float' }).click();
  await expect(page.getByText(/Nothing else stops it now: Contactor/)).toBeVisible();
  await page.getByRole('button', { name: 'It is in: record it' }).click();
  const card = page.getByRole('region', { name: 'Bypass: Pan float' });
  await expect(card).toContainText('put in by Sol');
  await expect(page.getByRole('button', { name: 'Open 1' })).toBeVisible();
  await expectAccessible(page);

  // Seen from every place of the job, and on the first screen.
  await page.getByRole('link', { name: 'Plan' }).click();
  await expect(page.getByRole('link', { name: 'Bypassed: Pan float' })).toBeVisible();
  // Whoever leaves is asked who watches: by the way back, by the site's name, by the browser's own back.
  await page.getByRole('link', { name: /: to the site$/ }).click();
  await expect(page.getByRole('button', { name: 'They watch it: leave' })).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'Back to jobs' }).click();
  await expect(page.getByRole('button', { name: 'They watch it: leave' })).toBeDisabled();
  await page.getByRole('button', { name: 'I stay with it: only to the list' }).click();
  const first = page.getByRole('region', { name: 'Bypassed' });
  await expect(first).toContainText('1 safety bypassed');
  await first.getByRole('link', { name: /^Bypass of Pan float/ }).click();
  await page.getByRole('button', { name: 'Open 1' }).click();

  // The job is not finished with it in.
  await expect(page.getByRole('button', { name: 'Finish the job' })).toBeDisabled();
  await expect(
    page.getByText(/Pan float is bypassed\. Take the bypass out and test the safety/),
  ).toBeVisible();
  await card.getByRole('button', { name: 'It is out: prove it' }).click();
  const close = card.getByRole('button', { name: 'It works: close it' });
  await expect(close).toBeDisabled();
  await card.getByLabel('What stopped, and what started again?').fill('Lifted it: the outdoor unit stopped');
  await close.click();
  await expect(page.getByText('No safety is bypassed.')).toBeVisible();
  await page.getByLabel('What was done, for the customer').fill('Float cleaned and tested');
  await page.getByRole('button', { name: 'Finish the job' }).click();
  await expect(page.getByText('The job is finished. A new entry opens it again.')).toBeVisible();
  const told = await (await page.request.get(`${server.url}/api/jobs/${id}/report.md`)).text();
  expect(told).toContain('Float cleaned and tested.');

  await page.getByRole('button', { name: 'Log', exact: true }).click();
  const log = page.getByRole('list', { name: 'Log' }).getByRole('listitem');
  await expect(log).toHaveCount(3);
  await expect(log.nth(1)).toContainText('Pan float works again: Lifted it');
  const job = (await (await page.request.get(`${server.url}/api/jobs/${id}`)).json()) as { state: string };
  expect(job.state).toBe('done');
});

test('what is bypassed stops nothing on Trace, and Find looks for no trip of it', async ({
  page,
  server,
}) => {
  const id = await openNewJob(page, server, 'Loft hatch', 'furnace-ac', 'stat.R');
  const bypass = async () => {
    await bypassFloat(page, `${server.url}/api/jobs/${id}/record`);
    await page.reload();
    await expect(page.getByRole('link', { name: 'Bypassed: Pan float' })).toBeVisible();
  };
  const likely = page.getByRole('list', { name: 'What is left' });
  const search = async () => {
    await button(page, 'Find').click();
    const asked = button(page, 'It goes wrong with: Cooling');
    await expect(asked.or(likely).first()).toBeVisible();
    if (await asked.isVisible()) {
      await asked.click();
      await button(page, 'What comes out: Air, not tempered').click();
      await button(page, 'Find it').click();
    }
    await expect(likely.getByRole('listitem').first()).toBeVisible();
  };
  await page.getByRole('switch', { name: /^Pan float/ }).click();
  await call(page, 'Cool');
  await expect(status(page)).toContainText(/float/i);
  await search();
  await expect(likely).toContainText('Pan float');
  await bypass();
  await search();
  await expect(likely).not.toContainText('Pan float');
  // What runs goes on running when it trips.
  const float = page.getByRole('switch', { name: /^Pan float/ });
  await button(page, 'Loom').click();
  await float.click();
  await expect(float).toHaveAccessibleName('Pan float, dry');
  const cool = button(page, 'Call: Cool');
  if ((await cool.getAttribute('aria-pressed')) !== 'true') await cool.click();
  const contactor = button(page, /^Contactor A1, .* volts, hot$/);
  await untilSeen(page, contactor);
  await float.click();
  await expect(float).toHaveAccessibleName('Pan float, wet');
  await expect(contactor).toBeVisible();
});

test('what is noticed is left open and dealt with; a line written without an answer is sent later', async ({
  page,
  server,
}) => {
  await openNewJob(page, server, 'Roof', 'rooftop', 'stat.R');
  await page.getByRole('link', { name: 'Record' }).click();
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await page.getByLabel('Noticed', { exact: true }).fill('Cap of the sampling tube still on');
  await page.getByRole('button', { name: 'By when: In a week' }).click();
  await page.getByRole('button', { name: 'Leave it open' }).click();
  const items = page.getByRole('list', { name: 'Noticed and left' }).getByRole('listitem');
  await expect(items).toHaveCount(1);
  await expect(items).toContainText(/ by \w{3} \d+, \d{4}/);
  await page.route('**/api/jobs/*/record', (route) => route.abort());
  await items.getByRole('button', { name: /^Dealt with/ }).click();
  await expect(items).toHaveCount(0);
  await expect(page.getByText('it is kept here and sent when there is')).toBeVisible();
  await page.unroute('**/api/jobs/*/record');
  await page.getByRole('button', { name: 'Log', exact: true }).click();
  await expect(page.getByRole('list', { name: 'Log' }).getByRole('listitem')).toHaveCount(2);
  await expect
    .poll(async () => {
      const url = new URL(page.url()).pathname.split('/')[2]!;
      const answer = await page.request.get(`${server.url}/api/jobs/${url}/record`);
      return ((await answer.json()) as unknown[]).length;
    })
    .toBe(2);
});

test('a heat pump is commissioned in order: dead first, delays counted, cold days deferred, what fails is looked for', async ({
  page,
  server,
}) => {
  const id = await openNewJob(page, server, 'Heat pump', 'heat-pump', 'stat.R');
  await page.getByRole('link', { name: 'Record' }).click();
  const card = page.getByRole('region', { name: 'Test', exact: true });
  const title = card.getByRole('heading');
  const asItShould = card.getByRole('button', { name: 'As it should' });
  await expect(title).toHaveText('Dead before anything is touched');
  await expect(card).toContainText('0 V');
  // A figure that is not dead is not signed as it should be.
  const figure = card.getByLabel(/^Read, V: Transformer R/);
  await figure.fill('24');
  await expect(card).toContainText('outside its limits');
  await expect(asItShould).toBeDisabled();
  await figure.fill('0.2');
  await expect(asItShould).toBeDisabled();
  for (const other of await card.getByLabel(/^Read, V: /).all()) await other.fill('0.2');
  await card.getByRole('button', { name: 'Meter tested on a live point before and after' }).click();
  await expectAccessible(page);
  await asItShould.click();
  await expect(title).toHaveText('24 V at the transformer and the thermostat');
  await expect(card).toContainText('Transformer R to Transformer C');
  await asItShould.click();
  await expect(title).toHaveText('Fan called');
  const lines = card.getByRole('list', { name: 'What should happen' });
  await expect(lines).toContainText('runs');
  for (let calls = 0; calls < 8 && (await title.innerText()) !== 'Cooling called'; calls++) {
    const before = await title.innerText();
    await asItShould.click();
    await expect(title).not.toHaveText(before);
  }
  // A compressor is not made to cool in the cold.
  await expect(title).toHaveText('Cooling called');
  await expect(asItShould).toBeDisabled();
  await card.getByRole('button', { name: /: Colder$/ }).click();
  await expect(card).toContainText('Pull the outdoor disconnect first');
  // The server is slow to answer: what is chosen meanwhile stays chosen.
  const answer = await holdAnswers(page, '**/api/jobs/*/record');
  await card.getByRole('button', { name: 'Not today' }).click();
  await card.getByRole('button', { name: 'Test it by: Next season' }).click();
  await card.getByRole('button', { name: 'Put the test off' }).click();
  await expect(title).not.toHaveText('Cooling called');
  const list = page.getByRole('list', { name: 'Tests', exact: true });
  await expect(list.getByRole('listitem').filter({ hasText: 'Cooling called' }).first()).toContainText(
    'not today',
  );
  // The delay of a restart is counted down.
  await list
    .getByRole('button', { name: /Make the test: .*it restarts/ })
    .first()
    .click();
  await answer();
  await card.getByRole('button', { name: /^The call is made: wait/ }).click();
  await expect(card.getByRole('timer')).toContainText('Waiting is right, not a fault');
  await card.getByRole('button', { name: 'Not so' }).click();
  // It stays here, open, until it passes or somebody named takes it over; the search is one of the ways on.
  const failed = page.getByRole('list', { name: 'Failed tests' });
  await expect(failed).toContainText('it restarts');
  await page.getByRole('button', { name: /^Open \d/ }).click();
  await expect(page.getByRole('button', { name: 'Finish the job' })).toBeDisabled();
  await page.getByRole('button', { name: /failed: show$/ }).click();
  await expectAccessible(page);
  await failed.getByRole('button', { name: /^Find the fault/ }).click();
  await expect(page).toHaveURL(/job\/[\w-]+\?view=find$/);
  await expect(page.getByRole('button', { name: 'Find it' })).toBeVisible();

  // All of it is in the report, which goes out with the job and comes back from its file.
  await page.getByRole('link', { name: 'Record' }).click();
  await page.getByRole('button', { name: 'Report', exact: true }).click();
  const papers = page.getByRole('region', { name: 'Report' });
  await expectAccessible(page);
  const handed = page.waitForEvent('download');
  await papers.getByRole('button', { name: 'Report as PDF' }).click();
  expect((await handed).suggestedFilename()).toBe('report.pdf');
  const told = await (await page.request.get(`${server.url}/api/jobs/${id}/report.md?zone=UTC`)).text();
  expect(told).toMatch(/\d+ of \d+ tests passed/);
  expect(told).toContain('Failed: ');
  expect(told).toMatch(/\| Fan called \| .* \| as it should \|/);
  expect(told).toContain('as it should; Transformer R to Transformer C 0.2 V');
  expect(told).toMatch(/\| Cooling called \| .*not under 55 °F outdoors.* \| not today/);
  const bundle = await (await page.request.get(`${server.url}/api/jobs/${id}/bundle.zip`)).body();
  const again = await page.request.post(`${server.url}/api/bundles`, {
    headers: { 'Content-Type': 'application/zip' },
    data: bundle,
  });
  expect(again.status()).toBe(409);

  // What was passed is due again once the wiring is changed.
  type Opened = { revision: number; circuit: { mains: { volts: number } } };
  const { revision, circuit } = (await (
    await page.request.get(`${server.url}/api/jobs/${id}`)
  ).json()) as Opened;
  const changed = { ...circuit, mains: { ...circuit.mains, volts: circuit.mains.volts + 5 } };
  await page.request.post(`${server.url}/api/jobs/${id}/revisions`, {
    data: { base: revision, circuit: changed },
  });
  await page.goto(`${server.url}/job/${id}/record?view=tests`);
  await expect(title).toHaveText(/dead/i);
  await expect(list).toContainText('as it should; not on the present wiring and settings; test again');
});

test('two people write on one job at once: nothing is lost, and the chain holds', async ({
  page,
  server,
  browser,
}) => {
  const id = await openNewJob(page, server, 'Two of us', 'rooftop', 'stat.R');
  const other = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await other.goto(`${server.url}/job/${id}/record`);
  await page.goto(`${server.url}/job/${id}/record`);
  const say = async (who: Page, name: string, line: string) => {
    await who.getByRole('button', { name: 'Log', exact: true }).click();
    await expect(who.getByLabel('Who writes')).toHaveCount(1);
    await who.getByLabel('Who writes').fill(name);
    await who.getByLabel('A line for the log').fill(line);
  };
  await Promise.all([say(page, 'Sol', 'Belt of unit 2 is off'), say(other, 'Ines', 'Roof drain runs')]);
  const log = (who: Page) => who.getByRole('button', { name: 'Log it' }).click();
  await Promise.all([log(page), log(other)]);
  // One of them without an answer for a while: what was written there comes after.
  await other.route('**/api/jobs/*/record', (route) => route.abort());
  await say(other, 'Ines', 'Written without signal');
  await log(other);
  await say(page, 'Sol', 'Written meanwhile');
  await log(page);
  await other.unroute('**/api/jobs/*/record');
  const written = async () =>
    (await (await page.request.get(`${server.url}/api/jobs/${id}/record`)).json()) as {
      by: string;
      body: { text: string };
    }[];
  await expect.poll(async () => (await written()).length).toBe(4);
  expect(new Set((await written()).map(({ by, body }) => `${by}: ${body.text}`))).toEqual(
    new Set([
      'Sol: Belt of unit 2 is off',
      'Ines: Roof drain runs',
      'Sol: Written meanwhile',
      'Ines: Written without signal',
    ]),
  );
  for (const who of [page, other]) {
    await who.reload();
    await who.getByRole('button', { name: 'Report', exact: true }).click();
    await expect(who.getByText('Sealed: 4 entries, the chain holds.')).toBeVisible();
  }
  await other.context().close();
});

test('a photograph is part of the log, and of the report', async ({ page, server }) => {
  const id = await openNewJob(page, server, 'Photographed', 'rooftop', 'stat.R');
  await page.getByRole('link', { name: 'Record' }).click();
  await page.getByRole('button', { name: 'Log', exact: true }).click();
  await page.getByLabel('A line for the log').fill('Caps still on the tubes');
  await page.getByRole('button', { name: 'Photograph it' }).click();
  const picture = await page.screenshot();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Of which place: Roof' }).click(),
  ]);
  await chooser.setFiles({ name: 'caps.png', mimeType: 'image/png', buffer: picture });
  const log = page.getByRole('list', { name: 'Log' });
  await expect(log).toContainText('Photograph of Roof: Caps still on the tubes');
  await expect(log.getByRole('img')).toBeVisible();
  // Seen at once, sent a moment later.
  const paper = async () =>
    (await page.request.get(`${server.url}/api/jobs/${id}/report.md?zone=UTC`)).text();
  await expect.poll(paper).toMatch(/- Roof, .*: Caps still on the tubes \(photographs\/[\w-]+\.jpg\)/);
});

test('a job left by the browser’s back while a safety is bypassed asks who watches', async ({
  page,
  server,
}) => {
  await openNewJob(page, server, 'Left behind', 'furnace-ac', 'stat.R');
  await page.goto(server.url);
  await page.getByRole('link', { name: /^Open Left behind/ }).click();
  await page.getByRole('link', { name: 'Record' }).click();
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await page.getByRole('button', { name: 'A safety is bypassed' }).click();
  const safeties = page.getByRole('list', { name: 'Safeties' });
  // A breaker, a disconnect, a fuse and a board are not bypassed for service.
  await expect(safeties).not.toContainText(/breaker|disconnect|fuse|board/i);
  await safeties.getByRole('button', { name: 'Pan float' }).click();
  await page.getByRole('button', { name: 'It is in: record it' }).click();
  await expect(page.getByRole('region', { name: 'Bypass: Pan float' })).toBeVisible();
  // Trace and the proof are of the circuit with it.
  await page.getByRole('link', { name: 'Plan' }).click();
  await page.getByRole('button', { name: 'Proof', exact: true }).click();
  await expect(page.getByText(/Pan float has been bypassed since .* by Ada Quill/)).toBeVisible();
  await page.getByRole('link', { name: 'Trace' }).click();
  await expect(page.getByRole('link', { name: 'Bypassed: Pan float' })).toBeVisible();
  for (let steps = 0; new URL(page.url()).pathname !== '/' && steps < 12; steps++) {
    await page.goBack();
    await page.waitForTimeout(200);
  }
  await expect(page.getByRole('button', { name: 'They watch it: leave' })).toBeVisible();
  await page.getByLabel('Who watches while you are away').fill('Ines');
  await page.getByRole('button', { name: 'They watch it: leave' }).click();
  await expect(page.getByRole('region', { name: 'Bypassed' })).toContainText('Ines');
});
