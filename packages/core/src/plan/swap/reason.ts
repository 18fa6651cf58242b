/** Why a swap puts what where, as codes. Told in `words/`. */

/** Why a conductor belongs on its screw, or on none. */
export type ScrewReason =
  | {
      type: 'valve';
      /** What the valve conductor turns the unit to when fed, and so which of the two it is. */
      turnsTo: 'heating' | 'cooling';
      valve: 'O' | 'B';
      /** The thermostat has a row of marks for conventional systems and one for heat pumps. */
      rows: boolean;
    }
  | { type: 'side-hot'; side: 'heating' | 'cooling' }
  | {
      type:
        | 'back-up'
        | 'emergency-bank'
        | 'emergency-row'
        | 'shares-first-bank'
        | 'only-hot'
        | 'only-hot-joined'
        | 'cooling-hot'
        | 'common'
        | 'new-common'
        | 'apart-from-plug';
    };

/** Why a landing is what it is. */
export interface LandingReason {
  /** Titles of what runs when the conductor is fed by itself. */
  runs: readonly string[];
  screw: ScrewReason | null;
}

/** Why a thermostat is set up as it is. */
export type SetUpReason =
  | 'compressor-heats'
  | 'heat-by-itself'
  | 'no-fan'
  | 'unit-runs-fan'
  | 'no-fan-with-heat'
  | 'turned-to-cooling'
  | 'turned-to-heating'
  | 'back-up-burns'
  | 'back-up-electric'
  | 'two-transformers'
  | 'one-transformer';

/** Why a screw of the new thermostat stays empty. */
export type EmptyReason =
  | 'heats-with-every-call'
  | 'valve-is-O'
  | 'valve-is-B'
  | 'no-valve'
  | 'no-valve-conductor'
  | 'joined-to-hot'
  | 'no-common'
  | 'emergency-closes-back-up'
  | 'nothing-for-it';

/** What becomes of the jumper between E and the back-up heat's screw, and why. */
export type JumperReason =
  | { type: 'kept' | 'moved'; from: readonly [string, string]; to: readonly [string, string] }
  | { type: 'no-heat-pump' | 'no-emergency' | 'no-back-up-screw' | 'own-conductor' };

/** What a thermostat cannot do here at all. */
export type Obstacle =
  | { type: 'no-hot'; device: string }
  /** The thermostat that is there talks over a data pair. */
  | { type: 'talks' }
  | { type: 'no-screw'; mark: string }
  | {
      type:
        | 'no-common-screw'
        | 'no-valve-screw'
        | 'no-back-up-screw'
        | 'no-heat-screw'
        | 'all-add-harm'
        | 'none-works';
    };

/** What is there now and is not any more. */
export type Loss =
  | 'second-compressor-stage'
  | 'second-heating-stage'
  | 'fan-by-itself'
  | 'outlet-and-cord'
  | 'wire-to-wall'
  | 'wired-power';
