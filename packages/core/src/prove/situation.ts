/** What is asked for in a state of a proof, as codes. */
import type { Mode } from '../devices';

export type Situation =
  | { type: 'off' | 'fan' | 'emergency' }
  /** Some or all of the stages; with the fan on before, or as power comes back in mid-call. */
  | {
      type: 'call';
      call: 'heat' | 'cool';
      stages: 'first' | 'heat-pump' | 'all';
      after?: 'fan-on' | 'power-off';
    }
  | { type: 'satisfied'; call: 'heat' | 'cool' }
  /** Something its surroundings do to a device meanwhile, such as a defrost. */
  | { type: 'occasion'; call: 'heat' | 'cool'; occasion: string; phase: 'begun' | 'ended' }
  /** Thermostats that are set otherwise than one another, in the order of the document. */
  | { type: 'apart'; settings: readonly { mode: Mode; fan: 'auto' | 'on' }[] };
