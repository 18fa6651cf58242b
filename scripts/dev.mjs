/** `npm run dev`: the server restarts and the app rebuilds as files change; both on their own ports. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT, SIGNALS, bin, ensureInstalled, must, say, workerBuild } from './lib.mjs';

await ensureInstalled();
const worker = join(ROOT, '.cache/model.worker.js');
await must(bin('esbuild'), workerBuild(worker));
say('API on http://127.0.0.1:4310, app on http://127.0.0.1:8081');
const children = [
  spawn(bin('tsx'), ['watch', 'packages/server/src/main.ts'], { cwd: ROOT, stdio: 'inherit' }),
  spawn(bin('esbuild'), workerBuild(worker, '--watch=forever'), { cwd: ROOT, stdio: 'inherit' }),
  spawn(bin('expo'), ['start', '--web', '--port', '8081'], {
    cwd: join(ROOT, 'packages/app'),
    stdio: 'inherit',
    env: { ...process.env, EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1' },
  }),
];
const stop = () => children.forEach((child) => child.kill());
for (const signal of SIGNALS) process.on(signal, stop);
children.forEach((child) => child.on('exit', stop));
