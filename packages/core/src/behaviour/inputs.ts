import type { Conditions, Value } from '../devices';

/** How everything that can be set by hand is set, and the air around it. */
export interface Inputs {
  /** By device id; controls left out take the kind's defaults. */
  controls: Readonly<Record<string, Readonly<Record<string, Value>>>>;
  conditions: Conditions;
}
