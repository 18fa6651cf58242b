/** From what differs to what there is to do, place by place. */
import type { Circuit, Conductor, Device, End, TerminalId } from '../circuit';
import { findDevice, otherEnd, pointName, splitTerminal } from '../circuit';
import { kindOf } from '../devices';
import type { Difference, EndChange } from '../plan';
import { differenceOf, stationOfEnd } from '../plan';
import { colourName } from '../standards';
import type { ColourCode } from '../standards';
import { DEAD_VOLTS, stationsOff, testPoints } from './gate';

export type StepKind =
  | 'off'
  | 'dead'
  | 'remove'
  | 'mount'
  | 'pull'
  | 'lift'
  | 'land'
  | 'link'
  | 'unlink'
  | 'set'
  | 'insulate'
  | 'tug'
  | 'on';

/** One thing to do at one place. */
export interface Step {
  id: string;
  kind: StepKind;
  station: string;
  text: string;
  /** The conductor it is about: swatch, where its end goes, how far it is stripped, where the other end is. */
  conductor?: {
    id: string;
    end: End;
    colour: ColourCode;
    tag: string;
    cable: string;
    from: TerminalId | null;
    to: TerminalId | null;
    stripMm: number;
    otherEnd: string;
  };
  /** Why, where the plan says. */
  why?: string;
  /** For `dead`: where the probes go, and the most that may be read there, V. */
  probes?: readonly [TerminalId, TerminalId];
  mostVolts?: number;
  /** Steps that must be done before it. */
  after: readonly string[];
}

/** Millimetres stripped, from memory: under a screw or in a clamp, and under a wire nut. */
const STRIP_MM = { screw: 8, nut: 12 } as const;

export const stripMm = (circuit: Circuit, terminal: TerminalId | null): number =>
  terminal !== null && findDevice(circuit, splitTerminal(terminal).deviceId)?.kind === 'wire-nut'
    ? STRIP_MM.nut
    : STRIP_MM.screw;

/** What is written on a conductor's tag: its own, or the mark it goes to. */
export const tagOf = (conductor: Conductor): string =>
  conductor.tag ?? splitTerminal(conductor.from ?? conductor.to ?? '.').mark;

const nameOf = (circuit: Circuit, terminal: TerminalId | null) =>
  terminal === null ? 'nowhere' : pointName(circuit, terminal);

interface Ground {
  before: Circuit;
  after: Circuit;
  difference: Difference;
  reasons: Readonly<Record<string, string>>;
}

const idOfEnd = ({ conductor, end }: Pick<EndChange, 'conductor' | 'end'>) => `${conductor.id}:${end}`;

/** The other end in words, with its place. */
function elsewhere({ after }: Ground, conductor: Conductor, end: End): string {
  const other = conductor[otherEnd(end)];
  if (other === null) return 'free, insulated';
  const station = findDevice(after, splitTerminal(other).deviceId)!.station;
  return `${pointName(after, other)}, ${after.stations.find(({ id }) => id === station)!.name}`;
}

function endStep(ground: Ground, change: EndChange): Step[] {
  const { before, after, reasons } = ground;
  const { cable, conductor, end, from, to } = change;
  const station = stationOfEnd(to ? after : before, cable, end, to ?? from);
  if (station === null) return [];
  const gone = from !== null && !findDevice(after, splitTerminal(from).deviceId);
  const name = `${colourName(conductor.colour)} of ${cable.label}`;
  const about: Step['conductor'] = {
    id: conductor.id,
    end,
    colour: conductor.colour,
    tag: tagOf(conductor),
    cable: cable.label,
    from,
    to,
    stripMm: stripMm(after, to),
    otherEnd: elsewhere(ground, conductor, end),
  };
  const why = reasons[conductor.id];
  const base = { station, conductor: about, ...(why !== undefined && { why }) };
  if (to === null)
    return [
      {
        ...base,
        id: `lift:${idOfEnd(change)}`,
        kind: 'lift',
        text: gone
          ? `Insulate ${name}: it goes nowhere`
          : `Take ${name} off ${nameOf(before, from)} and insulate it`,
        after: gone ? [`remove:${splitTerminal(from).deviceId}`] : [],
      },
    ];
  const target = splitTerminal(to).deviceId;
  return [
    {
      ...base,
      id: `land:${idOfEnd(change)}`,
      kind: 'land',
      text:
        from === null || gone
          ? `Land ${name} on ${nameOf(after, to)}`
          : `Move ${name} from ${nameOf(before, from)} to ${nameOf(after, to)}`,
      after: findDevice(before, target) ? [] : [`mount:${target}`],
    },
  ];
}

/** Landings of whole new cables, after they are pulled or, for loose leads, at once. */
function addedSteps(ground: Ground): Step[] {
  const { after, difference } = ground;
  return difference.added.flatMap((cable) => {
    const places = (['from', 'to'] as const).map((end) => stationOfEnd(after, cable, end, null));
    const here = places[1] ?? places[0];
    if (!here) return [];
    const run = places[0] !== places[1];
    const pull: Step = {
      id: `pull:${cable.id}`,
      kind: 'pull',
      station: here,
      text: run
        ? `Pull ${cable.label}: ${cable.conductors.length} conductors, ${cable.gauge} AWG, ${Math.ceil(cable.lengthM)} m`
        : `Cut ${cable.label}: ${cable.conductors.length} leads, ${cable.gauge} AWG`,
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

function deviceSteps({ before, difference }: Ground): Step[] {
  const removed = difference.devicesRemoved.map((device): Step => {
    const landed = before.cables.flatMap(({ conductors }) =>
      conductors.filter((conductor) =>
        [conductor.from, conductor.to].some((end) => end?.startsWith(`${device.id}.`)),
      ),
    );
    return {
      id: `remove:${device.id}`,
      kind: 'remove',
      station: device.station,
      text: `Tag the ${landed.length} conductors of ${device.label}, lift them and take it off`,
      after: [],
    };
  });
  const replaced = (device: Device) =>
    difference.devicesRemoved.filter(
      ({ station, kind }) => station === device.station && kind === device.kind,
    );
  const mounted = difference.devicesAdded.map((device): Step => ({
    id: `mount:${device.id}`,
    kind: 'mount',
    station: device.station,
    text: `Mount ${device.label}`,
    after: replaced(device).map(({ id }) => `remove:${id}`),
  }));
  const cables = difference.removed.flatMap((cable): Step[] => {
    const station = stationOfEnd(before, cable, 'to', null) ?? stationOfEnd(before, cable, 'from', null);
    return station
      ? [
          {
            id: `out:${cable.id}`,
            kind: 'remove',
            station,
            text: `Take ${cable.label} out of use, insulate what stays in the wall`,
            after: [],
          },
        ]
      : [];
  });
  return [...removed, ...cables, ...mounted];
}

function linkSteps({ before, after, difference }: Ground): Step[] {
  const stationOf = (circuit: Circuit, joins: readonly TerminalId[]) =>
    findDevice(circuit, splitTerminal(joins[0]!).deviceId)?.station;
  const named = (circuit: Circuit, joins: readonly TerminalId[]) =>
    joins.map((join) => pointName(circuit, join)).join(' to ');
  return [
    ...difference.linksRemoved.flatMap(({ id, joins }): Step[] => {
      const station = stationOf(before, joins);
      return station
        ? [
            {
              id: `unlink:${id}`,
              kind: 'unlink',
              station,
              text: `Take away the jumper ${named(before, joins)}`,
              after: [],
            },
          ]
        : [];
    }),
    ...difference.linksAdded.flatMap(({ id, joins }): Step[] => {
      const station = stationOf(after, joins);
      return station
        ? [
            {
              id: `link:${id}`,
              kind: 'link',
              station,
              text: `Fit a jumper ${named(after, joins)}`,
              after: [],
            },
          ]
        : [];
    }),
  ];
}

/** Everything to set: on new thermostats once they have power, on boards before. */
function setSteps({ after, difference, reasons }: Ground): Step[] {
  const onNew = difference.devicesAdded.flatMap((device) =>
    Object.entries(device.settings).map(([name, value]) => ({
      device,
      group: 'settings' as const,
      name,
      value,
    })),
  );
  return [...difference.values, ...onNew].flatMap(({ device, group, name, value }): Step[] => {
    const field = kindOf(device.kind)[group][name];
    if (!field) return [];
    const powered = kindOf(device.kind).asks !== undefined && name !== 'joiner';
    const why = reasons[`set:${name}`];
    const said = field.type === 'choice' ? field.options[String(value)] : `${value} ${field.unit}`;
    return [
      {
        id: `set:${device.id}:${name}`,
        kind: 'set',
        station: findDevice(after, device.id)!.station,
        text: `${device.label}: ${field.label}: ${said}`,
        ...(why !== undefined && { why }),
        after: powered
          ? ['on']
          : device.station && difference.devicesAdded.includes(device)
            ? [`mount:${device.id}`]
            : [],
      },
    ];
  });
}

/** What is done last at each place that was worked at: tug, caps, spares, slack. */
function closingSteps({ after }: Ground, work: readonly Step[]): Step[] {
  const stations = [...new Set(work.map(({ station }) => station))];
  return stations.flatMap((station): Step[] => {
    const here = work.filter((step) => step.station === station && step.kind !== 'set');
    const landings = here.filter(({ kind }) => kind === 'land').length;
    if (here.length === 0) return [];
    const nuts = after.devices.filter(
      (device) => device.station === station && device.kind === 'wire-nut',
    ).length;
    const spares = after.cables.flatMap((cable) =>
      cable.conductors.flatMap((conductor) =>
        (['from', 'to'] as const)
          .filter((end) => conductor[end] === null && stationOfEnd(after, cable, end, null) === station)
          .map(() => `${colourName(conductor.colour)} of ${cable.label}`),
      ),
    );
    const steps: Step[] = [];
    if (spares.length > 0)
      steps.push({
        id: `insulate:${station}`,
        kind: 'insulate',
        station,
        text: `Insulate the spares, each by itself: ${spares.join(', ')}`,
        after: here.map(({ id }) => id),
      });
    steps.push({
      id: `tug:${station}`,
      kind: 'tug',
      station,
      text: `Tug every landing${landings > 0 ? ` (${landings} new)` : ''}${nuts > 0 ? ` and ${nuts} wire nut${nuts > 1 ? 's' : ''}` : ''}; leave slack so that the door closes without pulling`,
      after: [...here.map(({ id }) => id), ...steps.map(({ id }) => id)],
    });
    return steps;
  });
}

/** Every step of a change, unordered, each with what must come before it. */
export function stepsOf(
  before: Circuit,
  after: Circuit,
  reasons: Readonly<Record<string, string>> = {},
): Step[] {
  const ground: Ground = { before, after, difference: differenceOf(before, after), reasons };
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
  const off = stationsOff(before);
  const gate: Step[] = off
    ? [
        {
          id: 'off',
          kind: 'off',
          station: off.station,
          text: `Open ${off.names}, lock it and hang your tag`,
          after: [],
        },
      ]
    : [];
  const dead = testPoints(before).map(({ station, probes, name }): Step => ({
    id: `dead:${probes[0]}`,
    kind: 'dead',
    station,
    text: `Prove ${name} dead: meter on a known live point, then here, then the live point again`,
    probes,
    mostVolts: DEAD_VOLTS,
    after: off ? ['off'] : [],
  }));
  const needsDead = dead.map(({ id }) => id);
  const gated = [...work, ...unpowered, ...closing].map((step) => ({
    ...step,
    after: [...needsDead, ...step.after],
  }));
  const on: Step[] = off
    ? [
        {
          id: 'on',
          kind: 'on',
          station: off.station,
          text: `Covers on, everybody clear: close ${off.names}`,
          after: gated.map(({ id }) => id),
        },
      ]
    : [];
  const powered = sets.filter(({ after: needs }) => needs.includes('on'));
  return [
    ...gate,
    ...dead,
    ...gated,
    ...on,
    ...(off ? powered : powered.map((step) => ({ ...step, after: gated.map(({ id }) => id) }))),
  ];
}
