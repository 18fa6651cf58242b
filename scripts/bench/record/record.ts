/** How long a person waits for what belongs to the record of a job. */
import { chromium } from '@playwright/test';
import { CHROMIUM } from '../../../e2e/chromium';
import { tellWorker } from '../in-worker';

async function main(): Promise<void> {
  const browser = await chromium.launch(CHROMIUM);
  try {
    await tellWorker(browser, 'scripts/bench/record/placement.ts');
  } finally {
    await browser.close();
  }
}

void main();
