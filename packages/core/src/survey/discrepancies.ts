/** What the as-found record shows at once: ends that do not agree, a colour missing, a contradiction. */
import type { Circuit, Conductor, TerminalId } from '../circuit';
import { designationAt, findDevice, hasTerminal, isSplice, landedOn, splitTerminal } from '../circuit';
import { fill, kindOf } from '../devices';
import { customaryColours } from './customary';
import type { Survey } from './document';

/** What does not agree, as a code with ids. `about` is a conductor, or a thermostat. */
export type Discrepancy = {
  severity: 'fault' | 'caution' | 'hint';
  about: string;
} & (
  | { type: 'ends'; from: TerminalId; to: TerminalId }
  /** Landed at one end; meant to be so where it is a spare. */
  | { type: 'one-ended'; landed: TerminalId; isSpare: boolean }
  | { type: 'unusual-colour'; terminal: TerminalId }
  /** A reversing valve's wire at a thermostat that is set conventional. */
  | { type: 'valve'; mark: string }
  /** Two hots at a thermostat whose joiner is in. */
  | { type: 'joined-hots' }
  /** One hot at a thermostat whose joiner is out: what it leaves without. */
  | { type: 'no-hot'; call: 'heat' | 'cool' }
);

/** Letters a terminal answers to: its mark and its aliases. */
function lettersOf(circuit: Circuit, terminal: TerminalId): Set<string> {
  const { deviceId, mark } = splitTerminal(terminal);
  const device = findDevice(circuit, deviceId)!;
  // A splice is named for what it splices.
  if (kindOf(device.kind).splices) return new Set([device.label.split(' ')[0]!]);
  return new Set([mark, ...(designationAt(circuit, terminal)?.aliases ?? [])]);
}

/** Marks of the same family that meet on purpose: every hot, and a valve under any of its names. */
const FAMILIES: readonly (readonly string[])[] = [
  ['R', 'RC', 'RH', 'T1'],
  ['O', 'B', 'OB', 'O/B'],
  ['Y', 'Y1'],
  ['W', 'W1', 'T2', 'AUX', 'W2', 'E', 'D', 'H1', 'OPEN'],
  ['C', 'X', 'COM', 'A2'],
];

/** Terminals whose name says nothing about what lands there. */
const NEUTRAL = /^(NC|NO|COM|\d|A1|A2|OPEN|NUT|H1)$/;

function agree(circuit: Circuit, one: TerminalId, other: TerminalId): boolean {
  const [first, second] = [lettersOf(circuit, one), lettersOf(circuit, other)];
  if (
    [splitTerminal(one), splitTerminal(other)].some(
      ({ mark, deviceId }) => NEUTRAL.test(mark) && !isSplice(circuit, `${deviceId}.${mark}`),
    )
  )
    return true;
  if ([...first].some((letter) => second.has(letter))) return true;
  return FAMILIES.some(
    (family) => family.some((letter) => first.has(letter)) && family.some((letter) => second.has(letter)),
  );
}

function ofConductor(circuit: Circuit, { id, from, to, tag }: Conductor): Discrepancy[] {
  const landed = from ?? to;
  if (from !== null && to !== null)
    return agree(circuit, from, to) ? [] : [{ severity: 'fault', about: id, type: 'ends', from, to }];
  if (landed === null) return [];
  return [{ severity: 'caution', about: id, type: 'one-ended', landed, isSpare: tag === 'spare' }];
}

function unusual(circuit: Circuit, { id, colour, from, to }: Conductor): Discrepancy[] {
  const terminals = [from, to].filter((terminal) => terminal !== null);
  const outdoors = terminals.some((terminal) => {
    const device = findDevice(circuit, splitTerminal(terminal).deviceId);
    return circuit.stations.find(({ id: station }) => station === device?.station)?.kind === 'outdoor';
  });
  const letters = terminals.flatMap((terminal) => [...lettersOf(circuit, terminal)]);
  const customary = letters.flatMap((letter) => customaryColours(letter, outdoors));
  if (customary.length === 0 || customary.includes(colour)) return [];
  return [{ severity: 'hint', about: id, type: 'unusual-colour', terminal: terminals[0]! }];
}

/** Contradictions between what is landed and how the thermostats are set. */
function setUps(circuit: Circuit): Discrepancy[] {
  return circuit.devices.flatMap((device): Discrepancy[] => {
    const kind = kindOf(device.kind);
    if (!kind.asks) return [];
    const settings = fill(kind.settings, device.settings);
    const on = (mark: string) =>
      hasTerminal(circuit, `${device.id}.${mark}`) && landedOn(circuit, `${device.id}.${mark}`).length > 0;
    const valve = ['O', 'B', 'OB'].find(on);
    const found: Discrepancy[] = [];
    const fault = { severity: 'fault', about: device.id } as const;
    if (valve && settings.system === 'conventional') found.push({ ...fault, type: 'valve', mark: valve });
    if (on('RC') && on('RH') && settings.joiner === 'in')
      found.push({ ...fault, severity: 'caution', type: 'joined-hots' });
    if (on('RC') !== on('RH') && settings.joiner === 'out' && hasTerminal(circuit, `${device.id}.RH`))
      if (on('RC') || on('RH')) found.push({ ...fault, type: 'no-hot', call: on('RC') ? 'heat' : 'cool' });
    return found;
  });
}

const GRAVITY: Record<Discrepancy['severity'], number> = { fault: 0, caution: 1, hint: 2 };

/** Everything the record shows, the gravest first. */
export function discrepanciesOf(circuit: Circuit, { runs }: Pick<Survey, 'runs'>): Discrepancy[] {
  const surveyed = new Set(runs.map(({ cable }) => cable));
  const conductors = circuit.cables.filter(({ id }) => surveyed.has(id)).flatMap((cable) => cable.conductors);
  return [
    ...conductors.flatMap((conductor) => ofConductor(circuit, conductor)),
    ...conductors.flatMap((conductor) => unusual(circuit, conductor)),
    ...setUps(circuit),
  ].sort((one, other) => GRAVITY[one.severity] - GRAVITY[other.severity]);
}
