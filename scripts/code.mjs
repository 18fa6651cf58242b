/** `npm run code -- NAME`: a code for somebody of the crew who has no known device left, or forgot their password. */
import { bin, ensureInstalled, run } from './lib.mjs';

await ensureInstalled();
process.exit(await run(bin('tsx'), ['packages/server/src/code.ts', ...process.argv.slice(2)]));
