/** A change that might put something right, and how far the wiring by its own marks would gain by it. */
import type { Circuit } from '../../circuit';
import { EditError, functionsAgree, terminalFunctions } from '../../circuit';
import { kindOf } from '../../devices';
import { colourName } from '../../standards';

export interface Candidate {
  /** What to do, in words, without a full stop. */
  text: string;
  circuit: Circuit;
  /** What it costs, in landings: a screw undone and done again is one. */
  work: number;
  /** Places of the wiring that disagree before and no longer after. */
  gain: number;
}

/** Landings a change stands for; parts count by what fetching and fitting them takes, from memory. */
export const WORK = {
  setting: 0.5,
  jumperOff: 0.5,
  lift: 1,
  jumperOn: 1,
  fuse: 1,
  move: 1,
  tap: 1,
  exchange: 2,
  transformer: 10,
  cable: 40,
} as const;

export const SPARE = 'spare';

/** "yellow of Outdoor cable" */
export const wireName = (cable: { label: string }, conductor: { colour: Parameters<typeof colourName>[0] }) =>
  `${colourName(conductor.colour)} of ${cable.label}`;

/**
 * Places where the wiring disagrees with its own marks: conductors between terminals of different functions,
 * ends that hang free, splices and guards with nothing to join, jumpers between functions. What it says
 * only decides what is tried first.
 */
export function disagreements(circuit: Circuit): number {
  const functions = terminalFunctions(circuit);
  const landed = new Map<string, number>();
  let count = 0;
  for (const { conductors } of circuit.cables)
    for (const { from, to } of conductors) {
      for (const terminal of [from, to])
        if (terminal !== null) landed.set(terminal, (landed.get(terminal) ?? 0) + 1);
      if ((from === null) !== (to === null)) count++;
      if (from !== null && to !== null && !functionsAgree(functions(from), functions(to))) count++;
    }
  for (const { joins } of circuit.links) {
    for (const terminal of joins) landed.set(terminal, (landed.get(terminal) ?? 0) + 1);
    if (joins.some((one) => joins.some((other) => !functionsAgree(functions(one), functions(other)))))
      count++;
  }
  for (const { id, kind, params } of circuit.devices) {
    const found = kindOf(kind);
    for (const { mark, role } of found.designations({ ...defaultsOf(kind), ...params })) {
      const ends = landed.get(`${id}.${mark}`) ?? 0;
      if (role === 'splice' ? ends < 2 : (found.inline || role === 'coil') && ends < 1) count++;
    }
  }
  return count;
}

const defaultsOf = (kind: string) =>
  Object.fromEntries(Object.entries(kindOf(kind).params).map(([name, field]) => [name, field.default]));

/** What a candidate is before it is known what it gains. */
export interface Draft {
  text: string;
  work: number;
  make: () => Circuit;
}

/** Candidates out of drafts, best first; a draft that cannot be made is left out. */
export function candidatesFrom(circuit: Circuit, drafts: readonly Draft[]): Candidate[] {
  const before = disagreements(circuit);
  return drafts
    .flatMap(({ text, work, make }): Candidate[] => {
      try {
        const changed = make();
        return [{ text, work, circuit: changed, gain: before - disagreements(changed) }];
      } catch (error) {
        if (error instanceof EditError) return [];
        throw error;
      }
    })
    .sort((one, other) => other.gain - one.gain || one.work - other.work);
}
