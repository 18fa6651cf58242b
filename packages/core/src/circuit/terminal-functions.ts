/**
 * What each terminal is there for, read off its designation; where that says nothing (a splice, a coil,
 * the contact of a float) it is worked out from what the leads inside the same cabinet join it to. Two
 * ends of one conductor should serve the same function: where they do not, a wire may be on the wrong screw.
 */
import type { Call } from '../devices';
import { CALL_MARKS, fill, kindOf } from '../devices';
import { designationAt, splitTerminal } from './terminals';
import type { Circuit, Device, TerminalId } from './types';

/** Marks a terminal answers to: `hot`, `common`, or call marks with their aliases. Empty when nothing is known. */
export type TerminalFunctions = ReadonlySet<string>;

/** Call marks that bring what a load serves, as thermostats are marked. */
const MARKS_FOR: Record<Call | 'pump' | 'valve', readonly string[]> = {
  cool: ['Y', 'Y1', 'Y2'],
  pump: ['Y', 'Y1', 'Y2'],
  heat: ['W', 'W1', 'W2', 'AUX', 'E'],
  fan: ['G'],
  valve: ['O', 'B', 'O/B', 'OB'],
};

/** Back-up heat lands on whichever heating terminal the equipment has; so does what defrost asks for. */
const LANDS_ON: Readonly<Record<string, readonly string[]>> = {
  AUX: ['W', 'W1', 'W2'],
  D: ['W', 'W1', 'W2', 'AUX'],
};

const spelledOut = (mark: string): string[] => [mark, ...mark.split('/'), ...(LANDS_ON[mark] ?? [])];

const HOT_MARKS: ReadonlySet<string> = new Set(['R', 'RC', 'RH']);

/** A splice is known by what its label says first: "Y", "C lead", "O splice". */
function taggedFunction(label: string): TerminalFunctions | undefined {
  const [mark = ''] = label.split(/\s/);
  if (HOT_MARKS.has(mark)) return new Set(['hot']);
  if (mark === 'C') return new Set(['common']);
  return CALL_MARKS.has(mark) ? new Set(spelledOut(mark)) : undefined;
}

/** By device as it stands: moving wires about leaves every device the same object. */
const known = new WeakMap<Device, ReadonlyMap<string, TerminalFunctions>>();

/** Functions the designations of a device give by themselves. */
function ownFunctions(device: Device, mains: Circuit['mains']): ReadonlyMap<string, TerminalFunctions> {
  const before = known.get(device);
  if (before) return before;
  const found = readFunctions(device, mains);
  known.set(device, found);
  return found;
}

function readFunctions(device: Device, mains: Circuit['mains']): Map<string, TerminalFunctions> {
  const kind = kindOf(device.kind);
  const params = fill(kind.params, device.params);
  const context = { params, settings: fill(kind.settings, device.settings), mains };
  const found = new Map<string, TerminalFunctions>();
  const designations = kind.inline ? [] : kind.designations(params);
  for (const { mark, role, pairs, serves, aliases = [] } of designations) {
    const marks = [mark, ...aliases].filter((name) => CALL_MARKS.has(name));
    if (serves !== undefined) found.set(mark, new Set([serves]));
    else if (pairs) found.set(mark, new Set([mark]));
    else if (role === 'hot') found.set(mark, new Set(['hot']));
    else if (role === 'common') found.set(mark, new Set(['common']));
    else if (role === 'splice') {
      const tagged = taggedFunction(device.label);
      if (tagged) found.set(mark, tagged);
    } else if (role === 'call' && marks.length > 0)
      found.set(mark, new Set([mark, ...aliases].flatMap(spelledOut)));
  }
  const elements = kind.elements(context);
  // What closes when it trips is there for an alarm, and carries nothing that is to run.
  const alarm = elements.find(({ id }) => id === kind.alarm);
  if (alarm?.kind === 'branch' && !found.has(alarm.b)) found.set(alarm.b, new Set(['alarm']));
  const { alarm: shorts, trouble: opens } = kind.loopContacts ?? {};
  for (const one of elements)
    if (one.kind === 'branch' && (one.id === shorts || one.id === opens))
      for (const mark of [one.a, one.b]) found.set(mark, new Set(['loop']));
  for (const mark of kind.supervises?.ends ?? []) found.set(mark, new Set(['loop']));
  for (const { element, serves } of kind.loads(context)) {
    const branch = elements.find(({ id }) => id === element);
    if (branch?.kind !== 'branch') continue;
    for (const [end, functions] of [
      [branch.a, MARKS_FOR[serves]],
      [branch.b, ['common']],
    ] as const) {
      const role = designations.find(({ mark }) => mark === end)?.role;
      if ((role === 'coil' || role === 'call') && !found.has(end)) found.set(end, new Set(functions));
    }
  }
  return found;
}

/** Pairs of terminals a device joins by a contact of its own that is there to open, or by nothing at all. */
const throughPairs = ({ id, kind }: Device): [TerminalId, TerminalId][] => {
  const found = kindOf(kind);
  if (!found.inline) return [];
  const marks = found.designations(fill(found.params, {})).map(({ mark }) => mark);
  return marks.length === 2 ? [[`${id}.${marks[0]}`, `${id}.${marks[1]}`]] : [];
};

/** Hot and common name a joint before a coil behind it does. */
function merged(sets: readonly TerminalFunctions[]): TerminalFunctions {
  for (const plain of ['hot', 'common']) if (sets.some((set) => set.has(plain))) return new Set([plain]);
  return new Set(sets.flatMap((set) => [...set]));
}

/** A terminal with a mark of its own, and the conductors that lead to it within one place, nearest first. */
export interface MarkedEnd {
  terminal: TerminalId;
  conductors: readonly string[];
  /** Whether it is on the other side of a device that sits in a conductor, such as a float. */
  isBeyond: boolean;
}

interface Marks {
  own: (terminal: TerminalId) => TerminalFunctions | undefined;
  /** Where the marks are that say what a terminal is for: itself, or what the leads inside the same cabinet join it to. */
  ends: (terminal: TerminalId) => MarkedEnd[];
}

function marksOf(circuit: Circuit): Marks {
  const devices = new Map(circuit.devices.map((device) => [device.id, device]));
  const own = (terminal: TerminalId) => {
    const { deviceId, mark } = splitTerminal(terminal);
    const device = devices.get(deviceId);
    return device && ownFunctions(device, circuit.mains).get(mark);
  };
  const stationOf = (terminal: TerminalId) => devices.get(splitTerminal(terminal).deviceId)?.station;
  const beside = new Map<TerminalId, { to: TerminalId; by: string | null }[]>();
  const join = (one: TerminalId, other: TerminalId, by: string | null) => {
    for (const [from, to] of [
      [one, other],
      [other, one],
    ] as const)
      beside.set(from, [...(beside.get(from) ?? []), { to, by }]);
  };
  for (const device of circuit.devices)
    for (const [one, other] of throughPairs(device)) join(one, other, null);
  for (const { conductors } of circuit.cables)
    for (const { id, from, to } of conductors)
      if (from !== null && to !== null && stationOf(from) === stationOf(to)) join(from, to, id);
  const ends = (terminal: TerminalId): MarkedEnd[] => {
    if (own(terminal)) return [{ terminal, conductors: [], isBeyond: false }];
    if (!devices.has(splitTerminal(terminal).deviceId)) return [];
    const found: MarkedEnd[] = [];
    const ways = new Map<TerminalId, Omit<MarkedEnd, 'terminal'>>([
      [terminal, { conductors: [], isBeyond: false }],
    ]);
    for (const [at, way] of ways)
      for (const { to, by } of beside.get(at) ?? []) {
        const next =
          by === null
            ? { ...way, isBeyond: way.isBeyond || at === terminal }
            : { ...way, conductors: [...way.conductors, by] };
        if (own(to)) found.push({ terminal: to, ...next });
        else if (!ways.has(to)) ways.set(to, next);
      }
    return found;
  };
  return { own, ends };
}

/** The functions of every terminal of a circuit. */
export function terminalFunctions(circuit: Circuit): (terminal: TerminalId) => TerminalFunctions {
  const { own, ends } = marksOf(circuit);
  const known = new Map<TerminalId, TerminalFunctions>();
  return (terminal) => {
    const found = own(terminal) ?? known.get(terminal);
    if (found) return found;
    const functions = merged(ends(terminal).map((end) => own(end.terminal)!));
    known.set(terminal, functions);
    return functions;
  };
}

/** The terminals whose marks say what a terminal is for, and what leads to them. */
export const markedEnds = (circuit: Circuit): ((terminal: TerminalId) => MarkedEnd[]) =>
  marksOf(circuit).ends;

/**
 * Tells a conductor that ends on a terminal that is to go to its like, and on another device's other terminal; or between
 * strips of two names. A joint is passed.
 */
export function mispaired(circuit: Circuit): (from: TerminalId, to: TerminalId) => boolean {
  return (from, to) => {
    const [one, other] = [designationAt(circuit, from), designationAt(circuit, to)];
    if (!one || !other || one.role === 'splice' || other.role === 'splice') return false;
    if (one.strip !== undefined && other.strip !== undefined && one.strip !== other.strip) return true;
    return one.mark !== other.mark && Boolean(one.pairs ?? other.pairs);
  };
}

/** Whether two ends may belong to one conductor, as far as is known. */
export function functionsAgree(one: TerminalFunctions, other: TerminalFunctions): boolean {
  if (one.size === 0 || other.size === 0) return true;
  for (const mark of one) if (other.has(mark)) return true;
  return false;
}
