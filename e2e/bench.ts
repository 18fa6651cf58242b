/** The real server on a temporary database, and a person's moves on Trace. */
import type { ChildProcess } from 'node:child_process';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Locator, Page } from '@playwright/test';
import { test as base, expect } from '@playwright/test';

const ROOT = join(__dirname, '..');

export interface Server {
  url: string;
  /** Stops the process at once, as a power cut would, and starts it again on the same port and data. */
  restart(): Promise<void>;
}

interface Launch {
  /** Any free one unless told. */
  port?: string;
  flags?: readonly string[];
  env?: Readonly<Record<string, string>>;
  /** What the terminal says when it is ready. */
  ready?: RegExp;
}

/** Starts the real server over a folder of data; what it said when it was ready comes with it. */
export function launch(
  data: string,
  { port = '0', flags = [], env = {}, ready = /http:\/\/\S+/ }: Launch = {},
): Promise<{ child: ChildProcess; said: string }> {
  const child = spawn(process.execPath, ['packages/server/dist/main.mjs', ...flags], {
    cwd: ROOT,
    env: {
      ...process.env,
      ZYGOSTAT_PORT: port,
      ZYGOSTAT_DATA: data,
      ZYGOSTAT_LOG: 'silent',
      ZYGOSTAT_REQUESTS_PER_MINUTE: '100000',
      ...env,
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let text = '';
  return new Promise((resolve, reject) => {
    child.stdout.on('data', (chunk: Buffer) => {
      text += chunk.toString();
      const said = ready.exec(text)?.[0];
      if (said) resolve({ child, said });
    });
    child.on('exit', (code) => reject(new Error(`The server stopped with ${String(code)}.`)));
  });
}

/** Ends a server at once, as a power cut would. */
export function kill(child: ChildProcess): Promise<unknown> {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
  child.removeAllListeners('exit');
  child.kill('SIGKILL');
  return new Promise((resolve) => child.once('close', resolve));
}

/** Whoever works on the phone of a test. */
const WRITER = 'Ada Quill';

/** Keeps a name in the browser as the app does, before anything of the app runs. */
const named = (name: string): void => {
  if (localStorage.getItem('zygostat.1.by') === null)
    localStorage.setItem('zygostat.1.by', JSON.stringify(name));
};

/** Whoever puts a lock on has a name; where it is asked for has a test of its own. */
const withName = base.extend({
  context: async ({ context }, use) => {
    await context.addInitScript(named, WRITER);
    await use(context);
  },
});

export const test = withName.extend<object, { server: Server }>({
  server: [
    // eslint-disable-next-line no-empty-pattern -- Playwright reads a fixture's needs from this very pattern.
    async ({}, use) => {
      const data = mkdtempSync(join(tmpdir(), 'zygostat-e2e-'));
      let { child, said: url } = await launch(data);
      const restart = async () => {
        await kill(child);
        ({ child, said: url } = await launch(data, { port: new URL(url).port }));
      };
      await use({ url, restart });
      await kill(child);
      rmSync(data, { recursive: true });
    },
    { scope: 'worker' },
  ],
  page: async ({ page }, use) => {
    const failures: string[] = [];
    page.on('pageerror', (error) => failures.push(error.message));
    await use(page);
    expect(failures, 'no script error on the page').toEqual([]);
  },
});

interface Own {
  url: string;
  data: string;
  /** Ends it at once, as a power cut would. */
  down(): Promise<void>;
  /** Starts it again on the same port and data. */
  up(): Promise<void>;
}

/** A server of its own for a test: nobody else misses it while it is gone. The app may be held by its worker. */
export const ownTest = withName.extend<{ own: Own }>({
  serviceWorkers: 'allow',
  // eslint-disable-next-line no-empty-pattern -- Playwright reads a fixture's needs from this very pattern.
  own: async ({}, use) => {
    const data = mkdtempSync(join(tmpdir(), 'zygostat-own-'));
    let { child, said } = await launch(data);
    await use({
      url: said,
      data,
      down: async () => void (await kill(child)),
      up: async () => {
        ({ child, said } = await launch(data, { port: new URL(said).port }));
      },
    });
    await kill(child);
    rmSync(data, { recursive: true });
  },
});

/** Opens the list of jobs and waits until the whole app is held here. */
export async function installed(page: Page, url: string): Promise<void> {
  await page.goto(url);
  await expect(page.getByRole('link', { name: /^Open / }).first()).toBeVisible();
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
    while (!navigator.serviceWorker.controller) await new Promise((resolve) => setTimeout(resolve, 50));
  });
}

export { expect };

/** A button by its whole name, or by part of it. */
export const button = (page: Page, name: string | RegExp): Locator =>
  page.getByRole('button', { name, ...(typeof name === 'string' && { exact: true }) });

/** Makes a job of its own for a test and opens it. */
export async function openNewJob(
  page: Page,
  server: Server,
  name: string,
  template = 'furnace-ac',
  hot = 'board.R',
): Promise<string> {
  const answer = await page.request.post(`${server.url}/api/jobs`, {
    data: { name, site: 'Quince orchard', template },
  });
  const { id } = (await answer.json()) as { id: string };
  await page.goto(`${server.url}/job/${id}`);
  await expect(page.getByTestId(`stud-${hot}`)).toHaveAccessibleName(/hot/);
  return id;
}

/** Writes into a record that a float is bypassed until tomorrow. */
export async function bypassFloat(page: Page, record: string): Promise<void> {
  const until = new Date(Date.now() + 86_400_000).toISOString();
  const body = { type: 'bypassed', bypass: 'b1', device: 'float', why: 'To prove it', until, watch: 'Sol' };
  const data = { id: crypto.randomUUID(), at: new Date().toISOString(), by: 'Sol', body };
  expect((await page.request.post(record, { data })).status()).toBe(201);
}

export const stud = (page: Page, terminal: string) => page.getByTestId(`stud-${terminal}`);
/** The end in the air of a conductor that is landed at its other end alone. */
export const looseEnd = (page: Page, conductor: string) => page.getByTestId(`loose-${conductor}`);
export const call = (page: Page, name: 'Off' | 'Fan' | 'Heat' | 'Cool') =>
  page.getByRole('button', { name: `Call: ${name}` }).click();
export const skip = (page: Page) =>
  page.getByRole('button', { name: 'Skip ahead to the end of the wait' }).click();
export const status = (page: Page) => page.getByRole('status');

/** Lets every wait come to its end, until something is seen. */
export async function untilSeen(page: Page, what: Locator): Promise<void> {
  const wait = page.getByRole('button', { name: 'Skip ahead to the end of the wait' });
  await expect(async () => {
    if (await wait.isVisible()) await wait.click({ timeout: 1000 });
    await expect(what).toBeVisible({ timeout: 700 });
  }).toPass({ timeout: 120_000 });
}

/** The same, until what is called runs. */
export const untilRunning = (page: Page, runs: RegExp): Promise<void> =>
  untilSeen(page, status(page).filter({ hasText: runs }));

export const reading = (page: Page) => page.getByRole('region', { name: 'Meter' });

/** Puts both probes on studs by picking each up and tapping. */
export async function probe(page: Page, red: string, black: string): Promise<void> {
  await page.getByTestId('probe-red').click();
  await stud(page, red).click();
  await page.getByTestId('probe-black').click();
  await stud(page, black).click();
}

/** Lifts the first conductor of a colour off a stud. */
export async function lift(page: Page, terminal: string, colour: string): Promise<void> {
  await stud(page, terminal).click();
  await page
    .getByRole('button', { name: `Lift the ${colour} conductor` })
    .first()
    .click();
  await page.getByRole('button', { name: 'Close' }).click();
}

/** Moves the first conductor landed on one stud to another. */
export async function move(page: Page, from: string, to: string, colour: string): Promise<void> {
  await stud(page, from).click();
  await page
    .getByRole('button', { name: `Move the ${colour} conductor to another stud` })
    .first()
    .click();
  await stud(page, to).click();
}
