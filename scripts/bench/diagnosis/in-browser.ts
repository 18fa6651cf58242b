/** How long thinking takes in a browser: in a worker as the app has one, and a next step on a CPU that is slowed. */
import type { Browser } from '@playwright/test';
import { chromium } from '@playwright/test';
import { CHROMIUM } from '../../../e2e/chromium';
import { bundled, tellWorker } from '../in-worker';
import { SLOWDOWN } from '../openings';
import { median, report } from '../report';

declare const stepTimes: (template: string) => number[];

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
    await tellWorker(browser, 'scripts/bench/diagnosis/speed.ts');
    await tellSlowedSteps(browser);
  } finally {
    await browser.close();
  }
}
