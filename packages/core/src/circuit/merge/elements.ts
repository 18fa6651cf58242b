/** A circuit taken apart into what two people may change apart from one another, and put together again. */
import { splitTerminal } from '../terminals';
import type { Cable, Circuit, Conductor, Device, Link, Station, TerminalId } from '../types';
import { ENDS } from '../types';

export type ElementType = 'circuit' | 'station' | 'device' | 'cable' | 'conductor' | 'link';

/** What is compared of an element, field by field. A field that is not there is one that is left to its default. */
export type Fields = ReadonlyMap<string, unknown>;

export interface Part {
  type: ElementType;
  id: string;
  fields: Fields;
}

/** Elements by `type id`, in the order of the document. */
export type Parts = ReadonlyMap<string, Part>;

export const partKey = (type: ElementType, id: string): string => `${type} ${id}`;

/** Records inside an element, each name of them a field of its own. */
const RECORDS = ['params', 'settings', 'mains'] as const;

function fieldsOf(element: object, but: readonly string[] = []): Fields {
  const fields = new Map<string, unknown>();
  for (const [name, value] of Object.entries(element)) {
    if (name === 'id' || but.includes(name) || value === undefined) continue;
    if ((RECORDS as readonly string[]).includes(name))
      for (const [inner, own] of Object.entries(value as object)) fields.set(`${name}.${inner}`, own);
    else fields.set(name, value);
  }
  return fields;
}

/** Every element of a circuit; a conductor knows its cable. */
export function partsOf(circuit: Circuit): Parts {
  const { name, mains, stations, devices, cables, links } = circuit;
  const all: Part[] = [{ type: 'circuit', id: '', fields: fieldsOf({ name, mains }) }];
  const add = (type: ElementType, element: { id: string }, but?: readonly string[]) =>
    all.push({ type, id: element.id, fields: fieldsOf(element, but) });
  for (const station of stations) add('station', station);
  for (const device of devices) add('device', device);
  for (const cable of cables) {
    add('cable', cable, ['conductors']);
    for (const conductor of cable.conductors)
      add('conductor', { ...conductor, cable: cable.id } as Conductor);
  }
  for (const link of links) add('link', link);
  return new Map(all.map((part) => [partKey(part.type, part.id), part]));
}

/** An element as the document has it; records that have no field stay empty ones. */
function elementOf<T>({ id, fields }: Part, records: readonly string[] = []): T {
  const element: Record<string, unknown> = { id };
  for (const record of records) element[record] = {};
  for (const [path, value] of fields) {
    const [record = '', name] = path.split('.');
    if (name !== undefined && records.includes(record))
      (element[record] as Record<string, unknown>)[name] = value;
    else element[path] = value;
  }
  return element as T;
}

/** The circuit that elements make, in their order. */
export function circuitOf({ format, version }: Circuit, parts: Iterable<Part>): Circuit {
  const of = (type: ElementType) => [...all].filter((part) => part.type === type);
  const all = [...parts];
  const { name, mains } = elementOf<Pick<Circuit, 'name' | 'mains'>>(of('circuit')[0]!, ['mains']);
  const conductors = of('conductor').map((part) => elementOf<Conductor & { cable: string }>(part));
  return {
    format,
    version,
    name,
    mains,
    stations: of('station').map((part) => elementOf<Station>(part)),
    devices: of('device').map((part) => elementOf<Device>(part, ['params', 'settings'])),
    cables: of('cable').map((part) => ({
      ...elementOf<Omit<Cable, 'conductors'>>(part),
      conductors: conductors.flatMap(({ cable, ...conductor }) => (cable === part.id ? [conductor] : [])),
    })),
    links: of('link').map((part) => elementOf<Link>(part)),
  };
}

/** Values of fields are plain and as JSON has them. */
export const sameValue = (one: unknown, other: unknown): boolean =>
  one === other || JSON.stringify(one) === JSON.stringify(other);

export const samePart = (one: Part | undefined, other: Part | undefined): boolean =>
  one === other ||
  (one !== undefined &&
    other !== undefined &&
    one.fields.size === other.fields.size &&
    [...one.fields].every(([name, value]) => sameValue(value, other.fields.get(name))));

const deviceKey = (terminal: unknown): string[] =>
  typeof terminal === 'string' ? [partKey('device', splitTerminal(terminal).deviceId)] : [];

/** Elements that an element names: a device its station, a conductor its cable and the devices it is landed on. */
export function namedBy({ type, fields }: Part): string[] {
  if (type === 'device') return [partKey('station', String(fields.get('station')))];
  if (type === 'link') return (fields.get('joins') as TerminalId[]).flatMap(deviceKey);
  if (type !== 'conductor') return [];
  const ends = ENDS.flatMap((end) => deviceKey(fields.get(end)));
  return [partKey('cable', String(fields.get('cable'))), ...ends];
}

/** An element with another name for itself and for what it names. */
export function renamed({ type, id, fields }: Part, names: ReadonlyMap<string, string>): Part {
  const name = (of: ElementType, old: string) => names.get(partKey(of, old)) ?? old;
  const terminal = (old: unknown) => {
    if (typeof old !== 'string') return old;
    const { deviceId, mark } = splitTerminal(old);
    return `${name('device', deviceId)}.${mark}`;
  };
  const changed = new Map(
    [...fields].map(([field, value]): [string, unknown] => {
      if (type === 'device' && field === 'station') return [field, name('station', String(value))];
      if (type === 'conductor' && field === 'cable') return [field, name('cable', String(value))];
      if (type === 'conductor' && (field === 'from' || field === 'to')) return [field, terminal(value)];
      if (type === 'link' && field === 'joins') return [field, (value as TerminalId[]).map(terminal)];
      return [field, value];
    }),
  );
  return { type, id: name(type, id), fields: changed };
}
