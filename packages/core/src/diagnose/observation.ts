/** What a person observes, and what of a hypothesis there is to be found. */
import type { Cable, Circuit, End } from '../circuit';
import { findConductor, splitTerminal } from '../circuit';
import type { Probes } from '../network';
import { displacedBy } from '../prove';
import type { Air } from './dictionary';
import type { Hypothesis } from './hypotheses';
import { singlesOf, targetsOf } from './hypotheses';

export const SIGHTS = ['burnt', 'wet', 'chewed'] as const;
export type Sight = (typeof SIGHTS)[number];

/** Made in an operating state, by its id. */
export type Observation =
  /** Whether a load runs. */
  | { type: 'runs'; state: string; device: string; load: string; on: boolean }
  /** What is felt at the outlets. */
  | { type: 'air'; state: string; air: Air }
  /** Whether a thermostat's screen is lit. */
  | { type: 'screen'; state: string; device: string; lit: boolean }
  /** What a device shows: its lamp, its display, a handle. */
  | { type: 'face'; state: string; device: string; text: string }
  /** What a meter read, in the units of its mode; `open` for ohms beyond its range. */
  | { type: 'reading'; state: string; probes: Probes; value: number | 'open' }
  /** What a clamp about a conductor found, A. */
  | { type: 'clamp'; state: string; conductor: string; amps: number }
  /** A look at a device and its block: what was found of what shows there, by hypothesis; `null` when all is sound. */
  | { type: 'look'; device: string; found: string | null }
  /** A device's parts tested by themselves, power off: what was found bad, by hypothesis; `null` when all are good. */
  | { type: 'test'; device: string; found: string | null }
  /** A cable's conductors, both ends off, tested for continuity, to each other and to metal. */
  | { type: 'wires'; cable: string; found: string | null }
  /** A known-good one was put in a device's place: whether it runs with that. */
  | { type: 'swapped'; device: string; helped: boolean }
  /** A device that somebody replaced not long ago. */
  | { type: 'replaced'; device: string }
  /** Something seen in passing, at a device or along a cable. */
  | { type: 'sight'; sight: Sight; target: { type: 'device' | 'cable'; id: string } }
  /** Something was put right and the circuit tried again: by the key of the remedy. */
  | { type: 'repaired'; remedy: string; helped: boolean };

/** The device a conductor's end is landed on, as recorded. */
type DeviceOf = (conductor: string, end: End) => string | null;

const deviceIn =
  (circuit: Circuit): DeviceOf =>
  (conductor, end) => {
    const terminal = findConductor(circuit, conductor)?.[end];
    return terminal ? splitTerminal(terminal).deviceId : null;
  };

/** Devices at which a failure shows to a person who looks. */
function shownBy({ failure, remedy }: Hypothesis, circuit: Circuit): readonly (string | null)[] {
  const deviceOf = deviceIn(circuit);
  switch (failure.type) {
    case 'part':
      return remedy.type === 'part' && remedy.mend === 'refit' ? [failure.device] : [];
    case 'loose':
    case 'poor-joint':
      return [deviceOf(failure.conductor, failure.end)];
    case 'landing':
      return displacedBy(failure.wrong).map(({ terminal }) => splitTerminal(terminal).deviceId);
    case 'otherwise':
      return [failure.device];
    case 'strand':
    case 'jumper-left':
    case 'no-jumper':
      return targetsOf(circuit, failure).map(({ id }) => id);
    default:
      return [];
  }
}

const isPartOf = ({ failure, alteration }: Hypothesis, device: string): boolean =>
  (failure.type === 'part' || failure.type === 'element') &&
  failure.device === device &&
  Object.keys(alteration.positions ?? {}).length > 0;

function isWireOf({ failure }: Hypothesis, { id, conductors }: Cable): boolean {
  switch (failure.type) {
    case 'cut-through':
      return failure.cable === id;
    case 'broken':
    case 'grounded':
    case 'touching':
      return conductors.some((conductor) => conductor.id === failure.conductor);
    default:
      return false;
  }
}

/** What who looks at a device and its block finds, of all that is wrong. */
export const shownAt = (given: Hypothesis, circuit: Circuit, device: string): Hypothesis[] =>
  singlesOf(given).filter((one) => shownBy(one, circuit).includes(device));

/** What of a device is bad in a way that shows when its parts are tested by themselves. */
export const badParts = (given: Hypothesis, device: string): Hypothesis[] =>
  singlesOf(given).filter((one) => isPartOf(one, device));

/** What of a cable is broken, or touches what it should not. */
export const badWires = (given: Hypothesis, cable: Cable): Hypothesis[] =>
  singlesOf(given).filter((one) => isWireOf(one, cable));

/** Whether a known-good device in its place puts all of it right. */
export const isCuredBySwap = ({ failure }: Hypothesis, device: string): boolean =>
  (failure.type === 'part' || failure.type === 'element' || failure.type === 'setting') &&
  failure.device === device;
