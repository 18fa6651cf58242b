/** `npm run bench:record`: one JSON line a metric. */
import { ROOT, bin, ensureDebian, ensureInstalled, ensureServer, must } from './lib.mjs';

await ensureInstalled();
await ensureServer();
await ensureDebian(['chromium']);
await must(bin('tsx'), ['scripts/bench/record/record.ts'], { cwd: ROOT });
