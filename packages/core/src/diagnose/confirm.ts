/** What would show the leading fault by itself: nothing is put right that nobody has seen. */
import type { Circuit } from '../circuit';
import type { Air, Dictionary } from './dictionary';
import type { Hypothesis } from './hypotheses';
import { remedyKey, singlesOf } from './hypotheses';
import { lineTerminals } from '../prove';
import type { Observation } from './observation';
import { badParts, badWires, shownAt } from './observation';
import { NOTHING_CALLED } from './states';

/** Something done that would show a fault: at a device, at a cable, or wherever line voltage can be read. */
export type Check =
  | { type: 'look' | 'test' | 'wires'; at: string }
  | { type: 'line' }
  /** A call is made, and what runs is seen. */
  | { type: 'call'; state: string };

/** Air that a call is made for. */
const MADE: ReadonlySet<Air> = new Set(['warm', 'cold', 'mixed']);

/** Whether every call for heat and for cold was seen to run as in a sound circuit: then nothing is wrong that shows. */
export function everyCallSeen(
  { states, predict }: Pick<Dictionary, 'states' | 'predict'>,
  observations: readonly Observation[],
): Confirmation {
  const calls = states.map(({ id }) => id).filter((id) => id !== NOTHING_CALLED);
  const making = calls.filter((id) => MADE.has(predict(0, id).air));
  const runsAsSound = (id: string) => {
    const sound = predict(0, id);
    const seen = observations.filter((one) => 'state' in one && one.state === id);
    const isSound = (one: Observation) =>
      one.type === 'runs' ? sound.runs.has(`${one.device}/${one.load}`) === one.on : true;
    return seen.some((one) => one.type === 'air' && one.air === sound.air) && seen.every(isSound);
  };
  const state = (making.length > 0 ? making : calls).find((id) => !runsAsSound(id));
  return state === undefined
    ? { isSeen: true, check: null }
    : { isSeen: false, check: { type: 'call', state } };
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
    return observation.type === 'reading' && lineTerminals(circuit).has(observation.probes.red);
  if (check.type === 'call' || observation.type !== check.type) return false;
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
