/** What a person could do next: put the probes somewhere, look somewhere, make a call. */
import type { Cable, Circuit } from '../../circuit';
import { splitTerminal } from '../../circuit';
import { fill, kindOf } from '../../devices';
import type { TerminalRole } from '../../devices';
import type { OperatingPoint, Standing } from '../../network';
import { classifyNodes } from '../../network';
import type { Dictionary } from '../dictionary';
import { isBadPart } from '../observation';

export type Step =
  /** A.c. volts between two terminals. */
  | {
      type: 'reading';
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
      /** Only line voltage is landed there: its power must be off first. */
      line: boolean;
    }
  /** A device's windings, heaters and contacts tested by themselves, with its power off. */
  | { type: 'test'; station: string; device: string }
  /** A cable's conductors tested by themselves, with both ends off and the power off. */
  | { type: 'wires'; station: string; other: string; cable: Cable }
  /** A call is made, and what runs is seen and heard. */
  | { type: 'call'; station: string; state: string };

const LINE: ReadonlySet<TerminalRole> = new Set(['line', 'neutral', 'winding']);

interface Terminal {
  terminal: string;
  device: string;
  station: string;
  role: TerminalRole;
}

const terminalsOf = ({ devices }: Circuit): Terminal[] =>
  devices.flatMap(({ id, kind, params, station }) =>
    kindOf(kind)
      .designations(fill(kindOf(kind).params, params))
      .filter(({ role }) => role !== 'earth')
      .map(({ mark, role }) => ({ terminal: `${id}.${mark}`, device: id, station, role })),
  );

interface Pair {
  station: string;
  red: string;
  black: string;
  line: boolean;
}

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

/** The places a cable's ends are at. */
const stationsOf = ({ devices }: Circuit, { conductors }: Cable): string[] => {
  const ends = conductors.flatMap(({ from, to }) => [from, to].flatMap((end) => end ?? []));
  const ids = new Set(ends.map((terminal) => splitTerminal(terminal).deviceId));
  return [...new Set(devices.flatMap(({ id, station }) => (ids.has(id) ? [station] : [])))];
};

/** Every step there is, in the states given. */
export function candidatesOf(
  { circuit, predict, hypotheses, states: all }: Dictionary,
  states: readonly string[],
): Step[] {
  const pairs = pairsOf(circuit, predict(0, all[0]!.id).point);
  const shows = circuit.devices.filter(({ kind }) => !kindOf(kind).splices && !kindOf(kind).sealed);
  const landed = terminalsOf(circuit);
  const blocks = new Set(landed.map(({ device }) => device));
  const onLine = new Set(
    [...blocks].filter((id) => landed.every(({ device, role }) => device !== id || LINE.has(role))),
  );
  const [calling] = circuit.devices.filter(({ kind }) => kindOf(kind).asks);
  return [
    ...states.flatMap((state): Step[] => [
      ...pairs.map((pair): Step => ({ type: 'reading', state, ...pair })),
      ...shows.map(({ id, station }): Step => ({ type: 'face', state, device: id, station })),
      ...(calling ? [{ type: 'call', state, station: calling.station } as const] : []),
    ]),
    ...circuit.devices.flatMap(({ id, station }): Step[] => [
      ...(blocks.has(id) ? [{ type: 'look', device: id, station, line: onLine.has(id) } as const] : []),
      ...(hypotheses.some((hypothesis) => isBadPart(hypothesis, id))
        ? [{ type: 'test', device: id, station } as const]
        : []),
    ]),
    ...circuit.cables.flatMap((cable): Step[] => {
      const [station, other] = stationsOf(circuit, cable);
      return station ? [{ type: 'wires', station, other: other ?? station, cable }] : [];
    }),
  ];
}
