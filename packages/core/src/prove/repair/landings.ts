/** Every landing worth trying elsewhere: an end moved, two exchanged, a free one landed or taken off. */
import type { Circuit, Conductor, End, TerminalId } from '../../circuit';
import { ENDS, exchange, land, lift, marksOf, otherEnd, splitTerminal } from '../../circuit';
import { lineTerminals } from '../terminals';
import type { Draft } from './candidate';
import { WORK } from './candidate';

interface Landed {
  conductor: Conductor;
  end: End;
  at: TerminalId;
}

function landedEnds(circuit: Circuit): Landed[] {
  const line = lineTerminals(circuit);
  return circuit.cables.flatMap(({ conductors }) =>
    conductors.flatMap((conductor) =>
      ENDS.flatMap((end): Landed[] => {
        const at = conductor[end];
        return at === null || line.has(at) ? [] : [{ conductor, end, at }];
      }),
    ),
  );
}

const stationOf = (circuit: Circuit, terminal: TerminalId) =>
  circuit.devices.find(({ id }) => id === splitTerminal(terminal).deviceId)?.station;

/** Control terminals of each place. */
function terminalsByStation(circuit: Circuit): Map<string, TerminalId[]> {
  const line = lineTerminals(circuit);
  const places = new Map<string, TerminalId[]>();
  for (const device of circuit.devices) {
    const own = marksOf(device)
      .map((mark) => `${device.id}.${mark}`)
      .filter((terminal) => !line.has(terminal));
    places.set(device.station, [...(places.get(device.station) ?? []), ...own]);
  }
  return places;
}

/** Every end moved to another terminal of the same place. */
export function moves(circuit: Circuit): Draft[] {
  const places = terminalsByStation(circuit);
  return landedEnds(circuit).flatMap(({ conductor, end, at }) => {
    const far = conductor[otherEnd(end)];
    return (places.get(stationOf(circuit, at)!) ?? [])
      .filter((terminal) => terminal !== at && terminal !== far)
      .map((terminal): Draft => ({
        change: { type: 'move', conductor: conductor.id, from: at, to: terminal },
        work: WORK.move,
        make: () => land(circuit, conductor.id, end, terminal),
        touches: [conductor.id, at, terminal],
        relands: true,
        ...(far !== null && { between: [far, terminal] }),
      }));
  });
}

/** Every two ends of one place exchanged. */
export function exchanges(circuit: Circuit): Draft[] {
  const ends = landedEnds(circuit);
  return ends.flatMap((one, i) =>
    ends.slice(i + 1).flatMap((other): Draft[] => {
      if (one.at === other.at || one.conductor === other.conductor) return [];
      if (stationOf(circuit, one.at) !== stationOf(circuit, other.at)) return [];
      return [
        {
          change: {
            type: 'exchange',
            conductors: [one.conductor.id, other.conductor.id],
            between: [one.at, other.at],
          },
          work: WORK.exchange,
          make: () => exchange(circuit, [one.conductor.id, one.end], [other.conductor.id, other.end]),
          touches: [one.conductor.id, one.at, other.conductor.id, other.at],
          relands: true,
        },
      ];
    }),
  );
}

/** Free ends landed somewhere at their place, or taken off at the other end too. What carries line voltage is left alone, as above. */
export function freeEnds(circuit: Circuit): Draft[] {
  const places = terminalsByStation(circuit);
  const line = lineTerminals(circuit);
  return circuit.cables.flatMap((cable) => {
    // Where the cable's other conductors end is where a free end hangs.
    const stationAt = (end: End) =>
      new Set(
        cable.conductors.flatMap((other) => (other[end] === null ? [] : [stationOf(circuit, other[end]!)!])),
      );
    return cable.conductors.flatMap((conductor): Draft[] => {
      const { id, from, to } = conductor;
      if ((from === null) === (to === null)) return [];
      const [free, held]: [End, End] = from === null ? ['from', 'to'] : ['to', 'from'];
      if (line.has(conductor[held]!)) return [];
      const near = [...stationAt(free)].flatMap((place) => places.get(place) ?? []);
      const everywhere = near.length > 0 ? near : [...places.values()].flat();
      return [
        ...everywhere
          .filter((terminal) => terminal !== conductor[held])
          .map((terminal): Draft => ({
            change: { type: 'land', conductor: id, on: terminal },
            work: WORK.move,
            make: () => land(circuit, id, free, terminal),
            touches: [id, conductor[held]!, terminal],
            between: [conductor[held]!, terminal],
          })),
        {
          change: { type: 'take-off', conductor: id, from: conductor[held]! },
          work: WORK.lift,
          make: () => lift(circuit, id, held),
          touches: [id, conductor[held]!],
        },
      ];
    });
  });
}
