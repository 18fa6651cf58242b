/** The lines of an outdoor unit's diagram: every wire with its colour, its number, and the terminal at each end. */
import type { Circuit, Conductor, TerminalId } from '../circuit';
import { findConductor, findDevice, splitTerminal } from '../circuit';
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

const drawn = ({ id, colour, tag, from, to }: Conductor): DrawnWire[] =>
  from === null || to === null ? [] : [{ id, colour, ...(tag !== undefined && { number: tag }), from, to }];

/** Station of a unit whose wires are there one by one: where something holds a charge; `null` where none is. */
export function unitStation({ devices, mains }: Circuit): string | null {
  const opened = devices.find(
    (device) => kindOf(device.kind).capacitances(contextOf(device, mains)).length > 0,
  );
  return opened?.station ?? null;
}

/** Wires of a circuit that lie inside one station, landed at both ends. */
export function wiresWithin(circuit: Circuit, station: string): DrawnWire[] {
  const isHere = (terminal: TerminalId | null) =>
    terminal === null || findDevice(circuit, splitTerminal(terminal).deviceId)?.station === station;
  return circuit.cables.flatMap(({ conductors }) =>
    conductors.filter(({ from, to }) => isHere(from) && isHere(to)).flatMap(drawn),
  );
}

/** The diagram a ready unit has: itself as it stands, nothing walked yet. */
export function diagramOf(circuit: Circuit): UnitDiagram {
  const station = unitStation(circuit);
  return station === null ? NO_DIAGRAM : { wires: wiresWithin(circuit, station), walked: [] };
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
        const { id, colour, number, from, to } = wire;
        return { id, colour, ...(number !== undefined && { tag: number }), from, to };
      }),
    })),
  };
}

/** The conductors of a circuit that a diagram's wires are, by id; those that are gone left out. */
export const foundWires = (circuit: Circuit, { wires }: UnitDiagram): ReadonlyMap<string, Conductor> =>
  new Map(
    wires.flatMap(({ id }) => {
      const conductor = findConductor(circuit, id);
      return conductor ? [[id, conductor] as const] : [];
    }),
  );
