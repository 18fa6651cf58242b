/** How long the page is deaf: the longest task of what is done most, on a slow phone. */
import type { Browser, Page } from '@playwright/test';
import { JOB, SLOWDOWN, phone, slowed } from './openings';
import { median, report } from './report';

/** Time after a tap in which what it sets off is done with, ms. */
const SETTLE_MS = 2500;

/** The longest task since the last time it was asked, ms. */
const longest = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const all = (window as unknown as { tasks: number[] }).tasks.splice(0);
    return Math.max(0, ...all);
  });

/** Visits of new browsers: on a machine that is shared, one alone tells of its neighbours. */
const TIMES = 3;

/** What is done most, once each on a page of its own, with the longest task of each, ms. */
async function visit(browser: Browser, url: string): Promise<(readonly [string, number])[]> {
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
    ['undo', () => page.getByRole('button', { name: 'Undo' }).click()],
  ];
  await longest(page);
  const told: (readonly [string, number])[] = [];
  for (const [name, act] of acts) {
    await act();
    await page.waitForTimeout(SETTLE_MS);
    told.push([name, await longest(page)]);
  }
  await page.context().close();
  return told;
}

/** @param url - of a server with the demo data. */
export async function tasks(browser: Browser, url: string): Promise<void> {
  const visits: (readonly [string, number])[][] = [];
  for (let i = 0; i < TIMES; i++) visits.push(await visit(browser, url));
  const told = visits[0]!.map(([name], act) => [name, median(visits.map((one) => one[act]![1]))] as const);
  report(
    'task_max_ms',
    Math.max(...told.map(([, ms]) => ms)),
    'ms',
    `the longest task, CPU slowed ${SLOWDOWN}×, median of ${TIMES} visits: ${told.map(([name, ms]) => `${name} ${Math.round(ms)}`).join(', ')}; aim ≤ 200`,
  );
}
