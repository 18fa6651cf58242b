/** The model, off the interface's thread. Keeps the last circuit compiled; all other state comes with each question. */
import type { Inputs, ShowCelsius, World } from '@zygostat/core/behaviour';
import { advance, pathOf, readMeter, restoreWorld, skipAhead, viewOf } from '@zygostat/core/behaviour';
import type { Circuit } from '@zygostat/core/circuit';
import { spiceNetlist } from '@zygostat/core/formats';
import type { Network, Probes } from '@zygostat/core/network';
import { compile } from '@zygostat/core/network';
import { celsiusToFahrenheit } from '@zygostat/core/standards';
import { expose } from 'comlink';
import type { Answer } from '../store/bench';

export interface Question {
  inputs: Inputs;
  world: World;
  /** Seconds to let pass, or `skip` to the next thing that happens by itself. */
  elapse: number | 'skip';
  probes: Probes | null;
  followed: { device: string; element: string } | null;
}

let network: Network | null = null;

const showCelsius: ShowCelsius = (celsius) => `${Math.round(celsiusToFahrenheit(celsius))} °F`;

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
    const { inputs, probes, followed } = question;
    const settled = settleNow(compiled, question);
    const placed = probes && inCircuit(compiled, probes.red) && inCircuit(compiled, probes.black);
    return {
      world: settled.world,
      view: viewOf(compiled, inputs, settled, showCelsius),
      reading: placed ? readMeter(compiled, inputs, settled, probes) : null,
      path: followed ? pathOf(compiled, settled, followed) : [],
    };
  },

  /** The SPICE netlist of the bench as it stands. */
  netlist(inputs: Inputs, world: World): string {
    if (!network) return '';
    return spiceNetlist(settleNow(network, { inputs, world, elapse: 0 }).point);
  },
};

export type Model = typeof model;

expose(model);
