/** The wire schedule as CSV (RFC 4180): one line for each conductor, out and back in. */
import type { Cable, Circuit, Conductor, TerminalId } from '../circuit';
import {
  CONDUCTOR_STATES,
  LIMITS,
  conductorOfVersion1,
  findDevice,
  hasTerminal,
  splitTerminal,
} from '../circuit';
import type { ColourCode } from '../standards';
import { COLOUR_CODES, GAUGES } from '../standards';
import Papa from 'papaparse';
import { plainCell, writeCsv } from './csv';

const COLUMNS = [
  'cable',
  'label',
  'gauge_awg',
  'length_m',
  'conductor',
  'colour',
  'tag',
  'number',
  'state',
  'from',
  'to',
] as const;
type Column = (typeof COLUMNS)[number];
/** Columns that files of the first version have none of: there a tag said it. */
const LATER: readonly Column[] = ['number', 'state'];
type Row = Readonly<Record<Column, string>>;

/** Writes every conductor of a circuit, lines ended by CR LF as RFC 4180 has it. */
export function writeSchedule({ cables }: Circuit): string {
  const rows = cables.flatMap(({ id, label, gauge, lengthM, conductors }) =>
    conductors.map(({ id: conductor, colour, tag, number, state, from, to }): Row => ({
      cable: id,
      label,
      gauge_awg: String(gauge),
      length_m: String(lengthM),
      conductor,
      colour,
      tag: tag ?? '',
      number: number ?? '',
      state: state ?? '',
      from: from ?? '',
      to: to ?? '',
    })),
  );
  return writeCsv(COLUMNS, rows);
}

/** Something wrong with a schedule, by line of the file; line 1 is the header. */
export interface LineProblem {
  line: number;
  message: string;
}

export type ScheduleMode = 'merge' | 'replace';

export type ScheduleRead =
  { ok: true; circuit: Circuit; conductors: number } | { ok: false; problems: readonly LineProblem[] };

const ID = /^[A-Za-z0-9_-]{1,40}$/;
/** Problems told of at once; a file in another format has one on every line. */
const MOST_PROBLEMS = 40;
const LONGEST_M = 2000;

function rowProblems(row: Row, circuit: Circuit): string[] {
  const problems: string[] = [];
  const need = (holds: boolean, message: string) => {
    if (!holds) problems.push(message);
  };
  need(ID.test(row.cable), 'cable must be 1 to 40 letters, digits, hyphens or underscores');
  need(ID.test(row.conductor), 'conductor must be 1 to 40 letters, digits, hyphens or underscores');
  need(row.label.length <= LIMITS.text, `label must be at most ${LIMITS.text} characters`);
  for (const column of ['tag', 'number'] as const)
    need(row[column].length <= LIMITS.text, `${column} must be at most ${LIMITS.text} characters`);
  need(row.state === '' || isState(row.state), `state must be ${CONDUCTOR_STATES.join(' or ')}, or empty`);
  need(
    (GAUGES as readonly number[]).includes(Number(row.gauge_awg)),
    `gauge_awg must be one of ${GAUGES.join(', ')}`,
  );
  const metres = Number(row.length_m);
  need(
    row.length_m !== '' && metres > 0 && metres <= LONGEST_M,
    `length_m must be a number above 0 and up to ${LONGEST_M}`,
  );
  need(
    (COLOUR_CODES as readonly string[]).includes(row.colour),
    `colour must be one of ${COLOUR_CODES.join(', ')}`,
  );
  for (const end of ['from', 'to'] as const) {
    const terminal = row[end];
    if (terminal === '' || hasTerminal(circuit, terminal)) continue;
    const device = findDevice(circuit, splitTerminal(terminal).deviceId);
    problems.push(
      device
        ? `${end}: ${device.label} has no terminal "${splitTerminal(terminal).mark}"`
        : `${end} must be a terminal of this circuit such as "${circuit.devices[0]?.id ?? 'board'}.R", or empty`,
    );
  }
  need(row.from === '' || row.from !== row.to, 'from and to must be different terminals');
  return problems;
}

const isState = (state: string): state is NonNullable<Conductor['state']> =>
  (CONDUCTOR_STATES as readonly string[]).includes(state);

function toConductor({ conductor, colour, tag, number, state, from, to }: Row): Conductor {
  const end = (terminal: string): TerminalId | null => (terminal === '' ? null : terminal);
  return {
    id: conductor,
    colour: colour as ColourCode,
    ...(tag !== '' && { tag }),
    ...(number !== '' && { number }),
    ...(isState(state) && { state }),
    from: end(from),
    to: end(to),
  };
}

/** Cables of checked rows; a cable's label, gauge and length are those of its first line. */
function toCables(rows: readonly Row[], readIn: (conductor: Conductor) => Conductor): Cable[] {
  const cables = new Map<string, Cable>();
  for (const row of rows) {
    const known = cables.get(row.cable);
    if (known) known.conductors.push(readIn(toConductor(row)));
    else
      cables.set(row.cable, {
        id: row.cable,
        label: row.label === '' ? row.cable : row.label,
        gauge: Number(row.gauge_awg),
        lengthM: Number(row.length_m),
        conductors: [readIn(toConductor(row))],
      });
  }
  return [...cables.values()];
}

/** Puts the file's conductors in place of those of the same name; others stay where they are. */
function merged(circuit: Circuit, cables: readonly Cable[]): Cable[] {
  const listed = new Set(cables.flatMap(({ conductors }) => conductors.map(({ id }) => id)));
  const given = new Map(cables.map((cable) => [cable.id, cable]));
  const kept = circuit.cables.map((cable): Cable => {
    const file = given.get(cable.id);
    given.delete(cable.id);
    const updates = new Map(file?.conductors.map((conductor) => [conductor.id, conductor]));
    const own = new Set(cable.conductors.map(({ id }) => id));
    return {
      ...(file ?? cable),
      conductors: [
        ...cable.conductors.flatMap((conductor) => {
          const update = updates.get(conductor.id);
          // Where a survey found it is nothing a schedule says.
          if (update) return { ...update, ...(conductor.found && { found: conductor.found }) };
          return listed.has(conductor.id) ? [] : conductor;
        }),
        ...(file?.conductors.filter(({ id }) => !own.has(id)) ?? []),
      ],
    };
  });
  return [...kept, ...given.values()];
}

/**
 * Reads a schedule into a circuit: `merge` changes the conductors listed, `replace` puts the file's wiring
 * in place of all there is. Nothing is changed when a line has a problem.
 */
export function readSchedule(text: string, circuit: Circuit, mode: ScheduleMode): ScheduleRead {
  const { data, meta, errors } = Papa.parse<Row>(text, {
    header: true,
    skipEmptyLines: true,
    transform: plainCell,
  });
  const lacks = (column: Column) => !meta.fields?.includes(column);
  const missing = COLUMNS.filter((column) => !LATER.includes(column) && lacks(column));
  if (missing.length > 0)
    return {
      ok: false,
      problems: [
        { line: 1, message: `the header has no ${missing.join(', ')}; it must be ${COLUMNS.join(',')}` },
      ],
    };
  const older = LATER.every(lacks);
  if (older) for (const row of data) Object.assign(row, { number: '', state: '' });
  const problems: LineProblem[] = errors.map(({ row, message }) => ({ line: (row ?? 0) + 2, message }));
  const seen = new Map<string, number>();
  data.forEach((row, i) => {
    const line = i + 2;
    if (COLUMNS.some((column) => typeof row[column] !== 'string')) return;
    for (const message of rowProblems(row, circuit)) problems.push({ line, message });
    const before = seen.get(row.conductor);
    if (before !== undefined)
      problems.push({ line, message: `conductor "${row.conductor}" is on line ${before} already` });
    seen.set(row.conductor, line);
  });
  if (data.length === 0) problems.push({ line: 1, message: 'there are no conductors in this file' });
  if (problems.length > 0)
    return {
      ok: false,
      problems: problems.sort((one, other) => one.line - other.line).slice(0, MOST_PROBLEMS),
    };
  const cables = toCables(data, older ? conductorOfVersion1 : (conductor) => conductor);
  return {
    ok: true,
    circuit: { ...circuit, cables: mode === 'replace' ? cables : merged(circuit, cables) },
    conductors: data.length,
  };
}
