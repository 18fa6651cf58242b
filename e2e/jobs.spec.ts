import { expectAccessible } from './axe';
import { button, expect, lift, move, openNewJob, probe, status, stud, test } from './bench';

test('a job is found and a new one made in no more than ten taps', async ({ page, server }) => {
  await page.goto(server.url);
  await expect(page.getByRole('link', { name: /Open / }).first()).toBeVisible();
  await page.getByLabel('Search jobs and sites').fill('pottery');
  await expect(page.getByRole('link')).toHaveCount(1);
  await page.getByLabel('Search jobs and sites').fill('');
  // Every tap counts, those into a field too.
  await page.evaluate(() => {
    document.body.dataset.taps = '0';
    document.addEventListener('pointerdown', () => {
      document.body.dataset.taps = String(Number(document.body.dataset.taps) + 1);
    });
  });
  const type = async (field: string, text: string) => {
    await page.getByTestId(field).click();
    await page.keyboard.type(text);
  };
  await page.getByRole('button', { name: 'New job' }).click();
  await type('new-site', 'Windmill bakery');
  await type('new-name', 'Proving room');
  await page.getByRole('radio', { name: 'Furnace with air conditioner, no C', exact: true }).click();
  await page.getByRole('button', { name: 'Create job' }).click();
  await expect(stud(page, 'board.R')).toHaveAccessibleName(/hot/);
  const taps = Number(await page.evaluate(() => document.body.dataset.taps));
  expect(taps).toBeGreaterThanOrEqual(5);
  expect(taps).toBeLessThanOrEqual(10);
  await page.getByRole('button', { name: 'Back to jobs' }).click();
  await expect(page.getByRole('link', { name: 'Open Proving room, Windmill bakery' })).toBeVisible();
});

test('a job without a name is asked for one', async ({ page, server }) => {
  await page.goto(`${server.url}/new`);
  await page.getByRole('button', { name: 'Create job' }).click();
  await expect(page.getByText('Give the site a name.', { exact: true })).toBeVisible();
  await expect(page.getByText('Give the job a name.', { exact: true })).toBeVisible();
  // Said beside the button too, and the fields are brought into view.
  await expect(page.getByRole('alert')).toContainText('Give the site a name. Give the job a name.');
  await expect(page.getByTestId('new-site')).toBeInViewport();
});

test('a spoiled circuit file is refused with the place that is wrong', async ({ page, server }) => {
  await page.goto(`${server.url}/new`);
  const offer = async (text: string) => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'From a circuit file' }).click();
    await (
      await chooser
    ).setFiles({ name: 'circuit.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  };
  await offer('{"format": "zygostat-circuit", "version": 7}');
  await expect(page.getByRole('alert')).toContainText('version must be 1');
  await offer('not json at all');
  await expect(page.getByRole('alert')).toContainText('document is not JSON');
  // A good file before a bad one leaves nothing of itself behind.
  const data = { name: 'Read', site: 'Quince orchard', template: 'furnace-ac' };
  const { id } = (await (await page.request.post(`${server.url}/api/jobs`, { data })).json()) as {
    id: string;
  };
  const job = (await (await page.request.get(`${server.url}/api/jobs/${id}`)).json()) as { circuit: unknown };
  await offer(JSON.stringify(job.circuit));
  await expect(page.getByText(/^Read: Read, \d+ devices/)).toBeVisible();
  // One that is too large for any circuit, before it is looked into.
  await offer(`"${'x'.repeat(6_000_000)}"`);
  await expect(page.getByRole('alert')).toContainText(
    'document has 5.7 MB: a circuit file has 2.0 MB at most',
  );
  await offer('{"format": "zygostat-circuit", "version": 7}');
  await expect(page.getByText(/^Read: Read/)).toHaveCount(0);
  await expect(page.getByRole('radio', { name: 'Survey it' })).toBeChecked();
});

test('a name that looks like markup is shown as text', async ({ page, server }) => {
  const name = '<img src=x onerror=alert(1)>';
  await page.request.post(`${server.url}/api/jobs`, {
    data: { name, site: `'; DROP TABLE jobs; --`, template: 'furnace-ac' },
  });
  await page.goto(server.url);
  await expect(page.getByText(name)).toBeVisible();
});

test('a job that does not exist, and an address that leads nowhere, say so', async ({ page, server }) => {
  await page.goto(`${server.url}/job/nope`);
  await expect(page.getByRole('heading', { name: 'No such job' })).toBeVisible();
  await page.goto(`${server.url}/no/such/place`);
  await expect(page.getByText('There is nothing at this address')).toBeVisible();
});

test('two on one job: what each changed is in, and the same end changed twice is asked', async ({
  page,
  server,
  context,
}) => {
  const id = await openNewJob(page, server, 'Two tabs');
  const other = await context.newPage();
  // Deaf: it hears of what the other does when it saves, as one without signal for a while does.
  await other.route('**/stream?*', (route) => route.abort());
  await other.goto(`${server.url}/job/${id}`);
  await expect(stud(other, 'board.R')).toHaveAccessibleName(/hot/);
  const revision = async () =>
    ((await (await page.request.get(`${server.url}/api/jobs/${id}`)).json()) as { revision: number })
      .revision;
  await lift(page, 'stat.G', 'green');
  await expect.poll(revision).toBe(2);
  // Another conductor: both are in without a question.
  await lift(other, 'stat.W', 'white');
  await expect(other.getByText(/both changes are in/)).toBeVisible();
  await expect.poll(revision).toBe(3);
  await expect(other.getByRole('alert')).toHaveCount(0);
  const landed = async () => {
    const { circuit } = (await (await page.request.get(`${server.url}/api/jobs/${id}`)).json()) as {
      circuit: { cables: { conductors: { id: string; from: string | null }[] }[] };
    };
    const all = circuit.cables.flatMap(({ conductors }) => conductors);
    return ['statG', 'statW', 'statY'].map((one) => all.find((conductor) => conductor.id === one)!.from);
  };
  expect(await landed()).toEqual([null, null, 'stat.Y']);

  // The same end: asked, with what each did, and either holds.
  await page.reload();
  await expect(stud(page, 'board.R')).toHaveAccessibleName(/hot/);
  await lift(page, 'stat.Y', 'yellow');
  await expect.poll(revision).toBe(4);
  await move(other, 'stat.Y', 'stat.W', 'yellow');
  const asked = other.getByRole('alert');
  await expect(asked).toContainText('Somebody else changed the same');
  await expect(button(other, '1 still to decide')).toBeDisabled();
  // On the loom too: whose end is where.
  await expect(other.getByTestId('loom').getByText('yours', { exact: true })).toHaveCount(1);
  await button(other, /^Yellow of .*, one end: Theirs: Off$/).click();
  await button(other, 'Put both together').click();
  await expect(asked).toHaveCount(0);
  await expect.poll(landed).toEqual([null, null, null]);
});

test('an edit made while the server is away is kept and sent when it is back', async ({
  page,
  server,
  context,
}) => {
  const id = await openNewJob(page, server, 'Away');
  await context.setOffline(true);
  await stud(page, 'stat.G').click();
  await page.getByRole('button', { name: 'Lift the green conductor' }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  const outstanding = page.getByRole('link', { name: /^Not sent yet: 1 thing/ });
  await expect(outstanding).toBeVisible();
  await expect(status(page)).toBeVisible();
  await context.setOffline(false);
  await expect(outstanding).toHaveCount(0);
  const job = (await (await page.request.get(`${server.url}/api/jobs/${id}`)).json()) as { revision: number };
  expect(job.revision).toBe(2);
});

test('a reading and notes given while the server is away are kept and sent when it is back', async ({
  page,
  server,
  context,
}) => {
  const id = await openNewJob(page, server, 'Kept');
  await probe(page, 'board.R', 'board.C');
  await context.setOffline(true);
  await page.getByRole('button', { name: /^Log/ }).click();
  await page.getByTestId('actual').fill('26.4');
  await page.getByRole('button', { name: 'Save reading' }).click();
  await expect(page.getByText(/it is kept here and sent/)).toBeVisible();
  await page.getByRole('button', { name: 'Notes, theme and files' }).click();
  await page.getByRole('textbox', { name: 'Notes' }).fill('Gate key at the pottery');
  await page.keyboard.press('Escape');
  await context.setOffline(false);
  const job = async () =>
    JSON.stringify(await (await page.request.get(`${server.url}/api/jobs/${id}`)).json());
  await expect.poll(job).toContain('Gate key at the pottery');
  await expect
    .poll(async () =>
      JSON.stringify(await (await page.request.get(`${server.url}/api/jobs/${id}/readings`)).json()),
    )
    .toContain('"actual":26.4');
});

test('saved state of another version does not stop the page', async ({ page, server }) => {
  const id = await openNewJob(page, server, 'Old state');
  await page.evaluate((job) => {
    localStorage.setItem(`zygostat.1.bench.${job}`, '{"calls":["cool"],"version":0}');
    localStorage.setItem(`zygostat.1.draft.${job}`, '{"base":"x","circuit":{"format":"other"}}');
    localStorage.setItem('zygostat.1.theme', '{');
  }, id);
  await page.reload();
  await expect(status(page)).toContainText('24 V present, no call');
});

for (const scheme of ['light', 'dark'] as const)
  test(`nothing for axe on any view: ${scheme}`, { tag: '@wide' }, async ({ page, server }) => {
    const check = (what: string) => expectAccessible(page, what);
    await page.emulateMedia({ colorScheme: scheme });
    await page.goto(server.url);
    await expect(page.getByRole('link').first()).toBeVisible();
    await check('jobs');
    await page.goto(`${server.url}/new`);
    await expect(page.getByTestId('new-site')).toBeVisible();
    await check('new');
    await openNewJob(page, server, `Axe ${scheme}`);
    await check('trace');
    await stud(page, 'board.R').click();
    await check('stud');
  });

test('everything common is reached by keys alone', { tag: '@wide' }, async ({ page, server }) => {
  await openNewJob(page, server, 'Keys');
  await page.keyboard.press('c');
  await page.keyboard.press('s');
  await expect(status(page)).toContainText('compressor and outdoor fan on');
  await page.keyboard.press('?');
  await expect(page.getByRole('heading', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('r');
  await expect(status(page)).toContainText('Tap the stud for the red probe');
  // As a person without a mouse goes there: on from wherever the focus is, key by key.
  const here = () =>
    page.evaluate(() => {
      const { activeElement: at } = document;
      return at?.getAttribute('data-testid') ?? at?.getAttribute('aria-label') ?? '';
    });
  for (let presses = 0; presses < 70 && !(await here()).startsWith('Circuit'); presses++)
    await page.keyboard.press('Tab');
  // The loom is one stop: arrows go from one to the next, towards where one wants to be.
  await page.keyboard.press('Enter');
  const wayTo = (testId: string) =>
    page.evaluate((id) => {
      const boxOf = (element: Element) => element.getBoundingClientRect();
      const [from, to] = [
        boxOf(document.activeElement!),
        boxOf(document.querySelector(`[data-testid="${id}"]`)!),
      ];
      const [x, y] = [
        to.x + to.width / 2 - from.x - from.width / 2,
        to.y + to.height / 2 - from.y - from.height / 2,
      ];
      return Math.abs(y) > Math.abs(x)
        ? y > 0
          ? 'ArrowDown'
          : 'ArrowUp'
        : x > 0
          ? 'ArrowRight'
          : 'ArrowLeft';
    }, testId);
  for (let presses = 0; presses < 30 && (await here()) !== 'stud-board.R'; presses++)
    await page.keyboard.press(await wayTo('stud-board.R'));
  expect(await here()).toBe('stud-board.R');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('probe-red')).toHaveAccessibleName(/Furnace board R/);
});
