/** From what a customer says to a proven repair, by the screen's advice and the bench meter alone. */
import type { Page } from '@playwright/test';
import type { Server } from './bench';
import { expectAccessible } from './axe';
import { expect, openNewJob, test } from './bench';

const next = (page: Page) => page.getByRole('region', { name: 'Next step' });
const done = (page: Page) => page.getByRole('region', { name: 'What to do' });
const observed = (page: Page) => page.getByRole('list', { name: 'Observed' }).getByRole('listitem');

/** A job on Find, its circuit with faults the bench hides; readings are what they should be. */
async function practise(page: Page, server: Server, template: string, faults: readonly string[]) {
  await page.route('**/api/bench-meters', (route) =>
    route.continue({
      postData: JSON.stringify({ ...(route.request().postDataJSON() as object), faults, noisy: false }),
    }),
  );
  const id = await openNewJob(page, server, `Found ${faults.join(', ')}`, template, 'stat.R');
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await page.getByRole('button', { name: 'Hide a fault' }).click();
  await expect(next(page).or(done(page)).first()).toBeVisible();
  return id;
}

/** Does the step the screen asks for, with what the bench shows; `false` once it is known what to do. */
async function step(page: Page): Promise<boolean> {
  await expect(page.getByText('Weighing it')).toHaveCount(0);
  await expect(next(page).or(done(page)).first()).toBeVisible();
  if (await done(page).isVisible()) return false;
  const before = await observed(page).count();
  const hold = next(page).getByRole('button', { name: 'Hold this' });
  const see = next(page).getByRole('button', { name: 'See for yourself' });
  await hold.or(see).click();
  await expect.poll(() => observed(page).count()).toBeGreaterThan(before);
  return true;
}

/** Begins from a complaint, told by taps. */
async function complain(page: Page, server: Server, template: string, call: string, air: string) {
  const id = await openNewJob(page, server, `Told ${call}`, template, 'stat.R');
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await page.getByRole('button', { name: `It goes wrong with: ${call}` }).click();
  await page.getByRole('button', { name: `What comes out: ${air}` }).click();
  return id;
}

test.describe('the advice leads to the fault', () => {
  for (const [what, template, fault, remedy] of [
    ['a float that stopped the cooling', 'furnace-ac', 'float tripped', /why Pan float has tripped/],
    ['a pinched cable that blew the fuse', 'furnace-ac', 'statR grounded', /red of Thermostat cable/],
    ['O/B set wrong after a swap', 'heat-pump', 'stat valve B', /Set Thermostat: O\/B/],
    ['a cable cut through in the wall', 'furnace-ac', 'yardCable cut through', /in place of Outdoor/],
    ['a thermostat not seated on its base', 'furnace-ac', 'stat not-seated', /Seat it properly/],
    ['a compressor that is only waiting', 'heat-pump', 'waiting', /Wait until nothing is counting/],
    ['a detector that holds the unit', 'rooftop', 'smoke tripped', /why Duct detector has tripped/],
    ['an overloaded transformer', 'furnace-ac', 'xfmr overloaded', /Take off what overloads/],
  ] as const)
    test(what, async ({ page, server }) => {
      await practise(page, server, template, [fault]);
      for (let steps = 0; await step(page); steps++) expect(steps).toBeLessThan(25);
      await expect(done(page)).toContainText(remedy);
      await done(page).getByRole('button', { name: 'Do it on the bench' }).click();
      await expect(done(page).getByText('made again: it runs')).toBeVisible();
    });
});

test('what was found is logged, counts from then on, and is forgotten on demand', async ({
  page,
  server,
}) => {
  const id = await practise(page, server, 'boiler', ['boiler relay-open']);
  for (let steps = 0; await step(page); steps++) expect(steps).toBeLessThan(25);
  const practice = await page.evaluate((key) => localStorage.getItem(key), `zygostat.1.practice.${id}`);
  // A practice is marked on every place, and nothing of it is in the job.
  for (const place of ['Wire', 'Record', 'Trace']) {
    await page.getByRole('link', { name: place, exact: true }).click();
    await expect(page.getByText('Practice: the fault and the readings are invented')).toBeVisible();
  }
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await expect(done(page).getByRole('button', { name: 'It runs: log it' })).toHaveCount(0);
  const kept = await page.request.get(`${server.url}/api/jobs/${id}/diagnosis`);
  expect(await kept.json()).toEqual({ number: 0, diagnosis: null });
  await page.getByRole('button', { name: 'End the practice' }).click();
  // The same found for real.
  const { diagnosis } = JSON.parse(practice!) as { diagnosis: unknown };
  const put = await page.request.put(`${server.url}/api/jobs/${id}/diagnosis`, {
    data: { base: 0, save: 'found-for-real', diagnosis },
  });
  expect(put.ok()).toBe(true);
  await page.reload();
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await done(page).getByRole('button', { name: 'It runs: log it' }).click();
  await expect(page.getByText('1 confirmed fault counts')).toBeVisible();
  const job = await page.request.get(`${server.url}/api/jobs/${id}`);
  expect(((await job.json()) as { notes: string }).notes).toMatch(
    /Found: Boiler.* Done: .* The same call runs/,
  );
  await page.getByRole('button', { name: 'See and change them' }).click();
  const rarer = page
    .getByRole('list', { name: 'How likely' })
    .getByRole('button', { name: /: Rarer$/ })
    .first();
  await rarer.click();
  await expect(rarer).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Forget what was found before' }).click();
  await expect(page.getByText('0 confirmed faults count')).toBeVisible();
  await expect(rarer).toHaveAttribute('aria-pressed', 'false');
});

test('a block wired in a way that nobody listed is compared with the record, and no part is blamed', async ({
  page,
  server,
}) => {
  await complain(page, server, 'furnace-ac', 'Cooling', 'No air');
  await page.getByRole('button', { name: 'Find it' }).click();
  const answer = next(page).getByRole('button', { name: /wired in some other way/ });
  // Other steps come before a look where they tell more a minute.
  await expect(async () => {
    if (await answer.isVisible()) return;
    await next(page)
      .getByRole('button', { name: /^Another step/ })
      .click();
    await expect(answer).toBeVisible({ timeout: 500 });
  }).toPass();
  await answer.click();
  await expect(done(page)).toContainText('Compare what is landed at');
  await done(page).getByRole('button', { name: 'Write down what is there' }).click();
  await expect(page).toHaveURL(/wire(\?|$)/);
});

test('what is seen, lifted or replaced by the way is told, counts and is taken back', async ({
  page,
  server,
}) => {
  await complain(page, server, 'furnace-ac', 'Cooling', 'No air');
  await page.getByRole('button', { name: 'Find it' }).click();
  await expect(next(page)).toBeVisible();
  const tell = async (what: string, where: string) => {
    await page.getByRole('button', { name: 'Tell something else' }).click();
    await page.getByRole('button', { name: what, exact: true }).click();
    await page.getByRole('button', { name: where, exact: true }).click();
  };
  await tell('Chewed', 'Thermostat cable');
  const chewed = page.getByRole('button', { name: 'Take back: Chewed: Thermostat cable' });
  await expect(chewed).toBeVisible();
  await tell('Already replaced', 'Thermostat');
  await expect(page.getByRole('button', { name: 'Take back: Thermostat was replaced lately' })).toBeVisible();
  await tell('I lifted a conductor', 'Yellow of Thermostat cable at Furnace board Y');
  await expect(next(page)).toContainText('What you tried');
  await expect(next(page)).toContainText('cooling called, yellow');
  await next(page).getByRole('group', { name: 'Answers' }).getByRole('button').first().click();
  await expect(next(page)).not.toContainText('What you tried');
  await chewed.click();
  await expect(chewed).toHaveCount(0);
});

test('a repair that did not help counts, and the search goes on', async ({ page, server }) => {
  await practise(page, server, 'boiler', ['boiler relay-open']);
  for (let steps = 0; await step(page); steps++) expect(steps).toBeLessThan(25);
  const first = await done(page).getByRole('heading').innerText();
  await done(page).getByRole('button', { name: 'no better' }).click();
  await expect(page.getByRole('button', { name: 'Take back: Repaired: no better' })).toBeVisible();
  await expect(done(page).getByRole('heading', { name: first })).toHaveCount(0);
});

test('what was observed is kept, taken back with a tap, and the search put away and taken up', async ({
  page,
  server,
}) => {
  await complain(page, server, 'furnace-ac', 'Cooling', 'Air, not tempered');
  await page.getByRole('button', { name: 'Find it' }).click();
  await expect(next(page)).toBeVisible();
  await next(page).getByRole('group', { name: 'Answers' }).getByRole('button').first().click();
  await expect(page.getByText(/What is left, after [3-9]/)).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await expect(next(page)).toBeVisible();
  const before = await observed(page).count();
  await page.getByRole('button', { name: 'Take back: Thermostat: screen lit' }).click();
  await expect.poll(() => observed(page).count()).toBe(before - 1);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Put the search away' }).click();
  await page.getByRole('button', { name: 'Take the last search up again' }).click();
  await expect.poll(() => observed(page).count()).toBe(before - 1);
});

test('a figure no likely fault gives is asked for once more; believed, it is doubted', async ({
  page,
  server,
}) => {
  await practise(page, server, 'furnace-ac', ['statW broken']);
  const field = next(page).getByLabel(/^What you read/);
  for (let steps = 0; steps < 10 && !(await field.isVisible()); steps++) await step(page);
  await field.fill('volts');
  await next(page).getByRole('button', { name: 'Hold', exact: true }).click();
  await expect(next(page).getByText('A figure from 0 to')).toBeVisible();
  await field.fill('95');
  await next(page).getByRole('button', { name: 'Hold', exact: true }).click();
  await expect(next(page).getByText('95 V is not what any likely fault gives here')).toBeVisible();
  await next(page).getByRole('button', { name: 'Hold', exact: true }).click();
  const odd = page.getByRole('region', { name: 'Does not fit' });
  await expect(odd).toBeVisible();
  await expect(next(page).getByText(/^Once more/)).toBeVisible();
  await odd.getByRole('button', { name: 'look for two faults at once' }).click();
  await expect(page.getByText('Weighing two faults at once').or(next(page)).first()).toBeVisible();
  await next(page).getByRole('button', { name: 'Hold this' }).click();
  await expect(odd).toHaveCount(0);
});

test('over the telephone: questions that open nothing, then what to bring', async ({ page, server }) => {
  await complain(page, server, 'furnace-ac', 'Cooling', 'Air, not tempered');
  await page.getByRole('button', { name: 'You are: On the telephone' }).click();
  await page.getByRole('button', { name: 'Find it' }).click();
  const bring = page.getByRole('region', { name: 'What to bring' });
  await expect(bring).toContainText('in one visit');
  await expect(next(page).getByRole('heading')).toHaveText(/^(What does|See what runs)/);
  await bring.getByRole('button', { name: 'I am there now' }).click();
  await expect(bring).toHaveCount(0);
});

test('suspects are marked on the loom, by pattern and in words, and the probes are where they go', async ({
  page,
  server,
}) => {
  await practise(page, server, 'furnace-ac', ['contactor coil-open']);
  for (let steps = 0; steps < 3; steps++) await step(page);
  await page.getByRole('button', { name: 'Loom', exact: true }).click();
  await expect(page.getByText(/^\d+ %$/).first()).toBeVisible();
});

test('a bench whose stream stops says so, and a figure can still be typed', async ({ page, server }) => {
  await page.route('**/stream', (route) => route.abort());
  await practise(page, server, 'furnace-ac', ['statY broken']);
  const typed = next(page).getByLabel(/^What you read/);
  for (let steps = 0; steps < 8 && !(await typed.isVisible()); steps++) await step(page);
  await expect(next(page).getByText('The bench does not answer')).toBeVisible();
  await typed.fill('1200');
  await next(page).getByRole('button', { name: 'Hold', exact: true }).click();
  await expect(page.getByText(/What is left, after|A figure from 0/).first()).toBeVisible();
});
