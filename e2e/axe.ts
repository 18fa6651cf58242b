/** What axe finds of a page. */
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect } from './bench';

/**
 * Nothing at all on the page as it stands, what is good practice among it.
 *
 * @param what - named with what is found, where one test looks at several views.
 */
export async function expectAccessible(page: Page, what = 'page'): Promise<void> {
  // What passes is not reported: of a loom it is thousands of elements.
  const { violations } = await new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).analyze();
  expect(violations.map(({ id, nodes }) => `${what}: ${id} ${nodes[0]?.html.slice(0, 160) ?? ''}`)).toEqual(
    [],
  );
}
