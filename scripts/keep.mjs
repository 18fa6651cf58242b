/** `npm run backup [-- FILE]` and `npm run restore -- FILE`: copies of the database, made while it serves. */
import { ensureInstalled, ensureServer, run, serverRun } from './lib.mjs';

await ensureInstalled({ toServe: true });
await ensureServer();
process.exit(await run(process.execPath, serverRun('keep', ...process.argv.slice(2))));
