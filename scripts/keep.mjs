/** `npm run backup [-- FILE]` and `npm run restore -- FILE`: copies of the database, made while it serves. */
import { bin, ensureInstalled, run } from './lib.mjs';

await ensureInstalled();
process.exit(await run(bin('tsx'), ['packages/server/src/keep.ts', ...process.argv.slice(2)]));
