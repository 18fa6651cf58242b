import type { Circuit, Conductor } from '../circuit';
import { findDevice, splitTerminal } from '../circuit';
import { fill, kindOf } from '../devices';
import type { Role } from '../devices';
import { colourName } from '../standards';
import type { Network, Point } from '../network';
import { ampsThrough, makeSolver, solve } from '../network';

/** Share of the fault current a conductor must carry to be on the way of the short. */
const ON_THE_WAY = 0.5;

function roleAt(circuit: Circuit, terminal: string): { role: Role; mark: string } | undefined {
  const { deviceId, mark } = splitTerminal(terminal);
  const device = findDevice(circuit, deviceId);
  if (!device) return undefined;
  const kind = kindOf(device.kind);
  const found = kind
    .designations(fill(kind.params, device.params))
    .find((designation) => designation.mark === mark);
  return found && !kind.inline ? { role: found.role, mark } : undefined;
}

/** "R is shorted to C through the yellow conductor", when a conductor joins marks of different roles. */
function blame(circuit: Circuit, conductor: Conductor): string | undefined {
  if (conductor.from === null || conductor.to === null) return undefined;
  const [one, other] = [roleAt(circuit, conductor.from), roleAt(circuit, conductor.to)];
  if (!one || !other || one.role === other.role) return undefined;
  const [hot, cold] = other.role === 'common' ? [one, other] : [other, one];
  return `${hot.mark} is shorted to ${cold.mark} through the ${colourName(conductor.colour)} conductor`;
}

/**
 * What shorted an overcurrent device: the circuit is solved once more as if the device
 * still held, and the heavy current followed.
 *
 * @param opened - index of the branch that opened, and its closed position.
 */
export function explainShort(
  network: Network,
  point: Point,
  opened: { branch: number; position: number },
): string | undefined {
  const choice = point.choice.slice();
  choice[opened.branch] = opened.position;
  const shorted = solve(makeSolver(network), choice);
  const limit = ON_THE_WAY * ampsThrough(shorted, opened.branch);
  const carriers = network.branches.flatMap(({ origin }, b) =>
    ampsThrough(shorted, b) >= limit ? [origin] : [],
  );
  const conductors = network.circuit.cables.flatMap((cable) => cable.conductors);
  for (const origin of carriers) {
    if (origin.type !== 'conductor') continue;
    const said = blame(
      network.circuit,
      conductors.find(({ id }) => id === origin.conductor)!,
    );
    if (said) return said;
  }
  for (const origin of carriers)
    if (origin.type === 'link') {
      const joins = network.circuit.links.find(({ id }) => id === origin.link)!.joins;
      return `${joins.map((terminal) => splitTerminal(terminal).mark).join(' and ')} are joined by a jumper`;
    }
  return undefined;
}
