/** A person's survey of a plain furnace with air conditioner on a phone, tap by tap. */
import type { Page } from '@playwright/test';
import { button, expect } from './bench';

/** What stands there, by a word of the question. */
const SEEN: readonly (readonly [RegExp, 'Yes' | 'No'])[] = [
  [/burn gas/, 'Yes'],
  [/C landed/, 'Yes'],
  [/unit outdoors/, 'Yes'],
  [/./, 'No'],
];

const LANDED = [
  'red',
  'yellow',
  'green',
  'white',
  'blue',
  'red',
  'yellow',
  'green',
  'white',
  'blue',
  'red',
  'white',
  'red',
  'white',
];

/** A colour of the palette, which is called by its name and its code. */
export const colourButton = (page: Page, colour: string) => button(page, new RegExp(`^${colour}, [A-Z]+$`));

/** Surveys from an empty job to a finished record; returns how many taps it took. */
export async function surveyFurnace(page: Page): Promise<number> {
  let taps = 0;
  const tap = async (name: string) => {
    await page.getByRole('button', { name, exact: true }).click();
    taps++;
  };
  const done = page.getByText('That is enough to tell.');
  const heading = page.getByRole('heading', { level: 2 }).nth(1);
  while (!(await done.isVisible())) {
    const question = await heading.textContent();
    await tap(SEEN.find(([words]) => words.test(question ?? ''))![1]);
    await expect(heading).not.toHaveText(question ?? '');
  }
  await tap('Use Furnace with air conditioner');
  for (const colour of LANDED) {
    const here = page.getByRole('radio', { checked: true });
    const name = await here.getAttribute('aria-label');
    await colourButton(page, colour).click();
    taps++;
    // By itself on to the next terminal; the very last stays and shows its colour.
    await expect(here).not.toHaveAttribute('aria-label', name!);
  }
  return taps;
}

/** What stands there when it is a heat pump with strips, by a word of the question. */
const PUMP_SEEN: typeof SEEN = [
  [/unit outdoors/, 'Yes'],
  [/reversing valve/, 'Yes'],
  [/strips/, 'Yes'],
  [/C landed/, 'Yes'],
  [/./, 'No'],
];

/** Answers until it is told apart, then takes the heat pump with strips on an old sub-base with O, B and W apart. */
export async function surveyHeatPump(page: Page): Promise<void> {
  const take = button(page, 'Use Heat pump with strips');
  const done = page.getByText('That is enough to tell.');
  const heading = page.getByRole('heading', { level: 2 }).nth(1);
  await expect(heading).toBeVisible();
  while (!(await done.isVisible())) {
    const question = (await heading.textContent()) ?? '';
    await button(page, PUMP_SEEN.find(([words]) => words.test(question))![1]).click();
    await expect(heading).not.toHaveText(question);
  }
  await take.click();
  await button(page, 'Thermostat: its screws: RC RH Y Y2 G W W2 O B C').click();
}

/** Every end of every run, in the order in which the survey asks. The back-up wire is on W, as it often is. */
const PUMP_LANDED: Readonly<Record<string, string>> = {
  'Thermostat RC': 'red',
  'Thermostat Y': 'yellow',
  'Thermostat G': 'green',
  'Thermostat W': 'white',
  'Thermostat W2': 'brown',
  'Thermostat O': 'orange',
  'Thermostat C': 'black',
  'Air handler board W1': 'white',
  'Air handler board W2': 'brown',
  'Outdoor board D': 'white',
};
const BY_MARK: Readonly<Record<string, string>> = {
  R: 'red',
  Y: 'yellow',
  O: 'orange',
  G: 'green',
  C: 'black',
};

/** Records a heat pump's landings, terminal by terminal. */
export async function landOldSubBase(page: Page): Promise<void> {
  const ends = page.getByRole('group', { name: 'Ends to record' }).getByRole('button');
  for (let i = 0; i < (await ends.count()); i++) {
    await ends.nth(i).click();
    const terminals = page.getByRole('radiogroup', { name: 'Terminals' }).getByRole('radio');
    for (let row = 0; row < (await terminals.count()); row++) {
      await terminals.nth(row).click();
      const [name = ''] = ((await terminals.nth(row).getAttribute('aria-label')) ?? '').split(',');
      const stat = name.startsWith('Thermostat');
      const colour = PUMP_LANDED[name] ?? (stat ? undefined : BY_MARK[name.split(' ').at(-1)!]);
      if (!colour) continue;
      await colourButton(page, colour).click();
      // Recording the last one of an end walks on by itself: back to where we are.
      await ends.nth(i).click();
      await expect(page.getByRole('radio', { name: `${name}, ${colour}`, exact: true })).toBeVisible();
    }
  }
}
