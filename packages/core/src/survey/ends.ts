/** The ends of runs as they are looked at: which terminals there are, what each has on it, and what is still open. */
import type { Circuit, Conductor, End, TerminalId } from '../circuit';
import {
  ENDS,
  findCable,
  findDevice,
  marksOf,
  splitTerminal,
  terminalFunctions,
  underAnyLabel,
} from '../circuit';
import type { ColourCode } from '../standards';
import { recordLanding, recordedOn } from './as-found';
import type { Run, RunEnd } from './document';

/** Terminals of a place where a conductor lifted at this end belongs, by what its other end is there for. */
function homesOf(circuit: Circuit, place: string, lifted: Conductor): TerminalId[] {
  const other = lifted.from ?? lifted.to;
  if (other === null) return [];
  const functionsOf = terminalFunctions(circuit);
  const wanted = functionsOf(other);
  return circuit.devices
    .filter(({ station }) => station === place)
    .flatMap((device) => marksOf(device).map((mark) => `${device.id}.${mark}`))
    .filter((terminal) => [...functionsOf(terminal)].some((one) => wanted.has(one)));
}

/**
 * Terminals of a run's end: those expected there, then whatever else was recorded or lifted. Where the screws turned
 * out to be others than the ready system has, all the screws that are there.
 */
export function terminalsAt(circuit: Circuit, run: Run, end: End): TerminalId[] {
  const conductors = findCable(circuit, run.cable)?.conductors ?? [];
  const landed = conductors.flatMap((conductor) => conductor[end] ?? []);
  const expected = run[end].terminals.flatMap((terminal) => {
    const there = underAnyLabel(circuit, terminal);
    if (there) return [there];
    const device = findDevice(circuit, splitTerminal(terminal).deviceId);
    return device ? marksOf(device).map((mark) => `${device.id}.${mark}`) : [];
  });
  const taken = new Set([...expected, ...landed]);
  const homes = conductors
    .filter((conductor) => conductor[end] === null)
    .flatMap((lifted) => {
      const all = homesOf(circuit, run[end].station, lifted);
      // One that has a free place among those to be looked at needs no other.
      return all.some((terminal) => taken.has(terminal) && !landed.includes(terminal)) ? [] : all;
    });
  return [...new Set([...expected, ...landed, ...homes])];
}

/** Whether a terminal was looked at and nothing was on it. */
export const isBare = ({ bare }: RunEnd, terminal: TerminalId): boolean => bare?.includes(terminal) ?? false;

/** Whether it is known what is on a terminal, be it nothing. */
export const isLookedAt = (circuit: Circuit, run: Run, end: End, terminal: TerminalId): boolean =>
  recordedOn(circuit, run.cable, end, terminal) !== undefined || isBare(run[end], terminal);

/** Records what is on a terminal at one end of a run: a colour, or `null` for nothing there, which is an answer too. */
export function recordSeen(
  circuit: Circuit,
  runs: readonly Run[],
  { cable, end, terminal }: { cable: string; end: End; terminal: TerminalId },
  colour: ColourCode | null,
): { circuit: Circuit; runs: readonly Run[] } {
  return {
    circuit: recordLanding(circuit, cable, end, terminal, colour),
    runs: runs.map((run) => {
      if (run.cable !== cable) return run;
      const others = (run[end].bare ?? []).filter((one) => one !== terminal);
      return { ...run, [end]: { ...run[end], bare: colour === null ? [...others, terminal] : others } };
    }),
  };
}

/** An end of a run, and how far it is looked at. */
export interface EndSeen {
  cable: string;
  end: End;
  /** Terminals there. */
  all: readonly TerminalId[];
  /** Those nobody has said anything of yet. */
  open: readonly TerminalId[];
}

/** Every end of every run, with what is still open there. */
export const endsSeen = (circuit: Circuit, runs: readonly Run[]): EndSeen[] =>
  runs.flatMap((run) =>
    ENDS.map((end) => {
      const all = terminalsAt(circuit, run, end);
      const open = all.filter((terminal) => !isLookedAt(circuit, run, end, terminal));
      return { cable: run.cable, end, all, open };
    }),
  );
