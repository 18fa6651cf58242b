/**
 * A supervised loop as its panel and a meter find it: what is on it, where it ends, what part of it nobody watches. Nothing
 * is looked up: every conductor is broken and every contact closed in the model, and the panel's reading is taken.
 */
import type { Inputs } from '../behaviour';
import { holding, settle } from '../behaviour';
import type { Circuit, TerminalId } from '../circuit';
import { endNode } from '../circuit';
import type { LoopReading } from '../devices';
import type { Bridge, Fault, Installed, Network, OperatingPoint } from '../network';
import { ampsThrough, compile, directOf, measure, pathNets } from '../network';

/** Something on a loop by the two terminals it lies across. */
export interface LoopPoint {
  device: string;
  pair: readonly [TerminalId, TerminalId];
  /** A detector closes its contact across the loop; a resistor ends it. */
  role: 'detector' | 'resistor';
  /** Both conductors from the panel to it, ohms. */
  wireOhms: number;
  /** Volts d.c. across it with the panel connected. */
  volts: number;
  /** Ohms across it with the loop lifted off the panel; Infinity where nothing is beyond. */
  ohms: number;
}

/** A conductor that can break without the panel noticing, and the detectors that are then cut off. */
export interface Unwatched {
  conductor: string;
  cutOff: readonly string[];
}

export interface Loop {
  /** The panel's device. */
  panel: string;
  reads: LoopReading;
  amps: number;
  /** From the panel on. */
  points: readonly LoopPoint[];
  /** Conductors of the loop, by id. */
  conductors: readonly string[];
  unwatched: readonly Unwatched[];
  /** Detectors of this circuit with a contact for a loop that the panel does not hear. */
  unheard: readonly string[];
}

const CLOSED_OHMS = 0.01;
/** An open loop on a meter, ohms: what leaks in the model passes beyond it. */
const OPEN_OHMS = 1e6;

interface Watch {
  panel: Installed;
  feed: number;
  ends: readonly [TerminalId, TerminalId];
}

const watchOf = (panel: Installed): Watch => {
  const { feed, ends } = panel.kind.supervises!;
  const [positive, negative] = ends.map((mark) => `${panel.device.id}.${mark}`) as [string, string];
  return { panel, feed: panel.branches.get(feed)!, ends: [positive, negative] };
};

/** Ids of the panels' loops in a circuit. */
export const loopsIn = (network: Network): Installed[] =>
  network.devices.filter(({ kind }) => kind.supervises);

/** The two terminals an element of a device lies between. */
function pairOf({ branches }: Installed, network: Network, element: string): LoopPoint['pair'] {
  const [a, b] = network.branches[branches.get(element)!]!.nodes as [number, number];
  return [network.nodes[a]!, network.nodes[b]!];
}

/** What can be on a loop: contacts and resistors, each by its terminals. */
function candidates(network: Network): Pick<LoopPoint, 'device' | 'pair' | 'role'>[] {
  return network.devices.flatMap((one) => {
    const { kind, device, branches } = one;
    const element = kind.loopContacts?.alarm ?? kind.terminates;
    if (element === undefined || !branches.has(element)) return [];
    const role = kind.loopContacts ? 'detector' : 'resistor';
    return [{ device: device.id, pair: pairOf(one, network, element), role }] as const;
  });
}

/** The nets of the two sides of a loop, contacts across it and the panel's own left out. */
function sidesOf(network: Network, { panel, ends }: Watch) {
  const without = new Set(panel.branches.values());
  for (const { kind, branches } of network.devices) {
    const across = branches.get(kind.loopContacts?.alarm ?? '');
    if (across !== undefined) without.add(across);
  }
  const net = pathNets(network, without);
  const [plus, minus] = ends.map((end) => net(network.indexOf(end)));
  return {
    isOn: (terminal: string) => [plus, minus].includes(net(network.indexOf(terminal))),
    isAcross: (one: string, other: string) => {
      const found = [net(network.indexOf(one)), net(network.indexOf(other))];
      return plus !== minus && found.includes(plus!) && found.includes(minus!);
    },
  };
}

/** A circuit settled at rest, as far as a loop is concerned. */
function settled(circuit: Circuit, inputs: Inputs, faults: readonly Fault[], bridges: readonly Bridge[]) {
  const network = compile(circuit, faults, bridges);
  return { network, ...settle(network, inputs) };
}

/** How a panel reads its loop with a fault or a contact laid over the circuit. */
export function panelReads(
  circuit: Circuit,
  inputs: Inputs,
  panel: string,
  faults: readonly Fault[] = [],
  bridges: readonly Bridge[] = [],
): LoopReading {
  const { network, world } = settled(circuit, inputs, faults, bridges);
  const { kind } = network.devices.find(({ device }) => device.id === panel)!;
  return kind.supervises!.reads(world.states[panel]!);
}

const ohmsBetween = (point: OperatingPoint, red: string, black: string): number => {
  const reading = measure(point, { mode: 'ohms', red, black, meter: 'high-z' });
  return !reading.ok || reading.value > OPEN_OHMS ? Infinity : reading.value;
};

/** The same circuit with the loop's conductors lifted off the panel. */
export function isolatedPoint(
  circuit: Circuit,
  inputs: Inputs,
  { device, kind }: Pick<Installed, 'device' | 'kind'>,
  faults: readonly Fault[] = [],
  bridges: readonly Bridge[] = [],
): OperatingPoint {
  const { control, off } = kind.supervises!.isolation;
  return settled(circuit, holding(inputs, { [device.id]: { [control]: off } }), faults, bridges).point;
}

const closed = ([red, black]: readonly [string, string]): Bridge => ({ red, black, ohms: CLOSED_OHMS });

/** Goes over one loop of a circuit as it stands. */
export function loopOf(circuit: Circuit, inputs: Inputs, panel: string): Loop {
  const { network, point, world } = settled(circuit, inputs, [], []);
  const installed = network.devices.find(({ device }) => device.id === panel)!;
  const watch = watchOf(installed);
  const { isOn, isAcross } = sidesOf(network, watch);
  const isolated = isolatedPoint(circuit, inputs, installed);
  const all = candidates(network);
  const points = all
    .filter(({ pair }) => isAcross(...pair))
    .map((found): LoopPoint => {
      const [one, other] = found.pair;
      const reading = measure(point, { mode: 'dc-volts', red: one, black: other, meter: 'high-z' });
      const [near, far] = watch.ends;
      const straight = ohmsBetween(isolated, near, one) + ohmsBetween(isolated, far, other);
      const crossed = ohmsBetween(isolated, near, other) + ohmsBetween(isolated, far, one);
      return {
        ...found,
        wireOhms: Math.min(straight, crossed),
        volts: reading.ok ? reading.value : 0,
        ohms: ohmsBetween(isolated, one, other),
      };
    })
    .sort((one, other) => one.wireOhms - other.wireOhms);
  const conductors = circuit.cables
    .flatMap((cable) => cable.conductors)
    .filter((one) => isOn(endNode(one, 'from')) || isOn(endNode(one, 'to')))
    .map(({ id }) => id);
  const detectors = points.filter(({ role }) => role === 'detector');
  const hears = (pair: LoopPoint['pair'], faults: readonly Fault[]) =>
    panelReads(circuit, inputs, panel, faults, [closed(pair)]) === 'alarm';
  const unwatched = conductors.flatMap((conductor): Unwatched[] => {
    const broken: Fault[] = [{ target: conductor, mode: 'open' }];
    if (panelReads(circuit, inputs, panel, broken) === 'trouble') return [];
    const cutOff = detectors.filter(({ pair }) => !hears(pair, broken)).map(({ device }) => device);
    return cutOff.length > 0 ? [{ conductor, cutOff }] : [];
  });
  return {
    panel,
    reads: installed.kind.supervises!.reads(world.states[panel]!),
    amps: ampsThrough(directOf(point), watch.feed),
    points,
    conductors,
    unwatched,
    unheard: all
      .filter(({ role, pair }) => role === 'detector' && !hears(pair, []))
      .map(({ device }) => device),
  };
}

/** Every loop of a circuit. */
export const loopsOf = (circuit: Circuit, inputs: Inputs): Loop[] =>
  loopsIn(compile(circuit)).map(({ device }) => loopOf(circuit, inputs, device.id));
