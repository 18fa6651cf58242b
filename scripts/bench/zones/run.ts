/** How long a person waits for zones: everything in a worker of a browser, as the app has one. */
import { chromium } from '@playwright/test';
import { CHROMIUM } from '../../../e2e/chromium';
import { tellWorker } from '../in-worker';

const browser = await chromium.launch(CHROMIUM);
await tellWorker(browser, 'scripts/bench/zones/zones.ts');
await browser.close();
