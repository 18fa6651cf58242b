/** Runs: conductors strung together through the switches and fuses that sit in them. */
import type { Circuit, Conductor } from '../../circuit';
import { ENDS, marksOf, otherEnd, splitTerminal } from '../../circuit';
import { kindOf } from '../../devices';

/** From one block to another, or to a free end (`null`), with the in-line devices on the way. */
export interface Run {
  from: string | null;
  to: string | null;
  /** In order; one more than there are chips. */
  conductors: Conductor[];
  chips: string[];
}

interface Leg {
  conductor: Conductor;
  /** The end that leads onward. */
  end: 'from' | 'to';
}

/** Two-terminal in-line devices with exactly one conductor on either side. */
function chipTerminals(circuit: Circuit, asBlocks: ReadonlySet<string>): Map<string, string> {
  const landings = new Map<string, number>();
  for (const { conductors } of circuit.cables)
    for (const conductor of conductors)
      for (const end of ENDS) {
        const terminal = conductor[end];
        if (terminal !== null) landings.set(terminal, (landings.get(terminal) ?? 0) + 1);
      }
  for (const { joins } of circuit.links) for (const terminal of joins) landings.set(terminal, 2);
  const across = new Map<string, string>();
  for (const device of circuit.devices) {
    const marks = marksOf(device);
    if (!kindOf(device.kind).inline || marks.length !== 2 || asBlocks.has(device.id)) continue;
    const [one, other] = marks.map((mark) => `${device.id}.${mark}`) as [string, string];
    const counts = [landings.get(one) ?? 0, landings.get(other) ?? 0];
    if (Math.max(...counts) > 1 || counts[0]! + counts[1]! === 0) continue;
    across.set(one, other).set(other, one);
  }
  return across;
}

/**
 * Strings every conductor into a run that begins at a block. In-line devices no such run
 * reaches become blocks themselves (`asBlocks`), so that nothing goes undrawn.
 */
export function runsOf(circuit: Circuit, asBlocks: ReadonlySet<string> = new Set()): Run[] {
  const conductors = circuit.cables.flatMap((cable) => cable.conductors);
  const across = chipTerminals(circuit, asBlocks);
  const legAt = new Map<string, Leg>();
  for (const conductor of conductors)
    for (const end of ENDS) {
      const terminal = conductor[end];
      if (terminal !== null && across.has(terminal)) legAt.set(terminal, { conductor, end: otherEnd(end) });
    }
  const used = new Set<string>();
  const runs: Run[] = [];
  const follow = (first: Leg, from: string | null) => {
    const run: Run = { from, to: null, conductors: [], chips: [] };
    for (let leg: Leg | undefined = first; leg && !used.has(leg.conductor.id);) {
      used.add(leg.conductor.id);
      run.conductors.push(leg.conductor);
      const terminal: string | null = leg.conductor[leg.end];
      const beyond: string | undefined = terminal === null ? undefined : across.get(terminal);
      if (beyond === undefined) {
        run.to = terminal;
        break;
      }
      run.chips.push(splitTerminal(terminal!).deviceId);
      leg = legAt.get(beyond);
    }
    runs.push(run);
  };
  for (const conductor of conductors)
    for (const end of ENDS) {
      const terminal = conductor[end];
      if (terminal !== null && !across.has(terminal) && !used.has(conductor.id))
        follow({ conductor, end: otherEnd(end) }, terminal);
    }
  const strung = new Set(runs.flatMap(({ chips }) => chips));
  const missed = [...across.keys()]
    .map((terminal) => splitTerminal(terminal).deviceId)
    .filter((id) => !strung.has(id));
  return missed.length > 0 ? runsOf(circuit, new Set([...asBlocks, ...missed])) : runs;
}
