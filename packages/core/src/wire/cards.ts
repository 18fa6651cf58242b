/** What is printed and left: a card of landings for each place, and a tag for each conductor's end. */
import type { Circuit, End, TerminalId } from '../circuit';
import { ENDS, findDevice, otherEnd, nodeName, splitTerminal } from '../circuit';
import { fieldConductors } from '../prove';
import type { ColourCode } from '../standards';
import { stripMm, tagOf } from './step';

/** One conductor's end as it is landed at a place. */
export interface Landing {
  conductor: string;
  end: End;
  terminal: TerminalId;
  /** "Furnace board C" */
  name: string;
  colour: ColourCode;
  tag: string;
  cable: string;
  stripMm: number;
  /** Where the other end is. */
  otherEnd: TerminalId;
}

export interface Card {
  station: string;
  name: string;
  landings: readonly Landing[];
}

const stationOf = (circuit: Circuit, terminal: TerminalId) =>
  findDevice(circuit, splitTerminal(terminal).deviceId)!.station;

/** Field landings place by place, in the order of the terminals. */
export function cardsOf(circuit: Circuit): Card[] {
  const landings = fieldConductors(circuit).flatMap(({ cable, conductor }) =>
    ENDS.map((end): Landing & { station: string } => {
      const [terminal, other] = [conductor[end]!, conductor[otherEnd(end)]!];
      return {
        station: stationOf(circuit, terminal),
        conductor: conductor.id,
        end,
        terminal,
        name: nodeName(circuit, terminal),
        colour: conductor.colour,
        tag: tagOf(conductor),
        cable: cable.label,
        stripMm: stripMm(circuit, terminal),
        otherEnd: other,
      };
    }),
  );
  return circuit.stations.flatMap(({ id, name }) => {
    const here = landings
      .filter(({ station }) => station === id)
      .map(({ station: _, ...landing }): Landing => landing)
      .sort((one, other) => one.name.localeCompare(other.name, 'en'));
    return here.length > 0 ? [{ station: id, name, landings: here }] : [];
  });
}
