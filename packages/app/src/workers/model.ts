/** What the model answers. Keeps the last circuit compiled; all other state comes with each question. */
import type { Inputs, SequenceLine, Timeline, World } from '@zygostat/core/behaviour';
import {
  advance,
  callScript,
  pathOf,
  readMeter,
  restoreWorld,
  runTimeline,
  sequenceOf,
  skipAhead,
  viewOf,
} from '@zygostat/core/behaviour';
import type { Circuit } from '@zygostat/core/circuit';
import type { Call } from '@zygostat/core/devices';
import { kindOf } from '@zygostat/core/devices';
import type { Ladder } from '@zygostat/core/drawing';
import { layLadder, layLoom } from '@zygostat/core/drawing';
import { ladderSvg, loomSvg, spiceNetlist } from '@zygostat/core/formats';
import type { Network, Probes, Solver } from '@zygostat/core/network';
import { compile, makeSolver } from '@zygostat/core/network';
import type {
  Drop,
  FuseSum,
  Insertion,
  RunRepair,
  Swap,
  TransformerLoad,
  SwapRequest,
} from '@zygostat/core/plan';
import {
  addParallelThermostat,
  addRelay,
  fuseSums,
  unprotectedHots,
  planRun,
  planSafety,
  planSwap,
  transformerLoads,
  voltageDrops,
} from '@zygostat/core/plan';
import type { Case, Finding, Mistake, Repair, Severity } from '@zygostat/core/prove';
import {
  caseTitle,
  isProven,
  proofInWords,
  PROPERTIES,
  propertyOf,
  prove,
  repairOf,
  stageOf,
  sweep,
} from '@zygostat/core/prove';
import type { Stop } from '@zygostat/core/wire';
import { isOpenAt, isReady, partway, standing, stepsOf, walk } from '@zygostat/core/wire';
import { showTemperature } from '../bench/show';
import type { Answer } from '../store/bench';
import type { Settings } from '../store/settings';

export interface Question {
  inputs: Inputs;
  world: World;
  /** Seconds to let pass, or `skip` to the next thing that happens by itself. */
  elapse: number | 'skip';
  probes: Probes | null;
  followed: { device: string; element: string } | null;
  temperature: Settings['temperature'];
}

/** A finding with everything a screen says of it: the screens read no core of their own for it. */
export interface ToldFinding extends Finding {
  /** The state that shows it, in words, and why the property must hold. */
  shown: string;
  why: string;
}

export interface ToldProof {
  proven: boolean;
  /** "63 states, 14 properties: nothing found" */
  words: string;
  findings: readonly ToldFinding[];
}

/** A wrong landing without the circuit it makes. */
export type ToldMistake = Omit<Mistake, 'circuit' | 'shownBy'> & { shown: string | null };

export interface Sums {
  loads: readonly TransformerLoad[];
  drops: readonly Drop[];
  fuses: readonly FuseSum[];
  /** Hots that leave their transformer with nothing that opens. */
  unprotected: readonly { device: string; text: string }[];
}

/** Where a plan stands: its stops, what of it is done, and the circuit that makes. */
export interface PlanView {
  stops: readonly Stop[];
  /** Steps whose turn it is or was, and places whose power is off. */
  ready: readonly string[];
  open: readonly string[];
  done: readonly string[];
  circuit: Circuit;
}

const toldProof = (proof: NonNullable<ReturnType<typeof prove>>): ToldProof => ({
  proven: isProven(proof),
  words: proofInWords(proof),
  findings: proof.findings.map((finding) => ({
    ...finding,
    shown: caseTitle(finding.shownBy),
    why: propertyOf(finding.property).why,
  })),
});

/** States between two words about a proof under way. */
const TELL_EVERY = 6;
/** Width of a loom on paper, CSS px. */
const PAPER_PX = 560;

let network: Network | null = null;
/** Keeps the points it has solved: a bench comes back to the same few. */
let solver: Solver | null = null;

const inCircuit = (compiled: Network, point: string) => point === 'earth' || compiled.nodes.includes(point);

function settleNow(
  compiled: Network,
  { inputs, world, elapse }: Pick<Question, 'inputs' | 'world' | 'elapse'>,
) {
  const known = restoreWorld(compiled, world);
  const kept = (solver ??= makeSolver(compiled));
  return elapse === 'skip'
    ? skipAhead(compiled, inputs, known, kept)
    : advance(compiled, inputs, known, elapse, kept);
}

export const model = {
  /** Takes a circuit to answer questions about. */
  load(circuit: Circuit): void {
    network = compile(circuit);
    solver = null;
  },

  /** Settles the bench and reads everything there is to see; `null` before a circuit is loaded. */
  ask(question: Question): Answer | null {
    if (!network) return null;
    const compiled = network;
    const { inputs, probes, followed, temperature } = question;
    const settled = settleNow(compiled, question);
    const placed = probes && inCircuit(compiled, probes.red) && inCircuit(compiled, probes.black);
    return {
      world: settled.world,
      view: viewOf(compiled, inputs, settled, (celsius) => showTemperature(celsius, temperature)),
      reading: placed ? readMeter(compiled, inputs, settled, probes) : null,
      path: followed ? pathOf(compiled, settled, followed) : [],
    };
  },

  /** The ladder of a circuit. */
  ladder(circuit: Circuit): Ladder {
    return layLadder(compile(circuit));
  },

  /** A call run from a cold start, with everything but the thermostats held as it is on the bench. */
  timeline(
    circuit: Circuit,
    controls: Inputs['controls'],
    call: Call,
    seconds: { call: number; until: number },
  ): { timeline: Timeline; sequence: SequenceLine[] } {
    const asks = new Set(circuit.devices.filter(({ kind }) => kindOf(kind).asks).map(({ id }) => id));
    const held = Object.fromEntries(Object.entries(controls).filter(([id]) => !asks.has(id)));
    const script = [{ at: 0, controls: held }, ...callScript(circuit, call, seconds.call)];
    const timeline = runTimeline(compile(circuit), script, seconds.until);
    return { timeline, sequence: sequenceOf(timeline) };
  },

  /** Loom or ladder of a circuit as an SVG file. */
  drawing(circuit: Circuit, which: 'loom' | 'ladder', symbols: Settings['symbols']): string {
    return which === 'loom'
      ? loomSvg(layLoom(circuit, PAPER_PX), circuit)
      : ladderSvg(layLadder(compile(circuit)), circuit, symbols);
  },

  /** Proves a circuit and tells how far it is. To stop it, end the worker. */
  prove(circuit: Circuit, tell: (done: number, all: number) => void): ToldProof {
    return toldProof(
      prove(circuit, (done, all) => {
        if (done % TELL_EVERY === 0 || done === all) tell(done, all);
        return true;
      })!,
    );
  },

  /** Every property a proof looks at, and why it must hold. */
  properties(): { id: string; title: string; why: string; severity: Severity }[] {
    return PROPERTIES.map(({ id, title, why, severity }) => ({ id, title, why, severity }));
  },

  /** What each single wrong landing would do. To stop it, end the worker. */
  mistakes(circuit: Circuit, tell: (done: number, all: number) => void): ToldMistake[] {
    const mistakes = sweep(circuit, (done, all) => {
      if (done % TELL_EVERY === 0 || done === all) tell(done, all);
      return true;
    })!;
    return mistakes.map(({ text, harm, does, shownBy }) => ({
      text,
      harm,
      does,
      shown: shownBy && caseTitle(shownBy),
    }));
  },

  /** Plans a thermostat swap. To stop it, end the worker. */
  swap(
    circuit: Circuit,
    wish: SwapRequest,
    jackets: readonly string[],
    tell: (title: string, done: number, all: number) => void,
  ): Swap {
    return planSwap(circuit, wish, jackets, (title, done, all) => {
      tell(title, done, all);
      return true;
    })!;
  },

  /** A safety in R and in Y, side by side. */
  safety(circuit: Circuit, thermostat: string, added: { kind: string; label: string }): Insertion[] {
    return planSafety(circuit, thermostat, added);
  },

  /** A relay that runs with a call, if the unit gives that call and a common. */
  relay(circuit: Circuit, thermostat: string, role: 'W' | 'Y' | 'G', label: string): Circuit | null {
    return addRelay(circuit, thermostat, role, label);
  },

  /** Ways to put a run with broken conductors right. */
  run(circuit: Circuit, cable: string): RunRepair[] {
    return planRun(circuit, cable);
  },

  /** A second thermostat in parallel with the first. */
  second(circuit: Circuit, thermostat: string, station: string, lengthM: number): Circuit {
    return addParallelThermostat(circuit, thermostat, { station, lengthM }).circuit;
  },

  /** Transformer load, voltage drop and fuses, the conductors at a temperature in °C. */
  sums(circuit: Circuit, copperC: number): Sums {
    return {
      loads: transformerLoads(circuit),
      drops: voltageDrops(circuit, copperC),
      fuses: fuseSums(circuit),
      unprotected: unprotectedHots(circuit),
    };
  },

  /** A plan as stops in walking order, and the circuit with what stands of the ticks wanted, after those there were. */
  follow(
    before: Circuit,
    after: Circuit,
    reasons: Readonly<Record<string, string>>,
    wanted: readonly string[],
    was: readonly string[] = wanted,
  ): PlanView {
    const steps = stepsOf(before, after, reasons);
    const stand = standing(steps, new Set(wanted), new Set(was));
    return {
      stops: walk(before, steps),
      done: [...stand],
      ready: steps.flatMap((step) => (isReady(steps, stand, step) ? [step.id] : [])),
      open: before.stations.flatMap(({ id }) => (isOpenAt(steps, stand, id) ? [id] : [])),
      circuit: partway(before, after, stand),
    };
  },

  /** The change that puts a finding right, if one does, and how far the search is. To stop it, end the worker. */
  repair(
    circuit: Circuit,
    finding: Finding,
    findings: readonly Finding[],
    tell: (done: number, all: number) => void,
  ): Repair | null {
    const progress = (done: number, all: number) => {
      if (done % TELL_EVERY === 0 || done === all) tell(done, all);
      return true;
    };
    return repairOf(circuit, finding, progress, findings);
  },

  /** The bench in the state that shows a finding. */
  stage(circuit: Circuit, subject: Case): { inputs: Inputs; world: World } {
    return stageOf(circuit, subject);
  },

  /** The SPICE netlist of the bench as it stands. */
  netlist(inputs: Inputs, world: World): string {
    if (!network) return '';
    return spiceNetlist(settleNow(network, { inputs, world, elapse: 0 }).point);
  },
};

export type Model = typeof model;
