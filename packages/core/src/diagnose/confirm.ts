/** What would show the leading fault by itself: nothing is put right that nobody has seen. */
import type { Circuit } from '../circuit';
import { lineTerminals } from '../prove';
import type { Air, Dictionary } from './dictionary';
import type { Reading } from '../network';
import { voltsBetween } from '../network';
import type { Hypothesis } from './hypotheses';
import { remedyKey, singlesOf } from './hypotheses';
import { spreadOf } from './likelihood';
import type { Observation } from './observation';
import { badParts, badWires, shownAt } from './observation';
import { NOTHING_CALLED } from './states';

/** Something done that would show a fault: at a device, at a cable, or wherever line voltage can be read. */
export type Check =
  | { type: 'look' | 'test' | 'wires'; at: string }
  /** Volts are read: of the line, or of what feeds the controls, which tell what is about to fail. */
  | { type: 'line' | 'volts' }
  /** A call is made, and what runs is seen. */
  | { type: 'call'; state: string };

/** Air that a call is made for. */
const MADE: ReadonlySet<Air> = new Set(['warm', 'cold', 'mixed']);

type Read = Extract<Observation, { type: 'reading' }>;

/** Less than this is not the supply of a control circuit, V; from memory. */
const SUPPLIED_VOLTS = 15;

/** Whether volts stand between two points of the circuit when it is sound: what they read tells of what feeds it. */
export const isSupplied = (
  { predict }: Pick<Dictionary, 'predict'>,
  state: string,
  red: string,
  black: string,
): boolean => voltsBetween(predict(0, state).point, red, black) >= SUPPLIED_VOLTS;

const isVolts = (one: Observation): one is Read => one.type === 'reading' && one.probes.mode === 'ac-volts';

/** So many spreads off a sound circuit's figure a reading is another. */
const OFF = 3;

/** Whether a reading is what another would be; one in ohms says nothing of how calls run. */
const isNear = ({ value, probes }: Read, sound: Reading): boolean =>
  probes.mode !== 'ac-volts' ||
  (sound.ok && value !== 'open' && Math.abs(value - sound.value) <= OFF * spreadOf(sound.value, probes.mode));

/**
 * Whether every call for heat and for cold was seen, volts were read in one, and all of it is as in a sound circuit: then nothing
 * is wrong that shows.
 */
export function everyCallSeen(
  { states, predict, network }: Pick<Dictionary, 'states' | 'predict' | 'network'>,
  observations: readonly Observation[],
): Confirmation {
  const calls = states.map(({ id }) => id).filter((id) => id !== NOTHING_CALLED);
  const making = calls.filter((id) => MADE.has(predict(0, id).air));
  const isMade = (id: string) => observations.some((one) => one.type === 'air' && one.state === id);
  const isAsSound = (one: Observation) => {
    switch (one.type) {
      case 'air':
        return one.air === predict(0, one.state).air;
      case 'runs':
        return predict(0, one.state).runs.has(`${one.device}/${one.load}`) === one.on;
      case 'face':
        return predict(0, one.state).faces.get(one.device) === one.text;
      case 'reading':
        return isNear(one, predict(0, one.state).read(one.probes));
      default:
        return true;
    }
  };
  const wanted = making.length > 0 ? making : calls;
  const state = wanted.find((id) => !isMade(id));
  if (state !== undefined) return { isSeen: false, check: { type: 'call', state } };
  const isRead = observations.some(
    (one) => isVolts(one) && isSupplied({ predict }, one.state, one.probes.red, one.probes.black),
  );
  return isRead || network.secondaries.length === 0
    ? { isSeen: observations.every(isAsSound), check: null }
    : { isSeen: false, check: { type: 'volts' } };
}

/** What shows one fault: a look at one of its places, a test of the part or of the cable by itself; none where none would. */
function checksOf(circuit: Circuit, single: Hypothesis): Check[] {
  if (single.failure.type === 'line-voltage') return [{ type: 'line' }];
  const at = (type: 'look' | 'test', shows: (device: string) => readonly Hypothesis[]) =>
    circuit.devices.flatMap(({ id }): Check[] => (shows(id).length > 0 ? [{ type, at: id }] : []));
  const looks = at('look', (device) => shownAt(single, circuit, device));
  if (looks.length > 0) return looks;
  const cables = circuit.cables.filter((cable) => badWires(single, cable).length > 0);
  if (cables.length > 0) return cables.map(({ id }) => ({ type: 'wires', at: id }));
  return at('test', (device) => badParts(single, device));
}

function isOf(circuit: Circuit, check: Check, observation: Observation): boolean {
  if (check.type === 'line')
    return isVolts(observation) && lineTerminals(circuit).has(observation.probes.red);
  if (!('at' in check) || observation.type !== check.type) return false;
  return (observation.type === 'wires' ? observation.cable : observation.device) === check.at;
}

const foundBy = (observation: Observation): string | null =>
  'found' in observation ? observation.found : null;

/** What is still to be seen of a fault before it is put right. */
export interface Confirmation {
  /** All of it was seen, or nothing would show it. */
  isSeen: boolean;
  /** What was not looked at yet, or not tested. */
  check: Check | null;
}

/** @param remedyOf - the key of what is done about a hypothesis, by its id. */
export function confirmationOf(
  circuit: Circuit,
  leading: Hypothesis,
  observations: readonly Observation[],
  remedyOf: (hypothesis: string) => string | undefined,
): Confirmation {
  let isSeen = true;
  for (const single of singlesOf(leading)) {
    const checks = checksOf(circuit, single);
    if (checks.length === 0) continue;
    const made = observations.filter((one) => checks.some((check) => isOf(circuit, check, one)));
    const isFound = made.some((one) => {
      if (one.type === 'reading') return true;
      const found = foundBy(one);
      return found !== null && remedyOf(found) === remedyKey(single.remedy);
    });
    if (isFound) continue;
    isSeen = false;
    const check = checks.find((one) => !made.some((observation) => isOf(circuit, one, observation)));
    if (check) return { isSeen, check };
  }
  return { isSeen, check: null };
}
