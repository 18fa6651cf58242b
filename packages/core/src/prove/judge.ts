/** Judges one settled state against every property. */
import type { LoadReading, Settled } from '../behaviour';
import { readLoads, readTransformers, runningOn } from '../behaviour';
import { endPoint, pointName } from '../circuit';
import type { Call, Role } from '../devices';
import { kindOf } from '../devices';
import type { Network, Survey } from '../network';
import { joinedBy, survey, voltsBetween } from '../network';
import { CLASS_2, colourName } from '../standards';
import type { Case } from './cases';
import { inputsOf } from './cases';
import type { PropertyId } from './properties';

export interface Violation {
  property: PropertyId;
  /** Device, load or conductor it is about. */
  about: string;
  text: string;
}

/** A settled case with what is read off it once. */
interface Look {
  network: Network;
  subject: Case;
  settled: Settled;
  loads: readonly LoadReading[];
  seen: Survey;
}

/** Share of nameplate that counts as overload. */
const OVERLOAD = 1;
/** Volts from which a powered thermostat runs on its wire, and a coil is meant to be in, from memory. */
const WIRE_VOLTS = 17;
const CALLED_VOLTS = 12;

const CONTROL_ROLES: ReadonlySet<Role> = new Set(['hot', 'call', 'common', 'coil']);

const on = (loads: readonly LoadReading[], serves: Call) =>
  loads.filter((load) => load.serves === serves && load.energised);

const named = (loads: readonly LoadReading[]) => loads.map(({ title }) => title).join(', ');

function shorted({ network, settled }: Look): Violation[] {
  return network.devices.flatMap(({ device, kind }) =>
    kind.protects && settled.world.states[device.id]!.open === true
      ? [{ property: 'short' as const, about: device.id, text: `${device.label} opens.` }]
      : [],
  );
}

/** Control terminals that stand above what a Class 2 circuit may. */
function lineOnControl({ network, seen: { volts } }: Look): Violation[] {
  return network.devices.flatMap(({ device, kind, context }) => {
    const high = kind
      .designations(context.params)
      .filter(({ role }) => CONTROL_ROLES.has(role))
      .find(({ mark }) => volts[network.indexOf(`${device.id}.${mark}`)]! > CLASS_2.maxVolts);
    return high
      ? [
          {
            property: 'line-on-control' as const,
            about: device.id,
            text: `${device.label} ${high.mark} stands above ${CLASS_2.maxVolts} V.`,
          },
        ]
      : [];
  });
}

/** Two secondaries with both sides joined; one side alone makes no loop. */
function tied({ network, settled }: Look): Violation[] {
  const joined = joinedBy(settled.point);
  const bonded = joinedBy(settled.point, true);
  const label = (id: string) => network.circuit.devices.find((device) => device.id === id)!.label;
  const all = network.secondaries;
  return all.flatMap((one, i) =>
    all.slice(i + 1).flatMap((other) =>
      joined(one.hot, other.hot) && bonded(one.common, other.common)
        ? [
            {
              property: 'tied' as const,
              about: one.device,
              text: `The hots of ${label(one.device)} and ${label(other.device)} are joined.`,
            },
          ]
        : [],
    ),
  );
}

function crossed(look: Look): Violation[] {
  const { subject, loads } = look;
  const [heat, cool] = [on(loads, 'heat'), on(loads, 'cool')];
  const found: Violation[] = [];
  const { calls } = subject.asked;
  if (heat.length > 0 && cool.length > 0)
    found.push({
      property: 'together',
      about: heat[0]!.device,
      text: `${named(heat)} run with ${named(cool)}.`,
    });
  const runsOn = runningOn(look.network, inputsOf(subject), look.settled);
  for (const [serves, running] of [
    ['heat', heat],
    ['cool', cool],
  ] as const) {
    const uncalled = calls.includes(serves) ? [] : running.filter((load) => !runsOn(load));
    if (uncalled.length > 0)
      found.push({
        property: 'uncalled',
        about: uncalled[0]!.device,
        text: `${named(uncalled)} on with ${subject.asked.title}.`,
      });
  }
  return found;
}

/** Calls that nothing answers, where something of the circuit could. */
function unanswered({ network, subject, loads }: Look): Violation[] {
  if (subject.trip || subject.asked.id === 'apart') return [];
  const capable = (call: Call) =>
    network.devices.some(({ kind, context }) =>
      kind.loads(context).some(({ serves }) => serves === call || (serves === 'pump' && call !== 'fan')),
    );
  return subject.asked.calls
    .filter((call) => capable(call) && on(loads, call).length === 0)
    .map((call) => ({
      property: 'unanswered' as const,
      about: call,
      text: `With ${subject.asked.title} nothing ${call === 'heat' ? 'heats' : call === 'cool' ? 'cools' : 'moves the air'}.`,
    }));
}

const IS_FIRE = /^(strip-|gas-valve)/;

function airless({ network, loads }: Look): Violation[] {
  const fans = loads.filter(({ serves, volts }) => serves === 'fan' && volts > 0);
  const hasFan = loads.some(({ serves, id }) => serves === 'fan' && id !== 'coil');
  const isStrips = ({ device, id }: LoadReading) => {
    const found = network.circuit.devices.find((entry) => entry.id === device)!;
    return IS_FIRE.test(id) || (found.kind === 'line-load' && found.params.type === 'strips');
  };
  const hot = loads.filter((load) => load.energised && isStrips(load));
  const moving = fans.some(({ energised, id }) => energised && id !== 'coil');
  return hasFan && hot.length > 0 && !moving
    ? [{ property: 'no-air', about: hot[0]!.device, text: `${named(hot)} on and no fan runs.` }]
    : [];
}

function safeties({ network, subject: { trip, asked }, loads }: Look): Violation[] {
  const kind = trip && network.circuit.devices.find(({ id }) => id === trip.device)?.kind;
  const safety = kind ? kindOf(kind).safety : undefined;
  if (!trip || !safety || asked.calls.length === 0) return [];
  const stops: readonly string[] = safety.stops;
  const running = loads.filter(
    ({ serves, id, energised }) =>
      energised &&
      (stops.includes(serves) ||
        (stops.includes('compressor') && id === 'compressor') ||
        (stops.includes('chilled') && (id === 'open' || id === 'compressor') && serves === 'cool')),
  );
  return running.length > 0
    ? [
        {
          property: 'safety',
          about: trip.device,
          text: `${trip.label} is tripped and ${named(running)} runs on.`,
        },
      ]
    : [];
}

function blank({ network, subject, settled }: Look): Violation[] {
  if (subject.trip) return [];
  return network.devices.flatMap(({ device, kind, branches }) => {
    if (!kind.asks) return [];
    if (settled.world.states[device.id]!.powered !== true)
      return [{ property: 'blank' as const, about: device.id, text: `${device.label} is blank.` }];
    const supply = branches.get('supply');
    if (supply === undefined) return [];
    const [a, b] = network.branches[supply]!.nodes.map((node) => network.nodes[node]!) as [string, string];
    return voltsBetween(settled.point, a, b) < WIRE_VOLTS
      ? [
          {
            property: 'blank' as const,
            about: device.id,
            text: `${device.label} lives on its batteries: the wire brings it nothing.`,
          },
        ]
      : [];
  });
}

function overloaded({ network, settled }: Look): Violation[] {
  return readTransformers(network, settled.point)
    .filter(({ share }) => share > OVERLOAD)
    .map(({ device, share }) => ({
      property: 'overload' as const,
      about: device,
      text: `${network.circuit.devices.find(({ id }) => id === device)!.label} carries ${Math.round(share * 100)} % of its nameplate.`,
    }));
}

function weakCoils({ network, settled, loads }: Look): Violation[] {
  return loads.flatMap(({ branch, volts, device, title }) => {
    const { positions } = network.branches[branch]!;
    const open = positions[settled.point.choice[branch]!] === 'inrush';
    return open && volts >= CALLED_VOLTS
      ? [
          {
            property: 'weak-coil' as const,
            about: device,
            text: `${title} gets ${volts.toFixed(1)} V and does not pull in.`,
          },
        ]
      : [];
  });
}

function liveEnds({ network, seen: { standing } }: Look): Violation[] {
  return network.circuit.cables.flatMap(({ conductors, label }) =>
    conductors.flatMap((conductor) => {
      const loose = (['from', 'to'] as const).find((end) => conductor[end] === null);
      if (!loose || (conductor.from === null && conductor.to === null)) return [];
      const hot = standing[network.indexOf(endPoint(conductor, loose))] === 'hot';
      const other = conductor.from ?? conductor.to!;
      return hot
        ? [
            {
              property: 'live-end' as const,
              about: conductor.id,
              text: `${colourName(conductor.colour)} of ${label} is live and loose; its other end is on ${pointName(network.circuit, other)}.`,
            },
          ]
        : [];
    }),
  );
}

function restless({ network, settled: { chattering } }: Look): Violation[] {
  if (!chattering) return [];
  const names = chattering.devices.map(
    (id) => network.circuit.devices.find((device) => device.id === id)!.label,
  );
  return [
    { property: 'restless', about: chattering.devices[0] ?? '', text: `${names.join(', ')} cannot settle.` },
  ];
}

/** Every property a state violates. */
export function judgeState(network: Network, subject: Case, settled: Settled): Violation[] {
  const look: Look = {
    network,
    subject,
    settled,
    loads: readLoads(network, settled),
    seen: survey(settled.point),
  };
  return [
    ...shorted(look),
    ...lineOnControl(look),
    ...tied(look),
    ...crossed(look),
    ...unanswered(look),
    ...airless(look),
    ...safeties(look),
    ...blank(look),
    ...overloaded(look),
    ...weakCoils(look),
    ...liveEnds(look),
    ...restless(look),
  ];
}

/** The burner that is lit in a state, if one is. */
export const litBurner = (network: Network, settled: Settled): LoadReading | undefined =>
  readLoads(network, settled).find(({ id, energised }) => id === 'gas-valve' && energised);

/** A burner that was lit must still be purging right after its call. */
export function judgePurge(network: Network, burner: LoadReading, after: Settled): Violation[] {
  const purges = readLoads(network, after).some(({ id, energised }) => id === 'inducer' && energised);
  return purges
    ? []
    : [
        {
          property: 'no-purge',
          about: burner.device,
          text: 'The call ends and the burner stops without a purge.',
        },
      ];
}
