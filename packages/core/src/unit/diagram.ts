/** The lines of an outdoor unit's diagram: every wire with its colour, its number, and the terminal at each end. */
import type { Circuit, Conductor, TerminalId } from '../circuit';
import { findConductor, findDevice, lift, splitTerminal } from '../circuit';
import { contextOf, kindOf } from '../devices';
import type { ColourCode } from '../standards';

export interface DrawnWire {
  /** Of the conductor in the circuit. */
  id: string;
  colour: ColourCode;
  number?: string;
  from: TerminalId;
  to: TerminalId;
}

/** A unit's diagram, and the wires that were walked. */
export interface UnitDiagram {
  wires: readonly DrawnWire[];
  walked: readonly string[];
}

export const NO_DIAGRAM: UnitDiagram = { wires: [], walked: [] };

const drawn = ({ id, colour, number, from, to }: Conductor): DrawnWire[] =>
  from === null || to === null ? [] : [{ id, colour, ...(number !== undefined && { number }), from, to }];

/** Station of a unit whose wires are there one by one: where something holds a charge; `null` where none is. */
export function unitStation({ devices, mains }: Circuit): string | null {
  const opened = devices.find(
    (device) => kindOf(device.kind).capacitances(contextOf(device, mains)).length > 0,
  );
  return opened?.station ?? null;
}

/** Wires of a unit, landed at both ends; what brings its supply is the building's, and on another drawing. */
export function wiresOfUnit(circuit: Circuit, station: string): DrawnWire[] {
  const isOwn = (terminal: TerminalId | null) => {
    const device = terminal === null ? null : findDevice(circuit, splitTerminal(terminal).deviceId);
    return device?.station === station && kindOf(device.kind).isolates === undefined;
  };
  return circuit.cables.flatMap(({ conductors }) =>
    conductors.filter(({ from, to }) => isOwn(from) && isOwn(to)).flatMap(drawn),
  );
}

/** The diagram a ready unit has: itself as it stands, nothing walked yet. */
export function diagramOf(circuit: Circuit): UnitDiagram {
  const station = unitStation(circuit);
  return station === null ? NO_DIAGRAM : { wires: wiresOfUnit(circuit, station), walked: [] };
}

/** A circuit with wires put as the diagram has them; all of them where none are named. */
export function asDrawn(circuit: Circuit, { wires }: UnitDiagram, which?: readonly string[]): Circuit {
  const put = new Map(wires.filter(({ id }) => which?.includes(id) ?? true).map((wire) => [wire.id, wire]));
  return {
    ...circuit,
    cables: circuit.cables.map((cable) => ({
      ...cable,
      conductors: cable.conductors.map((conductor): Conductor => {
        const wire = put.get(conductor.id);
        if (!wire) return conductor;
        const { number: _other, ...rest } = conductor;
        return { ...rest, ...wire };
      }),
    })),
  };
}

/** A circuit with every wire of a diagram off at both ends: the unit is taken apart. */
export const takenApart = (circuit: Circuit, { wires }: UnitDiagram): Circuit =>
  wires.reduce(
    (now, { id }) => (findConductor(now, id) ? lift(lift(now, id, 'from'), id, 'to') : now),
    circuit,
  );

/** The conductors of a circuit that a diagram's wires are, by id; those that are gone left out. */
export const foundWires = (circuit: Circuit, { wires }: UnitDiagram): ReadonlyMap<string, Conductor> =>
  new Map(
    wires.flatMap(({ id }) => {
      const conductor = findConductor(circuit, id);
      return conductor ? [[id, conductor] as const] : [];
    }),
  );
