/**
 * What each single wrong landing would do: every two conductors exchanged, every conductor on the screw
 * beside its own. The mistakes to look for, by the harm they do.
 */
import type { Cable, Circuit, Conductor, End, TerminalId } from '../circuit';
import { ENDS, exchange, findDevice, isSplice, land, marksOf, nodeName, splitTerminal } from '../circuit';
import type { Choice } from '../network';
import { colourName } from '../standards';
import type { Asked, Case } from './cases';
import { asksOf } from './cases';
import type { Violation } from './judged-state';
import { keyOf } from './judged-state';
import type { Severity } from './properties';
import { propertyOf } from './properties';
import { judgeStructure } from './judge-structure';
import type { Supplied } from './supplied';
import { runCase, supply } from './supplied';
import type { Progress } from './prove';
import { fieldConductors, lineTerminals } from './terminals';

/** A wrong landing and the worst it does; `harm` is null when nothing would show. */
export interface Mistake {
  /** What was done, in words. */
  text: string;
  harm: Severity | null;
  /** The worst of what it does, and the state that shows it. */
  does: string | null;
  shownBy: Case | null;
  circuit: Circuit;
}

interface Landing {
  cable: Cable;
  conductor: Conductor;
  end: End;
  terminal: TerminalId;
}

const landingsOf = (circuit: Circuit): Landing[] =>
  fieldConductors(circuit).flatMap(({ cable, conductor }) =>
    ENDS.map((end) => ({ cable, conductor, end, terminal: conductor[end]! })),
  );

/** "yellow of Outdoor cable" */
const placeOf = ({ cable, conductor }: Landing) => `${colourName(conductor.colour)} of ${cable.label}`;

/** Whether two landings are within one person's reach at one strip: the same device, or wire nuts of one place. */
function together(circuit: Circuit, one: TerminalId, other: TerminalId): boolean {
  const [here, there] = [one, other].map((id) => findDevice(circuit, splitTerminal(id).deviceId)!);
  if (here!.id === there!.id) return true;
  return here!.station === there!.station && isSplice(circuit, one) && isSplice(circuit, other);
}

type Wrong = Pick<Mistake, 'text' | 'circuit'>;

function exchanged(circuit: Circuit, landings: readonly Landing[]): Wrong[] {
  return landings.flatMap((one, i) =>
    landings.slice(i + 1).flatMap((other): Wrong[] => {
      const same = one.terminal === other.terminal || one.conductor === other.conductor;
      if (same || !together(circuit, one.terminal, other.terminal)) return [];
      const [a, b] = [one, other].map(({ conductor }) => conductor) as [Conductor, Conductor];
      // Both ends of one conductor on one terminal is no landing.
      if (a[one.end === 'from' ? 'to' : 'from'] === other.terminal) return [];
      if (b[other.end === 'from' ? 'to' : 'from'] === one.terminal) return [];
      return [
        {
          text: `${placeOf(one)} and ${placeOf(other)} exchanged, on ${nodeName(circuit, one.terminal)} and ${nodeName(circuit, other.terminal)}`,
          circuit: exchange(circuit, [a.id, one.end], [b.id, other.end]),
        },
      ];
    }),
  );
}

function moved(circuit: Circuit, landings: readonly Landing[]): Wrong[] {
  const line = lineTerminals(circuit);
  return landings.flatMap((landing) => {
    const { conductor, end, terminal } = landing;
    const { deviceId, mark } = splitTerminal(terminal);
    const device = findDevice(circuit, deviceId)!;
    const marks = marksOf(device);
    const at = marks.indexOf(mark);
    return [marks[at - 1], marks[at + 1]].flatMap((beside): Wrong[] => {
      const target = `${deviceId}.${beside}`;
      const otherEnd = conductor[end === 'from' ? 'to' : 'from'];
      if (beside === undefined || line.has(target) || target === otherEnd) return [];
      return [
        {
          text: `${placeOf(landing)} on ${nodeName(circuit, target)} instead of ${mark}`,
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
  const seen = new Set([wiringKey(circuit)]);
  return [...exchanged(circuit, landings), ...moved(circuit, landings)].filter((wrong) => {
    const key = wiringKey(wrong.circuit);
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}

const GRAVITY: readonly Severity[] = ['danger', 'fault', 'caution'];
const graver = (one: Violation, other: Violation) =>
  GRAVITY.indexOf(propertyOf(one.property).severity) - GRAVITY.indexOf(propertyOf(other.property).severity);

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
      if (!worst || graver(violation, worst.violation) < 0)
        worst = { violation, shownBy: { asked, trip: null, mains: 1 } };
      if (propertyOf(worst.violation.property).severity === 'danger') return worst;
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
      harm: worst && propertyOf(worst.violation.property).severity,
      does: worst && worst.violation.text,
      shownBy: worst && worst.shownBy,
    });
    if (!progress(i + 1, wrongs.length)) return null;
  }
  const rank = ({ harm }: Mistake) => (harm === null ? GRAVITY.length : GRAVITY.indexOf(harm));
  return mistakes.sort((one, other) => rank(one) - rank(other));
}
