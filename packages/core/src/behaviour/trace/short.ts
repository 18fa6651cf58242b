/** What carries a short: a conductor or jumper that joins what it should not, a shorted part, or the stretch it is in. */
import { pointName } from '../../circuit';
import type { Network, Point } from '../../network';
import { ampsThrough, makeSolver, solve } from '../../network';
import type { Cause } from './cause';
import type { Trace } from './missing';
import { touchingAt } from './running';

/** Share of the fault current a branch must carry to be on the way of the short. */
const ON_THE_WAY = 0.5;
/** Times its own rated current from which a load is shorted itself. */
const SHORTED_TIMES = 2.5;

export interface Stretch {
  type: 'between';
  from: string;
  to: string;
  parts: readonly string[];
}

/** The circuit as if a device that opened still held. */
function asHeld(network: Network, point: Point, opened: { branch: number; position: number }): Point {
  const choice = point.choice.slice();
  choice[opened.branch] = opened.position;
  return solve(makeSolver(network), choice);
}

/** Current a load of a device takes when it is whole, amperes; `null` where its kind does not say. */
function wholeAmps({ network }: Trace, branch: number, point: Point): number {
  const { origin } = network.branches[branch]!;
  if (origin.type !== 'device') return 0;
  const installed = network.devices.find(({ device }) => device.id === origin.device)!;
  const element = installed.kind.elements(installed.context).find(({ id }) => id === origin.element);
  if (element?.kind !== 'branch') return 0;
  const [a, z] = network.branches[branch]!.nodes as [number, number];
  const volts = Math.hypot(point.re[a]! - point.re[z]!, point.im[a]! - point.im[z]!);
  const position = network.branches[branch]!.positions[point.choice[branch]!]!;
  const whole = element.positions[position];
  if (!whole || whole === 'open') return 0;
  const reactance = 2 * Math.PI * network.circuit.mains.hertz * (whole.henries ?? 0);
  return volts / Math.hypot(whole.ohms, reactance);
}

/**
 * What shorted a supply.
 *
 * @param through - the branch the fault current passes, and the position in which it did, if it has opened since.
 */
export function causeOfShort(
  trace: Trace,
  through: { branch: number; position: number },
): Cause | Stretch | null {
  const { network, settled, disagreements } = trace;
  const shorted = asHeld(network, settled.point, through);
  const limit = ON_THE_WAY * ampsThrough(shorted, through.branch);
  const carriers = [...network.branches.keys()].filter(
    (b) => b !== through.branch && ampsThrough(shorted, b) >= limit,
  );
  const origins = carriers.map((b) => network.branches[b]!.origin);
  const bridge = carriers.find((b) => network.branches[b]!.origin.type === 'bridge');
  if (bridge !== undefined) return touchingAt(trace, bridge);
  const disagreement = disagreements.find((one) =>
    origins.some(
      (origin) =>
        (one.type === 'conductor' && origin.type === 'conductor' && origin.conductor === one.conductor.id) ||
        (one.type === 'link' && origin.type === 'link' && origin.link === one.link.id),
    ),
  );
  if (disagreement) return { type: 'wiring', disagreement };
  for (const b of carriers) {
    const { nature, origin } = network.branches[b]!;
    if (nature !== 'load' || origin.type !== 'device') continue;
    if (ampsThrough(shorted, b) > SHORTED_TIMES * wholeAmps(trace, b, shorted))
      return { type: 'shorted', device: origin.device, element: origin.element };
  }
  // A load that is whole explains no short: what is heavy is only a sum.
  if (carriers.some((b) => network.branches[b]!.nature === 'load')) return null;
  return stretchOf(network, shorted, carriers);
}

/** The two ends of what carries it, named. */
function stretchOf(network: Network, point: Point, carriers: readonly number[]): Stretch | null {
  const wires = carriers.filter((b) => ['conductor', 'link'].includes(network.branches[b]!.origin.type));
  const names = wires.flatMap((b) => network.branches[b]!.nodes.map((node) => network.nodes[node]!));
  const ends = names.filter((name, i) => names.indexOf(name) === i && names.lastIndexOf(name) === i);
  const [from, to] = ends.length >= 2 ? [ends[0]!, ends[ends.length - 1]!] : [names[0], names[1]];
  if (!from || !to) return null;
  return {
    type: 'between',
    from: pointName(network.circuit, from),
    to: pointName(network.circuit, to),
    parts: carriers.flatMap((b) => {
      const { origin } = point.network.branches[b]!;
      return origin.type === 'device'
        ? [origin.device]
        : origin.type === 'conductor'
          ? [origin.conductor]
          : origin.type === 'link'
            ? [origin.link]
            : [];
    }),
  };
}
