/**
 * Faults of another hand: made by altering the circuit document or the compiled network, for a technician who shares nothing
 * with what Find knows. What is here imports nothing of `diagnose/`; lint sees to it.
 */
import type { Inputs } from '../../behaviour';
import type { Circuit, End } from '../../circuit';
import type { Bridge, Fault } from '../../network';

export type Kind =
  | 'low line voltage'
  | 'strand or jumper'
  | 'contact open, unlisted'
  | 'conductor to metal'
  | 'coil shorted'
  | 'ohms in a joint'
  | 'conductors touching'
  | 'setting wrong'
  | 'exchanged at a block'
  | 'moved on its block'
  | 'three rotated'
  | 'on another block'
  | 'two wires of one nut'
  | 'now and then'
  | 'conductor broken'
  | 'conductor loose'
  | 'tripped or off'
  | 'listed mode';

/** Some fields of a failure or of a remedy, as plain values: what has them all is meant. */
export type Like = Readonly<Record<string, unknown>>;

/** A conductor's end, and where it is landed; `null` for nowhere. */
export interface Move {
  conductor: string;
  end: End;
  on: string | null;
}

/** What a person finds who does a thing at a place. */
export interface Found {
  by: 'look' | 'test' | 'wires';
  /** A device, or of wires a cable. */
  at: string;
  /** What it is taken for where it is offered, the first that is. */
  as: readonly Like[];
  /** Ends that are landed otherwise, where that is what is found. */
  moves?: readonly Move[];
}

/** Something wrong with a place, and what is known of it to whoever judges an answer. */
export interface Truth {
  kind: Kind;
  text: string;
  /** As it is there. */
  circuit: Circuit;
  faults: readonly Fault[];
  bridges: readonly Bridge[];
  /** Branches held whatever their device chooses, by id: open, or ohms. */
  branches: Readonly<Record<string, 'open' | number>>;
  /** Line voltage as a share of nominal. */
  line: number;
  controls: Inputs['controls'];
  /** Shows in every other reading only. */
  nowAndThen: boolean;
  found: readonly Found[];
  /** Work that puts it right; any of it. */
  mends: readonly Like[];
  /** Another device of the kind in the place of this one puts it right. */
  device: string | null;
}

/** A truth that leaves everything alone but what is given. */
export const truth = (given: Pick<Truth, 'kind' | 'text' | 'circuit' | 'mends'> & Partial<Truth>): Truth => ({
  faults: [],
  bridges: [],
  branches: {},
  line: 1,
  controls: {},
  nowAndThen: false,
  found: [],
  device: null,
  ...given,
});
