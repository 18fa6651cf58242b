/**
 * What stands of the ticks on a list. Work stands when all that must come before it does. The power-off gate is about the circuit as
 * it is now and belongs to a day and a visit: whoever takes one of its steps back shuts it for everybody, whatever else was ticked
 * meanwhile without knowing of it, and so does power that came on and is to go off again. Work that is done stays done.
 */
import type { ListEvent, Stamped, Ticked } from './list-event';
import { isGate, isPowerOn } from './list-event';
import type { Step } from './step';

type Ids = ReadonlySet<string>;

/** Why a gate that was passed has to be passed anew, and who or what did that. */
export interface Shut {
  why: 'taken-back' | 'left' | 'resumed' | 'powered' | 'day';
  by: string;
  at: string;
}

export interface Ticks {
  /** The tick that counts, by step; steps without one are not done. */
  standing: ReadonlyMap<string, Ticked>;
  /** `null` while the gate stands, was never passed, or is no longer needed. */
  shut: Shut | null;
}

/** Ticks by step that nobody took back, in the order they came. */
function liveTicks(events: readonly ListEvent[]): Map<string, Ticked[]> {
  const gone = new Set(events.flatMap((event) => (event.type === 'taken-back' ? event.ticks : [])));
  const live = new Map<string, Ticked[]>();
  for (const event of events)
    if (event.type === 'ticked' && !gone.has(event.id))
      live.set(event.step, [...(live.get(event.step) ?? []), event]);
  return live;
}

/** Work that stands: all work that must come before it does too. Once it is done its gate has done its duty. */
function upheldWork(steps: readonly Step[], live: ReadonlyMap<string, unknown>): Ids {
  const work = new Map(steps.filter((step) => !isGate(step)).map((step) => [step.id, step]));
  let kept: Ids = new Set([...work.keys()].filter((id) => live.has(id)));
  for (;;) {
    const stands = (id: string) => work.get(id)!.after.every((other) => !work.has(other) || kept.has(other));
    const next = new Set([...kept].filter(stands));
    if (next.size === kept.size) return next;
    kept = next;
  }
}

const sameDay = (one: string, other: string) =>
  new Date(one).toDateString() === new Date(other).toDateString();

interface Ending extends Shut {
  /** Of the event that ended it. */
  id: string;
}

/** By step of the gate, what ended it among all that happened. */
function endings(
  steps: readonly Step[],
  events: readonly ListEvent[],
  worked: Ids,
  live: ReadonlyMap<string, readonly Ticked[]>,
): (step: Step) => Ending[] {
  const gates = new Map(steps.filter(isGate).map((step) => [step.id, step]));
  const isOn = (event: Ticked) => worked.has(event.step) && (live.get(event.step) ?? []).includes(event);
  return (step) =>
    events.flatMap((event): Ending | [] => {
      const { id, by, at } = event;
      if (event.type === 'ended') return { id, by, at, why: event.why };
      if (isPowerOn(event)) return isOn(event) ? [] : { id, by, at, why: 'powered' };
      if (event.type !== 'taken-back') return [];
      const ofThis = event.step === step.id || (gates.has(event.step) && step.after.includes(event.step));
      return ofThis ? { id, by, at, why: 'taken-back' } : [];
    });
}

/** Whether every place is fed again and everything before that is done: the gate is a matter of the past. */
const isFinished = (steps: readonly Step[], worked: Ids) => {
  const on = steps.filter(({ kind }) => kind === 'on');
  return on.length > 0 && on.every(({ id }) => worked.has(id));
};

/**
 * @param events - everything that happened to the list, of everybody.
 * @param now - ISO time: a gate is good for the day it was passed on.
 */
export function ticksOf(steps: readonly Step[], events: readonly ListEvent[], now: string): Ticks {
  const live = liveTicks(events);
  const worked = upheldWork(steps, live);
  const finished = isFinished(steps, worked);
  const endingsOf = endings(steps, events, worked, live);
  const standing = new Map<string, Ticked>();
  let shut: Shut | null = null;
  const blame = ({ why, by, at }: Shut) => {
    if (shut === null || at > shut.at) shut = { why, by, at };
  };
  for (const step of steps.filter(isGate)) {
    const ended = endingsOf(step).filter(({ why }) => !finished || why === 'taken-back');
    const isCurrent = (tick: Ticked) => finished || sameDay(tick.at, now);
    const ticks = live.get(step.id) ?? [];
    const known = (tick: Ticked) => ended.every(({ id }) => tick.knows?.includes(id));
    const tick = [...ticks]
      .reverse()
      .find((one) => known(one) && isCurrent(one) && step.after.every((id) => standing.has(id)));
    if (tick) standing.set(step.id, tick);
    else if (step.kind === 'off') {
      if (events.some((event) => event.type === 'ticked' && event.step === step.id)) ended.forEach(blame);
      for (const { by, at } of ticks) if (!sameDay(at, now)) blame({ why: 'day', by, at });
    }
  }
  for (const id of worked) standing.set(id, live.get(id)![0]!);
  return { standing, shut };
}

/** Whether a step may be done now. */
export const isReady = (steps: readonly Step[], done: Pick<Ids, 'has'>, { after }: Step): boolean =>
  after.every((id) => done.has(id) || !steps.some((step) => step.id === id));

/** What ended a gate so far, or may come to: a gate passed now is passed knowing of it. */
const knownEndings = (steps: readonly Step[], events: readonly ListEvent[]): string[] => {
  const gates = new Set(steps.filter(isGate).map(({ id }) => id));
  return events.flatMap((event) =>
    event.type === 'ended' || isPowerOn(event) || (event.type === 'taken-back' && gates.has(event.step))
      ? [event.id]
      : [],
  );
};

function tick(
  steps: readonly Step[],
  events: readonly ListEvent[],
  step: Step,
  stamp: Stamped,
  volts?: number,
): Ticked {
  return {
    ...stamp,
    type: 'ticked',
    step: step.id,
    ...(volts !== undefined && { volts }),
    ...(isGate(step) && { knows: knownEndings(steps, events) }),
  };
}

/** Takes a step back, and with it whatever cannot stand without it. */
function takeBack(
  steps: readonly Step[],
  events: readonly ListEvent[],
  step: Step,
  stamp: Stamped,
): ListEvent {
  const live = liveTicks(events);
  const idsOf = (id: string) => (live.get(id) ?? []).map((one) => one.id);
  const event: ListEvent = { ...stamp, type: 'taken-back', step: step.id, ticks: idsOf(step.id) };
  const left = upheldWork(steps, liveTicks([...events, event]));
  const fallen = [...upheldWork(steps, live)].filter((id) => !left.has(id) && id !== step.id);
  return { ...event, ticks: [...event.ticks, ...fallen.flatMap(idsOf)] };
}

/**
 * The event that ticks a step, or takes its tick back; `null` for a step that must wait.
 *
 * @param volts - what was read, where the step asks for it.
 */
export function toggled(
  steps: readonly Step[],
  events: readonly ListEvent[],
  id: string,
  stamp: Stamped,
  volts?: number,
): ListEvent | null {
  const step = steps.find((one) => one.id === id);
  if (!step) return null;
  const { standing } = ticksOf(steps, events, stamp.at);
  if (standing.has(id)) return takeBack(steps, events, step, stamp);
  return isReady(steps, standing, step) ? tick(steps, events, step, stamp, volts) : null;
}

/**
 * The events that bring a list to the steps that are to be done, as undo and redo ask for it. A step of the gate is taken back so, and
 * never ticked: whether the power is off is for a person to say at the breaker.
 *
 * @param stamp - a new one for each event.
 */
export function broughtTo(
  steps: readonly Step[],
  events: readonly ListEvent[],
  wanted: readonly string[],
  stamp: () => Stamped,
): ListEvent[] {
  const added: ListEvent[] = [];
  const all = () => [...events, ...added];
  const now = stamp();
  const done = (id: string) => ticksOf(steps, all(), now.at).standing.has(id);
  for (const step of [...steps].reverse())
    if (!wanted.includes(step.id) && done(step.id)) added.push(takeBack(steps, all(), step, stamp()));
  for (const step of steps)
    if (wanted.includes(step.id) && !isGate(step) && !done(step.id))
      added.push(tick(steps, all(), step, stamp()));
  return added;
}

/** Whether the power is off at a place, as far as its ticks say. */
export const isOpenAt = (steps: readonly Step[], done: Pick<Ids, 'has'>, station: string): boolean => {
  const ticked = (kind: 'off' | 'on') =>
    steps.some((step) => step.kind === kind && step.station === station && done.has(step.id));
  return ticked('off') && !ticked('on');
};
