/** The model, off the interface's thread: the bench has one of these, a proof another that can be ended. Keeps the last circuit compiled; all other state comes with each question. */
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
import type { Network, Probes } from '@zygostat/core/network';
import { compile } from '@zygostat/core/network';
import type { Case, Finding, Proof, Repair } from '@zygostat/core/prove';
import { prove, repairOf, stageOf } from '@zygostat/core/prove';
import { expose } from 'comlink';
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

/** States between two words about a proof under way. */
const TELL_EVERY = 6;
/** Width of a loom on paper, CSS px. */
const PAPER_PX = 560;

let network: Network | null = null;

const inCircuit = (compiled: Network, point: string) => point === 'earth' || compiled.nodes.includes(point);

function settleNow(
  compiled: Network,
  { inputs, world, elapse }: Pick<Question, 'inputs' | 'world' | 'elapse'>,
) {
  const known = restoreWorld(compiled, world);
  return elapse === 'skip' ? skipAhead(compiled, inputs, known) : advance(compiled, inputs, known, elapse);
}

const model = {
  /** Takes a circuit to answer questions about. */
  load(circuit: Circuit): void {
    network = compile(circuit);
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
  prove(circuit: Circuit, tell: (done: number, all: number) => void): Proof | null {
    return prove(circuit, (done, all) => {
      if (done % TELL_EVERY === 0 || done === all) tell(done, all);
      return true;
    });
  },

  /** The change that puts a finding right, if a single one does. */
  repair(circuit: Circuit, finding: Finding): Repair | null {
    return repairOf(circuit, finding);
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

expose(model);
