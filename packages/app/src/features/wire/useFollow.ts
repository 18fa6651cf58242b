import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useStore } from 'react-redux';
import type { Circuit } from '@zygostat/core/circuit';
import { kindOf } from '@zygostat/core/devices';
import type { Done, Plan, PlanView, Step } from '@zygostat/core/wire';
import { theModel } from '../../model/model';
import type { RootState, Store } from '../../store';
import { controlSet } from '../bench/slice';
import { planDocument } from '../plan/document';
import { edited } from '../circuit/slice';
import { tellTask } from './useTaskText';

const same = (one: Circuit, other: Circuit) => JSON.stringify(one) === JSON.stringify(other);

/** Where the plan stands, and what a person can do about it. The circuit follows every step that is done. */
export function useFollow(plan: Plan, circuit: Circuit) {
  const store = useStore() as unknown as Store;
  const answered = useRef<PlanView | null>(null);
  const [answer, setAnswer] = useState<{ to: Plan; view: PlanView } | null>(null);
  useEffect(() => {
    let wanted = true;
    const { before, after, reasons, done } = plan;
    void theModel()
      .follow({ before, after, reasons }, Object.keys(done))
      .then((view) => {
        answered.current = view;
        if (wanted) setAnswer({ to: plan, view });
      });
    return () => {
      wanted = false;
    };
  }, [plan]);
  // An older view stands until the new one is there, so that the list does not flicker.
  const view = answer?.view ?? null;
  /** The plan the view is of. */
  const viewed = answer?.to ?? plan;
  /** The circuit was changed otherwise since: nothing of that must be overwritten. */
  const strayed = answer !== null && answer.to === plan && !same(answer.view.circuit, circuit);
  /** Takes a plan with what is done of it, and makes the circuit follow; steps that wait for one not done fall away. */
  const carryOut = useCallback(
    async (next: Plan, note: string, take: (kept: Plan['done']) => void) => {
      const was = (store.getState() as RootState).plan.value?.done ?? {};
      const { before, after, reasons, done } = next;
      const now = await theModel().follow({ before, after, reasons }, Object.keys(done), Object.keys(was));
      const stands = new Set(now.done);
      const kept = Object.fromEntries(Object.entries(done).filter(([id]) => stands.has(id)));
      // The plan first: a circuit ahead of its plan would look changed by somebody else.
      take(kept);
      const present = (store.getState() as RootState).edits.present.circuit;
      if (present && JSON.stringify(kept) !== JSON.stringify(was))
        store.dispatch(
          edited({
            circuit: same(present, now.circuit) ? present : now.circuit,
            note,
            ticks: { was, now: kept },
          }),
        );
      // The bench follows: what is opened on site is open here too, and what was closed again is closed.
      const wasOpen = answered.current?.open ?? [];
      for (const { id, kind, station } of before.devices) {
        const { isolates } = kindOf(kind);
        const isOpen = now.open.includes(station);
        if (isolates && isOpen !== wasOpen.includes(station))
          store.dispatch(
            controlSet({ device: id, name: isolates.control, value: isOpen ? isolates.off : isolates.on }),
          );
      }
      answered.current = now;
    },
    [store],
  );
  const tick = useCallback(
    async (step: Step, volts?: number) => {
      const held = (store.getState() as RootState).plan.value;
      if (!held) return;
      const entry: Done = { at: new Date().toISOString(), ...(volts !== undefined && { volts }) };
      const { [step.id]: was, ...rest } = held.done;
      const next = { ...held, done: was ? rest : { ...held.done, [step.id]: entry } };
      const text = tellTask(viewed, (store.getState() as RootState).settings)(step);
      await carryOut(next, was ? `Taken back: ${text}` : text, (kept) =>
        store.dispatch(planDocument.changed({ ...held, done: kept })),
      );
    },
    [store, carryOut, viewed],
  );
  /** Puts another plan in this one's place; what is done and still asked for stays done. */
  const change = useCallback(
    (next: Plan, note: string) =>
      carryOut(next, note, (kept) => store.dispatch(planDocument.changed({ ...next, done: kept }))),
    [store, carryOut],
  );
  const steps = useMemo(() => view?.stops.flatMap((stop) => stop.steps) ?? [], [view]);
  return { view, viewed, steps, strayed, tick, change };
}
