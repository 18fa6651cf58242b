import type { Moment } from '../devices';
import { fill } from '../devices';
import type { Installed } from '../network';
import type { Inputs } from './inputs';

/** What a device is told of the present. */
export function momentOf(installed: Installed, inputs: Inputs, now: number): Moment {
  return {
    ...installed.context,
    controls: fill(installed.kind.controls, inputs.controls[installed.device.id] ?? {}),
    conditions: inputs.conditions,
    now,
  };
}
