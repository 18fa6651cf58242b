/** The app without a server: how long it takes to open the last job, and to send what waited once there is one again. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BrowserContext, Page } from '@playwright/test';
import { chromium } from '@playwright/test';
import { installed, kill, launch } from '../../e2e/bench';
import { CHROMIUM } from '../../e2e/chromium';
import { JOB, LIVE, SLOWDOWN, slowed, tapUntil } from './openings';
import { median, report } from './report';

const TIMES = 5;
const WAITING = 500;

/** Milliseconds from the tap on the icon to live volts of the job that was open. */
async function openCold(context: BrowserContext, url: string): Promise<number> {
  const page = await context.newPage();
  await slowed(page);
  await page.goto(`${url}/?from=icon`, { waitUntil: 'commit' });
  const { shown } = await tapUntil(page, null, ...LIVE);
  await page.close();
  return shown;
}

/** Lays entries of a record where the app keeps what waits, as a day without signal would have. */
const layEntries = (page: Page, jobId: string): Promise<void> =>
  page.evaluate(
    ([job, count]) =>
      new Promise<void>((resolve, reject) => {
        const asked = indexedDB.open('zygostat');
        asked.onerror = () => reject(new Error('no database'));
        asked.onsuccess = () => {
          const db = asked.result;
          const all = db.transaction('unsent', 'readwrite');
          const since = Date.now();
          for (let i = 0; i < count; i++) {
            const id = `laid-${i}`;
            const entry = {
              id,
              at: new Date(since + i).toISOString(),
              by: 'Bench',
              body: { type: 'note', text: `Noticed ${i}` },
            };
            const value = { jobId: job, entry };
            const lying = { name: 'entry', id, owner: job, value, since: since + i, order: since + i };
            all.objectStore('unsent').put(lying, `entry/${id}`);
          }
          all.oncomplete = () => {
            db.close();
            resolve();
          };
        };
      }),
    [jobId, WAITING] as const,
  );

async function main(): Promise<void> {
  const data = mkdtempSync(join(tmpdir(), 'bench-offline-'));
  let { child, said: url } = await launch(data);
  // A browser with a profile of its own, as on a phone: what it compiled of the app it keeps from one visit to the next.
  const profile = mkdtempSync(join(tmpdir(), 'bench-profile-'));
  const context = await chromium.launchPersistentContext(profile, {
    ...CHROMIUM,
    viewport: { width: 390, height: 844 },
  });
  try {
    const page = await context.newPage();
    await installed(page, url);
    const jobs = (await (await page.request.get(`${url}/api/jobs`)).json()) as { id: string; name: string }[];
    const job = jobs.find(({ name }) => name === JOB)!.id;
    await page.goto(`${url}/job/${job}`);
    await page.getByTestId('stud-board.R').waitFor();
    // Taken along whole, a moment after it was opened.
    await page.waitForTimeout(5000);
    await page.close();

    await kill(child);
    const opened: number[] = [];
    for (let i = 0; i < TIMES; i++) opened.push(await openCold(context, url));
    report(
      'offline_open_ms',
      median(opened),
      'ms',
      `installed, no server, CPU slowed ${SLOWDOWN}×: icon to live volts of the last job, median of ${TIMES} (${Math.round(Math.min(...opened))}–${Math.round(Math.max(...opened))}); aim ≤ 2500`,
    );

    const waiting = await context.newPage();
    await waiting.goto(`${url}/job/${job}/record`);
    await layEntries(waiting, job);
    await waiting.reload();
    await waiting.getByRole('link', { name: new RegExp(`Not sent yet: ${WAITING} things`) }).waitFor();
    ({ child, said: url } = await launch(data, { port: new URL(url).port }));
    const began = performance.now();
    await waiting.evaluate(() => window.dispatchEvent(new Event('online')));
    await waiting
      .getByRole('link', { name: /Not sent yet/ })
      .waitFor({ state: 'detached', timeout: 120_000 });
    const taken = performance.now() - began;
    const record = (await (await waiting.request.get(`${url}/api/jobs/${job}/record`)).json()) as {
      id: string;
    }[];
    const arrived = new Set(record.map(({ id }) => id).filter((id) => id.startsWith('laid-'))).size;
    report(
      'sync_500_ms',
      taken,
      'ms',
      `${WAITING} entries of one record sent in their order, ${arrived} of them with the server; aim ≤ 3000`,
    );
  } finally {
    await context.close();
    await kill(child);
    for (const made of [data, profile]) rmSync(made, { recursive: true, force: true });
  }
}

void main();
