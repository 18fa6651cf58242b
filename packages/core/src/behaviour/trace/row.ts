/** Conductors in a row between two marks: which of them is on the wrong screw the marks alone do not say. */
import type { Circuit, Disagreement, MarkedEnd, TerminalId } from '../../circuit';
import { findDevice, functionsAgree, markedEnds, splitTerminal } from '../../circuit';
import type { Cause } from './cause';
import type { Trace } from './trace';
import { endsOf } from './trace';

type BetweenMarks = Extract<Disagreement, { type: 'conductor' }>;

/** From one mark to another that does not agree with it. */
interface Row {
  from: TerminalId;
  to: TerminalId;
  /** In order, two or more. */
  conductors: readonly string[];
  /** Whether one of its ends lies beyond a device that sits in a conductor. */
  isBeyond: boolean;
}

const stationOf = (circuit: Circuit, terminal: TerminalId) =>
  findDevice(circuit, splitTerminal(terminal).deviceId)?.station;

/** The marks behind both ends of a conductor that do not agree, by as few conductors as may be; `null` where it has them itself. */
function rowOf({ network, functions }: Trace, { conductor, from, to }: BetweenMarks): Row | null {
  const ends = markedEnds(network.circuit);
  const pairs = ends(from).flatMap((one) =>
    ends(to).flatMap((other): [MarkedEnd, MarkedEnd][] =>
      functionsAgree(functions(one.terminal), functions(other.terminal)) ? [] : [[one, other]],
    ),
  );
  const length = ([one, other]: [MarkedEnd, MarkedEnd]) => one.conductors.length + other.conductors.length;
  const [nearest] = pairs.sort((a, b) => length(a) - length(b));
  if (!nearest || length(nearest) === 0) return null;
  const [one, other] = nearest;
  return {
    from: one.terminal,
    to: other.terminal,
    conductors: [...[...one.conductors].reverse(), conductor.id, ...other.conductors],
    isBeyond: one.isBeyond || other.isBeyond,
  };
}

/**
 * The conductor at an end of a row that belongs on a screw beside the one it is on: there what the row's other end serves is
 * missed, or something else is that does not belong.
 */
function strayEnd(
  { network, disagreements, functions }: Trace,
  { from, to, conductors }: Row,
): string | null {
  const { circuit } = network;
  const isMissed = (end: TerminalId, served: TerminalId) =>
    disagreements.some(
      (one) =>
        one.type !== 'link' &&
        !(one.type === 'conductor' && conductors.includes(one.conductor.id)) &&
        endsOf(one).terminals.some(
          (terminal) =>
            stationOf(circuit, terminal) === stationOf(circuit, end) &&
            functions(terminal).size > 0 &&
            functionsAgree(functions(terminal), functions(served)),
        ),
    );
  const strays = [
    ...(isMissed(from, to) ? [conductors[0]!] : []),
    ...(isMissed(to, from) ? [conductors.at(-1)!] : []),
  ];
  return strays.length === 1 ? strays[0]! : null;
}

function betweenItsEnds({ cables }: Circuit, id: string): BetweenMarks | null {
  const cable = cables.find(({ conductors }) => conductors.some((one) => one.id === id))!;
  const conductor = cable.conductors.find((one) => one.id === id)!;
  const { from, to } = conductor;
  return from === null || to === null ? null : { type: 'conductor', cable, conductor, from, to };
}

/** Whether a row does not leave the place it is in. */
const isInOnePlace = (circuit: Circuit, { from, to }: Row): boolean =>
  stationOf(circuit, from) === stationOf(circuit, to);

/**
 * A cause as far as it is known. A conductor that disagrees with a mark it has only at second hand, by what else is landed on a
 * float or inside a cabinet, may be right and what lies behind it wrong. Where a screw beside an end of the row misses it, that
 * end is the one; where nothing tells, the whole row is named.
 */
export function wholeRow(trace: Trace, cause: Cause): Cause {
  if (cause.type !== 'wiring' || cause.disagreement.type !== 'conductor') return cause;
  const { circuit } = trace.network;
  const row = rowOf(trace, cause.disagreement);
  if (!row) return cause;
  const stray = strayEnd(trace, row);
  if (stray === cause.disagreement.conductor.id) return cause;
  const strayed = stray === null ? null : betweenItsEnds(circuit, stray);
  if (strayed) return { type: 'wiring', disagreement: strayed };
  if (!row.isBeyond && !isInOnePlace(circuit, row)) return cause;
  return { type: 'astray', from: row.from, to: row.to, conductors: row.conductors };
}
