/** How long the page is deaf: the longest task of what is done most, on a slow phone. */
import type { Browser, Page } from '@playwright/test';
import { JOB, SLOWDOWN, phone, slowed } from './openings';
import { report } from './report';

/** Time after a tap in which what it sets off is done with, ms. */
const SETTLE_MS = 2500;

/** The longest task since the last time it was asked, ms. */
const longest = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const all = (window as unknown as { tasks: number[] }).tasks.splice(0);
    return Math.max(0, ...all);
  });

/** @param url - of a server with the demo data. */
export async function tasks(browser: Browser, url: string): Promise<void> {
  const page = await phone(browser);
  await page.addInitScript(() => {
    const seen: number[] = [];
    (window as unknown as { tasks: number[] }).tasks = seen;
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) seen.push(duration);
    }).observe({ type: 'longtask', buffered: true });
  });
  await page.goto(url);
  await page.getByRole('link', { name: JOB }).waitFor();
  await page.waitForTimeout(4000);
  await slowed(page);
  const place = (name: string) => page.getByRole('link', { name, exact: true }).click();
  const tab = (name: string) => page.getByRole('button', { name, exact: true }).click();
  const acts: readonly (readonly [string, () => Promise<unknown>])[] = [
    ['open a job', () => page.getByRole('link', { name: `Open ${JOB}` }).click()],
    ['to Path', () => tab('Path')],
    ['back to the loom', () => tab('Loom')],
    ['to Plan', () => place('Plan')],
    ['Plan to Trace', () => place('Trace')],
    ['open a terminal', () => page.getByTestId('stud-stat.G').click()],
    [
      'lift a wire',
      () =>
        page
          .getByRole('button', { name: /^Lift the / })
          .first()
          .click(),
    ],
    ['close', () => tab('Close')],
    ['call', () => page.getByRole('button', { name: 'Call: Fan' }).click()],
  ];
  await longest(page);
  const told: (readonly [string, number])[] = [];
  for (const [name, act] of acts) {
    await act();
    await page.waitForTimeout(SETTLE_MS);
    told.push([name, await longest(page)]);
  }
  await page.context().close();
  report(
    'task_max_ms',
    Math.max(...told.map(([, ms]) => ms)),
    'ms',
    `the longest task, CPU slowed ${SLOWDOWN}×: ${told.map(([name, ms]) => `${name} ${Math.round(ms)}`).join(', ')}; aim ≤ 200`,
  );
}
