/** The sequence of operation in words. */
import type { Timeline } from './timeline';

/** One paragraph of a sequence: a time and what happens then. */
export interface SequenceLine {
  at: number;
  text: string;
}

/** Tells a timeline the way a technician would, leaving out instants at which nothing is to be told. */
export function sequenceOf({ instants, ended }: Timeline): SequenceLine[] {
  const lines = instants
    .filter(({ words }) => words.length > 0)
    .map(({ at, words }) => ({ at, text: words.join(' ') }));
  return ended ? [...lines, { at: ended.at, text: `${ended.text}.` }] : lines;
}
