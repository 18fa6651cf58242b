/** Which terminals and conductors a person wires by hand on the control side. */
import type { Cable, Circuit, Conductor, TerminalId } from '../circuit';
import { ENDS, designationsOf, findDevice, splitTerminal } from '../circuit';
import type { TerminalRole } from '../devices';

const LINE_ROLES: ReadonlySet<TerminalRole> = new Set(['line', 'neutral', 'earth', 'winding']);

/** Terminals of line voltage, which no repair or mistake looked at here touches: all but those of a run landed by hand. */
export function lineTerminals({ devices }: Circuit): ReadonlySet<TerminalId> {
  return new Set(
    devices.flatMap((device) =>
      designationsOf(device)
        .filter(({ role, run }) => LINE_ROLES.has(role) && !run)
        .map(({ mark }) => `${device.id}.${mark}`),
    ),
  );
}

const stationOf = (circuit: Circuit, terminal: TerminalId) =>
  findDevice(circuit, splitTerminal(terminal).deviceId)!.station;

/** Conductors landed at both ends, at two different stations, on the control side: what is wired on site. */
export function fieldConductors(circuit: Circuit): { cable: Cable; conductor: Conductor }[] {
  const line = lineTerminals(circuit);
  return circuit.cables.flatMap((cable) =>
    cable.conductors.flatMap((conductor) => {
      const ends = ENDS.flatMap((end) => conductor[end] ?? []);
      if (ends.length < 2 || ends.some((terminal) => line.has(terminal))) return [];
      return stationOf(circuit, ends[0]!) === stationOf(circuit, ends[1]!) ? [] : [{ cable, conductor }];
    }),
  );
}
