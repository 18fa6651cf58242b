/** Conductors that are landed at one end only and live at the other: what a hand or a metal edge may meet. */
import type { TerminalId } from '../circuit';
import { endNode } from '../circuit';
import type { Network, NodeClasses } from '../network';

interface LiveEnd {
  conductor: string;
  /** Where its other end is landed. */
  landed: TerminalId;
  /** What stands on its loose end, against what it is read against. */
  volts: number;
}

/** Every one of them, in the circuit's order. */
export const liveEndsIn = (
  network: Network,
  { standing, volts }: Pick<NodeClasses, 'standing' | 'volts'>,
): LiveEnd[] =>
  network.circuit.cables.flatMap(({ conductors }) =>
    conductors.flatMap((conductor): LiveEnd[] => {
      const landed = conductor.from ?? conductor.to;
      const loose = (['from', 'to'] as const).find((end) => conductor[end] === null);
      if (landed === null || loose === undefined) return [];
      const node = network.indexOf(endNode(conductor, loose));
      return standing[node] === 'hot' ? [{ conductor: conductor.id, landed, volts: volts[node]! }] : [];
    }),
  );
