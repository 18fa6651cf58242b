/** What to do next: the most expected information about what is to be done, for its minutes. */
import type { Costs, Whereabouts } from '../costs';
import { COSTS, reachMinutes, stateMinutes, walkMinutes } from '../costs';
import type { Dictionary } from '../dictionary';
import { MISSED } from '../observation';
import type { Ranking } from '../rank';
import { remedyKey } from '../hypotheses';
import type { Answer } from './answers';
import { answersTo } from './answers';
import type { Step } from './candidates';
import { candidatesOf } from './candidates';

export interface Advice {
  step: Step;
  answers: readonly (Answer & { share: number })[];
  /** Expected, bits about the remedy. */
  gain: number;
  minutes: number;
}

/** Hypotheses less likely than this are not asked about. */
const LEAST_SHARE = 2e-4;
const LEAST_GAIN = 0.02;

const entropy = (masses: Iterable<number>, total: number): number => {
  let bits = 0;
  for (const mass of masses) if (mass > 0) bits -= (mass / total) * Math.log2(mass / total);
  return bits;
};

/** Minutes of a step from where a person is. */
function minutesOf(
  { circuit }: Pick<Dictionary, 'circuit'>,
  costs: Costs,
  at: Whereabouts,
  step: Step,
): number {
  const set = 'state' in step ? stateMinutes(circuit, costs, at, step.state) : 0;
  switch (step.type) {
    case 'reading':
      return (
        set + reachMinutes(circuit, costs, at, step.station) + costs.reading + (step.line ? costs.line : 0)
      );
    case 'look':
      return reachMinutes(circuit, costs, at, step.station) + costs.look + (step.line ? costs.powerOff : 0);
    case 'test':
      return reachMinutes(circuit, costs, at, step.station) + costs.powerOff + costs.test;
    case 'face':
      return set + walkMinutes(circuit, at.station, step.station) + costs.look;
    case 'wires': {
      const there = { ...at, station: step.station };
      return (
        reachMinutes(circuit, costs, at, step.station) +
        (step.other === step.station ? 0 : reachMinutes(circuit, costs, there, step.other)) +
        costs.powerOff +
        costs.wire * step.cable.conductors.length
      );
    }
    case 'call':
      return set + costs.look;
  }
}

/** Tells of a step what its answers would be, and how much they would tell about what is to be done. */
export function adviser(
  dictionary: Dictionary,
  { shares }: Ranking,
  at: Whereabouts,
  costs: Costs = COSTS,
): (step: Step) => Advice {
  const alive = [...shares.keys()].filter((i) => shares[i]! >= LEAST_SHARE);
  const keys = new Map<string, number>();
  const groupOf = Int32Array.from(shares, () => -1);
  for (const i of alive) {
    const key = remedyKey(dictionary.hypotheses[i]!.remedy);
    if (!keys.has(key)) keys.set(key, keys.size);
    groupOf[i] = keys.get(key)!;
  }
  const bitsOf = (members: readonly number[], total: number) => {
    const mass = new Float64Array(keys.size);
    for (const member of members) mass[groupOf[member]!]! += shares[member]!;
    return entropy(mass, total);
  };
  const sum = (members: readonly number[]) => members.reduce((total, i) => total + shares[i]!, 0);
  const total = sum(alive);
  const before = bitsOf(alive, total);
  return (step) => {
    const answers = answersTo(dictionary, step, alive)
      .map((answer) => ({ ...answer, share: sum(answer.members) / total }))
      .sort((one, other) => other.share - one.share);
    const after = answers.reduce(
      (bits, { members, share }) => bits + share * bitsOf(members, share * total),
      0,
    );
    const gain = (1 - MISSED) * (before - after);
    return { step, answers, gain, minutes: minutesOf(dictionary, costs, at, step) };
  };
}

/**
 * The best next steps, best first: expected bits about what is to be done, over minutes.
 *
 * @param states - calls that may be asked for, by id; all there are when left out.
 * @returns at most `most` steps; none when nothing left would tell anything.
 */
export function nextSteps(
  dictionary: Dictionary,
  ranking: Ranking,
  at: Whereabouts,
  {
    costs = COSTS,
    most = 3,
    states = dictionary.states.map(({ id }) => id),
  }: { costs?: Costs; most?: number; states?: readonly string[] } = {},
): Advice[] {
  return candidatesOf(dictionary, states)
    .map(adviser(dictionary, ranking, at, costs))
    .filter(({ gain }) => gain >= LEAST_GAIN)
    .sort((one, other) => other.gain / other.minutes - one.gain / one.minutes)
    .slice(0, most);
}

/** Where a person is once a step is done, and what stands open. */
export const afterStep = (at: Whereabouts, step: Step): Whereabouts => ({
  station: step.station,
  open: [...new Set([...at.open, ...openedFor(step)])],
  state: 'state' in step ? step.state : at.state,
});

/** Places whose covers a step takes off. */
function openedFor(step: Step): readonly string[] {
  if (step.type === 'face' || step.type === 'call') return [];
  return 'other' in step ? [step.station, step.other] : [step.station];
}
