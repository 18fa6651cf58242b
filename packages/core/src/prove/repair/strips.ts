/** Whole cables on each other's strip of a device: told as one mistake, put right as one. */
import type { Cable, Circuit, Device, End, TerminalId } from '../../circuit';
import { ENDS, designationsOf, land, splitTerminal } from '../../circuit';
import type { Draft } from './candidate';
import { WORK } from './candidate';

/** Marks of each strip of a device, in its order. */
function stripsOf(device: Device): Map<string, string[]> {
  const strips = new Map<string, string[]>();
  for (const { mark, strip } of designationsOf(device))
    if (strip !== undefined) strips.set(strip, [...(strips.get(strip) ?? []), mark]);
  return strips;
}

interface Row {
  cable: Cable;
  strip: string;
  ends: readonly { conductor: string; end: End; mark: string }[];
}

/** Cables that land several conductors on one strip of a device, and none on another strip. */
function rowsOf(circuit: Circuit, id: string, strips: ReadonlyMap<string, readonly string[]>): Row[] {
  const stripOf = new Map([...strips].flatMap(([strip, marks]) => marks.map((mark) => [mark, strip])));
  return circuit.cables.flatMap((cable): Row[] => {
    const ends = cable.conductors.flatMap((conductor) =>
      ENDS.flatMap((end) => {
        const at = conductor[end] === null ? null : splitTerminal(conductor[end]);
        return at?.deviceId === id && stripOf.has(at.mark)
          ? [{ conductor: conductor.id, end, mark: at.mark }]
          : [];
      }),
    );
    const touched = new Set(ends.map(({ mark }) => stripOf.get(mark)!));
    const [strip, ...others] = touched;
    return strip !== undefined && others.length === 0 && ends.length > 1 ? [{ cable, strip, ends }] : [];
  });
}

/** Every end of one row on the terminal of another strip that stands where its own does; `null` where there is none. */
function moved(
  device: Device,
  strips: ReadonlyMap<string, readonly string[]>,
  { strip, ends }: Row,
  to: string,
): [string, End, TerminalId][] | null {
  const [from, onto] = [strips.get(strip)!, strips.get(to)!];
  const made = ends.map(({ conductor, end, mark }): [string, End, TerminalId | undefined] => {
    const other = onto[from.indexOf(mark)];
    return [conductor, end, other === undefined ? undefined : `${device.id}.${other}`];
  });
  return made.every((one): one is [string, End, TerminalId] => one[2] !== undefined) ? made : null;
}

/** Two cables of two strips exchanged, terminal for terminal. */
export function crossedCables(circuit: Circuit): Draft[] {
  return circuit.devices.flatMap((device): Draft[] => {
    const strips = stripsOf(device);
    if (strips.size < 2) return [];
    const rows = rowsOf(circuit, device.id, strips);
    return rows.flatMap((one, i) =>
      rows.slice(i + 1).flatMap((other): Draft[] => {
        if (one.strip === other.strip) return [];
        const landings = [moved(device, strips, one, other.strip), moved(device, strips, other, one.strip)];
        const all = landings.flatMap((made) => made ?? []);
        if (landings.includes(null)) return [];
        return [
          {
            change: { type: 'exchange-cables', cables: [one.cable.id, other.cable.id], device: device.id },
            work: WORK.move * all.length,
            make: () => all.reduce((now, [id, end, terminal]) => land(now, id, end, terminal), circuit),
            touches: all.flatMap(([id, , terminal]) => [id, terminal]),
          },
        ];
      }),
    );
  });
}
