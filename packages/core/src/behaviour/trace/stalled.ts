/** Why a motor is fed and does not turn: a lead where it does not belong, its capacitor, or itself. */
import { landedOn, otherEnd, splitTerminal } from '../../circuit';
import type { Cause } from './cause';
import type { Trace } from './trace';
import { endsOf, installedOf } from './trace';

/** Less than this of what the label of a motor wants before it is too little for it to turn, from memory. */
const ENOUGH_SHARE = 0.75;
/** Volts that stand across what passes nothing, from memory. */
const ACROSS_VOLTS = 20;

/** The capacitor a terminal is joined to by one conductor, and the mark of its side. */
function capacitorAt({ network }: Trace, terminal: string): { device: string; mark: string } | null {
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

/** The cause where a device is stalled; `null` where it is not. */
export function causeOfStalled(trace: Trace, device: string): Cause | null {
  const { kind } = installedOf(trace, device);
  const stall = kind.stalls(trace.settled.world.states[device]!);
  if (!stall) return null;
  const wrong = trace.disagreements.find((one) =>
    endsOf(one).terminals.some((terminal) => splitTerminal(terminal).deviceId === device),
  );
  if (wrong) return { type: 'wiring', disagreement: wrong };
  const capacitor = capacitorAt(trace, `${device}.${stall.at}`);
  if (!capacitor || stall.share >= ENOUGH_SHARE) return { type: 'stalled', device };
  // What passes nothing has all the volts on it: the capacitor, or the winding behind it.
  if (stall.volts > ACROSS_VOLTS) return { type: 'capacity', ...capacitor, share: stall.share };
  return stall.draws ? { type: 'stalled', device } : { type: 'dead', device, element: stall.element };
}
