/** `npm run bench`: one JSON line a metric. */
import { ROOT, bin, ensureBuilt, ensureDebian, ensureInstalled, must } from './lib.mjs';

await ensureInstalled();
await ensureDebian(['chromium', 'ngspice']);
await ensureBuilt();
await must(bin('tsx'), ['scripts/bench/core.ts'], { cwd: ROOT });
await must(bin('tsx'), ['scripts/bench/browser.ts'], { cwd: ROOT });
