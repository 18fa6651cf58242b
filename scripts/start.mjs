/** `npm start`: whatever is missing is installed and built, then everything is served; `npm start -- --crew` for the local network. */
import { spawn } from 'node:child_process';
import {
  ROOT,
  SIGNALS,
  ensureBuilt,
  ensureInstalled,
  ensureServer,
  say,
  serverRun,
  whatIsMissing,
} from './lib.mjs';

await ensureInstalled({ toServe: true });
const missing = whatIsMissing();
if (missing !== null) {
  console.error(missing);
  process.exit(1);
}
await ensureBuilt();
await ensureServer();
say('Starting the server…');
const server = spawn(process.execPath, serverRun('main', ...process.argv.slice(2)), {
  cwd: ROOT,
  stdio: 'inherit',
});
for (const signal of SIGNALS) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 1));
