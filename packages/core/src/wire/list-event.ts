/**
 * What happened to a landing list: events that are only ever added, so that two people's lists are put together by having all events
 * of both. What stands follows from them (`ticks.ts`).
 */
import type { Step } from './step';

interface Stamp {
  /** Made where it was written: one that comes twice counts once. */
  id: string;
  /** Who did it; empty where nobody gave a name. */
  by: string;
  /** ISO time by the clock of that device. */
  at: string;
}

/** A step was done. */
export interface Ticked extends Stamp {
  type: 'ticked';
  step: string;
  /** What was read, V, where the step asks for a reading. */
  volts?: number;
  /** Of a step of the gate: what had ended an earlier gate and was known when this one was passed, by id. */
  knows?: readonly string[];
}

/** A step was found not done after all, or is to be done again. */
interface TakenBack extends Stamp {
  type: 'taken-back';
  step: string;
  /** The ticks that go with it, by id. */
  ticks: readonly string[];
}

/** Whoever was there left, or the list was put away and taken up again: what was off may be on by now. */
interface Ended extends Stamp {
  type: 'ended';
  why: EndReason;
}

export const END_REASONS = ['left', 'resumed'] as const;
export type EndReason = (typeof END_REASONS)[number];

export type ListEvent = Ticked | TakenBack | Ended;

/** Who writes an event, when, and under which id. */
export type Stamped = Stamp;

/** Steps by which a place is made dead. They say how it is now, not what was done once. */
export const isGate = ({ kind }: Pick<Step, 'kind'>): boolean =>
  kind === 'off' || kind === 'dead' || kind === 'discharge';

/** Whether a tick says that power is on again. It is known by its step's id: the list it was made on may have been another. */
export const isPowerOn = (event: ListEvent): event is Ticked =>
  event.type === 'ticked' && (event.step === 'on' || event.step.startsWith('on:'));
