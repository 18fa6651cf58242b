/** How fast the model is, alone and against ngspice on the same netlist. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { NEW_WORLD, advance, callScript, runTimeline, sectionsOf, settle } from '@zygostat/core/behaviour';
import { layLadder } from '@zygostat/core/drawing';
import { runWays } from '@zygostat/core/ductless';
import type { Circuit } from '@zygostat/core/circuit';
import { completions, readWireList, spiceNetlist, writeWireList } from '@zygostat/core/formats';
import {
  compile,
  factoriseAt,
  makeBase,
  makeSolver,
  positionChange,
  solve,
  solveChanged,
} from '@zygostat/core/network';
import { planSwap } from '@zygostat/core/plan';
import { prove, repairOf, sweep } from '@zygostat/core/prove';
import { TEMPLATES, ductless, furnaceAirConditioner, heatPumpWithStrips } from '@zygostat/core/systems';
import { largeCircuit } from '../../packages/core/src/testing/large';
import { longWireList } from '../../packages/core/src/testing/large-unit';
import { spoilsOf } from '../../packages/core/src/testing/spoils';
import { median, report } from './report';

const ROUNDS = 7;

/** Microseconds a call takes: the median of several rounds, warmed up. */
function time(times: number, call: () => void): number {
  const rounds = Array.from({ length: ROUNDS + 1 }, () => {
    const start = process.hrtime.bigint();
    for (let i = 0; i < times; i++) call();
    return Number(process.hrtime.bigint() - start) / 1000 / times;
  });
  return median(rounds.slice(1));
}

/** Microseconds ngspice takes for one a.c. solve inside one process, start-up excluded, by the difference of two loops. */
function ngspiceMicroseconds(netlist: string): number {
  const folder = mkdtempSync(join(tmpdir(), 'bench-'));
  const seconds = (count: number) => {
    const file = join(folder, `loop${count}.cir`);
    const loop = `.control\nlet i = 0\nrepeat ${count}\nac lin 1 60 60\ndestroy\nend\nrusage elapsed\nquit\n.endc\n.end\n`;
    writeFileSync(file, netlist.replace(/\.ac .*\n\.end\n$/, loop));
    const start = process.hrtime.bigint();
    spawnSync('ngspice', ['-b', file], { stdio: 'ignore' });
    return Number(process.hrtime.bigint() - start) / 1e9;
  };
  const differences = Array.from({ length: 3 }, () => seconds(2100) - seconds(100));
  rmSync(folder, { recursive: true });
  return (median(differences) / 2000) * 1e6;
}

/** A thumb on a phone, keys and chosen buttons a minute; from memory. */
const KEYS_A_MINUTE = 180;
const TAPS_A_MINUTE = 50;

/** What may be typed of an end, shortest first: its beginning, or that of its terminal's mark. */
function beginnings(end: string): string[] {
  const mark = end.slice(end.lastIndexOf(' ') + 1);
  return [end, mark]
    .flatMap((text) => Array.from({ length: text.length }, (_, i) => text.slice(0, i)))
    .sort((one, other) => one.length - other.length);
}

/** Keys and taps it takes to type a list, each end by as little as brings it up among what is offered. */
function typing(list: string, circuit: Circuit, station: string): { keys: number; taps: number } {
  let [keys, taps, typed, here] = [0, 0, '', circuit];
  for (const line of list.split('\n')) {
    const [head = '', body = ''] = line.split(': ');
    keys += head.length + 2;
    let first = '';
    for (const end of body.split(' – ')) {
      const enough = beginnings(end).find((part) => completions(here, station, part, first).includes(end));
      keys += enough?.length ?? end.length;
      taps += enough === undefined ? 0 : 1;
      first = end;
    }
    typed += `${line}\n`;
    const read = readWireList(typed, circuit, station);
    here = read.ok ? read.circuit : read.soFar;
  }
  return { keys, taps };
}

const inputs = { controls: { stat: { mode: 'cool', setC: 22 } }, conditions: { indoorC: 26, outdoorC: 31 } };
const network = compile(furnaceAirConditioner('Bench'));
const solver = makeSolver(network);
const running = advance(network, inputs, NEW_WORLD, 400);
const { choice } = running.point;

const solveMicroseconds = time(5000, () => void solve(solver, choice));
report(
  'solve_us',
  solveMicroseconds,
  'µs',
  `${network.nodes.length} nodes, assemble, factorise and solve; median of ${ROUNDS}`,
);

const theirs = ngspiceMicroseconds(spiceNetlist(running.point));
report(
  'solve_vs_ngspice',
  solveMicroseconds / theirs,
  'ratio',
  `ngspice ${theirs.toFixed(1)} µs a solve, ac lin 1 60 60 in a loop, start-up excluded; aim ≤ 0.5`,
);

// The call as the thermostat's protection ends: contactor in, compressor up, blower waiting.
const held = advance(network, inputs, NEW_WORLD, 299).world;
const settleMicroseconds = time(200, () => void settle(network, inputs, { ...held, now: 300 }, solver));
report('settle_ms', settleMicroseconds / 1000, 'ms', 'a cooling call from held to running');

const large = compile(largeCircuit('Bench'));
const on = { mode: 'cool', setC: 22 };
const largeInputs = {
  controls: { astat: on, bstat: on, cstat: on, dstat: on },
  conditions: { indoorC: 26, outdoorC: 31 },
};
const largeHeld = advance(large, largeInputs, NEW_WORLD, 299).world;
const largeSolver = makeSolver(large);
const largeMicroseconds = time(
  30,
  () => void settle(large, largeInputs, { ...largeHeld, now: 300 }, largeSolver),
);
report(
  'settle_ms_large',
  largeMicroseconds / 1000,
  'ms',
  `${large.devices.length} devices, ${large.nodes.length} nodes: four cooling calls from held to running`,
);
// Every contact of the circuit thrown in turn, its column kept from the first time.
const { choice: largeChoice } = advance(large, largeInputs, largeHeld, 100).point;
const base = makeBase(large, largeChoice);
const throws = large.branches.flatMap(({ positions }, b) =>
  positions.length > 1 ? [positionChange(base, b, 1 - Math.min(largeChoice[b]!, 1))] : [],
);
let thrown = 0;
const updateMicroseconds = time(4000, () => void solveChanged(base, [throws[thrown++ % throws.length]!]));
const refactorMicroseconds = time(500, () => factoriseAt(largeSolver, largeChoice, 'mains'));
report(
  'update_vs_refactor',
  updateMicroseconds / refactorMicroseconds,
  'ratio',
  `a contact thrown by update ${updateMicroseconds.toFixed(1)} µs, factorised anew ${refactorMicroseconds.toFixed(0)} µs, ${large.nodes.length} nodes; aim ≤ 0.1`,
);
report(
  'ladder_layout_ms',
  time(10, () => void layLadder(sectionsOf(large))) / 1000,
  'ms',
  `the ladder of the ${large.devices.length}-device circuit`,
);

// A cycle every twenty minutes for an hour, frosted so that defrost is looked after too.
const pump = heatPumpWithStrips('Bench', { stages: 'two' });
const pumpNetwork = compile(pump);
const hour = [0, 1200, 2400].flatMap((start) =>
  callScript(pump, 'heat', 900).map((step) => ({ ...step, at: step.at + start })),
);
const hourMicroseconds = time(5, () => void runTimeline(pumpNetwork, hour, 3600));
report(
  'timeline_speed',
  3600 / (hourMicroseconds / 1e6),
  's/s',
  'simulated seconds a second, an hour of a two-stage heat pump in three cycles; aim ≥ 20 000',
);

const { states } = prove(pump)!;
const proofMicroseconds = time(2, () => void prove(pump));
report(
  'prove_ms',
  proofMicroseconds / 1000,
  'ms',
  `two-stage heat pump with strips, two safeties, low, normal and high mains: ${states} states; aim ≤ 250`,
);
report('prove_states_per_s', states / (proofMicroseconds / 1e6), '1/s', 'states of the same proof a second');
const mistakes = sweep(pump)!.length;
report(
  'sweep_ms',
  time(1, () => void sweep(pump)) / 1000,
  'ms',
  `every wrong landing of the same heat pump: ${mistakes}; aim ≤ 2000`,
);
// One mistake in sixty of every system: the slowest search for what puts it right.
const searches = TEMPLATES.flatMap(({ id, build }) =>
  spoilsOf(build('Bench'))
    .filter((_, i) => i % 60 === 4)
    .flatMap(({ circuit, text }) => {
      const { findings } = prove(circuit)!;
      if (!findings[0]) return [];
      const began = performance.now();
      repairOf(circuit, findings[0], undefined, findings);
      return [{ ms: performance.now() - began, what: `${id}, ${text}` }];
    }),
);
const slowest = searches.reduce((worst, one) => (one.ms > worst.ms ? one : worst));
report(
  'repair_ms',
  slowest.ms,
  'ms',
  `the slowest of ${searches.length} searches over all systems (${slowest.what}), median ${Math.round(median(searches.map(({ ms }) => ms)))}; aim ≤ 2000`,
);
// Short of a conductor for C: every way out built, proven and ranked.
const short = furnaceAirConditioner('Bench', false);
const tight = {
  ...short,
  cables: short.cables.map((cable) => ({
    ...cable,
    conductors: cable.conductors.filter(({ from, to }) => from !== null || to !== null),
  })),
};
const wish = { device: 'stat', terminals: 'five', supply: 'both' } as const;
const ways = planSwap(tight, wish)!.options.length;
report(
  'plan_ms',
  time(1, () => void planSwap(tight, wish)) / 1000,
  'ms',
  `a swap short of a conductor for C: ${ways} ways built, proven and ranked`,
);
const pumpAsWhole = heatPumpWithStrips('Bench');
const sixty = longWireList(60);
report(
  'wirelist_read_ms',
  time(5, () => void readWireList(sixty, pumpAsWhole, 'yard')) / 1000,
  'ms',
  '60 wires of an outdoor unit as typed, into the circuit; aim ≤ 50',
);
const page = readWireList(longWireList(20), pumpAsWhole, 'yard');
if (!page.ok) throw new Error('the page of twenty wires does not read');
// In the names the app has for the same screws: whoever takes what is offered gets those.
const { keys, taps } = typing(writeWireList(page.circuit, page.wires), pumpAsWhole, 'yard');
report(
  'wirelist_minutes',
  keys / KEYS_A_MINUTE + taps / TAPS_A_MINUTE,
  'min',
  `a page of 20 wires typed with what is offered: ${keys} keys at ${KEYS_A_MINUTE} and ${taps} taps at ${TAPS_A_MINUTE} a minute, from memory; aim < 2`,
);
const split = ductless('Bench');
report(
  'permutations_ms',
  time(1, () => void [...runWays(split, 0), ...runWays(split, 1)]) / 1000,
  'ms',
  'every way to land the run of a ductless unit at either of its halves, 48 in all; aim ≤ 500',
);
