/** From what a customer says to what is done about it, by the screen's advice alone; the site is the model with one fault. */
import type { Page } from '@playwright/test';
import type { Air, Diagnosis, Proposal } from '@zygostat/core/diagnose';
import { followDiagnosis, makeDictionary } from '@zygostat/core/diagnose';
import { voltsBetween } from '@zygostat/core/network';
import { TEMPLATES } from '@zygostat/core/systems';
import { choiceText, namesIn, stepText } from '@zygostat/core/words';
import AxeBuilder from '@axe-core/playwright';
import type { Server } from './bench';
import { expect, openNewJob, test } from './bench';

const AIRS: Readonly<Record<Air, string>> = {
  still: 'No air',
  plain: 'Air, not tempered',
  cold: 'Cold air',
  warm: 'Warm air',
  mixed: 'Lukewarm air',
};
const CALLS: Readonly<Record<string, string>> = {
  cool: 'Cooling',
  heat: 'Heat',
  fan: 'Fan',
  off: 'It never stops',
};

/** A site: a ready system with one thing wrong, that answers what it is asked. */
function siteWith(template: string, fault: string) {
  const circuit = TEMPLATES.find(({ id }) => id === template)!.build('Site');
  const dictionary = makeDictionary(circuit);
  const truth = dictionary.hypotheses.findIndex(({ id }) => id === fault);
  expect(truth, `${fault} is a hypothesis of ${template}`).toBeGreaterThan(0);
  const proposals = (diagnosis: Diagnosis): readonly Proposal[] =>
    followDiagnosis(dictionary, diagnosis).steps;
  /** The answer a person there would give: a button, or a figure of the meter. */
  const answer = ({ step, choices }: Proposal): string | number => {
    if (step.type === 'reading')
      return voltsBetween(dictionary.predict(truth, step.state).point, step.red, step.black);
    const right = choices.find(({ observed }) => {
      const [first] = observed;
      switch (first?.type) {
        case 'face':
          return (dictionary.predict(truth, first.state).faces.get(first.device) ?? '') === first.text;
        case 'air':
          return observed.every((one) =>
            one.type === 'runs'
              ? dictionary.predict(truth, one.state).runs.has(`${one.device}/${one.load}`) === one.on
              : one.type === 'air' && dictionary.predict(truth, one.state).air === one.air,
          );
        case 'look':
        case 'test':
        case 'wires':
          return first.found === fault;
        default:
          return false;
      }
    });
    const sound = choices.find(({ value }) => value === '');
    return choiceText(namesIn(circuit), step, (right ?? sound)!);
  };
  return { circuit, dictionary, truth, proposals, answer };
}

const next = (page: Page) => page.getByRole('region', { name: 'Next step' });

async function tell(page: Page, template: string, fault: string, server: Server, call: string) {
  const site = siteWith(template, fault);
  const id = await openNewJob(page, server, `Found ${fault}`, template, 'stat.R');
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  const { air, blank } = site.dictionary.predict(site.truth, call);
  await page.getByRole('button', { name: `It goes wrong with: ${CALLS[call]}` }).click();
  await page.getByRole('button', { name: `What comes out: ${AIRS[air]}` }).click();
  await page
    .getByRole('button', { name: `The thermostat’s screen: ${blank.size > 0 ? 'Blank' : 'Lit'}` })
    .click();
  await page.getByRole('button', { name: 'Find it' }).click();
  return { site, id };
}

/** Answers one step as the site does; `false` once it is known what to do. */
async function step(page: Page, server: Server, id: string, site: ReturnType<typeof siteWith>) {
  const done = page.getByRole('region', { name: 'What to do' });
  await expect(next(page).or(done).first()).toBeVisible({ timeout: 20_000 });
  if (await done.isVisible()) return false;
  const heading = await next(page).getByRole('heading', { level: 2 }).innerText();
  const kept = await page.request.get(`${server.url}/api/jobs/${id}/diagnosis`);
  const { diagnosis } = (await kept.json()) as { diagnosis: Diagnosis };
  const proposal = site
    .proposals(diagnosis)
    .find((one) => stepText(namesIn(site.circuit), one.step) === heading)!;
  const answer = site.answer(proposal);
  const before = diagnosis.observed.length;
  if (typeof answer === 'number') {
    await next(page).getByLabel('What you read, V').fill(answer.toFixed(1));
    await next(page).getByRole('button', { name: 'Hold' }).click();
    const again = next(page).getByText('Read it again, then hold it');
    if (await again.isVisible()) await next(page).getByRole('button', { name: 'Hold' }).click();
  } else
    await next(page)
      .getByRole('group', { name: 'Answers' })
      .getByRole('button', { name: answer, exact: true })
      .click();
  await expect
    .poll(async () => {
      const now = await page.request.get(`${server.url}/api/jobs/${id}/diagnosis`);
      return ((await now.json()) as { diagnosis: Diagnosis }).diagnosis.observed.length;
    })
    .toBeGreaterThan(before);
  return true;
}

test.describe('the advice leads to the fault', () => {
  test.setTimeout(120_000);
  for (const [what, template, fault, call, remedy] of [
    ['a float that stopped the cooling', 'furnace-ac', 'float tripped', 'cool', /why Pan float has tripped/],
    ['a pinched cable that blew the fuse', 'furnace-ac', 'statR grounded', 'cool', /red of Thermostat cable/],
    ['O/B set wrong after a swap', 'heat-pump', 'stat valve B', 'cool', /Set Thermostat: O\/B/],
    ['a cable cut through in the wall', 'furnace-ac', 'yardCable cut through', 'cool', /in place of Outdoor/],
    ['a thermostat not seated on its base', 'furnace-ac', 'stat not-seated', 'heat', /Seat it properly/],
    ['a compressor that is only waiting', 'heat-pump', 'waiting', 'cool', /Wait until nothing is counting/],
    ['a detector that holds the unit', 'rooftop', 'smoke tripped', 'cool', /why Duct detector has tripped/],
  ] as const)
    test(what, async ({ page, server }) => {
      const { site, id } = await tell(page, template, fault, server, call);
      for (let steps = 0; await step(page, server, id, site); steps++) expect(steps).toBeLessThan(25);
      await expect(page.getByRole('region', { name: 'What to do' })).toContainText(remedy);
    });
});

test('what was observed is kept, taken back with a tap, and the search put away and taken up', async ({
  page,
  server,
}) => {
  const { site, id } = await tell(page, 'furnace-ac', 'contactor coil-open', server, 'cool');
  expect(await step(page, server, id, site)).toBe(true);
  await page.reload();
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await expect(next(page)).toBeVisible({ timeout: 20_000 });
  await expect(page.getByText('What is left, after 3 observations')).toBeVisible();
  await page.getByRole('button', { name: 'Take back: Thermostat: screen lit' }).click();
  await expect(page.getByText('What is left, after 2 observations')).toBeVisible();
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.filter(({ impact }) => impact === 'serious' || impact === 'critical')).toEqual([]);
  await page.getByRole('button', { name: 'Put the search away' }).click();
  await page.getByRole('button', { name: 'Take the last search up again' }).click();
  await expect(page.getByText('What is left, after 2 observations')).toBeVisible();
});

test('a figure no likely fault gives is asked for once more', async ({ page, server }) => {
  const { site, id } = await tell(page, 'furnace-ac', 'statW broken', server, 'heat');
  const field = next(page).getByLabel('What you read, V');
  for (let steps = 0; steps < 10 && !(await field.isVisible()); steps++) await step(page, server, id, site);
  await field.fill('volts');
  await next(page).getByRole('button', { name: 'Hold' }).click();
  await expect(next(page).getByText('A figure from 0 to 1000')).toBeVisible();
  await field.fill('240');
  await next(page).getByRole('button', { name: 'Hold' }).click();
  await expect(next(page).getByText('240 V is not what any likely fault gives here')).toBeVisible();
});
