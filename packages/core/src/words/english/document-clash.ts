/** What two people changed differently in a document, told. */
import type { Clash, Side } from '../../merge';

/** What a document is called where something in it is asked about. */
const DOCUMENTS: Readonly<Record<string, string>> = {
  survey: 'the survey',
  plan: 'the landing list',
  diagnosis: 'the search for the fault',
  building: 'the building',
};

/** Parts of documents, as far as their names are not what people call them. */
const PARTS: Readonly<Record<string, string>> = {
  answers: 'answer',
  system: 'the system',
  runs: 'cable',
  unit: 'unit',
  units: 'unit',
  wires: 'wire',
  swap: 'the swap',
  after: 'the planned wiring',
  before: 'the wiring as found',
  reasons: 'reason',
  trying: 'what is being tried',
  pairs: 'looking for two faults',
  telephone: 'asking by telephone',
  serves: 'what it is labeled to serve',
  found: 'what it was found to serve',
  looks: 'look',
  detectors: 'detector',
  stations: 'wall station',
  thermostats: 'wall thermostat',
  air: 'fan or damper',
};

export function documentClashTitle(name: string, { path, mine, theirs }: Clash): string {
  const whole = DOCUMENTS[name] ?? name;
  if (path.length === 0) return whole;
  const labels = [mine, theirs].flatMap((side) => labelOf(side) ?? []);
  const words = path.map((part) => PARTS[part] ?? part);
  return `${words.join(', ')}${labels[0] ? ` (${labels[0]})` : ''}, in ${whole}`;
}

function labelOf(value: unknown): string | undefined {
  const { label, title } = (typeof value === 'object' && value !== null ? value : {}) as Record<
    string,
    unknown
  >;
  return [title, label].find((text): text is string => typeof text === 'string' && text !== '');
}

/** What one of them made of it. */
export function documentClashSide(clash: Clash, side: Side): string {
  const value = clash[side];
  if (value === undefined) return 'removed';
  if (value === null) return clash.path.length === 0 ? 'put away' : 'not known';
  if (typeof value === 'string') return value === '' ? 'left empty' : value;
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') return String(value);
  const label = labelOf(value);
  const done = (value as { events?: readonly unknown[] }).events?.length;
  if (label !== undefined) return done ? `${label}, ${done} entries in its list` : label;
  return 'changed';
}
