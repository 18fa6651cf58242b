/** `npm run bench:first-start`: from a fresh clone, with nothing in npm's cache or the bundler's, until the server answers. */
import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { ROOT } from './lib.mjs';

const PORT = 4399;
const LOOK_MS = 500;
/** Something is wrong when it takes longer, ms. */
const MOST_MS = 20 * 60_000;

const folder = mkdtempSync(join(tmpdir(), 'zygostat-first-'));
const clone = join(folder, 'clone');
const temporary = join(folder, 'tmp');
mkdirSync(temporary);
spawnSync('git', ['clone', '--quiet', ROOT, clone], { stdio: 'inherit' });

const began = performance.now();
const started = spawn('npm', ['start'], {
  cwd: clone,
  env: {
    ...process.env,
    ZYGOSTAT_PORT: String(PORT),
    npm_config_cache: join(folder, 'npm'),
    TMPDIR: temporary,
  },
  stdio: ['ignore', 'ignore', 'inherit'],
  detached: true,
});
let ended = false;
started.on('exit', () => (ended = true));

const answers = async () => {
  try {
    return (await fetch(`http://127.0.0.1:${PORT}/api/health`)).ok;
  } catch {
    return false;
  }
};

while (!ended && performance.now() - began < MOST_MS && !(await answers()))
  await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
const isServing = !ended && (await answers());
const value = Math.round((performance.now() - began) / 1000);
if (!ended) process.kill(-started.pid, 'SIGTERM');
rmSync(folder, { recursive: true, force: true, maxRetries: 5 });
const note = `fresh clone to serving, empty caches${isServing ? '' : '; it never served'}; aim: at most 150 on two quiet cores`;
console.log(JSON.stringify({ metric: 'first_start_s', value, unit: 's', note }));
process.exit(isServing ? 0 : 1);
