import type { Conditions, Value } from '../devices';

/** How everything that can be set by hand is set, and the air around it. */
export interface Inputs {
  /** By device id; controls left out take the kind's defaults. */
  controls: Readonly<Record<string, Readonly<Record<string, Value>>>>;
  conditions: Conditions;
}

/** Inputs with some controls held, whatever is set; the very same where none are. */
export function holding(inputs: Inputs, held: Inputs['controls']): Inputs {
  if (Object.keys(held).length === 0) return inputs;
  const controls = { ...inputs.controls };
  for (const [device, values] of Object.entries(held)) controls[device] = { ...controls[device], ...values };
  return { ...inputs, controls };
}
