/** What the project's commands share. Node's own modules only: they run before anything is installed. */
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { createRequire } from 'node:module';
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { compressAll } from './compressed.mjs';

export const ROOT = fileURLToPath(new URL('..', import.meta.url));
const CACHE = join(ROOT, '.cache');
const APP = join(ROOT, 'packages/app');

/** What ends a command; whatever it has started must end with it. */
export const SIGNALS = ['SIGINT', 'SIGTERM'];

/** Says what is being done, so that a person waiting knows. */
export const say = (text) => console.log(`» ${text}`);

/** Runs a command to its end; its output goes through. Resolves to the exit code. */
export function run(command, args, { cwd = ROOT, env = {}, quiet = false } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd,
      env: { ...process.env, ...env },
      stdio: ['ignore', quiet ? 'ignore' : 'inherit', 'inherit'],
    });
    const stop = (signal) => child.kill(signal);
    for (const signal of SIGNALS) process.on(signal, stop);
    const end = (code) => {
      for (const signal of SIGNALS) process.off(signal, stop);
      resolve(code);
    };
    child.on('error', () => end(127));
    child.on('close', (code) => end(code ?? 1));
  });
}

/** Runs a command and keeps what it says until it is through: for several at once. */
export function runAside(command, args) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
    let output = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (output += text));
    child.on('error', ({ message }) => resolve({ code: 127, output: message }));
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}

/** Runs a command that must succeed. */
export async function must(command, args, options) {
  const code = await run(command, args, options);
  if (code !== 0) {
    console.error(`"${command} ${args.join(' ')}" failed (exit ${code}).`);
    process.exit(code);
  }
}

function filesUnder(folder) {
  return readdirSync(folder, { withFileTypes: true, recursive: true })
    .filter(
      (entry) =>
        entry.isFile() &&
        !/node_modules|[\\/]dist|[\\/]\.expo|\.test\.tsx?$/.test(join(entry.parentPath, entry.name)),
    )
    .map((entry) => join(entry.parentPath, entry.name))
    .sort();
}

/** One hash over the contents of files, so that unchanged work is not done again. */
function hashOf(files) {
  const hash = createHash('sha256');
  for (const file of files) hash.update(file.slice(ROOT.length)).update(readFileSync(file));
  return hash.digest('hex');
}

const stampFile = (name) => join(CACHE, `${name}.stamp`);
const stamped = (name, stamp) =>
  existsSync(stampFile(name)) && readFileSync(stampFile(name), 'utf8') === stamp;

function setStamp(name, stamp) {
  mkdirSync(CACHE, { recursive: true });
  writeFileSync(stampFile(name), stamp);
}

/**
 * Installs the packages when they are not what the lock file says: all of them, or those alone that building and serving the app
 * take, a third fewer.
 */
export async function ensureInstalled({ toServe = false } = {}) {
  const whole = `${process.version} ${hashOf([join(ROOT, 'package-lock.json')])}`;
  const fewer = `${whole}, without those of development`;
  const isThere = existsSync(join(ROOT, 'node_modules/.package-lock.json'));
  if (isThere && (stamped('install', whole) || (toServe && stamped('install', fewer)))) return;
  say('Installing packages, a few minutes the first time…');
  // An install that is cut short leaves half a tree; it must not pass for a whole one.
  rmSync(stampFile('install'), { force: true });
  const dev = toServe ? '--omit=dev' : '--include=dev';
  await must('npm', ['ci', dev, '--no-audit', '--no-fund', '--loglevel=error']);
  setStamp('install', toServe ? fewer : whole);
}

/** Binaries that come inside packages, one for each platform: what is said where there is none for this one. */
export function whatIsMissing() {
  for (const name of ['better-sqlite3', '@node-rs/argon2', 'sharp']) {
    try {
      createRequire(join(ROOT, 'packages/server/package.json'))(name);
    } catch (error) {
      return `${name} has no binary for ${process.platform} ${process.arch} with Node ${process.version}: ${error.message.split('\n')[0]}. Run "npm ci" again on this machine, with Node 20.`;
    }
  }
  return null;
}

/**
 * Bundles the server with the core into `packages/server/dist`. Half a second, and it starts in a third of the time that translating
 * each file as it is read takes.
 */
export async function ensureServer() {
  const from = join(ROOT, 'packages/server/src');
  await must(bin('esbuild'), [
    ...['main', 'code', 'keep', 'give-way', 'papers/work', 'bundle/work'].map((name) =>
      join(from, `${name}.ts`),
    ),
    `--outdir=${join(ROOT, 'packages/server/dist')}`,
    '--out-extension:.js=.mjs',
    '--bundle',
    '--platform=node',
    '--format=esm',
    '--target=node20',
    '--packages=external',
    `--alias:@zygostat/core=${join(ROOT, 'packages/core/src')}`,
    '--sourcemap',
    '--log-level=warning',
  ]);
}

/** Arguments to Node that run one of the server's bundles, with its own lines in what it says when it fails. */
export const serverRun = (name, ...more) => [
  '--enable-source-maps',
  join(ROOT, `packages/server/dist/${name}.mjs`),
  ...more,
];

/** Exports the app when its sources have changed since the last time. */
export async function ensureBuilt() {
  const sources = [
    ...filesUnder(join(APP, 'src')),
    ...filesUnder(join(APP, 'public')),
    ...filesUnder(join(ROOT, 'packages/core/src')),
    ...['app.json', 'babel.config.js', 'metro.config.js', 'package.json'].map((name) => join(APP, name)),
    join(ROOT, 'package-lock.json'),
    join(ROOT, 'scripts/offline.mjs'),
    join(ROOT, 'scripts/compressed.mjs'),
  ];
  const stamp = hashOf(sources);
  if (existsSync(join(APP, 'dist/index.html')) && stamped('build', stamp)) return;
  say('Building the app, about a minute…');
  const dist = join(APP, 'dist');
  await must(
    bin('expo'),
    ['export', '--platform', 'web', '--output-dir', dist, '--no-minify', '--max-workers', '2'],
    { cwd: APP, env: buildEnv, quiet: true },
  );
  await Promise.all([
    minified(join(dist, '_expo')),
    must(bin('esbuild'), workerBuild(join(dist, 'model.worker.js'))),
  ]);
  // Imported here, for this file runs before anything is installed.
  const { buildOffline } = await import('./offline.mjs');
  await Promise.all([buildOffline(dist), compressAll(dist)]);
  setStamp('build', stamp);
}

/**
 * Makes the app's scripts small, whole and side by side: module by module and one after another it took the bundler half of the build.
 */
async function minified(folder) {
  const { minify } = await import('@swc/core');
  const scripts = readdirSync(folder, { recursive: true })
    .filter((name) => name.endsWith('.js'))
    .map((name) => join(folder, name));
  await Promise.all(
    scripts.map(async (name) => {
      const { code } = await minify(readFileSync(name, 'utf8'), { compress: true, mangle: true });
      writeFileSync(name, code);
    }),
  );
}

/** Arguments that bundle the worker that holds the model. */
export const workerBuild = (outfile, ...more) => [
  join(APP, 'src/model/model.worker.ts'),
  `--outfile=${outfile}`,
  '--bundle',
  '--minify',
  '--format=iife',
  '--target=es2022',
  '--log-level=warning',
  ...more,
];

/** Quiet and offline. */
export const buildEnv = {
  CI: '1',
  EXPO_OFFLINE: '1',
  EXPO_NO_TELEMETRY: '1',
  NODE_ENV: 'production',
};

const onPath = (command) => spawnSync('sh', ['-c', `command -v ${command}`]).status === 0;

/**
 * Installs Debian packages when root on Debian; says what to do otherwise. A package is wanted by its command, which has its name; of
 * several in a list one is enough, and the first is installed.
 */
export async function ensureDebian(wanted) {
  const names = wanted
    .map((one) => [one].flat())
    .filter((commands) => !commands.some(onPath))
    .map(([first]) => first);
  if (names.length === 0) return;
  if (process.getuid?.() !== 0 || !onPath('apt-get')) {
    console.error(
      `Install ${names.join(' and ')} first, for example: sudo apt-get install -y ${names.join(' ')}`,
    );
    process.exit(1);
  }
  say(`Installing ${names.join(' and ')} with apt…`);
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  await must('apt-get', ['update', '-qq'], { env, quiet: true });
  await must('apt-get', ['install', '-y', '-qq', ...names], { env, quiet: true });
}

/** Path of a package's command, run with this Node and no shell in between. */
export const bin = (name) => join(ROOT, 'node_modules/.bin', name);
