/** `npm run bench:sync`: one JSON line a metric. `npm run bench:sync -- 500` for so many runs. */
import { ROOT, bin, ensureInstalled, must } from './lib.mjs';

await ensureInstalled();
await must(bin('tsx'), ['scripts/bench/sync/run.ts', ...process.argv.slice(2)], { cwd: ROOT });
