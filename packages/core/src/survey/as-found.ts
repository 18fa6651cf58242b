/**
 * The landings as found. The circuit itself is the record: recording a colour on a terminal lands
 * that conductor, and a conductor moved elsewhere shows in the record.
 */
import type { Cable, Circuit, Conductor, End, TerminalId } from '../circuit';
import {
  ENDS,
  addCable,
  changeCable,
  designationAt,
  findCable,
  findConductor,
  findDevice,
  hasTerminal,
  splitTerminal,
} from '../circuit';
import type { ColourCode } from '../standards';
import { findTemplate } from '../systems';
import type { Run, Survey } from './document';

/** Thinner than this a cable carries control circuits, AWG number. */
const CONTROL_GAUGE = 16;

const stationOf = (circuit: Circuit, terminal: TerminalId): string | undefined =>
  findDevice(circuit, splitTerminal(terminal).deviceId)?.station;

/** Terminals a cable's conductors are landed on at one end, in the order of the conductors. */
const landedAt = ({ conductors }: Cable, end: End): TerminalId[] => [
  ...new Set(conductors.flatMap((conductor) => conductor[end] ?? [])),
];

/** Whether a cable joins two halves of a unit: at line voltage, and landed by hand all the same. */
const isHandRun = (circuit: Circuit, { conductors }: Cable): boolean =>
  conductors.some((conductor) => ENDS.every((end) => isRunTerminal(circuit, conductor[end])));

function isRunTerminal(circuit: Circuit, terminal: TerminalId | null): boolean {
  if (terminal === null) return false;
  return designationAt(circuit, terminal)?.run === true;
}

/** The runs of control cable from one station to another: what there is to record, and where. */
export function runsOf(circuit: Circuit): Run[] {
  return circuit.cables.flatMap((cable) => {
    const [from, to] = ENDS.map((end) => landedAt(cable, end)) as [TerminalId[], TerminalId[]];
    const stations = [from[0], to[0]].map((terminal) => terminal && stationOf(circuit, terminal));
    const [here, there] = stations;
    if (!here || !there || here === there) return [];
    if (cable.gauge < CONTROL_GAUGE && !isHandRun(circuit, cable)) return [];
    return [
      { cable: cable.id, from: { station: here, terminals: from }, to: { station: there, terminals: to } },
    ];
  });
}

/** A circuit with nothing recorded yet: its runs have no conductors. */
function unrecorded(circuit: Circuit, runs: readonly Run[]): Circuit {
  const surveyed = new Set(runs.map(({ cable }) => cable));
  return [...surveyed].reduce(
    (blank, id) => changeCable(blank, id, (cable) => ({ ...cable, conductors: [] })),
    circuit,
  );
}

/** Leads of a system that is taken as what stands here: they were found as they are. */
const asItStands = (cable: Cable): Cable => ({
  ...cable,
  conductors: cable.conductors.map((one) => ({ ...one, found: { from: one.from, to: one.to } })),
});

/**
 * Takes a system as what stands here: the devices and leads of a ready system, its runs to be
 * recorded. Landings already recorded are kept where their terminals still exist.
 *
 * @throws RangeError when there is no such system.
 */
export function takeSystem(
  circuit: Circuit,
  survey: Survey,
  template: string,
): { circuit: Circuit; survey: Survey } {
  const found = findTemplate(template);
  if (!found) throw new RangeError(`There is no system "${template}".`);
  const whole = found.build(circuit.name);
  const runs = runsOf(whole);
  const kept = new Set(survey.runs.map(({ cable }) => cable));
  const blank = unrecorded(whole, runs);
  const cables = blank.cables.map((cable) => {
    const before = kept.has(cable.id) ? findCable(circuit, cable.id) : undefined;
    if (cable.conductors.length > 0) return asItStands(cable);
    if (!before) return cable;
    const still = (terminal: TerminalId | null) =>
      terminal && hasTerminal(blank, terminal) ? terminal : null;
    const conductors = before.conductors.map((conductor) => ({
      ...conductor,
      from: still(conductor.from),
      to: still(conductor.to),
    }));
    return { ...cable, gauge: before.gauge, lengthM: before.lengthM, conductors };
  });
  return { circuit: { ...blank, cables }, survey: { ...survey, system: template, runs } };
}

/** An id for a conductor that no other has. */
function freeConductorId(circuit: Circuit, cable: string, colour: ColourCode): string {
  for (let i = 1; ; i++) {
    const id = i === 1 ? `${cable}-${colour}` : `${cable}-${colour}${i}`;
    if (!findConductor(circuit, id)) return id;
  }
}

/** The conductor of a run seen on a terminal at one end, if one was recorded. */
export function recordedOn(
  circuit: Circuit,
  cable: string,
  end: End,
  terminal: TerminalId,
): Conductor | undefined {
  return findCable(circuit, cable)?.conductors.find((conductor) => conductor[end] === terminal);
}

/**
 * Records that a run's conductor of this colour is on a terminal at one end; `null` records that
 * nothing is. What was recorded there before is taken off, and the colour is moved from wherever
 * it was at this end.
 */
export function recordLanding(
  circuit: Circuit,
  cableId: string,
  end: End,
  terminal: TerminalId,
  colour: ColourCode | null,
): Circuit {
  const cleared = changeCable(circuit, cableId, (cable) => ({
    ...cable,
    conductors: cable.conductors.map((conductor) =>
      conductor[end] === terminal ? { ...conductor, [end]: null } : conductor,
    ),
  }));
  if (colour === null) return dropUnseen(asFound(circuit, cleared, cableId), cableId);
  const known = findCable(cleared, cableId)?.conductors.find((conductor) => conductor.colour === colour);
  const recorded = known
    ? changeCable(cleared, cableId, (cable) => ({
        ...cable,
        conductors: cable.conductors.map((conductor) =>
          conductor.id === known.id ? { ...conductor, [end]: terminal } : conductor,
        ),
      }))
    : addConductor(cleared, cableId, colour, end, terminal);
  return dropUnseen(asFound(circuit, recorded, cableId), cableId);
}

/** Ends that a recording put elsewhere are where the conductor was found; its other end stays as it was found before. */
function asFound(before: Circuit, after: Circuit, cableId: string): Circuit {
  return changeCable(after, cableId, (cable) => ({
    ...cable,
    conductors: cable.conductors.map((conductor) => {
      const was = findConductor(before, conductor.id);
      const found = { from: conductor.from, to: conductor.to };
      for (const end of ENDS) if (was?.found && was[end] === conductor[end]) found[end] = was.found[end];
      return was?.from === found.from && was.to === found.to && !was.found
        ? conductor
        : { ...conductor, found };
    }),
  }));
}

function addConductor(
  circuit: Circuit,
  cableId: string,
  colour: ColourCode,
  end: End,
  terminal: TerminalId | null,
): Circuit {
  const conductor: Conductor = {
    id: freeConductorId(circuit, cableId, colour),
    colour,
    from: null,
    to: null,
    [end]: terminal,
  };
  return changeCable(circuit, cableId, (cable) => ({
    ...cable,
    conductors: [...cable.conductors, conductor],
  }));
}

/** Conductors recorded nowhere any more; those said to be spare stay. */
function dropUnseen(circuit: Circuit, cableId: string): Circuit {
  return changeCable(circuit, cableId, (cable) => ({
    ...cable,
    conductors: cable.conductors.filter(
      ({ from, to, state }) => from !== null || to !== null || state !== undefined,
    ),
  }));
}

/** Records a conductor of a run that is landed at neither end. */
export function recordSpare(circuit: Circuit, cableId: string, colour: ColourCode): Circuit {
  const cable = findCable(circuit, cableId);
  if (!cable || cable.conductors.some((conductor) => conductor.colour === colour)) return circuit;
  const free = { from: null, to: null };
  const conductor: Conductor = {
    id: freeConductorId(circuit, cableId, colour),
    colour,
    state: 'spare',
    found: free,
    ...free,
  };
  return changeCable(circuit, cableId, (found) => ({
    ...found,
    conductors: [...found.conductors, conductor],
  }));
}

/** Adds a jacket between the same two stations as another run. */
export function addJacket(
  circuit: Circuit,
  survey: Survey,
  beside: string,
): { circuit: Circuit; survey: Survey } {
  const run = survey.runs.find(({ cable }) => cable === beside)!;
  const cable = findCable(circuit, beside)!;
  const number =
    survey.runs.filter(({ from, to }) => from.station === run.from.station && to.station === run.to.station)
      .length + 1;
  const taken = (id: string) => findCable(circuit, id) !== undefined;
  let id = `${beside}-${number}`;
  for (let i = number + 1; taken(id); i++) id = `${beside}-${i}`;
  return {
    circuit: addCable(circuit, { ...cable, id, label: `${cable.label}, jacket ${number}`, conductors: [] }),
    survey: { ...survey, runs: [...survey.runs, { ...run, cable: id }] },
  };
}
