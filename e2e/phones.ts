/** Two people with a phone each at one job. */
import type { Browser, Page } from '@playwright/test';
import { expect, installed } from './bench';

/** Ada Quill's and Bo Reed's, with the whole app on them. */
export async function twoPhones(browser: Browser, url: string): Promise<readonly [Page, Page]> {
  const phone = async (name: string) => {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
    const page = await context.newPage();
    await page.addInitScript((by) => localStorage.setItem('zygostat.1.by', JSON.stringify(by)), name);
    await installed(page, url);
    return page;
  };
  return [await phone('Ada Quill'), await phone('Bo Reed')];
}

/** Begins a job on the server. */
export async function begunJob(
  page: Page,
  url: string,
  data: object,
): Promise<{ id: string; siteId: string }> {
  const begun = await page.request.post(`${url}/api/jobs`, { data });
  expect(begun.status()).toBe(201);
  return (await begun.json()) as { id: string; siteId: string };
}

export const place = (page: Page, name: string) => page.getByRole('link', { name, exact: true }).click();
export const outstanding = (page: Page) => page.getByRole('link', { name: /^Not sent yet/ });

/** Cuts the line of both, or lets them have it back and waits until all is sent. */
export async function cut(phones: readonly Page[], isCut: boolean): Promise<void> {
  for (const page of phones) await page.context().setOffline(isCut);
  if (isCut) return;
  for (const page of phones) {
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
    await expect(outstanding(page)).toHaveCount(0);
  }
}
