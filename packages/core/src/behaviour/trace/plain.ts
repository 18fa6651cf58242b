/** What is wrong with the wiring wherever one looks: conductors that touch, marks that disagree, a bare hot, a break. */
import type { Disagreement, TerminalId } from '../../circuit';
import { landedOn } from '../../circuit';
import type { Network, NodeClasses } from '../../network';
import { passing } from '../../network';
import type { Cause } from './cause';
import type { Trace } from './trace';

/** What is plainly wrong with the wiring, wherever it is: conductors that touch, marks that disagree, a break. */
export function plainFault({ network, settled, seen, disagreements }: Trace): Cause | null {
  const bridge = network.branches.findIndex(({ origin }) => origin.type === 'bridge');
  if (bridge >= 0) return touchingAt(network, bridge);
  const weight = (one: Disagreement) => ['link', 'conductor', 'loose', 'empty'].indexOf(one.type);
  const [worst] = [...disagreements].sort((one, other) => weight(one) - weight(other));
  // A thermostat's own bare screw is nearer to whoever asks than another empty terminal.
  const bare = !worst || worst.type === 'empty' ? bareHot(network, seen) : undefined;
  if (bare) return { type: 'wiring', disagreement: { type: 'empty', terminal: bare } };
  if (worst) return { type: 'wiring', disagreement: worst };
  for (const [b, { origin }] of network.branches.entries())
    if (origin.type === 'conductor' && !passing(network, settled.point.choice, b)) {
      const conductor = network.circuit.cables
        .flatMap(({ conductors }) => conductors)
        .find(({ id }) => id === origin.conductor)!;
      if (conductor.from !== null && conductor.to !== null)
        return { type: 'broken', conductor: conductor.id };
    }
  return null;
}

/** A thermostat's hot screw that is dead, with nothing landed on it. */
function bareHot({ devices, circuit, indexOf }: Network, { standing }: NodeClasses): TerminalId | undefined {
  const joined = new Set(circuit.links.flatMap(({ joins }) => joins));
  return devices
    .flatMap(({ device, kind, context }) =>
      kind.asks
        ? kind
            .designations(context.params)
            .flatMap(({ mark, role }) => (role === 'hot' ? [`${device.id}.${mark}`] : []))
        : [],
    )
    .find(
      (terminal) =>
        standing[indexOf(terminal)] !== 'hot' &&
        !joined.has(terminal) &&
        landedOn(circuit, terminal).length === 0,
    );
}

/** Conductors that a bridge holds together. */
export function touchingAt(network: Network, branch: number): Cause {
  const names = network.branches[branch]!.nodes.map((node) => network.nodes[node]);
  const conductors = network.circuit.cables.flatMap((cable) =>
    cable.conductors
      .filter(({ id, from, to }) =>
        [from ?? `${id}~from`, to ?? `${id}~to`].some((node) => names.includes(node)),
      )
      .filter(({ id }) => network.faults.some(({ target, mode }) => target === id || mode === `short:${id}`))
      .map(({ id }) => id),
  );
  return { type: 'touching', conductors };
}
