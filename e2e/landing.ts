/** Taking a plan and working its landing list down, as whoever lands does. */
import type { Locator, Page } from '@playwright/test';
import { button, expect } from './bench';

/**
 * Every step of the list, in order; returns the texts of the steps.
 *
 * @param live - tried with a reading that is not dead, on the first few that ask for one.
 */
export async function workDown(page: Page, live?: (next: Locator) => Promise<void>): Promise<string[]> {
  const done: string[] = [];
  const next = page.getByRole('region', { name: 'Next step' });
  const finished = page.getByRole('heading', { name: 'Everything is landed' });
  for (;;) {
    await expect(next.or(finished)).toBeVisible();
    if (await finished.isVisible()) return done;
    const text = (await next.getByRole('heading', { level: 2 }).textContent()) ?? '';
    done.push(text);
    const reading = next.getByLabel('Reading, V');
    if (await reading.isVisible()) {
      if (done.length < 4) await live?.(next);
      await reading.fill('0.1');
      await next.getByRole('button', { name: 'It is dead' }).click();
    } else await next.getByRole('button', { name: 'Done' }).click();
    await expect(next.getByRole('heading', { level: 2, name: text, exact: true })).toHaveCount(0);
  }
}

/** Plans a thermostat on batteries in place of the one that is there, and takes the first way. */
export async function takeBatteryPlan(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Plan' }).click();
  await button(page, 'Swap').click();
  await button(page, 'It is powered by: Batteries').click();
  await button(page, 'Plan the landings').click();
  await button(page, /^Take this plan/)
    .first()
    .click();
}
