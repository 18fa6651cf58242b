/** Conductors: taken off, moved, landed, pulled. */
import { findDevice, otherEnd, splitTerminal } from '../circuit';
import type { EndChange } from '../plan';
import { stationOfEnd } from '../plan';
import type { PlannedChange, Step } from './step';
import { stripMm, tagOf } from './step';

const idOfEnd = ({ conductor, end }: Pick<EndChange, 'conductor' | 'end'>) => `${conductor.id}:${end}`;

/** What there is to do at one end of a conductor. */
export function endStep(ground: PlannedChange, change: EndChange): Step[] {
  const { before, after, reasons } = ground;
  const { cable, conductor, end, from, to } = change;
  const station = stationOfEnd(to ? after : before, cable, end, to ?? from);
  if (station === null) return [];
  const gone = from !== null && !findDevice(after, splitTerminal(from).deviceId);
  const about: Step['conductor'] = {
    id: conductor.id,
    end,
    colour: conductor.colour,
    tag: tagOf(conductor),
    cable: cable.label,
    from,
    to,
    stripMm: stripMm(after, to),
    otherEnd: conductor[otherEnd(end)],
  };
  const why = reasons[conductor.id];
  const base = { station, conductor: about, ...(why !== undefined && { why }) };
  if (to === null)
    return [
      {
        ...base,
        id: `lift:${idOfEnd(change)}`,
        kind: 'lift',
        task:
          from === null || gone
            ? { type: 'insulate', conductor: conductor.id }
            : { type: 'lift', conductor: conductor.id, from },
        after: gone ? [`remove:${splitTerminal(from).deviceId}`] : [],
      },
    ];
  const target = splitTerminal(to).deviceId;
  return [
    {
      ...base,
      id: `land:${idOfEnd(change)}`,
      kind: 'land',
      task:
        from === null || gone
          ? { type: 'land', conductor: conductor.id, on: to }
          : { type: 'move', conductor: conductor.id, from, to },
      after: findDevice(before, target) ? [] : [`mount:${target}`],
    },
  ];
}

/** Landings of whole new cables, after they are pulled or, for loose leads, at once. */
export function addedSteps(ground: PlannedChange): Step[] {
  const { after, difference } = ground;
  return difference.added.flatMap((cable) => {
    const places = (['from', 'to'] as const).map((end) => stationOfEnd(after, cable, end, null));
    const here = places[1] ?? places[0];
    if (!here) return [];
    const run = places[0] !== places[1];
    const count = cable.conductors.length;
    const pull: Step = {
      id: `pull:${cable.id}`,
      kind: 'pull',
      station: here,
      task: run
        ? { type: 'pull', cable: cable.id, conductors: count, gauge: cable.gauge, lengthM: cable.lengthM }
        : { type: 'cut', cable: cable.id, leads: count, gauge: cable.gauge },
      after: [],
    };
    const landings = cable.conductors.flatMap((conductor) =>
      (['from', 'to'] as const).flatMap((end) =>
        conductor[end] === null
          ? []
          : endStep(ground, { cable, conductor, end, from: null, to: conductor[end] }).map((step) => ({
              ...step,
              after: [...step.after, pull.id],
            })),
      ),
    );
    return [pull, ...landings];
  });
}
