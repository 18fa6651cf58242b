import { readFileSync } from 'node:fs';
import { button, call, expect, move, openNewJob, probe, reading, skip, status, stud, test } from './bench';

test(
  'a cooling call waits, runs, and reads 24 V class volts at the coil; the float takes them away',
  { tag: '@wide' },
  async ({ page, server }) => {
    await openNewJob(page, server, 'Cooling');
    await call(page, 'Cool');
    await expect(status(page)).toContainText('compressor held by the thermostat’s protection');
    await expect(page.getByText(/^(4 min 5\d s|5 min)$/)).toBeVisible();
    await skip(page);
    await expect(status(page)).toContainText('contactor coil, compressor and outdoor fan on');
    await probe(page, 'contactor.A1', 'contactor.A2');
    // A 24 V coil on a lightly loaded 40 VA transformer: 24 to 27 V, from memory.
    await expect(reading(page)).toContainText(/2[4-6]\.\d/);
    await page.getByTestId('chip-float').click();
    await expect(status(page)).toContainText('stopped at Pan float (wet)');
    await expect(reading(page)).toContainText(/^.*A2\s*0(\.\d)?V~/s);
    await page.getByTestId('chip-float').click();
    await expect(status(page)).toContainText('compressor and outdoor fan on');
  },
);

test('Y moved to W runs heat on a cooling call; undo puts it right', async ({ page, server }) => {
  await openNewJob(page, server, 'Crossed');
  await move(page, 'board.Y', 'board.W', 'yellow');
  await expect(page.getByText('Landed yellow on Furnace board W')).toBeVisible();
  await call(page, 'Cool');
  await skip(page);
  await expect(status(page)).toContainText(
    /Cooling called, but heating runs \(inducer.*\): yellow of Thermostat cable lies between Thermostat Y and Furnace board W/,
  );
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(status(page)).not.toContainText('but heating runs');
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(status(page)).toContainText('but heating runs');
  // So does any earlier revision, and that is an edit like another.
  await page.getByRole('button', { name: 'Notes, theme and files' }).click();
  await page.getByRole('button', { name: /^Revisions: who/ }).click();
  await page.getByRole('button', { name: 'Back to it: revision 1', exact: true }).click();
  await expect(status(page)).not.toContainText('but heating runs');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(status(page)).toContainText('but heating runs');
});

test('R landed on C blows the fuse, and the conductor is named', async ({ page, server }) => {
  await openNewJob(page, server, 'Shorted');
  await move(page, 'stat.Y', 'stat.R', 'yellow');
  await move(page, 'board.Y', 'board.C', 'yellow');
  await expect(status(page)).toContainText(
    'Fuse blown: yellow of Thermostat cable lies between Thermostat R and Furnace board C',
  );
  await expect(page.getByTestId('chip-fuse')).toHaveAccessibleName('Board fuse, blown');
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByTestId('chip-fuse').click();
  await page.getByTestId('chip-fuse').click();
  await expect(status(page)).toContainText('24 V present, no call');
});

test(
  'a reading is logged in three taps from the stud and stands beside what was expected',
  { tag: '@wide' },
  async ({ page, server }) => {
    await openNewJob(page, server, 'Logged');
    await stud(page, 'board.R').click();
    await page.getByRole('button', { name: 'Log what I read here' }).click();
    await page.getByTestId('actual').fill('3,1');
    await expect(page.getByText('Lower than it should be')).toBeVisible();
    await page.getByRole('button', { name: 'Save reading' }).click();
    await page.getByRole('button', { name: 'Readings log' }).click();
    const row = page.getByRole('listitem').filter({ hasText: 'Furnace board R to Transformer C' });
    await expect(row).toContainText('3.1 V');
    await expect(row).toContainText(/expected 26\.\d V/);
  },
);

test('a reading that is no number is refused where it is typed', async ({ page, server }) => {
  await openNewJob(page, server, 'Refused');
  await stud(page, 'board.R').click();
  await page.getByRole('button', { name: 'Log what I read here' }).click();
  for (const bad of ['', 'NaN', '-4', 'about 20']) {
    await page.getByTestId('actual').fill(bad);
    await page.getByRole('button', { name: 'Save reading' }).click();
    await expect(page.getByText(/A number such as 24.6|Type what your meter shows/)).toBeVisible();
  }
});

test(
  'the path of a load runs from hot to common with volts at every terminal, and shows where it stops',
  { tag: '@wide' },
  async ({ page, server }) => {
    await openNewJob(page, server, 'Path');
    await call(page, 'Cool');
    await skip(page);
    await page.getByRole('button', { name: 'Path', exact: true }).click();
    await page.getByRole('button', { name: /^Contactor coil/ }).click();
    const stops = page.getByRole('listitem');
    await expect(stops.first()).toContainText('Transformer R');
    await expect(stops.last()).toContainText('Transformer C');
    for (const name of ['Board fuse 2', 'Thermostat Y', 'Pan float NC', 'Contactor A1', 'Contactor A2'])
      await expect(stops.filter({ hasText: name }).first()).toContainText(/\d V/);
    await call(page, 'Off');
    await expect(page.getByText('open: Y in Thermostat')).toBeVisible();
  },
);

test('ohms are refused while the circuit is live and read once it is dead', async ({ page, server }) => {
  await openNewJob(page, server, 'Ohms');
  await probe(page, 'unit.R', 'unit.C');
  await page.getByTestId('meter-mode').click();
  await page.getByTestId('meter-mode').click();
  await expect(reading(page)).toContainText(/1\.\dΩ/);
  await probe(page, 'board.R', 'board.C');
  await expect(reading(page)).toContainText('Ohms need a dead circuit');
});

test('everything is there after a reload and a killed server', async ({ page, server }) => {
  const id = await openNewJob(page, server, 'Kept');
  await move(page, 'board.Y', 'board.W', 'yellow');
  await call(page, 'Cool');
  await skip(page);
  await probe(page, 'board.W', 'board.C');
  await expect(reading(page)).toContainText(/2[4-6]\.\d/);
  await expect
    .poll(
      async () =>
        ((await (await page.request.get(`${server.url}/api/jobs/${id}`)).json()) as { revision: number })
          .revision,
    )
    .toBe(2);
  // The bench is written down a moment after it changes.
  await page.waitForTimeout(600);
  await server.restart();
  await page.reload();
  await expect(status(page)).toContainText('but heating runs');
  await expect(reading(page)).toContainText('Furnace board W');
  await expect(reading(page)).toContainText(/2[4-6]\.\d/);
  await stud(page, 'board.W').click();
  await expect(page.getByText('yellow to Thermostat Y')).toBeVisible();
});

test('a spare conductor floats: ghost volts on a high-impedance meter, none on a low one', async ({
  page,
  server,
}) => {
  await openNewJob(page, server, 'Ghost', 'furnace-ac-no-c');
  await page.getByRole('button', { name: /BU blue · Thermostat cable/ }).click();
  await page.getByRole('button', { name: 'Red probe', exact: true }).first().click();
  await page.getByTestId('probe-black').click();
  await stud(page, 'board.C').click();
  await expect(reading(page)).toContainText(/[1-9]\d?\.\dV~/);
  await page.getByTestId('meter-kind').click();
  await expect(reading(page)).toContainText(/board C0(\.\d)?V~/i);
});

test('a bad label value is explained where it is typed and changes nothing', async ({ page, server }) => {
  await openNewJob(page, server, 'Label');
  await page.getByTestId('plate-xfmr').click();
  const field = page.getByLabel('Nameplate, VA');
  await field.fill('-40');
  await expect(page.getByText('Nameplate must be a number from 5 to 200 VA.')).toBeVisible();
  await field.fill('75');
  await field.blur();
  await expect(page.getByTestId('plate-xfmr')).toHaveAccessibleName(/75 VA/);
});

test('a breaker is thrown where it stands, and what it feeds goes dead', async ({ page, server }) => {
  await openNewJob(page, server, 'Breaker');
  await page.getByTestId('plate-furnaceBreaker-line').click();
  await expect(page.getByTestId('plate-furnaceBreaker-line')).toHaveAccessibleName(/off$/);
  await expect(stud(page, 'board.R')).toHaveAccessibleName(/, 0(\.\d)? volts, (dead|floating)/);
  await expect(status(page)).toContainText('the transformer is dead');
  await page.getByTestId('chip-switch').click();
  await page.getByTestId('plate-furnaceBreaker-line').click();
  await expect(stud(page, 'board.R')).toHaveAccessibleName(/, 0(\.\d)? volts/);
  await page.getByTestId('chip-switch').click();
  await expect(stud(page, 'board.R')).toHaveAccessibleName(/2[4-7]\.\d volts, hot/);
});

test('a jumper from R to Y runs the outdoor unit without a call, and comes off again', async ({
  page,
  server,
}) => {
  await openNewJob(page, server, 'Jumper');
  await stud(page, 'board.R').click();
  await page.getByRole('button', { name: 'Jumper from here' }).click();
  await expect(status(page)).toContainText('other end of the jumper');
  await stud(page, 'board.Y').click();
  await expect(status(page)).toContainText('compressor and outdoor fan on without a call');
  await stud(page, 'board.Y').click();
  await page.getByRole('button', { name: 'Take off' }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(status(page)).toContainText(/blower runs on|no call/);
});

test('notes and state of a job are kept', async ({ page, server }) => {
  const id = await openNewJob(page, server, 'Noted');
  await page.getByRole('button', { name: 'Notes, theme and files' }).click();
  await page.getByLabel('Notes', { exact: true }).fill('Spare blue folded back at both ends.');
  await page.getByRole('button', { name: 'This job is: Done' }).click();
  await expect
    .poll(async () => (await page.request.get(`${server.url}/api/jobs/${id}`)).json())
    .toMatchObject({ state: 'done', notes: 'Spare blue folded back at both ends.' });
});

test('the circuit and its netlist can be taken along as files', async ({ page, server }) => {
  await openNewJob(page, server, 'Files');
  await page.getByRole('button', { name: 'Notes, theme and files' }).click();
  const take = async (button: string) => {
    const arriving = page.waitForEvent('download');
    await page.getByRole('button', { name: button }).click();
    const file = await arriving;
    return { name: file.suggestedFilename(), text: readFileSync(await file.path(), 'utf8') };
  };
  const circuit = await take('Save the circuit as a file (JSON)');
  expect(circuit.name).toBe('files.json');
  expect(JSON.parse(circuit.text)).toMatchObject({ format: 'zygostat-circuit', version: 2, name: 'Files' });
  const netlist = await take('Save a SPICE netlist as it stands');
  expect(netlist.name).toBe('files.cir');
  expect(netlist.text).toMatch(/^\* Files\n[\s\S]*\.ac lin 1 60 60\n\.end\n$/);
});

test(
  'the layout fits its screen: loom beside the work when wide, nothing wider than the page',
  { tag: '@wide' },
  async ({ page, server }) => {
    await openNewJob(page, server, 'Layout');
    const { width } = page.viewportSize()!;
    const loom = (await stud(page, 'board.R').boundingBox())!;
    const calls = (await page.getByRole('button', { name: 'Call: Cool' }).boundingBox())!;
    if (width >= 1000) expect(loom.x).toBeGreaterThan(calls.x);
    else expect(calls.y).toBeGreaterThan(600);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
    for (const button of await page.getByRole('button').all()) {
      const box = await button.boundingBox();
      if (box)
        expect(
          Math.min(Math.round(box.width), Math.round(box.height)),
          (await button.getAttribute('aria-label')) ?? '',
        ).toBeGreaterThanOrEqual(44);
    }
  },
);

test(
  'the loom is seen whole with the way back beside it, and pinched larger',
  { tag: '@wide' },
  async ({ page, server }) => {
    await openNewJob(page, server, 'Whole');
    const screws = page.getByTestId('loom').locator('[data-testid^="stud-"]');
    const width = async () => (await stud(page, 'board.R').boundingBox())!.width;
    const own = await width();
    await button(page, 'Fit all').click();
    const back = button(page, 'Actual size');
    await expect(back).toBeInViewport({ ratio: 1 });
    for (const screw of await screws.all()) await expect(screw).toBeInViewport({ ratio: 0.99 });
    expect(await width()).toBeLessThan(own);
    await back.click();
    expect(await width()).toBeCloseTo(own, 0);

    // Two fingers, drawn apart.
    await stud(page, 'board.G').scrollIntoViewIfNeeded();
    const { x, y } = (await stud(page, 'board.G').boundingBox())!;
    const session = await page.context().newCDPSession(page);
    const fingers = (gap: number) => [
      { x: x - gap, y },
      { x: x + gap, y },
    ];
    await session.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: fingers(20) });
    await session.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: fingers(30) });
    await session.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: fingers(40) });
    await session.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
    await expect.poll(width).toBeGreaterThan(1.5 * own);
    await expect(back).toBeVisible();
  },
);

test('one place is looked at by itself, what a call changes glows once, and Path opens on what is called', async ({
  page,
  server,
}) => {
  await openNewJob(page, server, 'Alone');
  const only = button(page, 'Only Hall');
  const covers = page.getByTestId('loom').locator('rect[opacity]');
  await expect(covers).toHaveCount(0);
  await only.click();
  await expect(only).toHaveAttribute('aria-pressed', 'true');
  await expect(covers, 'all places but one').toHaveCount(
    (await page.getByRole('button', { name: /^Only / }).count()) - 1,
  );
  await expect(stud(page, 'stat.R')).toBeInViewport();
  await only.click();
  await expect(covers).toHaveCount(0);
  const glow = page.getByTestId('glow');
  await expect(glow).toHaveCount(0);
  await call(page, 'Cool');
  await expect(glow).toBeVisible();
  await expect(glow).toHaveCount(0);
  await button(page, 'Path').click();
  await expect(page.getByRole('group', { name: 'Loads' }).getByRole('button', { pressed: true })).toHaveText(
    /^Contactor coil/,
  );
});

test('held in the left hand, what is tapped most lies under its thumb', async ({ page, server }) => {
  const id = await openNewJob(page, server, 'Left');
  await probe(page, 'board.R', 'board.C');
  const middle = async (name: string | RegExp) => {
    const { x, width } = (await button(page, name).boundingBox())!;
    return x + width / 2;
  };
  const half = page.viewportSize()!.width / 2;
  const tapped = ['Log what your meter reads', /^More: the whole status/];
  for (const name of tapped) expect(await middle(name)).toBeGreaterThan(half);
  await page.goto(`${server.url}/settings`);
  await button(page, 'Held in: The left hand').click();
  await page.goto(`${server.url}/job/${id}`);
  await expect(stud(page, 'board.R')).toHaveAccessibleName(/hot/);
  await probe(page, 'board.R', 'board.C');
  for (const name of tapped) expect(await middle(name)).toBeLessThan(half);
});
