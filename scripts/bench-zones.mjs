/** `npm run bench:zones`: one JSON line a metric. */
import { ROOT, bin, ensureDebian, ensureInstalled, must } from './lib.mjs';

await ensureInstalled();
await ensureDebian(['chromium']);
await must(bin('tsx'), ['scripts/bench/zones/run.ts'], { cwd: ROOT });
