import type { TerminalId } from '../../circuit';
import { ENDS } from '../../circuit';
import { passing } from '../../network';
import type { Cause, Trace } from '../trace';
import { endsOf, touchingAt } from '../trace';

/**
 * What is wrong with the wiring at some terminals: conductors that touch there, marks that disagree, a broken conductor; what is
 * at the first of them comes before what is at any.
 */
export function wiringAt(
  { network, settled, disagreements }: Trace,
  first: ReadonlySet<TerminalId>,
  any: ReadonlySet<TerminalId>,
): Cause | null {
  const touching = network.branches.findIndex(
    ({ origin, nodes }) =>
      origin.type === 'bridge' && nodes.some((node) => any.has(network.nodes[node] ?? '')),
  );
  if (touching >= 0) return touchingAt(network, touching);
  const wrong = [first, any].flatMap((terminals) =>
    disagreements.filter((one) => endsOf(one).terminals.some((terminal) => terminals.has(terminal))),
  )[0];
  if (wrong) return { type: 'wiring', disagreement: wrong };
  const landed = network.circuit.cables
    .flatMap(({ conductors }) => conductors)
    .filter((conductor) => ENDS.some((end) => conductor[end] !== null && first.has(conductor[end])));
  const broken = network.branches.find(
    ({ origin }, branch) =>
      origin.type === 'conductor' &&
      landed.some(({ id, from, to }) => id === origin.conductor && from !== null && to !== null) &&
      !passing(network, settled.point.choice, branch),
  );
  return broken?.origin.type === 'conductor' ? { type: 'broken', conductor: broken.origin.conductor } : null;
}
