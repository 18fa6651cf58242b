/** What the modules of a wireless link say at a moment, for whoever carries it between them. */
import type { Circuit } from '../circuit';
import { contextOf, fill, kindOf } from '../devices';
import type { Inputs } from './inputs';
import type { World } from './world';

/** Calls a link carries, by the channel they are said on. */
const MARKS = { 'link-Y': 'Y', 'link-O': 'O', 'link-D': 'D' } as const;

export interface OnAir {
  device: string;
  pair: number;
  powered: boolean;
  says: readonly ('Y' | 'O' | 'D')[];
}

/** Every device of a circuit that others hear over the air. */
export function onAir({ devices, mains }: Circuit, inputs: Inputs, { states, now }: World): OnAir[] {
  return devices.flatMap((device): OnAir[] => {
    const { radio, gives, controls } = kindOf(device.kind);
    const state = states[device.id];
    if (!radio || !gives || !state) return [];
    const context = contextOf(device, mains);
    // What it would say if nothing were in the way: that is for the air to know.
    const given = gives(state, {
      ...context,
      controls: fill(controls, {}),
      conditions: inputs.conditions,
      now,
    });
    return [
      {
        device: device.id,
        pair: radio.pair(context.params),
        powered: radio.stands(state).powered,
        says: (Object.keys(MARKS) as (keyof typeof MARKS)[])
          .filter((channel) => given[channel] !== undefined)
          .map((channel) => MARKS[channel]),
      },
    ];
  });
}
