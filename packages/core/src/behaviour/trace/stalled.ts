/** Why a motor is fed and does not turn: a lead where it does not belong, its capacitor, or itself. */
import { findConductor, landedOn, otherEnd, splitTerminal } from '../../circuit';
import { ampsThrough, voltsOf } from '../../network';
import type { Cause } from './cause';
import { plainFault } from './plain';
import type { Trace } from './trace';
import { endsOf, installedOf } from './trace';

/** Less than this of what the label of a motor wants before it is too little for it to turn, from memory. */
const ENOUGH_SHARE = 0.75;
/** Volts that stand across what passes nothing, from memory. */
const ACROSS_VOLTS = 20;

/** One side of a run capacitor. */
interface Side {
  device: string;
  mark: string;
}

/** The capacitor a terminal is joined to by one conductor, and the mark of its side. */
function capacitorAt({ network }: Trace, terminal: string): Side | null {
  for (const { conductor, end } of landedOn(network.circuit, terminal)) {
    const far = conductor[otherEnd(end)];
    if (far === null) continue;
    const { deviceId, mark } = splitTerminal(far);
    const { kind, context } = installedOf({ network }, deviceId);
    if (kind.capacitances(context).some(({ between }) => between[1] === mark))
      return { device: deviceId, mark };
  }
  return null;
}

/** What is broken or touching among the conductors landed on a device. */
function spoiltAt(trace: Trace, device: string): Cause | null {
  const plain = plainFault(trace);
  if (!plain) return null;
  const isHere = (id: string) => {
    const conductor = findConductor(trace.network.circuit, id);
    return [conductor?.from, conductor?.to].some((terminal) => terminal?.startsWith(`${device}.`));
  };
  const named =
    plain.type === 'broken' ? [plain.conductor] : plain.type === 'touching' ? plain.conductors : [];
  return named.some(isHere) ? plain : null;
}

/** What a capacitor passes now of what its label would, where it has volts: whole, it is not what keeps the motor from turning. */
function isWhole({ network, settled: { point } }: Trace, { device, mark }: Side): boolean {
  const { kind, context, branches } = installedOf({ network }, device);
  const { between, farads } = kind.capacitances(context).find((side) => side.between[1] === mark)!;
  const [one, other] = between.map((at) => network.indexOf(`${device}.${at}`)) as [number, number];
  const volts = voltsOf(point, one, other);
  const amps = [...branches.values()].reduce((sum, branch) => {
    const { nodes } = network.branches[branch]!;
    return nodes.includes(one) && nodes.includes(other) ? sum + ampsThrough(point, branch) : sum;
  }, 0);
  const whole = 2 * Math.PI * context.mains.hertz * farads * volts;
  return volts > ACROSS_VOLTS && amps >= ENOUGH_SHARE * whole;
}

/** The cause where a device is stalled; `null` where it is not. */
export function causeOfStalled(trace: Trace, device: string): Cause | null {
  const { kind } = installedOf(trace, device);
  const stall = kind.stalls(trace.settled.world.states[device]!);
  if (!stall) return null;
  const wrong = trace.disagreements.find((one) =>
    endsOf(one).terminals.some((terminal) => splitTerminal(terminal).deviceId === device),
  );
  if (wrong) return { type: 'wiring', disagreement: wrong };
  const spoilt = spoiltAt(trace, device);
  if (spoilt) return spoilt;
  const capacitor = capacitorAt(trace, `${device}.${stall.at}`);
  if (!capacitor || stall.share >= ENOUGH_SHARE || isWhole(trace, capacitor))
    return { type: 'stalled', device };
  // What passes nothing has all the volts on it: the capacitor, or the winding behind it.
  if (stall.volts > ACROSS_VOLTS) return { type: 'capacity', ...capacitor, share: stall.share };
  return stall.draws ? { type: 'stalled', device } : { type: 'dead', device, element: stall.element };
}
