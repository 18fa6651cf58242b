/** `npm run screenshots`: a current picture of each main view from the demo data. */
import { ROOT, bin, ensureBuilt, ensureDebian, ensureInstalled, must } from './lib.mjs';

await ensureInstalled();
await ensureDebian(['chromium']);
await ensureBuilt();
await must(bin('playwright'), ['test', '-c', 'scripts/screenshots/playwright.config.ts'], { cwd: ROOT });
