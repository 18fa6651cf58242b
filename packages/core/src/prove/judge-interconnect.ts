/** Judges the run between the halves of a unit: mains where the signal goes, cases and their earth, where it is fed, how it is led. */
import type { Half } from '../behaviour';
import { caseOf, caseVolts, halvesIn } from '../behaviour';
import type { Circuit, TerminalId } from '../circuit';
import { ENDS, findDevice, isSplice, landedOn, otherEnd, splitTerminal } from '../circuit';
import type { Installed, Network } from '../network';
import { ampsThrough, pathNets } from '../network';
import { TOUCH_VOLTS } from '../standards';
import type { JudgedState } from './judged-state';
import type { Violation } from './violation';

/** Less than this in the earth is leakage of filters, A; from memory. */
const LEAKAGE_AMPS = 0.01;
/** Alternating current through a signal side that is more than what strays into it, A. From memory. */
const SIGNAL_AMPS = 0.001;

export function lineOnSignal({ network, settled: { point, world } }: JudgedState): Violation[] {
  return halvesIn(network).flatMap(({ installed: { device, branches }, at }): Violation[] => {
    const { burnt: burns } = at.stands(world.states[device.id]!);
    return burns || ampsThrough(point, branches.get(at.signalPath)!) > SIGNAL_AMPS
      ? [{ property: 'line-on-signal', about: device.id, terminal: `${device.id}.${at.signal}`, burns }]
      : [];
  });
}

export function liveCase({ network, settled: { point } }: JudgedState): Violation[] {
  return halvesIn(network).flatMap((half): Violation[] => {
    const volts = caseVolts(point, half);
    return volts > TOUCH_VOLTS ? [{ property: 'live-case', about: half.installed.device.id, volts }] : [];
  });
}

const earthsOf = (network: Network, of: (installed: Installed) => boolean): TerminalId[] =>
  network.devices
    .filter(of)
    .flatMap(({ device, kind, context }) =>
      kind
        .designations(context.params)
        .flatMap(({ role, mark }) => (role === 'earth' ? [`${device.id}.${mark}`] : [])),
    );

/** Current in a conductor that is on an earth terminal at either end. */
export function earthCurrent({ network, settled: { point } }: JudgedState): Violation[] {
  if (halvesIn(network).length === 0) return [];
  const earths = new Set(earthsOf(network, () => true));
  const onEarth = new Set(
    network.circuit.cables
      .flatMap(({ conductors }) => conductors)
      .filter((conductor) => ENDS.some((end) => conductor[end] !== null && earths.has(conductor[end])))
      .map(({ id }) => id),
  );
  return network.branches.flatMap(({ origin }, branch): Violation[] => {
    if (origin.type !== 'conductor' || !onEarth.has(origin.conductor)) return [];
    const amps = ampsThrough(point, branch);
    return amps > LEAKAGE_AMPS ? [{ property: 'earth-current', about: origin.conductor, amps }] : [];
  });
}

/** Cases that no conductor joins to the earth of the supply. */
function unearthed(network: Network, halves: readonly Half[]): Violation[] {
  const nets = pathNets(network);
  const earthed = new Set(
    earthsOf(network, ({ kind }) => !kind.interconnect).map((terminal) => nets(network.indexOf(terminal))),
  );
  return halves.flatMap((half): Violation[] =>
    earthed.has(nets(caseOf(network, half)))
      ? []
      : [{ property: 'unearthed', about: half.installed.device.id }],
  );
}

/** Whether something is landed where the supply of a half comes in. */
const isFed = ({ circuit }: Network, { installed: { device }, at }: Half): boolean =>
  at.supply.some((mark) => landedOn(circuit, `${device.id}.${mark}`).length > 0);

function fed(network: Network, halves: readonly Half[]): Violation[] {
  const [one, other] = halves.filter((half) => isFed(network, half));
  if (!one) return [];
  const { id } = one.installed.device;
  if (other) return [{ property: 'fed-twice', about: id, other: other.installed.device.id }];
  const rest = halves.find((half) => half !== one);
  return rest && (one.at.supplied === 'other' || rest.at.supplied === 'here')
    ? [{ property: 'fed-elsewhere', about: id, other: rest.installed.device.id }]
    : [];
}

/** Terminals of the run, earth apart: it is shared with the supply. */
const runTerminals = (halves: readonly Half[]): Set<TerminalId> =>
  new Set(
    halves.flatMap(({ installed: { device }, at: { line, neutral, signal } }) =>
      [line, neutral, signal].map((mark) => `${device.id}.${mark}`),
    ),
  );

function spliced(circuit: Circuit, run: ReadonlySet<TerminalId>): Violation[] {
  const joints = [...run].flatMap((terminal) =>
    landedOn(circuit, terminal).flatMap(({ conductor, end }) => {
      const far = conductor[otherEnd(end)];
      return far !== null && isSplice(circuit, far) ? [{ terminal, joint: far }] : [];
    }),
  );
  return joints.slice(0, 1).map(({ terminal, joint }) => ({
    property: 'run-spliced',
    about: splitTerminal(terminal).deviceId,
    joint: findDevice(circuit, splitTerminal(joint).deviceId)!.id,
  }));
}

function shared({ cables }: Circuit, run: ReadonlySet<TerminalId>, halves: readonly Half[]): Violation[] {
  const ids = new Set(halves.map(({ installed: { device } }) => device.id));
  return cables.flatMap(({ id, conductors }): Violation[] => {
    const inRun = (end: TerminalId | null) => end !== null && run.has(end);
    if (!conductors.some(({ from, to }) => inRun(from) && inRun(to))) return [];
    const others = conductors.filter(({ from, to }) =>
      [from, to].some((end) => end !== null && !ids.has(splitTerminal(end).deviceId)),
    );
    return others.length > 0
      ? [{ property: 'run-shared', about: id, others: others.map((one) => one.id) }]
      : [];
  });
}

/** What the wiring of the run is, whatever is called; nothing where there are no two halves. */
export function judgeRun(network: Network): Violation[] {
  const halves = halvesIn(network);
  if (halves.length !== 2) return [];
  const run = runTerminals(halves);
  return [
    ...unearthed(network, halves),
    ...fed(network, halves),
    ...spliced(network.circuit, run),
    ...shared(network.circuit, run, halves),
  ];
}
