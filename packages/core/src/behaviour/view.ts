/** Everything a screen shows of a settled circuit, as plain data that can cross to another thread. */
import { endNode, findConductor } from '../circuit';
import type { Face } from '../devices';
import { EARTH } from '../devices';
import type { Network, Reading, Probes, Standing } from '../network';
import { AMMETER_OHMS, ampsThrough, compile, loadPath, measure, classifyNodes } from '../network';
import type { DeviceWait } from './round';
import type { AirView } from './air';
import { airOf } from './air';
import { waitsOf } from './advance';
import { contactsOf } from './contacts';
import { facesOf } from './faces';
import type { LoopView } from './loops';
import { directVolts, readLoops } from './loops';
import type { LoadReading, TransformerReading } from './loads';
import { readLoads, readTransformers } from './loads';
import type { Inputs } from './inputs';
import type { Settled } from './world';
import { settle } from './settle';
import type { Status } from './status';
import { statusOf } from './status';

export interface NodeView {
  /** RMS volts against the common or earth the point belongs to. */
  volts: number;
  standing: Standing;
  /** The common, or earth, it is read against. */
  reference: string;
  /** On a supervised loop, volts d.c. against its negative side. */
  direct?: number;
}

/** What leads from one stop of a path to the next. */
export type PathPart =
  | { type: 'conductor'; conductor: string; loose: boolean }
  | { type: 'jumper' | 'jumper-lead' }
  | { type: 'device'; device: string; element: string };

export interface PathStop {
  node: string;
  /** The device it is inside, where no probe can be put; `null` for a terminal. */
  inside: string | null;
  volts: number;
  standing: Standing;
  /** What leads on from here to the next stop, whether it passes current, and what is open if not. */
  onward: { part: PathPart; closed: boolean; load: boolean; opening: PathPart | null } | null;
}

export interface BenchView {
  now: number;
  nodes: Readonly<Record<string, NodeView>>;
  conductors: Readonly<Record<string, { standing: Standing; amps: number }>>;
  faces: Readonly<Record<string, Face>>;
  loads: readonly LoadReading[];
  /** By contact id, whether it is closed. */
  contacts: Readonly<Record<string, boolean>>;
  transformers: readonly TransformerReading[];
  loops: readonly LoopView[];
  /** `null` where nothing stands for the ducts. */
  air: AirView | null;
  waits: readonly DeviceWait[];
  status: Status;
}

/** Gathers what there is to see of a settled circuit. */
export function viewOf(network: Network, inputs: Inputs, settled: Settled): BenchView {
  const { point, world } = settled;
  const { volts, standing, reference } = classifyNodes(point);
  const nameOf = (node: number) => (node < 0 ? EARTH : network.nodes[node]!);
  const nodes: Record<string, NodeView> = {};
  const directAt = directVolts(point);
  network.nodes.forEach((name, node) => {
    if (name.includes('#')) return;
    // Where mains goes or comes back, that is what there is to say.
    const isMains = standing[node] === 'hot' || standing[node] === 'return';
    const direct = isMains ? undefined : directAt(node);
    nodes[name] = {
      volts: volts[node]!,
      standing: standing[node]!,
      reference: nameOf(reference[node]!),
      ...(direct !== undefined && { direct }),
    };
  });
  const conductors: Record<string, { standing: Standing; amps: number }> = {};
  network.branches.forEach(({ origin, nodes }, b) => {
    if (origin.type === 'conductor')
      conductors[origin.conductor] = { standing: standing[nodes[0]!]!, amps: ampsThrough(point, b) };
  });
  const faces = facesOf(network, inputs, world);
  return {
    now: world.now,
    nodes,
    conductors,
    faces: Object.fromEntries(faces),
    loads: readLoads(network, settled),
    contacts: Object.fromEntries(
      contactsOf(network).map(({ id, branch, closed }) => [id, point.choice[branch] === closed]),
    ),
    transformers: readTransformers(network, point),
    loops: readLoops(network, settled),
    air: airOf(network, inputs, world),
    waits: waitsOf(network, inputs, world),
    status: statusOf(network, inputs, settled, faces),
  };
}

/**
 * What the meter reads on a live bench. An ammeter is a bridge that relays answer to, so
 * for amperes the circuit settles again with the meter in it.
 */
export function readMeter(network: Network, inputs: Inputs, settled: Settled, probes: Probes): Reading {
  const first = measure(settled.point, probes);
  if (probes.mode !== 'amps' || !first.ok) return first;
  const bridge = { red: probes.red, black: probes.black, ohms: AMMETER_OHMS };
  const bridged = compile(network.circuit, network.faults, [bridge]);
  const { point } = settle(bridged, inputs, settled.world);
  return { ok: true, value: ampsThrough(point, bridged.branches.length - 1), unit: 'A' };
}

/** The way of a load's current, stop by stop, with the volts at each; empty when no wiring leads there. */
export function pathOf(
  network: Network,
  settled: Settled,
  load: { device: string; element: string },
): PathStop[] {
  const installed = network.devices.find(({ device }) => device.id === load.device);
  const branch = installed?.branches.get(load.element);
  if (branch === undefined) return [];
  const way = loadPath(network, settled.point.choice, branch);
  if (!way) return [];
  const { volts, standing } = classifyNodes(settled.point);
  const passed = [way.hot, ...way.steps.map(({ to }) => to)];
  const stop = (node: number, i: number): PathStop => {
    const step = way.steps[i];
    const at = network.nodes[node]!;
    const [device] = at.split('#');
    return {
      node: at,
      inside: device === at ? null : device!,
      volts: volts[node]!,
      standing: standing[node]!,
      onward: step
        ? {
            part: partOf(network, step.branch),
            closed: step.closed,
            load: step.branch === branch,
            opening: step.closed ? null : partOf(network, step.branch),
          }
        : null,
    };
  };
  // Points inside a device are passed through, but for the supply itself at either end.
  return mergeInner(passed.map(stop));
}

function mergeInner(stops: readonly PathStop[]): PathStop[] {
  const merged: PathStop[] = [];
  for (const [i, stop] of stops.entries()) {
    const previous = merged[merged.length - 1];
    if (stop.inside === null || !previous || i === stops.length - 1) merged.push(stop);
    else if (previous.onward && stop.onward)
      previous.onward = {
        part: stop.onward.load ? stop.onward.part : previous.onward.part,
        closed: previous.onward.closed && stop.onward.closed,
        load: previous.onward.load || stop.onward.load,
        opening: previous.onward.opening ?? stop.onward.opening,
      };
  }
  return merged;
}

function partOf({ branches, circuit }: Network, index: number): PathPart {
  const { origin } = branches[index]!;
  if (origin.type === 'conductor') {
    const conductor = findConductor(circuit, origin.conductor)!;
    return {
      type: 'conductor',
      conductor: conductor.id,
      loose: endNode(conductor, 'from') !== conductor.from,
    };
  }
  if (origin.type === 'device') return origin;
  return { type: origin.type === 'link' ? 'jumper' : 'jumper-lead' };
}
