/** A change that might put something right, and how far the wiring by its own marks would gain by it. */
import type { Circuit } from '../../circuit';
import { EditError, disagreementsOf } from '../../circuit';
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

/** What a candidate is before it is known what it gains. */
export interface Draft {
  text: string;
  work: number;
  make: () => Circuit;
}

/** Candidates out of drafts, best first; a draft that cannot be made is left out. */
export function candidatesFrom(circuit: Circuit, drafts: readonly Draft[]): Candidate[] {
  const before = disagreementsOf(circuit).length;
  return drafts
    .flatMap(({ text, work, make }): Candidate[] => {
      try {
        const changed = make();
        return [{ text, work, circuit: changed, gain: before - disagreementsOf(changed).length }];
      } catch (error) {
        if (error instanceof EditError) return [];
        throw error;
      }
    })
    .sort((one, other) => other.gain - one.gain || one.work - other.work);
}
