/** Judges one settled state against every property that a state by itself can show. */
import type { LoadReading, Settled } from '../behaviour';
import { liveEndsIn, loadsIn, readLoads, runningOn } from '../behaviour';
import type { Call, LoadNature } from '../devices';
import { kindOf } from '../devices';
import type { Network } from '../network';
import { voltsBetween } from '../network';
import { COIL_OPERATING_RANGE } from '../standards';
import type { Case } from './cases';
import { inputsOf } from './cases';
import { lineOnSignal, liveCase, earthCurrent } from './judge-interconnect';
import { noWay, wrongDampers } from './judge-zones';
import { overloaded, shorted, tied, tooHigh } from './judge-supply';
import type { JudgedState } from './judged-state';
import { titles } from './judged-state';
import type { Violation } from './violation';

/** Volts from which a powered thermostat runs on its wire, and a coil is meant to be in, from memory. */
const WIRE_VOLTS = 17;
const CALLED_VOLTS = 12;
/** Less than this missing is less than the model knows, V. */
const LEAST_MISSING_VOLTS = 0.05;

const on = (loads: readonly LoadReading[], serves: Call) =>
  loads.filter((load) => load.serves === serves && load.energised);

/** Two thermostats that ask for both at once. */
const opposed = ({ asked }: Case) => asked.calls.includes('heat') && asked.calls.includes('cool');

function together({ loads, subject }: JudgedState): Violation[] {
  const [heat, cool] = [on(loads, 'heat'), on(loads, 'cool')];
  return heat.length > 0 && cool.length > 0
    ? [
        {
          property: opposed(subject) ? 'disagree' : 'together',
          about: heat[0]!.device,
          heating: titles(heat),
          cooling: titles(cool),
        },
      ]
    : [];
}

function uncalled(look: JudgedState): Violation[] {
  const { network, subject, settled, loads } = look;
  const { calls, situation } = subject.asked;
  const unasked = (serves: Call) => (calls.includes(serves) ? [] : on(loads, serves));
  const suspects = [...unasked('heat'), ...unasked('cool'), ...(calls.length > 0 ? [] : on(loads, 'fan'))];
  if (suspects.length === 0) return [];
  const runsOn = runningOn(network, inputsOf(subject), settled);
  const found = (['heat', 'cool'] as const).flatMap((serves): Violation[] => {
    const wrong = unasked(serves).filter((load) => !runsOn(load));
    return wrong.length > 0
      ? [{ property: 'uncalled', about: wrong[0]!.device, loads: titles(wrong), situation }]
      : [];
  });
  const fans = calls.length > 0 ? [] : on(loads, 'fan').filter((load) => !runsOn(load));
  return fans.length > 0
    ? [...found, { property: 'uncalled-fan', about: fans[0]!.device, loads: titles(fans), situation }]
    : found;
}

/** Calls that nothing answers, where something of the circuit could. */
function unanswered({ network, subject, loads }: JudgedState): Violation[] {
  if (subject.trip || opposed(subject)) return [];
  const capable = (call: Call) =>
    loadsIn(network).some(({ load: { serves } }) => serves === call || (serves === 'pump' && call !== 'fan'));
  return subject.asked.calls
    .filter((call) => capable(call) && on(loads, call).length === 0)
    .map((call) => ({
      property: 'unanswered',
      about: call,
      call,
      situation: subject.asked.situation,
    }));
}

const NEEDS_AIR: ReadonlySet<LoadNature> = new Set(['strip', 'flame']);

function airless({ loads }: JudgedState): Violation[] {
  const fans = loads.filter(({ serves, nature }) => serves === 'fan' && nature === 'motor');
  const hot = loads.filter(({ nature, energised }) => energised && NEEDS_AIR.has(nature));
  return fans.length > 0 && hot.length > 0 && !fans.some(({ energised }) => energised)
    ? [{ property: 'no-air', about: hot[0]!.device, loads: titles(hot) }]
    : [];
}

const CHILLS: ReadonlySet<LoadNature> = new Set(['compressor', 'valve']);

function safeties({ network, subject: { trip, asked }, loads }: JudgedState): Violation[] {
  const kind = trip && network.circuit.devices.find(({ id }) => id === trip.device)?.kind;
  const safety = kind ? kindOf(kind).safety : undefined;
  if (!trip || !safety || asked.calls.length === 0) return [];
  const stops: readonly string[] = safety.stops;
  const running = loads.filter(
    ({ serves, nature, energised }) =>
      energised &&
      (stops.includes(serves) ||
        (stops.includes('compressor') && nature === 'compressor') ||
        (stops.includes('chilled') && CHILLS.has(nature) && serves === 'cool')),
  );
  return running.length > 0
    ? [
        {
          property: 'safety',
          about: trip.device,
          loads: titles(running),
        },
      ]
    : [];
}

/** What a safety must bring while it is tripped, and does not. */
function unfanned({ network, subject: { trip }, loads }: JudgedState): Violation[] {
  const kind = trip && network.circuit.devices.find(({ id }) => id === trip.device)?.kind;
  if (!trip || !kind || kindOf(kind).safety?.runs !== 'fan') return [];
  const fans = loads.filter(({ serves, nature }) => serves === 'fan' && nature === 'motor');
  return fans.some(({ energised }) => energised) ? [] : [{ property: 'unfanned', about: trip.device }];
}

function blank({ network, subject, settled }: JudgedState): Violation[] {
  if (subject.trip) return [];
  return network.devices.flatMap(({ device, kind, branches }): Violation[] => {
    if (!kind.asks) return [];
    if (settled.world.states[device.id]!.powered !== true)
      return [{ property: 'blank', about: device.id, onBatteries: false }];
    const supply = kind.livesOn && branches.get(kind.livesOn.wire);
    if (supply === undefined) return [];
    const [a, b] = network.branches[supply]!.nodes.map((node) => network.nodes[node]!) as [string, string];
    return voltsBetween(settled.point, a, b) < WIRE_VOLTS
      ? [
          {
            property: 'blank',
            about: device.id,
            onBatteries: true,
          },
        ]
      : [];
  });
}

/** 24 V where only data may be: many boards do not live through it. */
function powerOnData({ network, settled: { world } }: JudgedState): Violation[] {
  return network.devices.flatMap(({ device: { id }, kind }): Violation[] =>
    kind.pairs?.(world.states[id]!).reads === 'mains' ? [{ property: 'power-on-data', about: id }] : [],
  );
}

/** Coils that are called and stay out; and coils that come in below the volts at which that is guaranteed. */
function coils({ network, settled, loads, pulls }: JudgedState): Violation[] {
  return loads.flatMap(({ branch, volts, device, title }): Violation[] => {
    const position = network.branches[branch]!.positions[settled.point.choice[branch]!];
    if (position === 'inrush' && volts >= CALLED_VOLTS)
      return [
        {
          property: 'weak-coil',
          about: device,
          load: title,
          volts,
        },
      ];
    const pulled = pulls.get(branch);
    const rated = Number(
      network.devices.find((entry) => entry.device.id === device)!.context.params.coilVolts,
    );
    const needs = COIL_OPERATING_RANGE.low * rated;
    return position === 'sealed' && pulled !== undefined && needs - pulled >= LEAST_MISSING_VOLTS
      ? [
          {
            property: 'coil-margin',
            about: device,
            load: title,
            volts: pulled,
            needs,
          },
        ]
      : [];
  });
}

const liveEnds = ({ network, seen }: JudgedState): Violation[] =>
  liveEndsIn(network, seen).map(({ conductor, landed }) => ({
    property: 'live-end',
    about: conductor,
    landed,
  }));

function restless({ settled: { chattering } }: JudgedState): Violation[] {
  if (!chattering) return [];
  const { devices } = chattering;
  return [{ property: 'restless', about: devices[0] ?? '', devices }];
}

const JUDGES: readonly ((look: JudgedState) => Violation[])[] = [
  shorted,
  tooHigh,
  tied,
  together,
  uncalled,
  unanswered,
  airless,
  noWay,
  wrongDampers,
  safeties,
  unfanned,
  lineOnSignal,
  liveCase,
  earthCurrent,
  powerOnData,
  blank,
  overloaded,
  coils,
  liveEnds,
  restless,
];

/** Every property a state violates. */
export const judgeState = (look: JudgedState): Violation[] => JUDGES.flatMap((judge) => judge(look));

/** The burner that is lit in a state and has a purge, if there is one. */
export function litBurner({ loads }: JudgedState): LoadReading | undefined {
  return loads.find(
    ({ nature, energised, device }) =>
      nature === 'flame' &&
      energised &&
      loads.some((load) => load.device === device && load.nature === 'inducer'),
  );
}

/** A burner that was lit must still be purging right after its call. */
export function judgePurge(network: Network, burner: LoadReading, after: Settled): Violation[] {
  const purges = readLoads(network, after).some(
    ({ nature, energised, device }) => nature === 'inducer' && device === burner.device && energised,
  );
  return purges
    ? []
    : [
        {
          property: 'no-purge',
          about: burner.device,
        },
      ];
}
