/** What carries a short: a conductor or jumper that joins what it should not, a shorted part, or the stretch it is in. */
import { magnitudeOf } from '../../devices';
import type { Bridge, Installed, Network, OperatingPoint } from '../../network';
import { ampsThrough, compile, makeSolver, voltsAcross } from '../../network';
import { untilSteady } from '../advance';
import type { Cause } from './cause';
import { touchingAt } from './plain';
import type { Trace } from './trace';

/** Share of the fault current a branch must carry to be on the way of the short. */
const ON_THE_WAY = 0.5;
/** Times its own rated current from which a load is shorted itself. */
const SHORTED_TIMES = 2.5;

/** A short that is somewhere between two nodes. */
export interface Stretch {
  type: 'between';
  from: string;
  to: string;
  parts: readonly string[];
}

/** Held across a device that opened, so that what it opened on can be seen, ohms. */
const HELD_OHMS = 0.01;
/** A call is watched so long for what opened it, seconds. */
const WATCHED_S = 1200;

/** The moment of heaviest current had the device not opened, and the branch that then carries it. */
function heaviest(
  { network, settled, inputs }: Trace,
  opened: Installed,
): { point: OperatingPoint; through: number } | null {
  const { kind, branches } = opened;
  const elements = new Set([kind.protects!.element, ...kind.interrupts]);
  const bridges = [...elements].flatMap((id): Bridge[] => {
    const branch = branches.get(id);
    if (branch === undefined) return [];
    const [red, black] = network.branches[branch]!.nodes.map((node) => network.nodes[node]!) as [
      string,
      string,
    ];
    return [{ red, black, ohms: HELD_OHMS }];
  });
  const held = compile(network.circuit, network.faults, bridges);
  const through = held.branches.length - bridges.length;
  let worst: { point: OperatingPoint; amps: number } | null = null;
  untilSteady(held, inputs, settled.world, WATCHED_S, makeSolver(held), {
    passes(point) {
      const amps = ampsThrough(point, through);
      if (!worst || amps > worst.amps) worst = { point, amps };
    },
  });
  const found = worst as { point: OperatingPoint } | null;
  return found && { point: found.point, through };
}

/** Current a load of a device takes when it is whole, amperes; `null` where its kind does not say. */
function wholeAmps({ network }: Trace, branch: number, point: OperatingPoint): number {
  const { origin } = network.branches[branch]!;
  if (origin.type !== 'device') return 0;
  const installed = network.devices.find(({ device }) => device.id === origin.device)!;
  const element = installed.kind.elements(installed.context).find(({ id }) => id === origin.element);
  if (element?.kind !== 'branch') return 0;
  const position = network.branches[branch]!.positions[point.choice[branch]!]!;
  const whole = element.positions[position];
  if (!whole || whole === 'open') return 0;
  return voltsAcross(point, branch) / magnitudeOf(whole, network.circuit.mains.hertz);
}

/** Whether a load takes many times what it would take whole. */
export const isShorted = (trace: Trace, point: OperatingPoint, branch: number): boolean =>
  ampsThrough(point, branch) > SHORTED_TIMES * wholeAmps(trace, branch, point);

/** What a device opened on. */
export function causeOfOpening(trace: Trace, opened: Installed): Cause | Stretch | null {
  const found = heaviest(trace, opened);
  return found && causeOfShort(trace, found.point, found.through);
}

/** What shorts a supply whose current passes a branch. */
export function causeOfShort(trace: Trace, shorted: OperatingPoint, through: number): Cause | Stretch | null {
  const { network, disagreements } = trace;
  const limit = ON_THE_WAY * ampsThrough(shorted, through);
  // What is held across an opened device is no part of the circuit: it comes last.
  const carriers = [...network.branches.keys()].filter(
    (b) => b !== through && ampsThrough(shorted, b) >= limit,
  );
  const origins = carriers.map((b) => network.branches[b]!.origin);
  const bridge = carriers.find((b) => network.branches[b]!.origin.type === 'bridge');
  if (bridge !== undefined) return touchingAt(network, bridge);
  const disagreement = disagreements.find(
    (one) =>
      one.type === 'conductor' &&
      origins.some((origin) => origin.type === 'conductor' && origin.conductor === one.conductor.id),
  );
  if (disagreement) return { type: 'wiring', disagreement };
  const jumper = origins.find(({ type }) => type === 'link');
  if (jumper?.type === 'link') {
    const link = network.circuit.links.find(({ id }) => id === jumper.link)!;
    return { type: 'wiring', disagreement: { type: 'link', link } };
  }
  for (const b of carriers) {
    const { nature, origin } = network.branches[b]!;
    if (nature !== 'load' || origin.type !== 'device') continue;
    if (isShorted(trace, shorted, b))
      return { type: 'shorted', device: origin.device, element: origin.element };
  }
  // A load that is whole explains no short: what is heavy is only a sum.
  if (carriers.some((b) => network.branches[b]!.nature === 'load')) return null;
  return stretchOf(network, carriers);
}

/** The two ends of what carries it, named. */
function stretchOf(network: Network, carriers: readonly number[]): Stretch | null {
  const wires = carriers.filter((b) => network.branches[b]!.origin.type === 'conductor');
  const names = wires.flatMap((b) => network.branches[b]!.nodes.map((node) => network.nodes[node]!));
  const ends = names.filter((name) => names.indexOf(name) === names.lastIndexOf(name));
  const from = ends[0];
  const to = ends.at(-1);
  if (from === undefined || to === undefined) return null;
  return {
    type: 'between',
    from,
    to,
    parts: carriers.flatMap((b) => {
      const { origin } = network.branches[b]!;
      if (origin.type === 'device') return [origin.device];
      return origin.type === 'conductor' ? [origin.conductor] : [];
    }),
  };
}
