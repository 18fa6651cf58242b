/** What a person could do next: put the probes somewhere, look somewhere, make a call. */
import type { Cable, Circuit, Conductor, TerminalId } from '../../circuit';
import { designationsOf, splitTerminal } from '../../circuit';
import { kindOf } from '../../devices';
import type { TerminalRole } from '../../devices';
import type { OperatingPoint, Standing } from '../../network';
import { classifyNodes } from '../../network';
import type { Dictionary } from '../dictionary';
import { badParts } from '../observation';
import { triedIn } from '../states';

export type Step =
  /** A.c. volts between two terminals, or ohms with the power off. */
  | {
      type: 'reading';
      mode: 'ac-volts' | 'ohms';
      station: string;
      state: string;
      red: string;
      black: string;
      /** Line voltage may stand there: for who may work on it, and only where nothing else tells as much. */
      line: boolean;
    }
  /** What a device shows. */
  | { type: 'face'; station: string; state: string; device: string }
  /** Whether all is landed at its block as recorded, and sound. */
  | {
      type: 'look';
      station: string;
      device: string;
      /** Line voltage is landed there, beside other things or alone: its power must be off first. */
      line: boolean;
    }
  /** A device's windings, heaters and contacts tested by themselves, with its power off. */
  | { type: 'test'; station: string; device: string }
  /** A known-good one in the place of a device, as it was landed. */
  | { type: 'swap'; station: string; device: string }
  /** A cable's conductors tested by themselves, with both ends off and the power off. */
  | { type: 'wires'; station: string; other: string; cable: Cable }
  /** A clamp about a conductor, at the place of its first end; about one that carries line voltage for who may work on it. */
  | { type: 'clamp'; station: string; state: string; conductor: string; line: boolean }
  /** A call is made, and what runs is seen and heard. */
  | { type: 'call'; station: string; state: string }
  /** With nothing called a jumper is held from hot to a call, and what runs is seen and heard. */
  | { type: 'jumper'; station: string; state: string; jumper: readonly [TerminalId, TerminalId] };

const LINE: ReadonlySet<TerminalRole> = new Set(['line', 'neutral', 'winding']);

interface Terminal {
  terminal: string;
  device: string;
  station: string;
  role: TerminalRole;
}

const terminalsOf = ({ devices }: Circuit): Terminal[] =>
  devices.flatMap((device) =>
    designationsOf(device)
      .filter(({ role }) => role !== 'earth')
      .map(({ mark, role }) => ({
        terminal: `${device.id}.${mark}`,
        device: device.id,
        station: device.station,
        role,
      })),
  );

type Pair = Pick<Extract<Step, { type: 'reading' }>, 'station' | 'red' | 'black' | 'line'>;

/** Every two of one device's terminals of a role: the ends of a coil. */
const withinDevices = (terminals: readonly Terminal[], wanted: TerminalRole): Pair[] =>
  terminals.flatMap((one, i) =>
    terminals
      .slice(i + 1)
      .flatMap((other): Pair[] =>
        other.device === one.device && one.role === wanted && other.role === wanted
          ? [{ station: one.station, red: one.terminal, black: other.terminal, line: false }]
          : [],
      ),
  );

/** Line voltage at a place, against its neutral, or between its legs where there is none. */
const linePairs = ({ stations }: Circuit, terminals: readonly Terminal[]): Pair[] =>
  stations.flatMap(({ id: station }) => {
    // The pins of a compressor are read with the power off, by who tests it.
    const here = terminals.filter(
      ({ station: at, role }) => at === station && LINE.has(role) && role !== 'winding',
    );
    const neutral = here.find(({ role }) => role === 'neutral') ?? here[here.length - 1];
    return here.flatMap(({ terminal: red }): Pair[] =>
      neutral && red !== neutral.terminal ? [{ station, red, black: neutral.terminal, line: true }] : [],
    );
  });

/**
 * Pairs worth a reading: everything at a place against what is common there when all is well, or against what is hot
 * where nothing is; coils across; and line voltage between a device's own terminals.
 */
function pairsOf(circuit: Circuit, good: OperatingPoint): Pair[] {
  const terminals = terminalsOf(circuit);
  const { standing } = classifyNodes(good);
  const control = terminals.filter(({ role }) => !LINE.has(role));
  const reads = (wanted: Standing) => (entry: Terminal) =>
    standing[good.network.indexOf(entry.terminal)] === wanted;
  const against = circuit.stations.flatMap(({ id: station }) => {
    const here = control.filter((terminal) => terminal.station === station);
    const commons = here.filter(reads('return'));
    const references = commons.length > 0 ? commons : here.filter(reads('hot'));
    return references
      .slice(0, 2)
      .flatMap(({ terminal: black }) =>
        here.flatMap(({ terminal: red }) => (red === black ? [] : [{ station, red, black, line: false }])),
      );
  });
  return [...against, ...withinDevices(control, 'coil'), ...linePairs(circuit, terminals)];
}

/** Pairs worth their ohms: coils across, and hot against common, where what blows a fuse shows. */
function ohmPairsOf(circuit: Circuit): Pair[] {
  const terminals = terminalsOf(circuit);
  const shorts = circuit.stations.flatMap(({ id: station }): Pair[] => {
    const here = terminals.filter((terminal) => terminal.station === station);
    const common = here.find(({ role }) => role === 'common');
    const driven = here.filter(({ role }) => role === 'hot' || role === 'call');
    return common
      ? driven.map(({ terminal: red }) => ({ station, red, black: common.terminal, line: false }))
      : [];
  });
  return [...withinDevices(terminals, 'coil'), ...shorts];
}

/** Conductors that carry all that a block is fed with: a clamp about one tells how much it draws. */
function clampsOf(
  circuit: Circuit,
): Pick<Extract<Step, { type: 'clamp' }>, 'station' | 'conductor' | 'line'>[] {
  const feeds = new Map(
    terminalsOf(circuit)
      .filter(({ role }) => role === 'hot' || role === 'line')
      .map(({ terminal, station }) => [terminal, station]),
  );
  const line = lineIn(circuit);
  return circuit.cables.flatMap(({ conductors }) =>
    conductors.flatMap(({ id, from, to }) => {
      const station = (from && feeds.get(from)) ?? (to && feeds.get(to));
      return station ? [{ station, conductor: id, line: isLine(line, { from, to }) }] : [];
    }),
  );
}

/**
 * Jumpers that get nothing to run past a safety: with any of them tripped, no more runs than would with some call at the
 * thermostat.
 */
function harmlessJumpers({ hypotheses, states, trials, predict }: Dictionary) {
  const trips = [...hypotheses.keys()].filter((i) => hypotheses[i]!.failure.type === 'tripped');
  return trials.flatMap((state) => {
    const { jumper } = triedIn(state)!;
    if (!jumper) return [];
    const passes = trips.every((trip) => {
      const allowed = new Set(states.flatMap(({ id }) => [...predict(trip, id).runs]));
      return [...predict(trip, state).runs].every((load) => allowed.has(load));
    });
    return passes ? [{ state, jumper }] : [];
  });
}

/** The places a cable's ends are at. */
const stationsOf = ({ devices }: Circuit, { conductors }: Cable): string[] => {
  const ends = conductors.flatMap(({ from, to }) => [from, to].flatMap((end) => end ?? []));
  const ids = new Set(ends.map((terminal) => splitTerminal(terminal).deviceId));
  return [...new Set(devices.flatMap(({ id, station }) => (ids.has(id) ? [station] : [])))];
};

/** Steps that are taken in a state, what is tried in it included. */
function inState(dictionary: Dictionary, state: string, pairs: readonly Pair[]): Step[] {
  const { circuit } = dictionary;
  const shows = circuit.devices.filter(({ kind }) => !kindOf(kind).splices && !kindOf(kind).sealed);
  const calling = circuit.devices.find(({ kind }) => kindOf(kind).asks);
  return [
    ...pairs.map((pair): Step => ({ type: 'reading', mode: 'ac-volts', state, ...pair })),
    ...clampsOf(circuit).map((clamp): Step => ({ type: 'clamp', state, ...clamp })),
    ...shows.map(({ id, station }): Step => ({ type: 'face', state, device: id, station })),
    ...(calling ? [{ type: 'call', state, station: calling.station } as const] : []),
  ];
}

/** Steps in which something is tried with nothing called. */
function trying(dictionary: Dictionary): Step[] {
  const { circuit, trials } = dictionary;
  const stationOf = (terminal: TerminalId) =>
    circuit.devices.find(({ id }) => id === splitTerminal(terminal).deviceId)!.station;
  const off = trials.find((id) => triedIn(id)!.powerOff);
  return [
    ...(off === undefined
      ? []
      : ohmPairsOf(circuit).map((pair): Step => ({ type: 'reading', mode: 'ohms', state: off, ...pair }))),
    ...harmlessJumpers(dictionary).map(({ state, jumper }): Step => ({
      type: 'jumper',
      state,
      jumper,
      station: stationOf(jumper[0]),
    })),
  ];
}

/** Terminals that line voltage stands on, whoever lands them. */
const lineIn = (circuit: Circuit): ReadonlySet<TerminalId> =>
  new Set(terminalsOf(circuit).flatMap(({ terminal, role }) => (LINE.has(role) ? [terminal] : [])));

const isLine = (line: ReadonlySet<TerminalId>, { from, to }: Pick<Conductor, 'from' | 'to'>) =>
  [from, to].some((end) => end !== null && line.has(end));

/** Devices at which a conductor that carries line voltage is landed: whoever tugs at any of them is beside it. */
function lineBlocks(circuit: Circuit): ReadonlySet<string> {
  const line = lineIn(circuit);
  const carrying = circuit.cables.flatMap(({ conductors }) => conductors.filter((one) => isLine(line, one)));
  const ends = carrying.flatMap(({ from, to }) => [from, to].flatMap((end) => end ?? []));
  return new Set(ends.map((end) => splitTerminal(end).deviceId));
}

/** Steps for which nothing is called: looks, and parts and cables tested by themselves. */
function stateless({ circuit, hypotheses }: Dictionary): Step[] {
  const blocks = new Set(terminalsOf(circuit).map(({ device }) => device));
  const onLine = lineBlocks(circuit);
  return [
    ...circuit.devices.flatMap(({ id, kind, station }): Step[] => [
      ...(blocks.has(id) ? [{ type: 'look', device: id, station, line: onLine.has(id) } as const] : []),
      // A thermostat comes off its base, and one that is known to be good is in every van.
      ...(kindOf(kind).asks ? [{ type: 'swap', device: id, station } as const] : []),
      ...(hypotheses.some((hypothesis) => badParts(hypothesis, id).length > 0)
        ? [{ type: 'test', device: id, station } as const]
        : []),
    ]),
    ...circuit.cables.flatMap((cable): Step[] => {
      const [station, other] = stationsOf(circuit, cable);
      return station ? [{ type: 'wires', station, other: other ?? station, cable }] : [];
    }),
  ];
}

/** They follow from the circuit and its hypotheses alone. */
const known = new WeakMap<Dictionary, { byState: Map<string, Step[]>; others: Step[] }>();

function allOf(dictionary: Dictionary) {
  const before = known.get(dictionary);
  if (before) return before;
  const { circuit, states, predict } = dictionary;
  const pairs = pairsOf(circuit, predict(0, states[0]!.id).point);
  const made = {
    byState: new Map(states.map(({ id }) => [id, inState(dictionary, id, pairs)])),
    others: [...trying(dictionary), ...stateless(dictionary)],
  };
  known.set(dictionary, made);
  return made;
}

/** Every step there is, in the calls given. */
export function candidatesOf(dictionary: Dictionary, states: readonly string[]): readonly Step[] {
  const { byState, others } = allOf(dictionary);
  return [...states.flatMap((id) => byState.get(id) ?? []), ...others];
}
