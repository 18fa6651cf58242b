/** A change that might put something right, and how far the wiring by its own marks would gain by it. */
import type { Circuit, Disagreement, TerminalId } from '../../circuit';
import { EditError, designationAt, disagreementsOf, markedEnds, splitTerminal } from '../../circuit';
import type { Designation } from '../../devices';
import type { Change } from './change';

export interface Candidate {
  change: Change;
  /** The circuit changed; `null` when it cannot be made. */
  make: () => Circuit | null;
  /** What it costs, in landings: a screw undone and done again is one. */
  work: number;
  /** Places of the wiring that disagree before and no longer after. */
  gain: number;
  /** It changes what is named as wrong. */
  isNamed: boolean;
  /** How many of those that lie near it changes. */
  near: number;
  /** How alike the terminals are it lands a conductor between: 1 of one mark, 2 on the strip of the cable's others too. */
  like: number;
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

/** Devices, conductors, terminals and links that may be what is wrong, by id. */
export interface Suspects {
  /** Named by the status line. */
  named: ReadonlySet<string>;
  /** Landed where a finding shows. */
  near: ReadonlySet<string>;
}

/** What a candidate is before it is known what it gains. */
export interface Draft {
  change: Change;
  work: number;
  make: () => Circuit;
  /** Devices, conductors, terminals and links it changes. */
  touches: readonly string[];
  /** It only lands elsewhere what is landed at both ends. */
  relands?: boolean;
  /** Terminals it lands a conductor between. */
  between?: readonly [TerminalId, TerminalId];
}

function attempt(make: () => Circuit): Circuit | null {
  try {
    return make();
  } catch (error) {
    if (error instanceof EditError) return null;
    throw error;
  }
}

/** Conductors and terminals of the places that disagree, with what says behind them what they are for. */
function disagreeing(circuit: Circuit, disagreements: readonly Disagreement[]): Set<string> {
  const ends = markedEnds(circuit);
  const behind = (terminal: TerminalId) => ends(terminal).flatMap((end) => [end.terminal, ...end.conductors]);
  return new Set(
    disagreements.flatMap((one) => {
      if (one.type === 'conductor')
        return [one.conductor.id, one.from, one.to, ...behind(one.from), ...behind(one.to)];
      if (one.type === 'loose') return [one.conductor.id, one.landed];
      return one.type === 'link' ? one.link.joins : [one.terminal];
    }),
  );
}

const namesOf = ({ mark, aliases = [] }: Designation) => [mark, ...aliases];

/** How alike two terminals are that a conductor would lie between. */
function likeness(circuit: Circuit, conductor: string, between: readonly TerminalId[]): number {
  const [far, near] = between.map((terminal) => designationAt(circuit, terminal));
  if (!far || !near || !namesOf(far).some((name) => namesOf(near).includes(name))) return 0;
  if (near.strip === undefined) return 1;
  const { deviceId } = splitTerminal(between[1]!);
  const cable = circuit.cables.find(({ conductors }) => conductors.some(({ id }) => id === conductor));
  const beside = cable?.conductors.some(({ id, from, to }) =>
    [from, to].some(
      (end) =>
        id !== conductor &&
        end !== null &&
        splitTerminal(end).deviceId === deviceId &&
        designationAt(circuit, end)?.strip === near.strip,
    ),
  );
  return beside ? 2 : 1;
}

/** What gains by the marks first, of that and of the rest what is suspected, R to R before R to RH, then the least work. */
export const bestFirst = (one: Candidate, other: Candidate) =>
  Math.max(other.gain, 0) - Math.max(one.gain, 0) ||
  Number(other.isNamed) - Number(one.isNamed) ||
  other.like - one.like ||
  Number(one.gain < 0) - Number(other.gain < 0) ||
  other.near - one.near ||
  other.gain - one.gain ||
  one.work - other.work;

/**
 * Candidates out of drafts, best first; a draft that cannot be made is left out. What lands elsewhere where
 * nothing disagrees gains nothing by the marks: it is not made before it is wanted.
 *
 */
export function candidatesFrom(circuit: Circuit, drafts: readonly Draft[], suspects: Suspects): Candidate[] {
  const found = disagreementsOf(circuit);
  const places = disagreeing(circuit, found);
  return drafts
    .flatMap(({ change, work, make, touches, relands, between = [] }): Candidate[] => {
      const isNamed = touches.some((one) => suspects.named.has(one));
      const near = touches.filter((one) => suspects.near.has(one)).length;
      const alike = likeness(circuit, touches[0]!, between);
      // Where the marks gain nothing, R to R may be R to another's R: beside its cable's others it is its own.
      const told = { change, work, isNamed, near, like: alike > 1 ? alike : 0 };
      if (relands && !touches.some((place) => places.has(place)))
        return [{ ...told, make: () => attempt(make), gain: -work }];
      const changed = attempt(make);
      if (!changed) return [];
      const gain = found.length - disagreementsOf(changed).length;
      return [{ ...told, make: () => changed, gain, ...(gain > 0 && { like: alike }) }];
    })
    .sort(bestFirst);
}
