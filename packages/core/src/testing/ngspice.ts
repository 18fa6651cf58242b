/** Runs ngspice, a circuit simulator of its own making, on exported netlists. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

export type Phasors = Record<string, readonly [re: number, im: number]>;

/** The installed version, such as "ngspice-39", or `null`. */
export function ngspiceVersion(): string | null {
  const { stdout } = spawnSync('ngspice', ['--version'], { encoding: 'utf8' });
  return /ngspice-[\d.+]+/.exec(stdout ?? '')?.[0] ?? null;
}

/** Node voltages ngspice finds for a netlist, by node name. */
export function solveWithNgspice(netlist: string): Phasors {
  const folder = mkdtempSync(join(tmpdir(), 'ngspice-'));
  try {
    const deck = join(folder, 'deck.cir');
    const control = '.control\nset numdgt=12\nrun\nprint all\nquit\n.endc\n.end\n';
    writeFileSync(deck, netlist.replace(/\.end\n$/, control));
    const { stdout } = spawnSync('ngspice', ['-b', deck], { encoding: 'utf8' });
    const phasors: Phasors = {};
    for (const [, node, re, im] of stdout.matchAll(/^(n\d+) = ([-+\de.]+)(?:,([-+\de.]+))?/gm))
      phasors[node!] = [Number(re), Number(im ?? 0)];
    return phasors;
  } finally {
    rmSync(folder, { recursive: true });
  }
}
