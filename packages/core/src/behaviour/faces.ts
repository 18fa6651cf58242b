import type { Face } from '../devices';
import type { Network } from '../network';
import type { Inputs } from './inputs';
import { momentOf } from './moment';
import type { World } from './settle';

/** What a person sees on every device that shows something. */
export function facesOf(network: Network, inputs: Inputs, world: World): Map<string, Face> {
  const faces = new Map<string, Face>();
  for (const installed of network.devices) {
    const { id } = installed.device;
    const face = installed.kind.face(world.states[id]!, momentOf(installed, inputs, world.now));
    if (face) faces.set(id, face);
  }
  return faces;
}
