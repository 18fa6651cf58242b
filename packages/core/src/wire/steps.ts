/** From what differs to what there is to do, place by place. */
import type { Circuit } from '../circuit';
import { differenceOf, stationOfEnd } from '../plan';
import { kindOf } from '../devices';
import { deviceSteps, linkSteps, setSteps } from './device-steps';
import { DEAD_VOLTS } from '../standards';
import { chargesOf, openings, testPoints } from './gate';
import { addedSteps, endStep } from './landing-steps';
import type { PlannedChange, Step } from './step';

/** What is done last at each place that was worked at: tug, caps, spares, slack. */
function closingSteps({ after }: PlannedChange, work: readonly Step[]): Step[] {
  const stations = [...new Set(work.map(({ station }) => station))];
  return stations.flatMap((station): Step[] => {
    const here = work.filter((step) => step.station === station && step.kind !== 'set');
    const landings = here.filter(({ kind }) => kind === 'land').length;
    if (here.length === 0) return [];
    const nuts = after.devices.filter(
      (device) => device.station === station && kindOf(device.kind).splices,
    ).length;
    const spares = after.cables.flatMap((cable) =>
      cable.conductors.flatMap((conductor) =>
        (['from', 'to'] as const)
          .filter((end) => conductor[end] === null && stationOfEnd(after, cable, end, null) === station)
          .map(() => conductor.id),
      ),
    );
    const steps: Step[] = [];
    if (spares.length > 0)
      steps.push({
        id: `insulate:${station}`,
        kind: 'insulate',
        station,
        task: { type: 'insulate-spares', conductors: spares },
        after: here.map(({ id }) => id),
      });
    steps.push({
      id: `tug:${station}`,
      kind: 'tug',
      station,
      task: { type: 'tug', landings, nuts },
      after: [...here.map(({ id }) => id), ...steps.map(({ id }) => id)],
    });
    return steps;
  });
}

/** Proven dead, where power comes in first. */
function deadSteps(circuit: Circuit, opened: readonly string[]): Step[] {
  const steps: Step[] = [];
  for (const { station, probes, supply, onward } of testPoints(circuit)) {
    // The first reading at a terminal keeps the plain name: a plan begun before there could be several stays ticked.
    const plain = `dead:${probes[0]}`;
    const id = steps.some((step) => step.id === plain) ? `${plain}~${probes[1]}` : plain;
    const earlier = onward ? steps.map((step) => step.id) : [];
    const task = { type: 'prove-dead', supply, probes } as const;
    steps.push({
      id,
      kind: 'dead',
      station,
      task,
      probes,
      mostVolts: DEAD_VOLTS,
      after: [...opened, ...earlier],
    });
  }
  return steps;
}

/** What holds a charge where something is done, discharged once the place is dead. */
function dischargeSteps({ devices, mains }: Circuit, stations: ReadonlySet<string>, gate: string[]): Step[] {
  return devices.flatMap((device): Step[] => {
    const pairs = chargesOf(device, mains);
    if (pairs.length === 0 || !stations.has(device.station)) return [];
    return [
      {
        id: `discharge:${device.id}`,
        kind: 'discharge',
        station: device.station,
        task: { type: 'discharge', device: device.id, pairs },
        after: gate,
      },
    ];
  });
}

/** Every step of a change, unordered, each with what must come before it. */
export function stepsOf(
  before: Circuit,
  after: Circuit,
  reasons: Readonly<Record<string, string>> = {},
): Step[] {
  const ground: PlannedChange = { before, after, difference: differenceOf(before, after), reasons };
  const work = [
    ...deviceSteps(ground),
    ...ground.difference.ends.flatMap((change) => endStep(ground, change)),
    ...addedSteps(ground),
    ...linkSteps(ground),
  ];
  const sets = setSteps(ground);
  if (work.length === 0 && sets.length === 0) return [];
  const unpowered = sets.filter(({ after: needs }) => !needs.includes('on'));
  const closing = closingSteps(ground, [...work, ...unpowered]);
  const handles = openings(before);
  // The first place keeps the plain name: a plan begun before there could be several stays ticked.
  const idAt = (kind: 'off' | 'on', i: number, station: string) => (i === 0 ? kind : `${kind}:${station}`);
  const off = handles.map(({ station, devices }, i): Step => ({
    id: idAt('off', i, station),
    kind: 'off',
    station,
    task: { type: 'open', devices },
    after: [],
  }));
  const opened = off.map(({ id }) => id);
  const dead = deadSteps(before, opened);
  const proven = [...opened, ...dead.map(({ id }) => id)];
  const discharged = dischargeSteps(before, new Set(work.map(({ station }) => station)), proven);
  const gate = [...proven, ...discharged.map(({ id }) => id)];
  const gated = [...work, ...unpowered, ...closing].map((step) => ({
    ...step,
    after: [...gate, ...step.after],
  }));
  const on = handles.map(({ station, devices }, i): Step => ({
    id: idAt('on', i, station),
    kind: 'on',
    station,
    task: { type: 'close', devices },
    after: gated.map(({ id }) => id),
  }));
  const powered = sets
    .filter(({ after: needs }) => needs.includes('on'))
    .map((step) => ({ ...step, after: on.map(({ id }) => id) }));
  return [...off, ...dead, ...discharged, ...gated, ...on, ...powered];
}
