/** What a step is, and what steps are made from. */
import type { Circuit, Conductor, End, TerminalId } from '../circuit';
import { isSplice, splitTerminal } from '../circuit';
import type { Difference } from '../plan';
import type { ColourCode } from '../standards';
import type { Task } from './task';

export type StepKind =
  | 'off'
  | 'dead'
  | 'discharge'
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
  task: Task;
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
    /** Where the other end is; `null` when it is free. */
    otherEnd: TerminalId | null;
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
  terminal !== null && isSplice(circuit, terminal) ? STRIP_MM.nut : STRIP_MM.screw;

/** What is written on a conductor's tag: its own, or the mark it goes to. */
export const tagOf = (conductor: Conductor): string =>
  conductor.tag ??
  conductor.number ??
  conductor.state ??
  splitTerminal(conductor.from ?? conductor.to ?? '.').mark;

/** A change with the reasons its plan gave. */
export interface PlannedChange {
  before: Circuit;
  after: Circuit;
  difference: Difference;
  reasons: Readonly<Record<string, string>>;
}
