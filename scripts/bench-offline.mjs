/** `npm run bench:offline`: one JSON line a metric. */
import { ROOT, bin, ensureBuilt, ensureDebian, ensureInstalled, ensureServer, must } from './lib.mjs';

await ensureInstalled();
await ensureDebian(['chromium']);
await ensureBuilt();
await ensureServer();
await must(bin('tsx'), ['scripts/bench/offline.ts'], { cwd: ROOT });
