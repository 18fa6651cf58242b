/** `npm run bench:diagnosis`: one JSON line a metric. */
import { ROOT, bin, ensureInstalled, must } from './lib.mjs';

await ensureInstalled();
await must(bin('tsx'), ['scripts/bench/diagnosis/diagnosis.ts', ...process.argv.slice(2)], { cwd: ROOT });
