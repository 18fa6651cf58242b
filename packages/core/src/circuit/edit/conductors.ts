import { findConductor } from '../find';
import { hasTerminal } from '../terminals';
import type { Circuit, Conductor, End, TerminalId } from '../types';
import { otherEnd } from '../types';
import { need } from './edit-error';

function changeConductor(circuit: Circuit, id: string, change: Partial<Conductor>): Circuit {
  return {
    ...circuit,
    cables: circuit.cables.map((cable) =>
      cable.conductors.some((conductor) => conductor.id === id)
        ? {
            ...cable,
            conductors: cable.conductors.map((conductor) =>
              conductor.id === id ? { ...conductor, ...change } : conductor,
            ),
          }
        : cable,
    ),
  };
}

/** What is otherwise about a conductor; a number or a state of `null` is taken off. */
export type ConductorChange = Partial<Pick<Conductor, 'colour' | 'from' | 'to'>> & {
  number?: string | null;
  state?: Conductor['state'] | null;
};

/** A field of a conductor that may be left out, as it is after a change. */
const changed = <K extends 'number' | 'state'>(name: K, before: Conductor, change: ConductorChange) => {
  const value = change[name] === undefined ? before[name] : change[name];
  return value == null ? {} : { [name]: value };
};

/** Records what a conductor is: its colour, its number, its state, where its ends are. */
export function setConductor(circuit: Circuit, id: string, change: ConductorChange): Circuit {
  const conductor = findConductor(circuit, id);
  need(conductor !== undefined, `There is no conductor "${id}".`);
  for (const terminal of [change.from, change.to])
    need(terminal == null || hasTerminal(circuit, terminal), `There is no terminal "${terminal}".`);
  const { number: _number, state: _state, ...rest } = { ...conductor!, ...change };
  need(rest.from === null || rest.from !== rest.to, 'Both ends cannot be on one terminal.');
  const found: Conductor = {
    ...rest,
    ...changed('number', conductor!, change),
    ...changed('state', conductor!, change),
  };
  return {
    ...circuit,
    cables: circuit.cables.map((cable) => ({
      ...cable,
      conductors: cable.conductors.map((one) => (one.id === id ? found : one)),
    })),
  };
}

/** Lands one end of a conductor on a terminal, moving it from wherever it was. */
export function land(circuit: Circuit, conductorId: string, end: End, terminal: TerminalId): Circuit {
  const conductor = findConductor(circuit, conductorId);
  need(conductor !== undefined, `There is no conductor "${conductorId}".`);
  need(hasTerminal(circuit, terminal), `There is no terminal "${terminal}".`);
  need(
    conductor?.[otherEnd(end)] !== terminal,
    'The other end of this conductor is already on that terminal.',
  );
  return changeConductor(circuit, conductorId, { [end]: terminal });
}

/** Takes one end of a conductor off its terminal and leaves it free. */
export function lift(circuit: Circuit, conductorId: string, end: End): Circuit {
  need(findConductor(circuit, conductorId) !== undefined, `There is no conductor "${conductorId}".`);
  return changeConductor(circuit, conductorId, { [end]: null });
}

/** Exchanges where two conductor ends are landed. */
export function exchange(circuit: Circuit, first: [string, End], second: [string, End]): Circuit {
  const at = ([id, end]: [string, End]) => {
    const conductor = findConductor(circuit, id);
    need(conductor !== undefined, `There is no conductor "${id}".`);
    return conductor![end];
  };
  const [one, two] = [at(first), at(second)];
  const set = (current: Circuit, [id, end]: [string, End], terminal: TerminalId | null) =>
    terminal === null ? lift(current, id, end) : land(current, id, end, terminal);
  return set(set(circuit, first, two), second, one);
}
