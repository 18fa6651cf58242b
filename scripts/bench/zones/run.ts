/** How long a person waits for zones: everything in a worker of a browser, as the app has one. */
import { chromium } from '@playwright/test';
import { CHROMIUM } from '../../../e2e/chromium';
import { tellWorker } from '../in-worker';

async function run(): Promise<void> {
  const browser = await chromium.launch(CHROMIUM);
  try {
    await tellWorker(browser, 'scripts/bench/zones/zones.ts');
  } finally {
    await browser.close();
  }
}

void run();
