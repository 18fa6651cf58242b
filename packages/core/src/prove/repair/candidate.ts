/** A change that might put something right, and how far the wiring by its own marks would gain by it. */
import type { Circuit, Disagreement } from '../../circuit';
import { EditError, disagreementsOf } from '../../circuit';
import { colourName } from '../../standards';

export interface Candidate {
  /** What to do, in words, without a full stop. */
  text: string;
  /** The circuit changed; `null` when it cannot be made. */
  make: () => Circuit | null;
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
  /** Conductors and terminals it changes, where it changes nothing but landings. */
  touches?: readonly string[];
}

function attempt(make: () => Circuit): Circuit | null {
  try {
    return make();
  } catch (error) {
    if (error instanceof EditError) return null;
    throw error;
  }
}

/** Conductors and terminals of the places that disagree. */
function disagreeing(disagreements: readonly Disagreement[]): Set<string> {
  return new Set(
    disagreements.flatMap((one) => {
      if (one.type === 'conductor') return [one.conductor.id, one.from, one.to];
      if (one.type === 'loose') return [one.conductor.id, one.landed];
      return one.type === 'link' ? one.link.joins : [one.terminal];
    }),
  );
}

/**
 * Candidates out of drafts, best first; a draft that cannot be made is left out. What moves landings where
 * nothing disagrees can only make the wiring disagree: it comes last, and is not made before it is wanted.
 */
export function candidatesFrom(circuit: Circuit, drafts: readonly Draft[]): Candidate[] {
  const found = disagreementsOf(circuit);
  const places = disagreeing(found);
  return drafts
    .flatMap(({ text, work, make, touches }): Candidate[] => {
      if (touches && !touches.some((place) => places.has(place)))
        return [{ text, work, make: () => attempt(make), gain: -work }];
      const changed = attempt(make);
      return changed
        ? [{ text, work, make: () => changed, gain: found.length - disagreementsOf(changed).length }]
        : [];
    })
    .sort((one, other) => other.gain - one.gain || one.work - other.work);
}
