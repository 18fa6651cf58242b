/** A server of a crew, over HTTPS with a certificate of its own as `npm start -- --crew` serves it, and people who join it. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from '@playwright/test';
import { test as base, expect } from '@playwright/test';
import Database from 'better-sqlite3';
import { button, kill, launch } from './bench';

interface CrewServer {
  /** Where its database lies. */
  data: string;
  url: string;
  /** The address with the code that the terminal shows to whoever will lead. */
  first: string;
}

export const test = base.extend<{ crew: CrewServer }>({
  // The certificate was made a moment ago, and no browser has been told to trust it.
  ignoreHTTPSErrors: true,
  // eslint-disable-next-line no-empty-pattern -- Playwright reads a fixture's needs from this very pattern.
  crew: async ({}, use) => {
    const data = mkdtempSync(join(tmpdir(), 'zygostat-crew-'));
    const { child, said: first } = await launch(data, {
      flags: ['--crew'],
      env: { ZYGOSTAT_HOST: '127.0.0.1' },
      ready: /https:\/\/\S+\/join#\S+/,
    });
    await use({ data, url: new URL(first).origin, first });
    await kill(child);
    rmSync(data, { recursive: true });
  },
});

export const SECRET = 'four wet copper leaves';

/** Joins on a device by an address with a code. */
export async function joinBy(page: Page, address: string, name: string): Promise<void> {
  await page.goto(address);
  await expect(page.getByRole('heading', { name: 'Join the crew' })).toBeVisible();
  await page.getByLabel('Your name').fill(name);
  await page.getByLabel('A password').fill(SECRET);
  await button(page, 'Join').click();
  await expect(page.getByRole('heading', { name: 'Zygostat' })).toBeVisible();
}

/** Signs in on a device by the password. */
export async function signInBy(page: Page, url: string, name: string): Promise<void> {
  await page.goto(url);
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Password').fill(SECRET);
  await button(page, 'Sign in').click();
  await expect(page.getByRole('heading', { name: 'Zygostat' })).toBeVisible();
}

export const another = async (browser: Browser) =>
  (await browser.newContext({ ignoreHTTPSErrors: true, viewport: { width: 390, height: 844 } })).newPage();

/** As if everyone had proved who they are long ago, on every device. */
export function signedInLongAgo({ data }: CrewServer): void {
  const db = new Database(join(data, 'zygostat.sqlite'));
  db.prepare('UPDATE sessions SET proved_at = ?').run(0);
  db.close();
}

/** A code to join with, made by whoever leads on the page of the crew. */
export async function codeFrom(page: Page, url: string): Promise<string> {
  await page.goto(`${url}/crew`);
  await button(page, 'Make a code to join').click();
  return page
    .getByRole('region', { name: 'One more' })
    .getByText(/\/join#/)
    .innerText();
}
