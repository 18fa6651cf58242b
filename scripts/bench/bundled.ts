/** Runs a script bundled into one file, as the app's worker is. */
import { spawn } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from 'esbuild';

export async function runBundled(script: string): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), 'zygostat-bench-'));
  const outfile = join(folder, 'script.mjs');
  await build({ entryPoints: [script], bundle: true, platform: 'node', format: 'esm', outfile });
  const code = await new Promise((resolve) =>
    spawn(process.execPath, [outfile], { stdio: 'inherit' }).on('close', resolve),
  );
  await rm(folder, { recursive: true });
  if (code !== 0) throw new Error(`${script} ended with ${String(code)}`);
}
