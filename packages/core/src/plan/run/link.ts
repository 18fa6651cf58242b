/**
 * What a dead run outdoors carried, over a wireless link: a module beside the unit that takes the calls, one at the outdoor unit
 * that switches them from a transformer of its own, the commons joined there.
 */
import { NEW_WORLD, untilSteady } from '../../behaviour';
import type { Circuit, Device, TerminalId } from '../../circuit';
import {
  addDevice,
  addLink,
  findDevice,
  freeDeviceId,
  freeLinkId,
  lift,
  marksOf,
  splitTerminal,
} from '../../circuit';
import { PARTS, kindOf } from '../../devices';
import { compile, voltsBetween } from '../../network';
import type { ColourCode } from '../../standards';
import { addLeads } from '../field/cable';
import type { Carried, Landed, Line } from './lines';
import { linesOf } from './lines';

/** What a link carries, by what a conductor is for; the module's own mark outdoors and indoors. */
const CARRIES = {
  Y: { indoors: 'Y', outdoors: 'Y', colour: 'YE' },
  O: { indoors: 'O', outdoors: 'O', colour: 'OG' },
  D: { indoors: 'W', outdoors: 'W', colour: 'WH' },
} as const satisfies Record<Carried, { indoors: string; outdoors: string; colour: ColourCode }>;
interface LinkPlan {
  circuit: Circuit;
  /** Landings made for it. */
  landings: number;
}

/** Terminals of a contactor's line side: live whether its coil is in or not. */
const LINE_SIDE = ['L1', 'L2'] as const;
const LOAD_SIDE = 'T1';
/** Nameplate of the outdoor transformer: a contactor, a valve and two boards, with room. */
export const LINK_VA = 40;

/** Where the indoor module gets its 24 V: what the run took, or the hot and common of the unit it comes from. */
function supplyAt(circuit: Circuit, lines: readonly Line[]): { hot: TerminalId; common: TerminalId } | null {
  const of = (role: Line['role']) => lines.find((line) => line.role === role)?.indoors;
  const common = of('common');
  const home = common === undefined ? undefined : findDevice(circuit, splitTerminal(common).deviceId);
  const hot = of('hot') ?? (home && marksOf(home).includes('R') ? `${home.id}.R` : undefined);
  return hot !== undefined && common !== undefined ? { hot, common } : null;
}

/** The device outdoors with a line side that its own contacts do not switch. */
const contactorAt = ({ devices }: Circuit, station: string): Device | undefined =>
  devices.find(
    (device) =>
      device.station === station &&
      [...LINE_SIDE, LOAD_SIDE].every((mark) => marksOf(device).includes(mark)) &&
      !kindOf(device.kind).isolates,
  );

/** The tap of a transformer made for what stands between two terminals. */
function tapFor(circuit: Circuit, one: TerminalId, other: TerminalId): string | null {
  const inputs = { controls: {}, conditions: { indoorC: 22, outdoorC: 20 } };
  const { point } = untilSteady(compile(circuit), inputs, NEW_WORLD, 1);
  const volts = voltsBetween(point, one, other);
  const { taps } = kindOf(PARTS.transformer).primary!;
  const [nearest] = [...taps].sort((a, b) => Math.abs(a.volts - volts) - Math.abs(b.volts - volts));
  return nearest && Math.abs(nearest.volts - volts) < 0.1 * nearest.volts ? nearest.mark : null;
}

type Lead = readonly [colour: ColourCode, from: TerminalId, to: TerminalId];

interface Modules {
  inside: string;
  outside: string;
  transformer: string;
  fuse: string;
}

/** Leads of the modules: what feeds each, and each call to where the run carried it. */
function leadsOf(
  lines: readonly Line[],
  supply: { hot: TerminalId; common: TerminalId },
  { inside, outside, transformer, fuse }: Modules,
): { indoors: Lead[]; outdoors: Lead[] } {
  const calls = lines.flatMap(({ role, ...ends }) =>
    role === 'hot' || role === 'common' ? [] : [{ ends, ...CARRIES[role] }],
  );
  const passedOn = lines.flatMap(({ role, outdoors }): Lead[] => {
    if (role === 'hot') return [['RD', `${outside}.R`, outdoors]];
    return role === 'common' ? [['BU', `${outside}.C`, outdoors]] : [];
  });
  return {
    indoors: [
      ['RD', `${inside}.R`, supply.hot],
      ['BU', `${inside}.C`, supply.common],
      ...calls.map(({ colour, indoors, ends }): Lead => [colour, `${inside}.${indoors}`, ends.indoors]),
    ],
    outdoors: [
      ['RD', `${transformer}.R`, `${fuse}.1`],
      ['RD', `${fuse}.2`, `${outside}.R`],
      ['BU', `${transformer}.C`, `${outside}.C`],
      ...passedOn,
      ...calls.map(({ colour, outdoors, ends }): Lead => [colour, `${outside}.${outdoors}`, ends.outdoors]),
    ],
  };
}

/** The modules and the transformer in their places. */
function placed(
  circuit: Circuit,
  lines: readonly Line[],
  { inside, outside, transformer, fuse }: Modules,
): Circuit {
  const stationOf = (terminal: TerminalId) => findDevice(circuit, splitTerminal(terminal).deviceId)!.station;
  const { indoors, outdoors } = lines[0]!;
  const device = (id: string, kind: string, at: TerminalId, label: string, params = {}): Device => ({
    id,
    kind,
    station: stationOf(at),
    label,
    params,
    settings: {},
  });
  return [
    device(inside, PARTS.linkIndoor, indoors, 'Indoor module'),
    device(outside, PARTS.linkOutdoor, outdoors, 'Outdoor module'),
    device(transformer, PARTS.transformer, outdoors, 'Outdoor transformer', { va: LINK_VA }),
    device(fuse, PARTS.fuse, outdoors, 'Outdoor fuse'),
  ].reduce((now, one) => addDevice(now, one), circuit);
}

/** The feed of the outdoor transformer from the line side of the contactor, on the tap made for it. */
function feedOf(circuit: Circuit, lines: readonly Line[], transformer: string): Lead[] | null {
  const { station } = findDevice(circuit, splitTerminal(lines[0]!.outdoors).deviceId)!;
  const contactor = contactorAt(circuit, station);
  if (!contactor) return null;
  const [l1, l2] = LINE_SIDE.map((mark) => `${contactor.id}.${mark}`) as [TerminalId, TerminalId];
  const tap = tapFor(circuit, l1, l2);
  if (tap === null) return null;
  return [
    ['BK', l1, `${transformer}.${tap}`],
    ['RD', l2, `${transformer}.${kindOf(PARTS.transformer).primary!.common}`],
  ];
}

/** A run outdoors replaced by a link; `null` where a link does not carry what it carried. */
export function byLink(circuit: Circuit, carried: readonly Landed[]): LinkPlan | null {
  const lines = linesOf(circuit, carried);
  const supply = lines && supplyAt(circuit, lines);
  if (!lines || !supply) return null;
  const [inside, outside, transformer, fuse] = ['linkIn', 'linkOut', 'linkXfmr', 'linkFuse'].map((stem) =>
    freeDeviceId(circuit, stem),
  ) as [string, string, string, string];
  const modules = { inside, outside, transformer, fuse };
  const feed = feedOf(circuit, lines, transformer);
  if (!feed) return null;
  const off = carried.reduce((now, { id }) => lift(lift(now, id, 'from'), id, 'to'), circuit);
  const { indoors, outdoors } = leadsOf(lines, supply, modules);
  const bundles = [
    ['linkFeed', 'Outdoor transformer feed', feed],
    ['linkOutLeads', 'Outdoor module leads', outdoors],
    ['linkInLeads', 'Indoor module leads', indoors],
  ] as const;
  const led = bundles.reduce(
    (now, [stem, label, leads]) => addLeads(now, stem, label, leads),
    placed(off, lines, modules),
  );
  return {
    circuit: addLink(led, { id: freeLinkId(led), kind: 'jumper', joins: [`${outside}.R`, `${outside}.K`] }),
    landings: 2 * (feed.length + outdoors.length + indoors.length),
  };
}
