/** A day without signal: what was opened once opens cold, works, and what was done is sent when there is an answer again. */
import type { Locator, Page } from '@playwright/test';
import {
  bypassFloat,
  call,
  expect,
  installed,
  looseEnd,
  openNewJob,
  stud,
  untilRunning,
  ownTest as test,
} from './bench';

/** The answer that is kept here for an address, as text. */
const keptAnswer = (page: Page, path: string): Promise<string> =>
  page.evaluate(async (asked) => (await caches.match(asked))?.text() ?? '', path);

/** Goes to a place of the open job, and sees its work there. */
async function reached(page: Page, place: string): Promise<void> {
  await page.getByRole('link', { name: place, exact: true }).click();
  await expect(page.getByRole('link', { name: place, exact: true })).toHaveAttribute('aria-current', 'page');
  const work: Readonly<Record<string, Locator>> = {
    Survey: page.getByRole('group', { name: 'Survey' }),
    Plan: page.getByRole('group', { name: 'Plan' }),
    Wire: page.getByRole('group', { name: 'Wire' }),
    Record: page.getByRole('group', { name: 'Record' }),
    Trace: stud(page, 'board.R'),
  };
  await expect(work[place]!).toBeVisible();
}

test('a job that was opened once opens cold without an answer, is worked on, and is sent later', async ({
  page,
  context,
  own,
}) => {
  await installed(page, own.url);
  const id = await openNewJob(page, { url: own.url, restart: own.up }, 'Without signal');
  // The list was not looked at since: it is taken along with the job.
  await expect.poll(() => keptAnswer(page, '/api/jobs')).toContain('Without signal');
  await page.close();

  await own.down();
  const cold = await context.newPage();
  await cold.goto(own.url);
  await cold.getByRole('link', { name: 'Open Without signal, Quince orchard' }).click();
  await expect(stud(cold, 'board.R')).toHaveAccessibleName(/hot/);
  await call(cold, 'Cool');
  await untilRunning(cold, /compressor/);
  await call(cold, 'Off');

  // Changed, and still there after the app was closed and opened cold again.
  await stud(cold, 'stat.G').click();
  await cold.getByRole('button', { name: 'Lift the green conductor' }).click();
  await cold.getByRole('button', { name: 'Close' }).click();
  await expect(cold.getByRole('link', { name: /Not sent yet: 1 thing/ })).toBeVisible();
  await cold.close();
  const again = await context.newPage();
  await again.goto(`${own.url}/job/${id}`);
  await expect(looseEnd(again, 'statG')).toBeVisible();

  // Places that were not opened before are here too: the whole app is.
  for (const place of ['Survey', 'Plan', 'Wire', 'Record', 'Trace']) await reached(again, place);

  await own.up();
  const stored = async () => {
    const answer = await again.request.get(`${own.url}/api/jobs/${id}`);
    return ((await answer.json()) as { revision: number }).revision;
  };
  await expect.poll(stored).toBe(2);
  await expect(again.getByRole('link', { name: /Not sent yet/ })).toHaveCount(0);
});

test('on the very first visit, by the address of a job, that job and the list are held', async ({
  page,
  context,
  own,
}) => {
  const jobs = (await (await page.request.get(`${own.url}/api/jobs`)).json()) as {
    id: string;
    name: string;
  }[];
  const { id, name } = jobs[0]!;
  await page.goto(`${own.url}/job/${id}`);
  for (const path of ['/api/jobs', `/api/jobs/${id}`, `/api/jobs/${id}/record`])
    await expect.poll(() => keptAnswer(page, path), { timeout: 30_000 }).not.toBe('');
  await page.close();

  await own.down();
  const cold = await context.newPage();
  await cold.goto(own.url);
  await cold.getByRole('link', { name: `Open ${name}` }).click();
  await expect(cold).toHaveTitle(new RegExp(name));
  await expect(cold.getByRole('link', { name: 'Trace', exact: true })).toBeVisible();
});

test('opened by its icon it goes on in the job that was open, and says what is bypassed on others', async ({
  page,
  context,
  own,
}) => {
  const jobs = (await (await page.request.get(`${own.url}/api/jobs`)).json()) as { id: string }[];
  await bypassFloat(page, `${own.url}/api/jobs/${jobs[0]!.id}/record`);
  await installed(page, own.url);
  const id = await openNewJob(page, { url: own.url, restart: own.up }, 'In hand');
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await page.getByRole('button', { name: 'Sums', exact: true }).click();
  await expect(page).toHaveURL(/view=/);
  const left = page.url();
  expect(left).toContain(`/job/${id}/plan`);
  await page.close();

  await own.down();
  const again = await context.newPage();
  await again.goto(`${own.url}/?from=icon`);
  await expect(again).toHaveURL(left);
  await expect(again.getByRole('button', { name: 'Sums', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  // Whoever comes straight here has not seen the list: it leads there, and then the list is what one left.
  await again.getByRole('link', { name: /^On other jobs: 1 safety bypassed/ }).click();
  await expect(again.getByRole('region', { name: 'Bypassed' })).toBeVisible();
  await again.goto(`${own.url}/?from=icon`);
  await expect(again.getByRole('heading', { name: 'Zygostat', level: 1 })).toBeVisible();
  await expect(again).toHaveURL(`${own.url}/`);
});

test('a whole site is taken along by one tap, photographs and all; what needs the server says so', async ({
  page,
  context,
  own,
}) => {
  await installed(page, own.url);
  const [first, second] = await Promise.all(
    ['Ground floor', 'Upper floor'].map(async (name) => {
      const data = { name, site: 'Quince orchard', template: 'furnace-ac' };
      const made = await page.request.post(`${own.url}/api/jobs`, { data });
      return (await made.json()) as { id: string; siteId: string };
    }),
  );
  const sent = await page.request.post(`${own.url}/api/jobs/${second!.id}/photos?station=hall`, {
    headers: { 'Content-Type': 'image/png' },
    data: await page.screenshot(),
  });
  expect(sent.status()).toBe(201);
  await page.goto(`${own.url}/site/${first!.siteId}?view=jobs`);
  await page.getByRole('button', { name: 'Take this site along' }).click();
  await expect(page.getByText('Here now, with or without signal: 2 jobs, with photographs.')).toBeVisible();
  await page.close();

  await own.down();
  const cold = await context.newPage();
  for (const { id } of [first!, second!]) {
    await cold.goto(`${own.url}/job/${id}`);
    await expect(stud(cold, 'board.R')).toHaveAccessibleName(/hot/);
  }
  await cold.goto(`${own.url}/job/${second!.id}/survey?view=photos`);
  const thumb = cold.getByRole('button', { name: /^Open photograph 1 of Hall/ }).locator('img');
  await expect.poll(() => thumb.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBeGreaterThan(0);
  await cold.goto(`${own.url}/job/${second!.id}/wire?view=papers`);
  await cold.getByRole('button', { name: /^Landing cards/ }).click();
  await expect(
    cold.getByText('The server makes this file, and there is no answer from it. Try again with signal.'),
  ).toBeVisible();
});

test('it can be installed: manifest, icons, a worker that holds the whole app', async ({ page, own }) => {
  await installed(page, own.url);
  const manifest = (await (await page.request.get(`${own.url}/manifest.webmanifest`)).json()) as {
    icons: { src: string }[];
    start_url: string;
    display: string;
  };
  expect(manifest).toMatchObject({ start_url: '/?from=icon', display: 'standalone' });
  for (const { src } of manifest.icons)
    expect((await page.request.get(`${own.url}${src}`)).headers()['content-type']).toMatch(/^image\//);
  const held = await page.evaluate(async () => {
    const names = await caches.keys();
    const all = await Promise.all(names.map(async (name) => (await (await caches.open(name)).keys()).length));
    return all.reduce((sum, one) => sum + one, 0);
  });
  expect(held).toBeGreaterThan(10);
});
