/**
 * The wires of an outdoor unit as typed from its diagram, one a line: "BN 11: capacitor FAN – fan motor". Colour or number may come
 * first or be left out; a part comes in with the first line that names it; a line may be commented out with #.
 */
import type { Cable, Circuit, TerminalId } from '../../circuit';
import { designationAt, findDevice, marksOf } from '../../circuit';
import type { ColourCode } from '../../standards';
import { colourName } from '../../standards';
import type { DrawnWire } from '../../unit';
import Papa from 'papaparse';
import { plainCell } from '../csv';
import { readColour } from './colours';
import { inferMark, readEnd } from './ends';
import { intoUnit } from './into-unit';

/** Something wrong with a line, or to be asked about it; each of `instead` is a whole line that would do. */
export interface WireListProblem {
  line: number;
  message: string;
  instead: readonly string[];
}

export type WireListRead =
  | { ok: true; circuit: Circuit; wires: readonly DrawnWire[] }
  /** `soFar` has the parts and wires of the lines that could be read, to go on typing with. */
  | { ok: false; problems: readonly WireListProblem[]; read: number; soFar: Circuit };

/** A line taken apart, before its ends are looked for. */
interface Line {
  line: number;
  colour: string;
  number: string;
  ends: readonly string[];
}

const SEPARATOR = /\s*(?:–|—|→|↔|<?[-=]+>|\s-+\s|\bto\b|\band\b)\s*/u;
const COMMENT = /^\s*(#|\/\/)/;
const NUMBER = /^[a-z]{0,3}\d{1,4}[a-z]?$/i;
const COLUMNS = ['colour', 'number', 'from', 'to'];

/** Colour and number of what stands before the colon. */
function headOf(head: string): { colour: string; number: string; rest: string } {
  const words = head
    .trim()
    .split(/[\s,]+/)
    .filter(Boolean);
  const colour = words.find((word) => readColour(word).type !== 'none') ?? '';
  const number = words.find((word) => word !== colour && NUMBER.test(word)) ?? '';
  return { colour, number, rest: words.filter((word) => word !== colour && word !== number).join(' ') };
}

/** Words before the first part of a line without a colon: a colour and a number, in either order. */
function withoutColon(text: string): { head: string; body: string } {
  const words = text.trim().split(/\s+/);
  let taken = 0;
  const [one = '', two = ''] = words;
  const isColour = (word: string) => readColour(word).type !== 'none';
  if (isColour(one)) taken = /^\d+[a-z]?$/i.test(two) ? 2 : 1;
  else if (/^\d+[a-z]?$/i.test(one)) taken = isColour(two) ? 2 : 1;
  return { head: words.slice(0, taken).join(' '), body: words.slice(taken).join(' ') };
}

function splitEnds(body: string): string[] {
  const parts = body.split(SEPARATOR).map((part) => part.trim());
  // A plain hyphen joins words of a name unless nothing else parts the ends.
  return parts.length > 1 ? parts : body.split('-').map((part) => part.trim());
}

/** Lines of a text, blank ones and comments left out. */
function linesOf(text: string): Line[] {
  return text.split(/\r?\n/).flatMap((raw, i): Line[] => {
    if (raw.trim() === '' || COMMENT.test(raw)) return [];
    const colon = raw.indexOf(':');
    const { head, body } =
      colon >= 0 ? { head: raw.slice(0, colon), body: raw.slice(colon + 1) } : withoutColon(raw);
    const { colour, number, rest } = headOf(head);
    return [{ line: i + 1, colour: rest === '' ? colour : head.trim(), number, ends: splitEnds(body) }];
  });
}

/** Rows of a file with a header, by the names of its columns; `null` where it has none. */
function rowsOf(text: string): Line[] | null {
  const first = text.split(/\r?\n/).find((line) => line.trim() !== '') ?? '';
  const names = first.toLowerCase();
  if (!names.includes('from') || !/[,;\t]/.test(first)) return null;
  const { data } = Papa.parse<Record<string, string>>(text, {
    header: true,
    skipEmptyLines: true,
    transform: plainCell,
    transformHeader: (name) => name.trim().toLowerCase().replace('color', 'colour'),
  });
  return data.map((row, i) => {
    const [colour, number, from, to] = COLUMNS.map((column) => (row[column] ?? '').trim());
    return { line: i + 2, colour: colour!, number: number!, ends: [from!, to!].filter(Boolean) };
  });
}

/** What a line would be with another colour, number or end. */
const written = ({ colour, number, ends }: Pick<Line, 'colour' | 'number' | 'ends'>): string =>
  `${[colour, number].filter(Boolean).join(' ')}: ${ends.join(' – ')}`.replace(/^: /, '');

/** What was read so far. */
interface Reading {
  circuit: Circuit;
  wires: DrawnWire[];
  problems: WireListProblem[];
  /** Line by number. */
  numbers: Map<string, number>;
  /** Terminals that have a wire of the list. */
  taken: Set<TerminalId>;
}

function colourOf(line: Line, problems: WireListProblem[]): ColourCode | null {
  const { colour } = line;
  if (colour === '') return 'WH';
  const read = readColour(colour);
  if (read.type === 'is') return read.colour;
  const colours = read.type === 'may-be' ? read.colours : [];
  problems.push({
    line: line.line,
    message:
      read.type === 'may-be'
        ? `“${colour}” is ${colours.map(colourName).join(' in one language and ')} in another: which is it?`
        : `“${colour}” is no colour: write letters such as BN, BLK or SW, or the word`,
    instead: colours.map((code) => written({ ...line, colour: code })),
  });
  return null;
}

/** Both ends of a line, in a circuit that has its parts. */
function endsOf(line: Line, reading: Reading, station: string): [TerminalId, TerminalId] | null {
  const tell = (message: string, instead: readonly string[]) => {
    reading.problems.push({ line: line.line, message, instead });
    return null;
  };
  if (line.ends.length < 2 || line.ends.some((end) => end === ''))
    return tell('a wire has two ends: write them as in capacitor FAN – fan motor S', []);
  if (line.ends.length > 2)
    return tell(`three ends or more on one line: a wire has two. Write one line for each wire`, []);
  const swap = (i: number) => (end: string) =>
    written({ ...line, ends: line.ends.map((one, at) => (at === i ? end : one)) });
  let { circuit } = reading;
  const found: { device: string; mark: string | null }[] = [];
  for (const [i, text] of line.ends.entries()) {
    const read = readEnd(circuit, station, text);
    if (!read.ok) return tell(read.message, read.instead.map(swap(i)));
    ({ circuit } = read);
    found.push({ device: read.device.id, mark: read.mark });
  }
  reading.circuit = circuit;
  const known = (i: number) => (found[i]!.mark === null ? null : `${found[i]!.device}.${found[i]!.mark}`);
  const ends: TerminalId[] = [];
  for (const [i, { device, mark }] of found.entries()) {
    const inferred = mark ?? inferMark(circuit, findDevice(circuit, device)!, known(1 - i), reading.taken);
    if (inferred === null) {
      const { label } = findDevice(circuit, device)!;
      const marks = marksOf(findDevice(circuit, device)!);
      return tell(
        `which terminal of ${label}? It has ${marks.join(', ')}`,
        marks.map((one) => swap(i)(`${label} ${one}`)),
      );
    }
    ends.push(`${device}.${inferred}`);
  }
  const [from, to] = ends as [TerminalId, TerminalId];
  if (from === to) return tell('both ends are the same terminal', []);
  return [from, to];
}

/** Gauge of wires at line voltage and of the others inside a unit, AWG; from memory. */
const POWER_GAUGE = 12;
const CONTROL_GAUGE = 18;

const LINE_ROLES: ReadonlySet<string> = new Set(['line', 'neutral', 'winding', 'earth']);

const isPower = (circuit: Circuit, terminal: TerminalId): boolean =>
  LINE_ROLES.has(designationAt(circuit, terminal)!.role);

/** Cables of a unit's wires: those at line voltage, and the others. */
function cablesOf(circuit: Circuit, wires: readonly DrawnWire[]): Cable[] {
  const conductors = (power: boolean) =>
    wires
      .filter(({ from, to }) => (isPower(circuit, from) || isPower(circuit, to)) === power)
      .map(({ id, colour, number, from, to }) => ({
        id,
        colour,
        ...(number !== undefined && { number }),
        from,
        to,
      }));
  const cable = (id: string, label: string, gauge: number, power: boolean): Cable => ({
    id,
    label,
    gauge,
    lengthM: 0.6,
    conductors: conductors(power),
  });
  return [
    cable('unit-power', 'Unit power wires', POWER_GAUGE, true),
    cable('unit-control', 'Unit control wires', CONTROL_GAUGE, false),
  ].filter((one) => one.conductors.length > 0);
}

function readLine(line: Line, reading: Reading, station: string): void {
  const { numbers, problems, wires } = reading;
  const colour = colourOf(line, problems);
  const { number } = line;
  const before = number === '' ? undefined : numbers.get(number);
  if (before !== undefined)
    problems.push({
      line: line.line,
      message: `number ${number} is on line ${before} already: give it a letter, or none`,
      instead: [written({ ...line, number: `${number}b` }), written({ ...line, number: '' })],
    });
  else if (number !== '') numbers.set(number, line.line);
  const ends = endsOf(line, reading, station);
  if (!ends || colour === null || before !== undefined) return;
  const id = number === '' ? `wire-line-${line.line}` : `wire-${number}`;
  wires.push({ id, colour, ...(number !== '' && { number }), from: ends[0], to: ends[1] });
  for (const end of ends) reading.taken.add(end);
}

/** As many wires as a unit may have. */
const MOST_WIRES = 200;

/**
 * Reads a list of wires, typed or as CSV, into a circuit at one of its stations: parts that are named come in, the unit's own
 * wires are those of the list, whatever a compressor of the list stands for goes. Nothing is changed while a line has a problem.
 */
export function readWireList(text: string, circuit: Circuit, station: string): WireListRead {
  const lines = rowsOf(text) ?? linesOf(text);
  const reading: Reading = { circuit, wires: [], problems: [], numbers: new Map(), taken: new Set() };
  for (const line of lines.slice(0, MOST_WIRES)) readLine(line, reading, station);
  const { problems, wires } = reading;
  if (lines.length > MOST_WIRES)
    problems.push({
      line: lines[MOST_WIRES]!.line,
      message: `a unit may have ${MOST_WIRES} wires at most`,
      instead: [],
    });
  if (lines.length === 0)
    problems.push({ line: 1, message: 'there are no wires here yet: write one a line', instead: [] });
  const wired = intoUnit(circuit, reading.circuit, station, cablesOf(reading.circuit, wires));
  if (problems.length > 0) return { ok: false, problems, read: wires.length, soFar: wired };
  return { ok: true, circuit: wired, wires };
}
