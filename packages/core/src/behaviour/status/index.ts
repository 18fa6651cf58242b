/** The one line that says what the circuit is doing and what to do next, worked out from the model. */
import type { Face } from '../../devices';
import type { Network } from '../../network';
import { readLoads, readTransformers } from '../loads';
import type { Scene } from '../scene';
import { thermostatsOf } from '../scene';
import type { Inputs } from '../inputs';
import type { Settled } from '../world';
import { traceOf } from '../trace';
import { astray, blank, crossed, idleFan, missing, together, unanswered } from './calls';
import { noData } from './data';
import { apart, liveCase } from './halves';
import { noLink } from './link';
import { idle, liveEnd, running, tripped, trippedInVain, waiting } from './rest';
import type { StatusContext, Status } from './status';
import { asFarAsKnown } from './status';
import { burning, chattering, opened, overloaded, wrongSupply } from './supply';

export type { News, Status } from './status';

/** In the order in which they are worth saying: the gravest finding wins. */
const ORDER: readonly ((context: StatusContext) => Status | null)[] = [
  liveCase,
  chattering,
  opened,
  burning,
  wrongSupply,
  apart,
  blank,
  noData,
  noLink,
  together,
  crossed,
  idleFan,
  missing,
  astray,
  tripped,
  waiting,
  trippedInVain,
  unanswered,
  overloaded,
  liveEnd,
  running,
];

/** Works out the status line of a settled circuit. */
export function statusOf(
  network: Network,
  inputs: Inputs,
  settled: Settled,
  faces: ReadonlyMap<string, Face>,
): Status {
  const scene: Scene = {
    network,
    inputs,
    settled,
    faces,
    loads: readLoads(network, settled),
    transformers: readTransformers(network, settled.point),
  };
  const active = new Set(thermostatsOf(scene).flatMap(({ asks }) => asks));
  const context: StatusContext = { scene, trace: traceOf(network, inputs, settled), active };
  for (const part of ORDER) {
    const status = part(context);
    if (status) return asFarAsKnown(context.trace, status);
  }
  return idle(context);
}
