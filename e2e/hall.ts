/** Walking a building. */
import type { Page } from '@playwright/test';
import { button } from './bench';

/** Says of something in the building what was seen of it. */
export async function lookAt(page: Page, thing: string, ...choices: string[]): Promise<void> {
  await button(page, thing).last().click();
  const sheet = page.getByRole('dialog', { name: thing });
  for (const choice of choices) await sheet.getByRole('button', { name: choice, exact: true }).click();
  await sheet.getByRole('button', { name: 'Close' }).click();
}
