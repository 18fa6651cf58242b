/**
 * A cable that may be dead, tested with both ends off and the power off: to metal, to each other, then end to end, each
 * kind of reading for as many conductors at once as it can tell of.
 */
import type { Cable, Circuit } from '../../circuit';
import { EARTH_FARADS_PER_METRE, JACKET_FARADS_PER_METRE } from '../../standards';
import { follow } from './group-test';

export type CableReading =
  /** Between conductors joined at the near end and metal; the far end open. */
  | { type: 'to-metal'; group: readonly string[] }
  /** Between two lots of conductors, each joined at the near end; the far end open. */
  | { type: 'between'; one: readonly string[]; other: readonly string[] }
  /** Through conductors in series: joined in twos at the far end and between the twos at the near end. */
  | { type: 'through'; group: readonly string[] };

/** A reading that was made: whether anything passed. */
export interface CableAnswer {
  reading: CableReading;
  passes: boolean;
}

export type ConductorState = 'whole' | 'open' | 'shorted' | 'grounded' | 'unknown';

export interface CableStanding {
  /** By conductor. */
  states: Readonly<Record<string, ConductorState>>;
  /** `null` when every conductor is known. */
  next: CableReading | null;
}

/** What a search needs to know: the next question, or what it found. */
type Search<T> = { ask: CableReading } | { found: T };

/** Answers in turn: what was asked must be what is asked again. */
class Answers {
  private at = 0;

  constructor(private readonly given: readonly CableAnswer[]) {}

  /** Whether it passed; `null` when it has not been asked yet. */
  take(reading: CableReading): boolean | null {
    const answer = this.given[this.at];
    if (!answer || JSON.stringify(answer.reading) !== JSON.stringify(reading)) return null;
    this.at++;
    return answer.passes;
  }
}

/** Those of a lot for which a reading passes, by halving what does. */
function searchFor(
  lot: readonly string[],
  reading: (lot: readonly string[]) => CableReading,
  answers: Answers,
): Search<string[]> {
  if (lot.length === 0) return { found: [] };
  const ask = reading(lot);
  const passes = answers.take(ask);
  if (passes === null) return { ask };
  if (!passes) return { found: [] };
  if (lot.length === 1) return { found: [...lot] };
  const half = Math.ceil(lot.length / 2);
  const first = searchFor(lot.slice(0, half), reading, answers);
  if ('ask' in first) return first;
  const second = searchFor(lot.slice(half), reading, answers);
  return 'ask' in second ? second : { found: [...first.found, ...second.found] };
}

/** Lots that part every two conductors at least once: those with a digit of their number set, and the others. */
function parting(ids: readonly string[]): { one: string[]; other: string[] }[] {
  const digits = Math.ceil(Math.log2(ids.length));
  return Array.from({ length: Math.max(0, digits) }, (_, digit) => ({
    one: ids.filter((_id, i) => ((i >> digit) & 1) === 1),
    other: ids.filter((_id, i) => ((i >> digit) & 1) === 0),
  }));
}

/** Conductors that touch another of the cable. */
function searchShorted(ids: readonly string[], answers: Answers): Search<Set<string>> {
  const shorted = new Set<string>();
  for (const { one, other } of parting(ids)) {
    const mine = searchFor(one, (lot) => ({ type: 'between', one: lot, other }), answers);
    if ('ask' in mine) return mine;
    for (const id of mine.found) {
      const theirs = searchFor(other, (lot) => ({ type: 'between', one: [id], other: lot }), answers);
      if ('ask' in theirs) return theirs;
      for (const touched of [id, ...theirs.found]) shorted.add(touched);
    }
  }
  return { found: shorted };
}

/** Conductors that do not reach the far end. */
function searchOpen(ids: readonly string[], answers: Answers): Search<readonly string[]> {
  const passed: boolean[] = [];
  for (;;) {
    const { next, broken } = follow(ids.length, passed);
    if (!next) return { found: broken.map((i) => ids[i]!) };
    const ask: CableReading = { type: 'through', group: next.map((i) => ids[i]!) };
    const passes = answers.take(ask);
    if (passes === null) return { ask };
    passed.push(passes);
  }
}

/**
 * Where a test stands, from what was read so far in turn. A conductor that touches something is not tested end to end: it
 * is of no use either way.
 */
export function followCableTest({ conductors }: Cable, given: readonly CableAnswer[]): CableStanding {
  const ids = conductors.map(({ id }) => id);
  const answers = new Answers(given);
  const states: Record<string, ConductorState> = Object.fromEntries(ids.map((id) => [id, 'unknown']));
  const asking = (next: CableReading): CableStanding => ({ states, next });
  const toMetal = searchFor(ids, (group) => ({ type: 'to-metal', group }), answers);
  if ('ask' in toMetal) return asking(toMetal.ask);
  for (const id of toMetal.found) states[id] = 'grounded';
  const free = ids.filter((id) => states[id] === 'unknown');
  const shorted = searchShorted(free, answers);
  if ('ask' in shorted) return asking(shorted.ask);
  for (const id of shorted.found) states[id] = 'shorted';
  const apart = free.filter((id) => states[id] === 'unknown');
  const open = searchOpen(apart, answers);
  if ('ask' in open) return asking(open.ask);
  for (const id of apart) states[id] = open.found.includes(id) ? 'open' : 'whole';
  return { states, next: null };
}

/** The hypothesis a finished test comes to, by its id; `null` where every conductor is whole. */
export function faultFound({ id, conductors }: Cable, states: CableStanding['states']): string | null {
  const of = (state: ConductorState) => conductors.filter((one) => states[one.id] === state);
  const [grounded] = of('grounded');
  const [one, other] = of('shorted');
  const open = of('open');
  if (open.length > 1 && open.length === conductors.length) return `${id} cut through`;
  if (one && other) return `${one.id} touches ${other.id}`;
  if (grounded) return `${grounded.id} grounded`;
  return open[0] ? `${open[0].id} broken` : null;
}

/** The circuit with every conductor marked broken that is known not to be whole: plans go round those. */
export const withDead = (circuit: Circuit, states: CableStanding['states']): Circuit => ({
  ...circuit,
  cables: circuit.cables.map((cable) => ({
    ...cable,
    conductors: cable.conductors.map((conductor) => {
      const state = states[conductor.id];
      return state === undefined || state === 'whole' || state === 'unknown'
        ? conductor
        : { ...conductor, state: 'broken' as const };
    }),
  })),
});

/**
 * How far it is to where a conductor is broken, m, by what a meter on capacitance reads from it to all others of the
 * cable joined and earthed: it grows with its length.
 *
 * @param farads - of the broken conductor, from this end.
 * @param whole - of a whole conductor of the same cable, both ends off; the cable's own figures when left out.
 */
export function lengthToBreak(
  { lengthM, conductors }: Pick<Cable, 'lengthM' | 'conductors'>,
  farads: number,
  whole?: number,
): number {
  const perMetre = (conductors.length - 1) * JACKET_FARADS_PER_METRE + EARTH_FARADS_PER_METRE;
  const metres = whole === undefined ? farads / perMetre : (lengthM * farads) / whole;
  return Math.min(lengthM, metres);
}
