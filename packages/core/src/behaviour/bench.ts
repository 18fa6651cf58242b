/** A circuit on the bench: everything set somehow, time let pass, and whatever there is to see read off. */
import type { Circuit } from '../circuit';
import type { Probes, Reading, Solver } from '../network';
import { compile, makeSolver } from '../network';
import { advance, skipAhead } from './advance';
import type { Inputs } from './inputs';
import type { Settled, World } from './world';
import { restoreWorld } from './world';
import type { BenchView, PathStop } from './view';
import { pathOf, readMeter, viewOf } from './view';

export interface BenchMoment {
  inputs: Inputs;
  world: World;
  /** Seconds to let pass, or `skip` to the next thing that happens by itself. */
  elapse: number | 'skip';
}

export interface BenchQuestion extends BenchMoment {
  probes: Probes | null;
  /** Load whose path is followed. */
  followed: { device: string; element: string } | null;
}

export interface BenchAnswer {
  world: World;
  view: BenchView;
  /** `null` while a probe is missing, or on something the circuit has no more. */
  reading: Reading | null;
  path: PathStop[];
}

export interface Bench {
  settle(moment: BenchMoment): Settled;
  answer(question: BenchQuestion): BenchAnswer;
}

/** Compiles a circuit once. Keeps the points it has solved: a bench comes back to the same few. */
export function makeBench(circuit: Circuit): Bench {
  const network = compile(circuit);
  const solver: Solver = makeSolver(network);
  const isThere = (node: string) => node === 'earth' || network.nodes.includes(node);
  const settle = ({ inputs, world, elapse }: BenchMoment): Settled => {
    const known = restoreWorld(network, world);
    return elapse === 'skip'
      ? skipAhead(network, inputs, known, solver)
      : advance(network, inputs, known, elapse, solver);
  };
  return {
    settle,
    answer({ probes, followed, ...moment }) {
      const settled = settle(moment);
      const placed = probes && isThere(probes.red) && isThere(probes.black);
      return {
        world: settled.world,
        view: viewOf(network, moment.inputs, settled),
        reading: placed ? readMeter(network, moment.inputs, settled, probes) : null,
        path: followed ? pathOf(network, settled, followed) : [],
      };
    },
  };
}
