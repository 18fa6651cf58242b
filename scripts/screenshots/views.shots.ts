import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { call, expect, probe, skip, status, stud, test } from '../../e2e/bench';
import type { Server } from '../../e2e/bench';

const FOLDER = join(__dirname, '../../docs/screenshots');
const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };

const shoot = async (page: Page, name: string) => {
  // Let the snack bar go and the last answer be painted.
  await page.waitForTimeout(3200);
  await page.screenshot({ path: join(FOLDER, `${name}.png`) });
};

async function open(page: Page, server: Server, name: string, size: typeof PHONE): Promise<void> {
  await page.setViewportSize(size);
  await page.goto(server.url);
  await page.getByRole('link', { name: `Open ${name}` }).click();
  await expect(stud(page, 'board.R')).toHaveAccessibleName(/hot/);
}

async function cool(page: Page): Promise<void> {
  await call(page, 'Cool');
  await skip(page);
  await expect(status(page)).toContainText('Cooling');
}

test('jobs', async ({ page, server }) => {
  await page.setViewportSize(PHONE);
  await page.goto(server.url);
  await expect(page.getByRole('link')).toHaveCount(7);
  await shoot(page, 'jobs');
});

test('trace on a phone', async ({ page, server }) => {
  await open(page, server, 'Recovery ward, Foxglove Vet Clinic', PHONE);
  await cool(page);
  await probe(page, 'board.Y', 'board.C');
  await page.getByTestId('stud-stat.R').scrollIntoViewIfNeeded();
  await shoot(page, 'trace-phone');
});

test('mistakes', async ({ page, server }) => {
  await open(page, server, 'Recovery ward, Foxglove Vet Clinic', PHONE);
  await page.getByRole('link', { name: 'Plan' }).click();
  await page.getByRole('button', { name: 'Mistakes' }).click();
  await page.getByRole('button', { name: 'yellow on Y with blue on C: dangerous' }).click();
  await page.getByRole('button', { name: 'How to tell' }).click();
  await expect(page.getByText(/V instead of/)).toBeVisible();
  await shoot(page, 'mistakes');
});

test('the fault is found', async ({ page, server }) => {
  await page.route('**/api/bench-meters', (route) =>
    route.continue({
      postData: JSON.stringify({
        ...(route.request().postDataJSON() as object),
        faults: ['statY broken'],
        noisy: false,
      }),
    }),
  );
  await open(page, server, 'Recovery ward, Foxglove Vet Clinic', PHONE);
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await page.getByRole('button', { name: 'Hide a fault' }).click();
  const next = page.getByRole('region', { name: 'Next step' });
  const observed = page.getByRole('list', { name: 'Observed' }).getByRole('listitem');
  for (let steps = 0; steps < 2; steps++) {
    const before = await observed.count();
    await next
      .getByRole('button', { name: 'Hold this' })
      .or(next.getByRole('button', { name: 'See for yourself' }))
      .click();
    await expect.poll(() => observed.count()).toBeGreaterThan(before);
    await expect(page.getByText('Weighing it')).toHaveCount(0);
  }
  await shoot(page, 'find');
});

test('trace wide', async ({ page, server }) => {
  await open(page, server, 'Recovery ward, Foxglove Vet Clinic', WIDE);
  await cool(page);
  await page.getByRole('button', { name: /^Contactor coil/ }).click();
  await probe(page, 'board.Y', 'board.C');
  await shoot(page, 'trace-wide');
});

test('ladder and timeline of a heat pump', async ({ page, server }) => {
  await open(page, server, 'Seed loft, Ternwater Nursery', PHONE);
  await cool(page);
  await page.getByRole('button', { name: 'Ladder', exact: true }).click();
  await page.getByTestId('rung-contactor.A1').first().scrollIntoViewIfNeeded();
  await page.getByTestId('rung-stat.R').first().scrollIntoViewIfNeeded();
  await shoot(page, 'ladder');
  await page.getByRole('button', { name: 'Time', exact: true }).click();
  await page.getByRole('button', { name: 'Run: Heat' }).click();
  await page.getByRole('button', { name: 'Later event' }).click();
  await page.getByTestId('scrub').scrollIntoViewIfNeeded();
  await shoot(page, 'timeline');
});

test('survey', async ({ page, server }) => {
  await page.setViewportSize(PHONE);
  const made = await page.request.post(`${server.url}/api/jobs`, {
    data: { name: 'Packing shed', site: 'Quince Orchard', survey: true },
  });
  const { id } = (await made.json()) as { id: string };
  await page.goto(`${server.url}/job/${id}/survey`);
  for (const answer of ['No', 'Yes', 'Yes', 'Yes'])
    await page.getByRole('button', { name: answer, exact: true }).click();
  await shoot(page, 'identify');
});

test('an outdoor unit walked, two wires exchanged', async ({ page, server }) => {
  await page.setViewportSize(PHONE);
  const made = await page.request.post(`${server.url}/api/jobs`, {
    data: { name: 'Cold store', site: 'Quince Orchard', template: 'furnace-ac-by-wire' },
  });
  const { id } = (await made.json()) as { id: string };
  await page.goto(`${server.url}/job/${id}/survey`);
  await page.getByRole('button', { name: 'Unit', exact: true }).click();
  const line = page.getByRole('status').filter({ hasText: 'Number' });
  for (let wire = 1; wire <= 13; wire++) {
    await expect(page.getByText(`Wire ${wire} of 13`)).toBeVisible();
    const number = (await line.innerText()).split('\n')[0];
    const found = number === 'Number 4' ? 'FAN' : number === 'Number 7' ? 'HERM' : null;
    if (found) {
      await page.getByRole('button', { name: 'Something else is there' }).click();
      await page.getByRole('button', { name: `Capacitor ${found}`, exact: true }).click();
      await page.getByRole('button', { name: 'That is how it is, next wire' }).click();
    } else await page.getByRole('button', { name: 'As drawn, next wire' }).click();
  }
  await page.getByRole('button', { name: 'What differs' }).click();
  await page.getByRole('button', { name: 'Compare with the diagram' }).click();
  await expect(page.getByRole('list', { name: 'What differs' })).toBeVisible();
  await shoot(page, 'unit');
});

test('plan: a proof that finds something', async ({ page, server }) => {
  await open(page, server, 'Kiln shed office, Marlpit Pottery', PHONE);
  await page.getByRole('link', { name: 'Plan' }).click();
  await expect(page.getByRole('status')).toContainText('Not proven');
  await page.getByRole('button', { name: 'What would put it right?' }).first().click();
  await expect(page.getByRole('button', { name: 'Do it in the model' })).toBeVisible();
  await shoot(page, 'proof');
});

test('plan: ways to a common, the sums; wire: the landing list', async ({ page, server }) => {
  await open(page, server, 'Clubroom, Ferryman’s Boathouse', PHONE);
  await page.getByRole('link', { name: 'Plan' }).click();
  await page.getByRole('button', { name: 'Sums', exact: true }).click();
  await expect(page.getByText(/May not pull in|Pulls in at/).first()).toBeVisible();
  await shoot(page, 'sums');
  await page.getByRole('button', { name: 'Swap', exact: true }).click();
  await page.getByRole('button', { name: 'It is powered by: R and C, with batteries' }).click();
  await page.getByRole('button', { name: 'Plan the landings' }).click();
  await page.getByRole('heading', { name: /ways, best first/ }).scrollIntoViewIfNeeded();
  await expect(page.getByRole('list', { name: 'Ways' })).toBeVisible();
  await page.getByRole('button', { name: 'Hide the landings' }).scrollIntoViewIfNeeded();
  await shoot(page, 'plan-ways');
  await page
    .getByRole('button', { name: /^Take this plan/ })
    .first()
    .click();
  const next = page.getByRole('region', { name: 'Next step' });
  await next.getByRole('button', { name: 'Done' }).click();
  await next.getByLabel('Reading, V').fill('0.2');
  await next.getByRole('button', { name: 'It is dead' }).click();
  await expect(next).toContainText('Land blue');
  await shoot(page, 'landing-list');
});

test('the air of two zones, wide', async ({ page, server }) => {
  await open(page, server, 'Lambing sheds, Thistlewick Farm Office', WIDE);
  await page.getByRole('button', { name: 'Air', exact: true }).click();
  await page.getByRole('button', { name: 'Zone 2: Cool' }).click();
  await expect(status(page)).toContainText('Cooling');
  const wait = page.getByRole('button', { name: 'Skip ahead to the end of the wait' });
  for (let i = 0; i < 8; i++) {
    await page.waitForTimeout(300);
    if (await wait.isVisible()) await wait.click();
  }
  await shoot(page, 'air-wide');
});

test('a bypass in the record', async ({ page, server }) => {
  await open(page, server, 'Recovery ward, Foxglove Vet Clinic', PHONE);
  await page.getByRole('link', { name: 'Record' }).click();
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await page.getByLabel('Who writes').fill('Sol');
  await page.getByLabel('Noticed', { exact: true }).fill('Panel door pinches the cable');
  await page.getByRole('button', { name: 'Leave it open' }).click();
  await page.getByRole('button', { name: 'A safety is bypassed' }).click();
  await page.getByRole('list', { name: 'Safeties' }).getByRole('button', { name: /float/i }).click();
  await expect(page.getByText(/stops it/)).toBeVisible({ timeout: 20_000 });
  await page.getByRole('button', { name: 'It is in: record it' }).click();
  await expect(page.getByRole('region', { name: /^Bypass/ })).toContainText('stops it');
  await shoot(page, 'record');
});

test('a test of the record', async ({ page, server }) => {
  await open(page, server, 'Seed loft, Ternwater Nursery', PHONE);
  await page.getByRole('link', { name: 'Record' }).click();
  const make = page.getByRole('button', { name: 'Make the test: Cooling called' });
  await make.click({ timeout: 20_000 });
  await page.getByRole('region', { name: 'Test', exact: true }).scrollIntoViewIfNeeded();
  await shoot(page, 'record-test');
});

test('plan: where a safety breaks the circuit', async ({ page, server }) => {
  await open(page, server, 'Recovery ward, Foxglove Vet Clinic', PHONE);
  await page.getByRole('link', { name: 'Plan' }).click();
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByRole('button', { name: 'Add Moisture sensor' }).click();
  await page.getByRole('button', { name: 'The furnace: Condensing' }).click();
  await page.getByRole('button', { name: 'Compare the places' }).click();
  const best = page.getByRole('list', { name: 'Places' }).getByRole('listitem').first();
  await expect(best).toContainText('Suits this job');
  await best.evaluate((card) => card.scrollIntoView({ block: 'start' }));
  await shoot(page, 'safeties');
});

test('a hall of several units, and its fire panel', async ({ page, server }) => {
  await page.setViewportSize(PHONE);
  await page.goto(server.url);
  await page.getByRole('link', { name: /^Open Assembly room/ }).click();
  await expect(stud(page, 'controller.R')).toHaveAccessibleName(/hot/);
  await page.getByRole('link', { name: 'Record' }).click();
  await page.getByRole('button', { name: 'Panel', exact: true }).click();
  const card = page.getByRole('region', { name: 'With the panel' });
  for (const step of [
    'Call the monitoring company',
    'Have the panel put on test',
    'Tell the building’s contact',
  ]) {
    await card.getByRole('textbox').first().fill('Operator 41');
    await page.getByRole('button', { name: `Done: ${step}` }).click();
    await expect(card.getByRole('heading', { name: step })).toHaveCount(0);
  }
  await page.getByRole('button', { name: 'Take off Loop from the panel' }).click();
  await page.getByRole('button', { name: 'What went with it: The panel’s loop' }).click();
  const jackets = page.getByRole('region', { name: 'Jackets' });
  await expect(jackets).toContainText('As recorded');
  await jackets.scrollIntoViewIfNeeded();
  await shoot(page, 'panel');
  await page.getByRole('button', { name: 'Put it back as it was' }).click();
  await page.getByRole('link', { name: /to the site/ }).click();
  const says = async (thing: string, ...seen: string[]) => {
    await page.getByRole('button', { name: thing, exact: true }).last().click();
    const sheet = page.getByRole('dialog', { name: thing });
    for (const one of seen) await sheet.getByRole('button', { name: one, exact: true }).click();
    await sheet.getByRole('button', { name: 'Close' }).click();
  };
  await says('Assembly room thermostat', 'Its screen: Blank');
  await says('Stage thermostat', 'Its screen: On');
  await says('Station by the cloakroom', 'Its lamp: Red');
  const fine = [
    'Its own display: No trip',
    'Belt: On and tight',
    'Motor: Turns freely',
    'Coil: Clean',
    'Frost: None',
  ];
  await says('RTU 1', ...fine, 'Drain: Runs');
  await says(
    'Detector above the ceiling',
    'Its housing: Sound and dry',
    'Caps of its tubes: Off',
    'Its lamp: Red',
  );
  await says('Detector in RTU 1', 'Its housing: Wet', 'Caps of its tubes: Still on', 'Its lamp: Red');
  await page.getByRole('status').scrollIntoViewIfNeeded();
  await shoot(page, 'walk');
});
