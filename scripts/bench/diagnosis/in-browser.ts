/** How long thinking takes in a browser: in a worker as the app has one, and a next step on a CPU that is slowed. */
import type { Browser } from '@playwright/test';
import { chromium } from '@playwright/test';
import { build } from 'esbuild';
import { CHROMIUM } from '../../../e2e/chromium';
import { SLOWDOWN } from '../openings';
import { median, report } from '../report';

declare const stepTimes: (template: string) => number[];

type Metric = Parameters<typeof report>;

/** A script in one file, as the app's worker is. */
async function bundled(script: string): Promise<string> {
  const { outputFiles } = await build({
    entryPoints: [script],
    bundle: true,
    minify: true,
    platform: 'browser',
    format: 'iife',
    write: false,
  });
  return outputFiles[0]!.text;
}

async function tellWorker(browser: Browser): Promise<void> {
  const page = await browser.newPage();
  const source = await bundled('scripts/bench/diagnosis/speed.ts');
  const metrics = await page.evaluate(
    (text) =>
      new Promise<Metric[]>((resolve, reject) => {
        const worker = new Worker(URL.createObjectURL(new Blob([text], { type: 'text/javascript' })));
        const told: Metric[] = [];
        worker.onmessage = ({ data }: MessageEvent<Metric | null>) =>
          data ? told.push(data) : resolve(told);
        worker.onerror = ({ message }) => reject(new Error(message));
      }),
    source,
  );
  for (const metric of metrics) report(...metric);
}

async function tellSlowedSteps(browser: Browser): Promise<void> {
  const page = await browser.newPage();
  const session = await page.context().newCDPSession(page);
  await page.addScriptTag({ content: await bundled('scripts/bench/diagnosis/steps.ts') });
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWDOWN });
  const times = await page.evaluate(() => stepTimes('heat-pump-two-stage'));
  const range = `${Math.round(Math.min(...times))}–${Math.round(Math.max(...times))}`;
  report(
    'next_step_ms',
    median(times),
    'ms',
    `two-stage heat pump, CPU slowed ${SLOWDOWN}×, median of ${times.length} observations (${range}); aim ≤ 100`,
  );
}

export async function tellSpeed(): Promise<void> {
  const browser = await chromium.launch(CHROMIUM);
  try {
    await tellWorker(browser);
    await tellSlowedSteps(browser);
  } finally {
    await browser.close();
  }
}
