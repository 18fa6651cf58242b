/** What a person waits for when something is opened: the app, a job, a place. */
import type { Browser, CDPSession, Page } from '@playwright/test';
import { median, report } from './report';

/** Times a phone’s processor is slower than this one’s. */
export const SLOWDOWN = 4;
/** The job of the demo data that is opened. */
export const JOB = 'Recovery ward';
/** A block of that job's loom, and that it has its volts. */
export const LIVE = ['[id="face-board.R"]', '[0-9]'] as const;
const TIMES = 5;
/** A poor line: 1.6 Mbit/s down, 150 ms there and back. */
const POOR_LINE = {
  offline: false,
  latency: 150,
  downloadThroughput: 1.6e6 / 8,
  uploadThroughput: 750e3 / 8,
};

/** A page of a phone that has been nowhere yet. */
export const phone = async (browser: Browser): Promise<Page> =>
  (await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })).newPage();

export const slowed = async (page: Page, rate = SLOWDOWN): Promise<CDPSession> => {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate });
  return session;
};

/** What the list of jobs costs: kilobytes, and seconds on a poor line and a slow phone, cold. */
export async function firstView(browser: Browser, url: string): Promise<void> {
  const page = await phone(browser);
  const network = await page.context().newCDPSession(page);
  await network.send('Network.enable');
  let bytes = 0;
  network.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength));
  await page.goto(url);
  await page.getByRole('link').first().waitFor();
  await page.waitForLoadState('networkidle');
  report('first_view_kb', bytes / 1024, 'kB', 'everything loaded for the list of jobs, as sent; aim ≤ 420');
  await page.context().close();

  const times: number[] = [];
  for (let i = 0; i < TIMES; i++) {
    const cold = await phone(browser);
    const session = await slowed(cold);
    await session.send('Network.enable');
    await session.send('Network.emulateNetworkConditions', POOR_LINE);
    const began = performance.now();
    await cold.goto(url, { waitUntil: 'commit' });
    await cold.getByRole('link').first().waitFor();
    times.push((performance.now() - began) / 1000);
    await cold.context().close();
  }
  report(
    'first_view_slow_s',
    median(times),
    's',
    `address to list of jobs, cold, 1.6 Mbit/s, 150 ms, CPU slowed ${SLOWDOWN}×, median of ${TIMES}; aim ≤ 4.5`,
  );
}

/** When a link was tapped, and when what was looked for after it was painted: ms since the page was asked for. */
interface Tapped {
  tapped: number;
  shown: number;
}

/**
 * Taps a link as soon as it is painted, and waits until what is looked for is. Both are seen from within the page: questions
 * from without would take their share of a slowed processor.
 *
 * @param link - how its name begins; `null` where nothing needs to be tapped.
 * @param selector - of what is looked for.
 * @param shows - what it says by then, as a regular expression.
 */
export const tapUntil = (page: Page, link: string | null, selector: string, shows: string): Promise<Tapped> =>
  page.evaluate(
    ([name, where, text]) =>
      new Promise<Tapped>((resolve) => {
        // Nothing is given a name in here that a helper would be needed for: the page does not know it.
        let tapped: number | null = name === null ? 0 : null;
        let isFound = name === null;
        new MutationObserver((_, observer) => {
          const found = isFound
            ? null
            : document.querySelector<HTMLElement>(`[role="link"][aria-label^="${name}"]`);
          if (found) {
            isFound = true;
            requestAnimationFrame(() =>
              setTimeout(() => {
                tapped = performance.now();
                for (const type of ['mousedown', 'mouseup', 'click'])
                  found.dispatchEvent(
                    new MouseEvent(type, { bubbles: true, cancelable: true, view: window }),
                  );
              }),
            );
          }
          if (
            tapped === null ||
            !Array.from(document.querySelectorAll(where)).some((one) =>
              new RegExp(text).test(one.textContent ?? ''),
            )
          )
            return;
          observer.disconnect();
          const after = tapped;
          requestAnimationFrame(() => setTimeout(() => resolve({ tapped: after, shown: performance.now() })));
        }).observe(document, { subtree: true, childList: true, characterData: true });
        // For one that is there already.
        document.documentElement.appendChild(document.createComment(''));
      }),
    [link, selector, shows] as const,
  );

/** Milliseconds from a tap on a job in the list to live volts. */
async function openJob(browser: Browser, url: string): Promise<number> {
  const page = await phone(browser);
  await page.goto(url);
  await page.getByRole('link', { name: JOB }).waitFor();
  // A person reads the list; what comes next is read meanwhile.
  await page.waitForTimeout(3000);
  await slowed(page);
  const { tapped, shown } = await tapUntil(page, `Open ${JOB}`, ...LIVE);
  await page.context().close();
  return shown - tapped;
}

/** Milliseconds from the tap on a place to what it shows, for the first time. */
async function openPlace(
  browser: Browser,
  url: string,
  job: string,
  place: string,
  shows: string,
): Promise<number> {
  const page = await phone(browser);
  await page.goto(`${url}/job/${job}`);
  await page.getByTestId('stud-board.R').waitFor();
  await page.waitForTimeout(1500);
  await slowed(page);
  const { tapped, shown } = await tapUntil(page, place, '[role="button"]', `^${shows}$`);
  await page.context().close();
  return shown - tapped;
}

const PLACES = [
  ['Plan', 'Swap'],
  ['Wire', 'Papers'],
  ['Survey', 'Identify'],
] as const;

/** A job from the list, and the places of a job. */
export async function openings(browser: Browser, url: string, job: string): Promise<void> {
  const live: number[] = [];
  for (let i = 0; i < TIMES; i++) live.push(await openJob(browser, url));
  report(
    'job_live_ms',
    median(live),
    'ms',
    `tap on a job, 3 s after the list is there, to live volts, CPU slowed ${SLOWDOWN}×, median of ${TIMES} (${Math.round(Math.min(...live))}–${Math.round(Math.max(...live))}); aim ≤ 900`,
  );
  const opened: number[] = [];
  for (const [place, shows] of PLACES) opened.push(await openPlace(browser, url, job, place, shows));
  report(
    'place_open_ms',
    Math.max(...opened),
    'ms',
    `a place opened for the first time, CPU slowed ${SLOWDOWN}×: ${PLACES.map(([place], i) => `${place} ${Math.round(opened[i]!)}`).join(', ')}; aim ≤ 600`,
  );
}
