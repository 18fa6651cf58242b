/** `npm run code -- NAME`: a code for somebody of the crew who has no known device left, or forgot their password. */
import { ensureInstalled, ensureServer, run, serverRun } from './lib.mjs';

await ensureInstalled({ toServe: true });
await ensureServer();
process.exit(await run(process.execPath, serverRun('code', ...process.argv.slice(2))));
