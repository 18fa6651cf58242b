/** How long the page is deaf: the longest task of what is done most, on a slow phone. */
import type { Browser, Locator, Page } from '@playwright/test';
import { JOB, SLOWDOWN, phone, slowed } from './openings';
import { median, report } from './report';

/** Time after a tap in which what it sets off is done with, ms. */
const SETTLE_MS = 2500;

/** What the page was told of since the last time it was asked, ms: its longest task, and the longest from a press to what it shows. */
interface Longest {
  task: number;
  press: number;
}

const longest = (page: Page): Promise<Longest> =>
  page.evaluate(() => {
    const seen = window as unknown as { tasks: number[]; presses: number[] };
    return { task: Math.max(0, ...seen.tasks.splice(0)), press: Math.max(0, ...seen.presses.splice(0)) };
  });

/** Visits of new browsers: on a machine that is shared, one alone tells of its neighbours. */
const TIMES = 3;

/** What is done most, once each on a page of its own, with the longest task of each, ms. */
async function visit(browser: Browser, url: string): Promise<(readonly [string, Longest])[]> {
  const page = await phone(browser);
  await page.addInitScript(() => {
    const [tasks, presses]: number[][] = [[], []];
    Object.assign(window, { tasks, presses });
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) tasks!.push(duration);
    }).observe({ type: 'longtask', buffered: true });
    // As INP has it: from the press to the next paint, where it was a person's.
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries())
        if ((entry as PerformanceEventTiming & { interactionId?: number }).interactionId)
          presses!.push(entry.duration);
    }).observe({ type: 'event', buffered: true, durationThreshold: 16 } as PerformanceObserverInit);
  });
  await page.goto(url);
  await page.getByRole('link', { name: JOB }).waitFor();
  await page.waitForTimeout(4000);
  await slowed(page);
  // A finger: what looks for the target from without is done before it comes down, and is not counted.
  const tap = async (target: Locator) => {
    await target.waitFor();
    const { x, y, width, height } = (await target.boundingBox())!;
    await page.touchscreen.tap(x + width / 2, y + height / 2);
  };
  const place = (name: string) => tap(page.getByRole('link', { name, exact: true }));
  const tab = (name: string) => tap(page.getByRole('button', { name, exact: true }));
  const acts: readonly (readonly [string, () => Promise<unknown>])[] = [
    ['open a job', () => tap(page.getByRole('link', { name: `Open ${JOB}` }))],
    ['to Path', () => tab('Path')],
    ['back to the loom', () => tab('Loom')],
    ['to Plan', () => place('Plan')],
    ['Plan to Trace', () => place('Trace')],
    ['open a terminal', () => tap(page.getByTestId('stud-stat.G'))],
    ['lift a wire', () => tap(page.getByRole('button', { name: /^Lift the / }).first())],
    ['close', () => tab('Close')],
    ['call', () => tap(page.getByRole('button', { name: 'Call: Fan' }))],
    ['undo', () => tap(page.getByRole('button', { name: 'Undo' }))],
  ];
  await longest(page);
  const told: (readonly [string, Longest])[] = [];
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
  const visits: (readonly [string, Longest])[][] = [];
  for (let i = 0; i < TIMES; i++) visits.push(await visit(browser, url));
  const told = (of: keyof Longest) =>
    visits[0]!.map(([name], act) => [name, median(visits.map((one) => one[act]![1][of]))] as const);
  const tell = (metric: string, what: string, each: readonly (readonly [string, number])[]) =>
    report(
      metric,
      Math.max(...each.map(([, ms]) => ms)),
      'ms',
      `${what}, CPU slowed ${SLOWDOWN}×, median of ${TIMES} visits: ${each.map(([name, ms]) => `${name} ${Math.round(ms)}`).join(', ')}; aim ≤ 200`,
    );
  tell('task_max_ms', 'the longest task', told('task'));
  tell('inp_ms', 'the longest from a press to what it shows next', told('press'));
}
