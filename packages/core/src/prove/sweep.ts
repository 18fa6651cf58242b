/**
 * What each single wrong landing would do: every two conductors exchanged, every conductor on the screw
 * beside its own. The mistakes to look for, by the harm they do.
 */
import type { Circuit, Conductor, End, TerminalId } from '../circuit';
import { ENDS, exchange, findDevice, isSplice, land, marksOf, splitTerminal } from '../circuit';
import type { Choice } from '../network';
import type { Asked, Case } from './cases';
import { asksOf } from './cases';
import type { Severity } from './properties';
import { GRAVITY, SEVERITY } from './properties';
import { judgeStructure } from './judge-structure';
import type { Supplied } from './supplied';
import { runCase, supply } from './supplied';
import type { Progress } from './prove';
import { fieldConductors, lineTerminals } from './terminals';
import type { Violation } from './violation';
import { keyOf } from './violation';

/** One end of a conductor, and the terminal it is on. */
export interface LandedEnd {
  conductor: string;
  end: End;
  terminal: TerminalId;
}

export type WrongLanding =
  | { type: 'exchanged'; one: LandedEnd; other: LandedEnd }
  /** On another terminal than the one it is landed on. */
  | { type: 'moved'; landed: LandedEnd; on: TerminalId };

/** Every end that a wrong landing has elsewhere, and what it is on. */
export const displacedBy = (wrong: WrongLanding): readonly (LandedEnd & { on: TerminalId })[] =>
  wrong.type === 'moved'
    ? [{ ...wrong.landed, on: wrong.on }]
    : [
        { ...wrong.one, on: wrong.other.terminal },
        { ...wrong.other, on: wrong.one.terminal },
      ];

/** A wrong landing and the worst it does; `harm` is null when nothing would show. */
export interface Mistake {
  wrong: WrongLanding;
  /** Other wrong landings that come to the same wiring, such as the same two exchanged at their other ends. */
  alike: readonly WrongLanding[];
  harm: Severity | null;
  /** The worst of what it does, and the state that shows it. */
  does: Violation | null;
  shownBy: Case | null;
  circuit: Circuit;
}

interface Landing {
  conductor: Conductor;
  end: End;
  terminal: TerminalId;
}

const landingsOf = (circuit: Circuit): Landing[] =>
  fieldConductors(circuit).flatMap(({ conductor }) =>
    ENDS.map((end) => ({ conductor, end, terminal: conductor[end]! })),
  );

const endOf = ({ conductor: { id }, end, terminal }: Landing): LandedEnd => ({
  conductor: id,
  end,
  terminal,
});

/** Whether two landings are within one person's reach at one strip: the same device, or wire nuts of one place. */
function together(circuit: Circuit, one: TerminalId, other: TerminalId): boolean {
  const [here, there] = [one, other].map((id) => findDevice(circuit, splitTerminal(id).deviceId)!);
  if (here!.id === there!.id) return true;
  return here!.station === there!.station && isSplice(circuit, one) && isSplice(circuit, other);
}

type Made = Pick<Mistake, 'wrong' | 'circuit'>;
type Wrong = Made & Pick<Mistake, 'alike'>;

function exchanged(circuit: Circuit, landings: readonly Landing[]): Made[] {
  return landings.flatMap((one, i) =>
    landings.slice(i + 1).flatMap((other): Made[] => {
      const same = one.terminal === other.terminal || one.conductor === other.conductor;
      if (same || !together(circuit, one.terminal, other.terminal)) return [];
      const [a, b] = [one, other].map(({ conductor }) => conductor) as [Conductor, Conductor];
      // Both ends of one conductor on one terminal is no landing.
      if (a[one.end === 'from' ? 'to' : 'from'] === other.terminal) return [];
      if (b[other.end === 'from' ? 'to' : 'from'] === one.terminal) return [];
      return [
        {
          wrong: { type: 'exchanged', one: endOf(one), other: endOf(other) },
          circuit: exchange(circuit, [a.id, one.end], [b.id, other.end]),
        },
      ];
    }),
  );
}

function moved(circuit: Circuit, landings: readonly Landing[]): Made[] {
  const line = lineTerminals(circuit);
  return landings.flatMap((landing) => {
    const { conductor, end, terminal } = landing;
    const { deviceId, mark } = splitTerminal(terminal);
    const device = findDevice(circuit, deviceId)!;
    const marks = marksOf(device);
    const at = marks.indexOf(mark);
    return [marks[at - 1], marks[at + 1]].flatMap((beside): Made[] => {
      const target = `${deviceId}.${beside}`;
      const otherEnd = conductor[end === 'from' ? 'to' : 'from'];
      if (beside === undefined || line.has(target) || target === otherEnd) return [];
      return [
        {
          wrong: { type: 'moved', landed: endOf(landing), on: target },
          circuit: land(circuit, conductor.id, end, target),
        },
      ];
    });
  });
}

/** What joins what, blind to which of two like conductors does it: equal keys behave alike. */
function wiringKey({ cables }: Circuit): string {
  return cables
    .map(({ conductors }) =>
      conductors
        .map(({ from, to }) => `${from ?? ''}>${to ?? ''}`)
        .sort()
        .join(),
    )
    .join(';');
}

/** Every single wrong landing of the field wiring, each wiring once. */
export function wrongLandings(circuit: Circuit): Wrong[] {
  const landings = landingsOf(circuit);
  const asIs = wiringKey(circuit);
  const found = new Map<string, Made & { alike: WrongLanding[] }>();
  for (const made of [...exchanged(circuit, landings), ...moved(circuit, landings)]) {
    const key = wiringKey(made.circuit);
    if (key === asIs) continue;
    const known = found.get(key);
    if (known) known.alike.push(made.wrong);
    else found.set(key, { ...made, alike: [] });
  }
  return [...found.values()];
}

const gravity = ({ property }: Violation) => GRAVITY[SEVERITY[property]];

/** The states that close most contacts at once: whatever is dangerous shows in one of them. */
const FULL = /^(off|heat-far|cool-far|emergency)$/;
const isFull = ({ id, calls }: Asked) => FULL.test(id) || calls.length > 1;

/** Calls by themselves and satisfied; what comes before a call changes little of what a wrong landing does. */
const PLAIN = /^(off|fan|heat|heat-far|heat-over|cool|cool-far|cool-over|emergency)$/;
const isPlain = ({ id, calls }: Asked) => PLAIN.test(id) || calls.length > 1;

/** Everything a wiring violates at nominal mains with nothing tripped, one state after another, then by itself. */
function* violationsOf(
  supplied: Supplied,
  asks: readonly Asked[],
): Generator<{ violation: Violation; asked: Asked }> {
  const closed: Choice[] = [];
  for (const asked of asks) {
    const { violations, steady } = runCase(supplied, { asked, trip: null, mains: 1 });
    closed.push(steady.point.choice);
    for (const violation of violations) yield { violation, asked };
  }
  for (const violation of judgeStructure(supplied.network, supplied.rest.point, closed))
    yield { violation, asked: asks[0]! };
}

/**
 * The worst a wiring does. Stops at the first danger; the gentler calls, which close fewer contacts, are
 * only asked when nothing has shown yet.
 */
function worstOf(circuit: Circuit, asks: readonly Asked[], known: ReadonlySet<string>) {
  let worst: { violation: Violation; shownBy: Case } | null = null;
  const supplied = supply(circuit, 1);
  for (const list of [asks.filter(isFull), asks.filter((asked) => !isFull(asked))]) {
    for (const { violation, asked } of violationsOf(supplied, list)) {
      if (known.has(keyOf(violation))) continue;
      if (!worst || gravity(violation) < gravity(worst.violation))
        worst = { violation, shownBy: { asked, trip: null, mains: 1 } };
      if (SEVERITY[worst.violation.property] === 'danger') return worst;
    }
    if (worst) return worst;
  }
  return worst;
}

/** Everything a circuit violates as it stands, so that a mistake is charged only with its own. */
const standing = (circuit: Circuit, asks: readonly Asked[]): ReadonlySet<string> =>
  new Set([...violationsOf(supply(circuit, 1), asks)].map(({ violation }) => keyOf(violation)));

/**
 * What each single wrong landing would do, gravest first.
 *
 * @returns `null` when `progress` answered `false`.
 */
export function sweep(circuit: Circuit, progress: Progress = () => true): Mistake[] | null {
  const asks = asksOf(circuit).filter(isPlain);
  const known = standing(circuit, asks);
  const wrongs = wrongLandings(circuit);
  const mistakes: Mistake[] = [];
  for (const [i, wrong] of wrongs.entries()) {
    const worst = worstOf(wrong.circuit, asks, known);
    mistakes.push({
      ...wrong,
      harm: worst && SEVERITY[worst.violation.property],
      does: worst && worst.violation,
      shownBy: worst && worst.shownBy,
    });
    if (!progress(i + 1, wrongs.length)) return null;
  }
  const rank = ({ harm }: Mistake) => (harm === null ? Infinity : GRAVITY[harm]);
  return mistakes.sort((one, other) => (rank(one) === rank(other) ? 0 : rank(one) - rank(other)));
}
