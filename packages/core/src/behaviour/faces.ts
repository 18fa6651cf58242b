import type { Face } from '../devices';
import type { Network } from '../network';
import type { Inputs } from './inputs';
import type { World } from './world';
import { actorsOf } from './actors';

/** What a person sees on every device that shows something. */
export function facesOf(network: Network, inputs: Inputs, world: World): Map<string, Face> {
  const faces = new Map<string, Face>();
  for (const { installed, id, moment } of actorsOf(network, inputs)) {
    const face = installed.kind.face(world.states[id]!, Object.assign(moment, { now: world.now }));
    if (face) faces.set(id, face);
  }
  return faces;
}
