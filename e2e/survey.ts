/** A person's survey of a plain furnace with air conditioner on a phone, tap by tap. */
import type { Page } from '@playwright/test';
import { expect } from '@playwright/test';

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

/** Surveys from an empty job to a finished record; returns how many taps it took. */
export async function surveyFurnace(page: Page): Promise<number> {
  let taps = 0;
  const tap = async (name: string) => {
    await page.getByRole('button', { name, exact: true }).click();
    taps++;
  };
  const done = page.getByText('That is enough to tell.');
  const heading = page.getByRole('heading', { level: 2 }).first();
  while (!(await done.isVisible())) {
    const question = await heading.textContent();
    await tap(SEEN.find(([words]) => words.test(question ?? ''))![1]);
    await expect(heading).not.toHaveText(question ?? '');
  }
  await tap('Use Furnace with air conditioner');
  for (const colour of LANDED) {
    const here = page.getByRole('radio', { checked: true });
    const name = await here.getAttribute('aria-label');
    await tap(colour);
    // By itself on to the next terminal; the very last stays and shows its colour.
    await expect(here).not.toHaveAttribute('aria-label', name!);
  }
  return taps;
}
