/** What the as-found record shows at once: ends that do not agree, a colour missing, a contradiction. */
import type { Cable, Circuit, Conductor, TerminalId } from '../circuit';
import { findDevice, hasTerminal, isSplice, landedOn, nodeName, splitTerminal } from '../circuit';
import { fill, kindOf } from '../devices';
import { colourName } from '../standards';
import { customaryColours } from './customary';
import type { Survey } from './document';

export interface Finding {
  severity: 'fault' | 'caution' | 'hint';
  text: string;
  /** Conductor or terminal it is about. */
  about: string;
}

/** Letters a terminal answers to: its mark and its aliases. */
function lettersOf(circuit: Circuit, terminal: TerminalId): Set<string> {
  const { deviceId, mark } = splitTerminal(terminal);
  const device = findDevice(circuit, deviceId)!;
  const kind = kindOf(device.kind);
  // A splice is named for what it splices.
  if (kind.splices) return new Set([device.label.split(' ')[0]!]);
  const found = kind.designations(fill(kind.params, device.params)).find((entry) => entry.mark === mark);
  return new Set([mark, ...(found?.aliases ?? [])]);
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

function ofConductor(circuit: Circuit, cable: Cable, { id, colour, from, to, tag }: Conductor): Finding[] {
  const name = `${colourName(colour)} of ${cable.label}`;
  const landed = from ?? to;
  if (from !== null && to !== null)
    return agree(circuit, from, to)
      ? []
      : [
          {
            severity: 'fault',
            about: id,
            text: `The two ends of ${name} do not agree: ${nodeName(circuit, from)} and ${nodeName(circuit, to)}.`,
          },
        ];
  if (landed === null) return [];
  return [
    {
      severity: 'caution',
      about: id,
      text:
        tag === 'spare'
          ? `${name} is on ${nodeName(circuit, landed)} and landed nowhere at the other end.`
          : `${name} is on ${nodeName(circuit, landed)}; at the other end it is landed nowhere or not yet seen.`,
    },
  ];
}

function unusual(circuit: Circuit, cable: Cable, { id, colour, from, to }: Conductor): Finding[] {
  const terminals = [from, to].filter((terminal) => terminal !== null);
  const outdoors = terminals.some((terminal) => {
    const device = findDevice(circuit, splitTerminal(terminal).deviceId);
    return circuit.stations.find(({ id: station }) => station === device?.station)?.kind === 'outdoor';
  });
  const letters = terminals.flatMap((terminal) => [...lettersOf(circuit, terminal)]);
  const customary = letters.flatMap((letter) => customaryColours(letter, outdoors));
  if (customary.length === 0 || customary.includes(colour)) return [];
  return [
    {
      severity: 'hint',
      about: id,
      text: `${colourName(colour)} of ${cable.label} is unusual on ${splitTerminal(terminals[0]!).mark}; trust the terminal, not the colour.`,
    },
  ];
}

/** Contradictions between what is landed and how the thermostats are set. */
function setUps(circuit: Circuit): Finding[] {
  return circuit.devices.flatMap((device): Finding[] => {
    const kind = kindOf(device.kind);
    if (!kind.asks) return [];
    const settings = fill(kind.settings, device.settings);
    const on = (mark: string) =>
      hasTerminal(circuit, `${device.id}.${mark}`) && landedOn(circuit, `${device.id}.${mark}`).length > 0;
    const valve = ['O', 'B', 'OB'].find(on);
    const found: Finding[] = [];
    const add = (text: string) => found.push({ severity: 'fault', about: device.id, text });
    if (valve && settings.system === 'conventional')
      add(`A wire on ${valve} at ${device.label}, but it is set conventional: O or B means a heat pump.`);
    if (on('RC') && on('RH') && settings.joiner === 'in')
      found.push({
        severity: 'caution',
        about: device.id,
        text: `Two hot wires at ${device.label} and the joiner in: find out whether there really are two transformers before you leave it in.`,
      });
    if (on('RC') !== on('RH') && settings.joiner === 'out' && hasTerminal(circuit, `${device.id}.RH`))
      if (on('RC') || on('RH'))
        add(
          `One hot wire at ${device.label} and the joiner out: ${on('RC') ? 'heating' : 'cooling'} has no hot.`,
        );
    return found;
  });
}

const GRAVITY: Record<Finding['severity'], number> = { fault: 0, caution: 1, hint: 2 };

/** Everything the record shows, the gravest first. */
export function findingsOf(circuit: Circuit, { runs }: Pick<Survey, 'runs'>): Finding[] {
  const surveyed = new Set(runs.map(({ cable }) => cable));
  const conductors = circuit.cables
    .filter(({ id }) => surveyed.has(id))
    .flatMap((cable) => cable.conductors.map((conductor) => ({ cable, conductor })));
  return [
    ...conductors.flatMap(({ cable, conductor }) => ofConductor(circuit, cable, conductor)),
    ...conductors.flatMap(({ cable, conductor }) => unusual(circuit, cable, conductor)),
    ...setUps(circuit),
  ].sort((one, other) => GRAVITY[one.severity] - GRAVITY[other.severity]);
}
