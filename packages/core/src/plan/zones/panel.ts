/** A single-zone system made a zoned one: the panel, its transformer, its dampers and its thermostats, put in. */
import type { Circuit, Device, Station, TerminalId } from '../../circuit';
import {
  addDevice,
  findDevice,
  freeDeviceId,
  land,
  landedOn,
  marksOf,
  otherEnd,
  setValue,
  splitTerminal,
} from '../../circuit';
import { PARTS, kindOf } from '../../devices';
import type { Network } from '../../network';
import { compile, pathNets } from '../../network';
import type { ColourCode } from '../../standards';
import { customaryColours } from '../../survey';
import { addLeads } from '../field/cable';
import { commonAt } from '../field/common';
import type { ConductorFunction, Facts, Lead } from '../field/functions';
import { factsOf } from '../field/functions';
import { STRIP_MARKS } from '../field/marks';
import { withRooms } from './rooms';

export type Drive = 'power' | 'spring-open' | 'spring-closed';

/** What is wanted; the first zone is where the thermostat hangs now. */
export interface ZoneWish {
  thermostat: string;
  /** Rooms of the zones, and the length of the cable from each to the panel, m. */
  zones: readonly { name: string; lengthM: number }[];
  drive: Drive;
  bypass: 'motor' | 'weight' | 'none';
  hotFrom: 'equipment' | 'own';
}

const COUNT = ['two', 'three', 'four'] as const;
const MOST_ZONES = 4;

/** Why a circuit cannot be zoned as it is. */
export type ZoneObstacle = 'too-few' | 'too-many' | 'several-thermostats' | 'no-unit' | 'no-transformer';

/** Marks of a zone's strip, and of the panel's strip for the unit, by what a conductor does. */
const ZONE_MARK: Readonly<Partial<Record<ConductorFunction, string>>> = { ...STRIP_MARKS, valve: 'OB' };
const STAGED: ReadonlySet<ConductorFunction> = new Set(['Y2', 'W2', 'valve']);

const colourFor = (mark: string, taken: readonly ColourCode[]): ColourCode =>
  customaryColours(mark).find((code) => !taken.includes(code)) ?? customaryColours(mark)[0] ?? 'BN';

/** A device put in at a place. */
function put(
  circuit: Circuit,
  kind: string,
  stem: string,
  station: string,
  label: string,
  params: Device['params'] = {},
  settings: Device['settings'] = {},
): { circuit: Circuit; id: string } {
  const id = freeDeviceId(circuit, stem);
  return { circuit: addDevice(circuit, { id, kind, station, label, params, settings }), id };
}

/** Where a primary beside another takes its two sides: behind the switch of the same unit, where there is one. */
function primaryOf(circuit: Circuit, network: Network, beside: Device) {
  const { taps, common } = kindOf(beside.kind).primary!;
  const tap = taps.find(({ mark }) => landedOn(circuit, `${beside.id}.${mark}`).length > 0);
  const far = (mark: string): TerminalId | null => {
    const [landed] = landedOn(circuit, `${beside.id}.${mark}`);
    return landed ? landed.conductor[otherEnd(landed.end)] : null;
  };
  if (!tap) return null;
  const [hot, other] = [far(tap.mark), far(common)];
  if (hot === null || other === null) return null;
  const behind = (terminal: TerminalId): TerminalId => {
    const handle = network.devices.find(
      ({ device, kind }) => kind.isolates && device.station === beside.station,
    );
    if (!handle) return terminal;
    const contacts = handle.kind.interrupts.flatMap((id) => handle.branches.get(id) ?? []);
    const nets = pathNets(network, new Set(contacts));
    const mark = marksOf(handle.device).find(
      (one) => nets(network.indexOf(`${handle.device.id}.${one}`)) === nets(network.indexOf(terminal)),
    );
    return mark === undefined ? terminal : `${handle.device.id}.${mark}`;
  };
  return { tap: tap.mark, hot: behind(hot), common, other: behind(other) };
}

interface Job {
  wish: ZoneWish;
  facts: Facts;
  stat: Device;
  /** Where unit and panel are. */
  plant: string;
  panel: string;
}

/** The leads of the thermostat that go somewhere and do something. */
const usedLeads = ({ leads }: Facts): (Lead & { far: TerminalId })[] =>
  leads.filter(
    (lead): lead is Lead & { far: TerminalId } => lead.far !== null && ZONE_MARK[lead.role] !== undefined,
  );

/** The panel's cable to the unit, where the thermostat's conductors were; C always. */
function toUnit(circuit: Circuit, { facts, panel }: Job, common: TerminalId): Circuit {
  const used = usedLeads(facts);
  const unitMark = ({ role }: Lead) => (role === 'valve' ? facts.valve! : ZONE_MARK[role]!);
  const wanted = [
    ...used.map((lead) => ({ mark: unitMark(lead), at: lead.far })),
    ...(used.some(({ role }) => role === 'common') ? [] : [{ mark: 'C', at: common }]),
  ];
  const taken: ColourCode[] = [];
  const leads = wanted.map(({ mark, at }) => {
    const colour = colourFor(mark, taken);
    taken.push(colour);
    return [colour, `${panel}.${mark}`, at] as const;
  });
  return addLeads(circuit, 'unitCable', 'Panel to unit', leads, 2);
}

/** The thermostat's own cable, from the unit to the first strip. */
const firstZone = (circuit: Circuit, { facts, stat, panel }: Job): Circuit =>
  usedLeads(facts).reduce(
    (now, { conductor, end, role }) =>
      land(now, conductor.id, otherEnd(end), `${panel}.1${ZONE_MARK[role]!}`),
    setValue(circuit, stat.id, 'params', 'zone', '1'),
  );

/** A further zone's thermostat, like the first but always with C, on a cable of its own. */
function furtherZone(circuit: Circuit, { wish, facts, stat, panel }: Job, i: number): Circuit {
  const { name, lengthM } = wish.zones[i]!;
  const n = `${i + 1}`;
  const room: Station = { id: `room-${freeDeviceId(circuit, 'zone')}`, kind: 'room', name, access: 2 };
  const withRoom = { ...circuit, stations: [...circuit.stations, room] };
  const hasC = facts.leads.some(({ role, far }) => role === 'common' && far !== null);
  const added = put(
    withRoom,
    stat.kind,
    'stat',
    room.id,
    `Thermostat ${name}`,
    { ...stat.params, zone: n, ...(!hasC && { supply: 'wired', terminals: 'five' }) },
    stat.settings,
  );
  const used = usedLeads(facts);
  const marks = [
    ...used.map(({ mark, role }) => ({ screw: mark, strip: ZONE_MARK[role]! })),
    ...(hasC ? [] : [{ screw: 'C', strip: 'C' }]),
  ];
  const taken: ColourCode[] = [];
  const leads = marks.map(({ screw, strip }) => {
    const colour = colourFor(screw, taken);
    taken.push(colour);
    return [colour, `${added.id}.${screw}`, `${panel}.${n}${strip}`] as const;
  });
  return addLeads(added.circuit, `statCable${n}`, `Thermostat cable ${n}`, leads, lengthM);
}

/** A zone's damper on its outputs. */
function damper(circuit: Circuit, { wish: { drive }, plant, panel }: Job, i: number): Circuit {
  const n = `${i + 1}`;
  const added = put(circuit, PARTS.damper, `damper${n}`, plant, `Damper ${n}`, {
    zone: n,
    ...(drive !== 'power' && { drive }),
  });
  const leads = marksOf(findDevice(added.circuit, added.id)!).map((mark) => {
    const colour: ColourCode = mark === 'COM' ? 'BU' : mark === 'OPEN' ? 'RD' : 'WH';
    return [colour, `${panel}.${n}${mark}`, `${added.id}.${mark}`] as const;
  });
  return addLeads(added.circuit, `damperCable${n}`, `Damper cable ${n}`, leads, 4);
}

/** A transformer of the panel's own with its fuse, behind the unit's switch. */
function supplied(circuit: Circuit, { plant, panel }: Job, beside: Device, va: number): Circuit | null {
  const primary = primaryOf(circuit, compile(circuit), beside);
  if (!primary) return null;
  const transformer = put(circuit, PARTS.transformer, 'zoneXfmr', plant, 'Zone transformer', { va });
  const fuse = put(transformer.circuit, PARTS.fuse, 'zoneFuse', plant, 'Zone fuse');
  const [x, f] = [transformer.id, fuse.id];
  return addLeads(
    fuse.circuit,
    'zoneLeads',
    'Zone leads',
    [
      ['BK', primary.hot, `${x}.${primary.tap}`],
      ['WH', primary.other, `${x}.${primary.common}`],
      ['RD', `${x}.R`, `${f}.1`],
      ['RD', `${f}.2`, `${panel}.24H`],
      ['BU', `${x}.C`, `${panel}.24C`],
    ],
    1.2,
  );
}

/** A bypass by a motor on the panel's own supply, or by a weight. */
function withBypass(circuit: Circuit, { wish: { bypass }, plant, panel }: Job): Circuit {
  if (bypass === 'none') return circuit;
  const added = put(circuit, PARTS.bypass, 'bypass', plant, 'Bypass damper', { moved: bypass });
  if (bypass === 'weight') return added.circuit;
  return addLeads(
    added.circuit,
    'bypassLeads',
    'Bypass leads',
    [
      ['RD', `${panel}.24H`, `${added.id}.R`],
      ['BU', `${panel}.24C`, `${added.id}.C`],
    ],
    2,
  );
}

/** Transformer of its own, by how much hangs on it: tried in turn until the proof is content. */
export const OWN_VA = [40, 75] as const;

/**
 * The circuit with everything put in, unproven.
 *
 * @param va - of the panel's own transformer.
 */
export function zonedCircuit(circuit: Circuit, wish: ZoneWish, va: number): Circuit | ZoneObstacle {
  const stats = circuit.devices.filter(({ kind }) => kindOf(kind).asks);
  if (wish.zones.length < 2) return 'too-few';
  if (wish.zones.length > MOST_ZONES) return 'too-many';
  if (stats.length !== 1) return 'several-thermostats';
  const stat = findDevice(circuit, wish.thermostat)!;
  const facts = factsOf(circuit, wish.thermostat);
  const used = usedLeads(facts);
  const hot = used.find(({ role }) => role === 'hot');
  if (!hot || used.length < 2) return 'no-unit';
  const common = used.find(({ role }) => role === 'common')?.far ?? commonAt(circuit, hot);
  const network = compile(circuit);
  const source = network.secondaries.find((one) => network.nodes[one.common] === hot.domain);
  const beside = source && findDevice(circuit, source.device);
  if (!common || !beside || !kindOf(beside.kind).primary) return 'no-transformer';
  const plant = findDevice(circuit, splitTerminal(hot.far).deviceId)!.station;
  const added = put(
    circuit,
    PARTS.zonePanel,
    'panel',
    plant,
    'Zone panel',
    {
      zones: COUNT[wish.zones.length - 2]!,
      ...(used.some(({ role }) => STAGED.has(role)) && { strip: 'staged' }),
      ...(wish.hotFrom === 'own' && { hotFrom: 'own' }),
    },
    {
      ...(facts.heatPump && { unit: 'pump', thermostats: 'pump', valve: facts.valve ?? 'O' }),
      ...(used.some(({ role }) => STAGED.has(role)) && { staging: 'asked' }),
      // Strips on a relay of their own have no fan unless somebody calls it.
      ...(!facts.fanWithHeat && { fanWithHeat: 'panel' }),
    },
  );
  const job: Job = { wish, facts, stat, plant, panel: added.id };
  const fed = supplied(toUnit(firstZone(added.circuit, job), job, common), job, beside, va);
  if (!fed) return 'no-transformer';
  const rooms = wish.zones.reduce((now, _, i) => (i === 0 ? now : furtherZone(now, job, i)), fed);
  const dampers = wish.zones.reduce((now, _, i) => damper(now, job, i), rooms);
  const named = withBypass(dampers, job);
  const withDucts = named.devices.some(({ kind }) => kindOf(kind).conveys)
    ? named
    : put(named, PARTS.ducts, 'ducts', plant, 'Ducts', {
        zones: COUNT[wish.zones.length - 2]!,
        bypassMm: wish.bypass === 'none' ? 0 : 250,
      }).circuit;
  return withRooms(withDucts, wish.zones.length, plant);
}
