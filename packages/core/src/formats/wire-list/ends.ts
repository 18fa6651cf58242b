/** The end of a wire as a diagram says it, "capacitor FAN", and the terminal it is. */
import { distance } from 'fastest-levenshtein';
import type { Circuit, Device, TerminalId } from '../../circuit';
import { addDevice, designationAt, designationsOf, setValue } from '../../circuit';
import type { Designation, DeviceKind, Values } from '../../devices';
import { CATALOGUE, fill, kindOf } from '../../devices';

/** What is known of an end: where it is, or what is against it with what might have been meant. */
type EndRead =
  | { ok: true; circuit: Circuit; device: Device; mark: string | null }
  | { ok: false; message: string; instead: readonly string[] };

export const plain = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}/+-]+/gu, ' ')
    .trim();

/** Words about a terminal that say nothing of which. */
const FILLERS = /\b(terminal|term|pin|lead|side|screw|tab)\b/g;

interface Named {
  name: string;
  device: Device;
}

/** A part of the catalogue by one of the names it is known by. */
export interface Offered {
  name: string;
  kind: DeviceKind;
  params: Values;
}

/** Read anew at every key that is typed: a device that stays the same answers to what it did. */
const known = new WeakMap<Device, readonly Named[]>();

/** Names that a device answers to. */
function namesOf(device: Device): readonly Named[] {
  const before = known.get(device);
  if (before) return before;
  const kind = kindOf(device.kind);
  const params = fill(kind.params, device.params);
  const asSetUp = Object.entries(kind.known).flatMap(([name, as]) =>
    Object.entries(as).every(([param, value]) => params[param] === value) ? [name] : [],
  );
  // A joint goes by its label alone: there are many, and each joins something else.
  const names = kind.splices ? [device.label] : [device.label, kind.title, device.id, ...asSetUp];
  const named = [...new Set(names.map(plain))].map((name) => ({ name, device }));
  known.set(device, named);
  return named;
}

/** Names that the devices of a station answer to. */
const namesHere = (circuit: Circuit, station: string): Named[] =>
  circuit.devices.filter((device) => device.station === station).flatMap(namesOf);

/** Names that a part of the catalogue is known by on diagrams, and the title of what is one part and no other. */
export const OFFERED: readonly Offered[] = CATALOGUE.flatMap((kind) => {
  const known = Object.entries(kind.known);
  const names = known.some(([, params]) => Object.keys(params).length === 0)
    ? Object.entries({ [kind.title.toLowerCase()]: {}, ...kind.known })
    : known;
  return names.map(([name, params]) => ({ name: plain(name), kind, params }));
});

/** What is left of a text beside a name at its beginning or its end; `null` where the name is not there. */
function beside(text: string, name: string): string | null {
  if (text === name) return '';
  if (text.startsWith(`${name} `)) return text.slice(name.length + 1);
  return text.endsWith(` ${name}`) ? text.slice(0, -name.length - 1) : null;
}

const spelled = (mark: string) => plain(mark).replace(/[ +-]/g, '');

/** The mark that a word is, of designations; their aliases count. */
const markOf = (all: readonly Designation[], word: string): string | undefined =>
  all.find(({ mark, aliases = [] }) => [mark, ...aliases].some((one) => spelled(one) === spelled(word)))
    ?.mark;

/** A device with a mark it has only as set up otherwise: the one choice that brings it. */
function withMark(circuit: Circuit, device: Device, word: string): { circuit: Circuit; mark: string } | null {
  const kind = kindOf(device.kind);
  for (const [name, field] of Object.entries(kind.params)) {
    if (field.type !== 'choice') continue;
    for (const option of Object.keys(field.options)) {
      const params = { ...fill(kind.params, device.params), [name]: option };
      if (kind.conflict(params)) continue;
      const mark = markOf(kind.designations(params), word);
      if (mark) return { circuit: setValue(circuit, device.id, 'params', name, option), mark };
    }
  }
  return null;
}

function atDevice(circuit: Circuit, device: Device, rest: string): EndRead {
  const word = rest.replace(FILLERS, '').trim();
  const all = designationsOf(device);
  if (word === '') return { ok: true, circuit, device, mark: all.length === 1 ? all[0]!.mark : null };
  const mark = markOf(all, word);
  if (mark) return { ok: true, circuit, device, mark };
  const other = withMark(circuit, device, word);
  if (other) return { ok: true, circuit: other.circuit, device, mark: other.mark };
  const marks = all.map((one) => one.mark);
  return {
    ok: false,
    message: `${device.label} has no “${rest}”; it has ${marks.join(', ')}`,
    instead: marks.map((one) => `${device.label} ${one}`),
  };
}

const freeId = ({ devices }: Circuit, stem: string): string => {
  const taken = new Set(devices.map(({ id }) => id));
  for (let i = 1; ; i++) {
    const id = i === 1 ? stem : `${stem}${i}`;
    if (!taken.has(id)) return id;
  }
};

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** The label of a part that comes in with a list: its own title, or what tells it from another of its kind. */
export function labelOf({ kind, params, name }: Offered): string {
  const same = ({ name: longer, ...one }: Offered) =>
    one.kind === kind && longer.length > 3 && JSON.stringify(one.params) === JSON.stringify(params);
  const by = OFFERED.find(same)?.name ?? name;
  return Object.keys(params).length > 0 && by.length > 3 ? capital(by.replace(/ switch$/, '')) : kind.title;
}

function brought(circuit: Circuit, station: string, offer: Offered): { circuit: Circuit; device: Device } {
  const { kind, params } = offer;
  const label = labelOf(offer);
  const stem = label.toLowerCase().replace(/[^a-z0-9]+/g, '-');
  const device: Device = {
    id: freeId(circuit, stem),
    kind: kind.kind,
    station,
    label,
    params: { ...params },
    settings: {},
  };
  return { circuit: addDevice(circuit, device), device };
}

/** Names near to what was written, nearest first. */
function near(text: string, names: readonly string[], most: number): string[] {
  const off = (name: string) =>
    Math.min(distance(text, name), ...text.split(' ').map((word) => distance(word, name) + 1));
  const close = [...new Set(names)].filter((name) => off(name) <= Math.max(1, Math.floor(name.length / 3)));
  return close.sort((one, other) => off(one) - off(other)).slice(0, most);
}

/** A text with its word that is nearest to a name put right; the name alone where it is of several words. */
function mended(text: string, name: string): string {
  const words = text.split(' ');
  if (name.includes(' ')) return name;
  const nearest = words.reduce((best, word) => (distance(word, name) < distance(best, name) ? word : best));
  return words.map((word) => (word === nearest ? name : word)).join(' ');
}

/** How many likely meanings are offered. */
const MOST_OFFERED = 4;

/** A way to understand a text: a part by one of its names, and what is left of the text. */
interface Way {
  name: string;
  rest: string;
  /** Of the part, or of the kind that would come in: two ways to one of them are one. */
  id: string;
  read(): EndRead;
}

/** Every part a text may name, those by the longest name first; a part that stands there before one that would come in. */
function waysOf(circuit: Circuit, station: string, text: string): Way[] {
  const here = namesHere(circuit, station).flatMap(({ name, device }): Way[] => {
    const rest = beside(text, name);
    return rest === null ? [] : [{ name, rest, id: device.id, read: () => atDevice(circuit, device, rest) }];
  });
  const offered = OFFERED.flatMap((offer): Way[] => {
    const rest = beside(text, offer.name);
    if (rest === null || here.some(({ name }) => name === offer.name)) return [];
    const read = () => {
      const made = brought(circuit, station, offer);
      return atDevice(made.circuit, made.device, rest);
    };
    return [{ name: offer.name, rest, id: `new ${offer.kind.kind}`, read }];
  });
  return [...here, ...offered].sort((one, other) => other.name.length - one.name.length);
}

/** A terminal by its mark alone, where one part alone has it. */
function byMark(circuit: Circuit, station: string, text: string): EndRead | null {
  const having = circuit.devices.flatMap((device) => {
    const mark = device.station === station ? markOf(designationsOf(device), plain(text)) : undefined;
    return mark === undefined ? [] : [{ device, mark }];
  });
  const [only] = having;
  if (!only) return null;
  if (having.length === 1) return { ok: true, circuit, ...only };
  return {
    ok: false,
    message: `“${text}” is a terminal of ${having.map(({ device }) => device.label).join(' and of ')}: say which`,
    instead: having.map(({ device, mark }) => `${device.label} ${mark}`),
  };
}

/** Reads one end at a station; a part that is not there yet comes in when the catalogue knows its name. */
export function readEnd(circuit: Circuit, station: string, text: string): EndRead {
  const ways = waysOf(circuit, station, plain(text));
  const reads = ways.map((way) => ({ way, read: way.read() }));
  // What says part and terminal is surer than what says a part alone: "cap fan" is a terminal of the capacitor.
  const good = reads.filter(({ read }) => read.ok);
  const whole = good.filter(({ read, way }) => way.rest === '' || (read.ok && read.mark !== null));
  const [best] = whole;
  if (best) {
    const alike = whole.filter(({ way }) => way.name === best.way.name);
    const parts = [...new Map(alike.map((one) => [one.way.id, one])).values()];
    if (parts.length === 1) return best.read;
    const labels = parts.flatMap(({ read }) => (read.ok ? [read.device.label] : []));
    return {
      ok: false,
      message: `“${text}” may be ${labels.join(' or ')}`,
      instead: labels.map((label) => `${label} ${best.way.rest}`.trim()),
    };
  }
  const marked = byMark(circuit, station, text);
  if (marked) return marked;
  if (reads[0]) return reads[0].read;
  const names = near(
    plain(text),
    [...namesHere(circuit, station), ...OFFERED].map(({ name }) => name),
    MOST_OFFERED,
  );
  const meant =
    names.length > 0
      ? `; did you mean ${names.join(' or ')}?`
      : ': write a part and its terminal, as in capacitor FAN';
  return {
    ok: false,
    message: `no part is called “${text}”${meant}`,
    instead: names.map((name) => mended(text, name)),
  };
}

/** The terminal of an end whose mark was left out: what serves what the other end serves, or the only one that is free. */
export function inferMark(
  circuit: Circuit,
  device: Device,
  other: TerminalId | null,
  taken: ReadonlySet<TerminalId>,
): string | null {
  const all = designationsOf(device);
  const far = other === null ? undefined : designationAt(circuit, other);
  const serving = all.filter(({ serves }) => serves !== undefined && serves === far?.serves);
  if (serving.length === 1) return serving[0]!.mark;
  const free = all.filter(({ mark }) => !taken.has(`${device.id}.${mark}`));
  return free.length === 1 ? free[0]!.mark : null;
}
