/** `npm run bench:load`: one JSON line a metric; `-- 300` has three hundred people at once. */
import { ROOT, bin, ensureInstalled, ensureServer, must } from './lib.mjs';

await ensureInstalled();
await ensureServer();
await must(bin('tsx'), ['scripts/bench/load/load.ts', ...process.argv.slice(2)], { cwd: ROOT });
