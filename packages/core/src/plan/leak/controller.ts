/**
 * A leak controller put between thermostat and unit: which conductors move up to its strip, which leads of its harness land and
 * which stay free, how it is set and why, what its test does in cooling and in heating; the whole proven.
 */
import type { Circuit, Conductor, Device, TerminalId } from '../../circuit';
import {
  addCable,
  addDevice,
  findDevice,
  freeCableId,
  freeDeviceId,
  land,
  landedOn,
  marksOf,
  otherEnd,
  splitTerminal,
} from '../../circuit';
import { PARTS, kindOf, loadsOf } from '../../devices';
import type { Finding, Proof } from '../../prove';
import { prove, supply, tripsOf } from '../../prove';
import type { ColourCode } from '../../standards';
import { COLOUR_CODES } from '../../standards';
import { customaryColours } from '../../survey';
import { LANDING_MINUTES } from '../field/cable';
import { commonAt } from '../field/common';
import type { ConductorFunction, Facts, Lead } from '../field/functions';
import { factsOf } from '../field/functions';
import { STRIP_MARKS } from '../field/marks';
import type { Part } from '../field/part';
import { landedEnds, pigtailed } from '../field/pigtail';
import { harmOf } from '../harm';
import type { Tripped } from '../insert/effects';
import { whatTripDoes } from '../insert/effects';

/** What turns the indoor fan: a motor with taps for its speeds, or one with many pins that is told its speed. */
export type FanMotor = 'taps' | 'pins';

export interface LeakWish {
  thermostat: string;
  motor: FanMotor;
}

/** Why one cannot be put in as the circuit is. */
export type LeakObstacle =
  | 'there-already'
  | 'no-refrigerant'
  | 'several-thermostats'
  /** The thermostat talks over a data pair: no conductor carries a call that could be dropped. */
  | 'talks'
  /** Hots of two transformers at the thermostat: one controller passes one. */
  | 'two-hots'
  | 'no-unit'
  | 'no-common'
  | 'no-fan';

/** A conductor of the thermostat that goes up to the strip. */
export interface MovedUp {
  conductor: string;
  from: TerminalId;
  to: TerminalId;
}

/**
 * A lead of the harness. A free one is landed nowhere: it is insulated by itself, or cut off flush where nothing can touch, as
 * some do; it is no part of the circuit either way.
 */
export interface HarnessLead {
  mark: string;
  to: TerminalId | null;
}

export interface LeakPlan {
  circuit: Circuit;
  controller: string;
  moved: readonly MovedUp[];
  /** What stays on the unit's screws beside the harness: the outdoor unit's own. */
  stays: readonly { conductor: string; at: TerminalId }[];
  harness: readonly HarnessLead[];
  settings: readonly { name: string; value: string; because: FanMotor }[];
  /** What its test does, call by call, and how long all waits after it. */
  tests: readonly Tripped[];
  parts: readonly Part[];
  minutes: number;
  proof: Proof;
  harm: readonly Finding[];
}

/** Minutes to mount it and put its sensor into the coil, and to insulate or cut one lead; from memory. */
const MOUNT_MINUTES = 30;
const FREE_MINUTES = 0.5;
const HARNESS_M = 0.8;

/** Marks of the harness by what a conductor does; its strip has the same with a T before. */
const MARK: Readonly<Partial<Record<ConductorFunction, string>>> = { ...STRIP_MARKS, valve: 'O' };
const STAGED: ReadonlySet<string> = new Set(['Y2', 'W2', 'O']);
/** The lead that tells a unit with a terminal for it. */
const LEAK = 'LK';
const stripMark = (mark: string) => `T${mark}`;

type Used = Lead & { far: TerminalId };

const usedOf = ({ leads }: Facts): Used[] =>
  leads.filter((lead): lead is Used => lead.far !== null && MARK[lead.role] !== undefined);

/** Where the unit is called for its fan: as the thermostat does, or the terminal of that name beside its others. */
function fanAt(circuit: Circuit, used: readonly Used[], home: Device): TerminalId | null {
  const called = used.find(({ role }) => role === 'G');
  if (called) return called.far;
  return marksOf(home).includes('G') ? `${home.id}.G` : null;
}

/** Terminals of the unit that every harness must reach, by mark; beside them where the thermostat's conductors were. */
function wantedOf({ used, common, fan, leak }: Place): Map<string, TerminalId> {
  const wanted = new Map(used.map(({ role, far }) => [MARK[role]!, far]));
  return new Map([
    ...wanted,
    ['C', wanted.get('C') ?? common],
    ['G', wanted.get('G') ?? fan],
    ...(leak === null ? [] : [[LEAK, leak] as const]),
  ]);
}

/** The harness: the leads that land, and the marks of those that stay free. */
function withHarness(
  circuit: Circuit,
  id: string,
  wanted: ReadonlyMap<string, TerminalId>,
): { circuit: Circuit; harness: HarnessLead[] } {
  const marks = marksOf(findDevice(circuit, id)!);
  const ofStrip = new Set(marks.map(stripMark));
  const harness = marks
    .filter((mark) => !ofStrip.has(mark))
    .map((mark): HarnessLead => ({ mark, to: wanted.get(mark) ?? null }));
  const taken: ColourCode[] = [];
  const cable = freeCableId(circuit, `${id}Leads`);
  const conductors = harness.flatMap(({ mark, to }): Conductor[] => {
    if (to === null) return [];
    const colour = [...customaryColours(mark), ...COLOUR_CODES].find((code) => !taken.includes(code))!;
    taken.push(colour);
    return [{ id: `${cable}-${mark}`, colour, from: `${id}.${mark}`, to }];
  });
  return {
    circuit: addCable(circuit, { id: cable, label: 'Harness', gauge: 18, lengthM: HARNESS_M, conductors }),
    harness,
  };
}

/** How it is set, and why: a motor with many pins makes its own of Y; one with taps is told by G. */
const settingsFor = (motor: FanMotor): LeakPlan['settings'] => [
  { name: 'addsFan', value: motor === 'taps' ? 'yes' : 'no', because: motor },
];

/** Conductors that go from a unit's terminals to anywhere but the thermostat or the controller: they stay. */
function stayingAt(circuit: Circuit, terminals: readonly TerminalId[], but: ReadonlySet<string>) {
  return terminals.flatMap((at) =>
    landedOn(circuit, at).flatMap(({ conductor }) =>
      but.has(conductor.id) ? [] : [{ conductor: conductor.id, at }],
    ),
  );
}

interface Place {
  used: readonly Used[];
  common: TerminalId;
  fan: TerminalId;
  /** A terminal of the unit's own for a leak, where it has one. */
  leak: TerminalId | null;
  /** Where the unit is. */
  station: string;
}

/** Where it goes, or why it cannot. */
function placeOf(circuit: Circuit, thermostat: string): Place | LeakObstacle {
  const { devices, mains } = circuit;
  if (devices.some(({ kind }) => kindOf(kind).safety?.runs)) return 'there-already';
  if (!devices.some((device) => loadsOf(device, mains).some(({ nature }) => nature === 'compressor')))
    return 'no-refrigerant';
  if (devices.filter(({ kind }) => kindOf(kind).asks).length !== 1) return 'several-thermostats';
  if (kindOf(findDevice(circuit, thermostat)!.kind).pairs) return 'talks';
  const used = usedOf(factsOf(circuit, thermostat));
  const [hot, ...others] = used.filter(({ role }) => role === 'hot');
  if (!hot || used.length < 2) return 'no-unit';
  if (others.length > 0) return 'two-hots';
  const common = used.find(({ role }) => role === 'common')?.far ?? commonAt(circuit, hot);
  if (!common) return 'no-common';
  const home = findDevice(circuit, splitTerminal(hot.far).deviceId)!;
  const fan = fanAt(circuit, used, home);
  const leak = marksOf(home).includes(LEAK) ? `${home.id}.${LEAK}` : null;
  return fan === null ? 'no-fan' : { used, common, fan, leak, station: home.station };
}

/** The controller in its place, its strip and its harness landed, unproven. */
function insert(circuit: Circuit, place: Place, { motor }: LeakWish) {
  const { used, station } = place;
  const controller = freeDeviceId(circuit, 'leak');
  const settings = settingsFor(motor);
  const added = addDevice(circuit, {
    id: controller,
    kind: PARTS.leakController,
    station,
    label: 'Leak controller',
    params: used.some(({ role }) => STAGED.has(MARK[role]!)) ? { takes: 'staged' } : {},
    settings: Object.fromEntries(settings.map(({ name, value }) => [name, value])),
  });
  const moved = used.map(({ conductor, end, role, far }) => ({
    conductor: conductor.id,
    end: otherEnd(end),
    from: far,
    to: `${controller}.${stripMark(MARK[role]!)}`,
  }));
  const up = moved.reduce((now, one) => land(now, one.conductor, one.end, one.to), added);
  return { controller, settings, moved, ...withHarness(up, controller, wantedOf(place)) };
}

/**
 * A leak controller between a thermostat and its unit.
 *
 * @throws RangeError when there is no such thermostat.
 */
export function planLeak(circuit: Circuit, wish: LeakWish): LeakPlan | LeakObstacle {
  const place = placeOf(circuit, wish.thermostat);
  if (typeof place === 'string') return place;
  const { controller, settings, moved, harness, circuit: made } = insert(circuit, place, wish);
  const { circuit: joined, parts } = pigtailed(circuit, made);
  const proof = prove(joined)!;
  const before = landedEnds(circuit);
  const landings = [...landedEnds(joined)].filter((one) => !before.has(one)).length;
  const trip = tripsOf(joined).find(({ device }) => device === controller)!;
  return {
    circuit: joined,
    controller,
    moved,
    stays: stayingAt(
      circuit,
      harness.flatMap(({ to }) => to ?? []),
      new Set(moved.map(({ conductor }) => conductor)),
    ),
    harness,
    settings,
    tests: whatTripDoes(joined, trip, supply(joined, 1)),
    parts: [{ type: 'leak-set' }, ...parts],
    minutes: Math.round(
      MOUNT_MINUTES +
        landings * LANDING_MINUTES +
        harness.filter(({ to }) => to === null).length * FREE_MINUTES,
    ),
    proof,
    harm: harmOf(prove(circuit)!, proof),
  };
}
