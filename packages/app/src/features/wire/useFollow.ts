import { useAppStore } from '../../store';
import { nanoid } from '@reduxjs/toolkit';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Circuit } from '@zygostat/core/circuit';
import { kindOf } from '@zygostat/core/devices';
import type { EndReason, ListEvent, Plan, PlanView, Step } from '@zygostat/core/wire';
import { partway, stepsOf, ticksOf, toggled } from '@zygostat/core/wire';
import { theModel } from '../../model/model';
import type { RootState } from '../../store';
import { controlSet } from '../bench/slice';
import { planDocument } from '../plan/document';
import { edited } from '../circuit/slice';
import { writerIn } from '../record/writer-name';
import { tellTask } from './useTaskText';

const same = (one: Circuit, other: Circuit) => JSON.stringify(one) === JSON.stringify(other);

/** How often a list that is looked at is asked whether its gate is still of today, ms. */
const LOOK_MS = 60_000;

/** Where a plan stands, worked out anew when it changes and when the day does. */
function usePlanView(plan: Plan): { to: Plan; view: PlanView } | null {
  const [answer, setAnswer] = useState<{ to: Plan; view: PlanView } | null>(null);
  const [day, setDay] = useState(() => new Date().toDateString());
  useEffect(() => {
    const timer = setInterval(() => setDay(new Date().toDateString()), LOOK_MS);
    return () => clearInterval(timer);
  }, []);
  useEffect(() => {
    let wanted = true;
    const { before, after, reasons, events } = plan;
    void theModel()
      .follow({ before, after, reasons, events }, new Date().toISOString())
      .then((view) => wanted && setAnswer({ to: plan, view }));
    return () => {
      wanted = false;
    };
  }, [plan, day]);
  return answer;
}

/** The bench follows: what is off on site is off here too, and what is on again is on. */
function useBenchFollows(devices: Circuit['devices'], open: readonly string[] | undefined): void {
  const store = useAppStore();
  const before = useRef(open);
  useEffect(() => {
    const was = before.current;
    before.current = open;
    if (!open || !was) return;
    for (const { id, kind, station } of devices) {
      const { isolates } = kindOf(kind);
      const isOpen = open.includes(station);
      if (isolates && isOpen !== was.includes(station))
        store.dispatch(
          controlSet({ device: id, name: isolates.control, value: isOpen ? isolates.off : isolates.on }),
        );
    }
  }, [store, devices, open]);
}

const stepsDone = ({ before, after, reasons, events }: Plan): string[] => [
  ...ticksOf(stepsOf(before, after, reasons), events, new Date().toISOString()).standing.keys(),
];

/** Where the plan stands, and what a person can do about it. The circuit follows every step that is done. */
export function useFollow(plan: Plan, circuit: Circuit) {
  const store = useAppStore();
  const answer = usePlanView(plan);
  // An older view stands until the new one is there, so that the list does not flicker.
  const view = answer?.view ?? null;
  /** The plan the view is of. */
  const viewed = answer?.to ?? plan;
  useBenchFollows(plan.before.devices, view?.open);
  /** The circuit was changed otherwise since: nothing of that must be overwritten. */
  const strayed = answer !== null && answer.to === plan && !same(answer.view.circuit, circuit);
  /** Takes a plan with what happened to it, and makes the circuit follow, in one go: nothing may come between. */
  const carryOut = useCallback(
    (held: Plan, next: Plan, note: string) => {
      const [was, now] = [stepsDone(held), stepsDone(next)];
      // The plan first: a circuit ahead of its plan would look changed by somebody else.
      store.dispatch(planDocument.changed(next));
      const present = (store.getState() as RootState).edits.present.circuit;
      if (!present || JSON.stringify(was) === JSON.stringify(now)) return;
      const moved = partway(next.before, next.after, new Set(now));
      store.dispatch(
        edited({
          circuit: same(present, moved) ? present : moved,
          note,
          ticks: { plan: next.id, was, now },
        }),
      );
    },
    [store],
  );
  const stamp = useCallback(
    () => ({
      id: nanoid(),
      by: writerIn(store.getState() as RootState),
      at: new Date().toISOString(),
    }),
    [store],
  );
  const tick = useCallback(
    (step: Step, volts?: number) => {
      // As it is by now: two taps in one breath both count.
      const held = (store.getState() as RootState).plan.value;
      if (!held) return;
      const steps = stepsOf(held.before, held.after, held.reasons);
      const event = toggled(steps, held.events, step.id, stamp(), volts);
      if (!event) return;
      const text = tellTask(viewed, (store.getState() as RootState).settings)(step);
      const note = event.type === 'taken-back' ? `Taken back: ${text}` : text;
      carryOut(held, { ...held, events: [...held.events, event] }, note);
    },
    [store, carryOut, stamp, viewed],
  );
  /** Puts another plan in this one's place; what is done and still asked for stays done. */
  const change = useCallback(
    (next: Plan, note: string) => {
      const held = (store.getState() as RootState).plan.value;
      if (held) carryOut(held, { ...next, id: held.id, events: held.events }, note);
    },
    [store, carryOut],
  );
  /** Ends the visit: power off and dead are asked anew. */
  const endVisit = useCallback(
    (why: EndReason) => {
      const held = (store.getState() as RootState).plan.value;
      const event: ListEvent = { ...stamp(), type: 'ended', why };
      if (held) store.dispatch(planDocument.changed({ ...held, events: [...held.events, event] }));
    },
    [store, stamp],
  );
  const steps = useMemo(() => view?.stops.flatMap((stop) => stop.steps) ?? [], [view]);
  return { view, viewed, steps, strayed, tick, change, endVisit };
}
