import type { Remote } from 'comlink';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useStore } from 'react-redux';
import type { Circuit } from '@zygostat/core/circuit';
import type { Done, Plan, Step } from '@zygostat/core/wire';
import { theModel } from '../../bench/model';
import type { RootState, Store } from '../../store';
import { controlSet } from '../../store/bench';
import { planChanged, stepsDone } from '../../store/plan';
import { edited } from '../../store/work';
import type { Model, PlanView } from '../../workers/model';

const follow = (model: Remote<Model>, { before, after, reasons }: Plan, done: readonly string[]) =>
  model.follow(before, after, reasons, done);

const same = (one: Circuit, other: Circuit) => JSON.stringify(one) === JSON.stringify(other);

/** Where the plan stands, and what a person can do about it. The circuit follows every step that is done. */
export function useFollow(plan: Plan, circuit: Circuit) {
  const store = useStore() as unknown as Store;
  const [answer, setAnswer] = useState<{ to: Plan; view: PlanView } | null>(null);
  useEffect(() => {
    let wanted = true;
    void follow(theModel(), plan, Object.keys(plan.done)).then((view) => {
      if (wanted) setAnswer({ to: plan, view });
    });
    return () => {
      wanted = false;
    };
  }, [plan]);
  // An older view stands until the new one is there, so that the list does not flicker.
  const view = answer?.view ?? null;
  /** The circuit was changed otherwise since: nothing of that must be overwritten. */
  const strayed = answer !== null && answer.to === plan && !same(answer.view.circuit, circuit);
  /** Takes a plan with what is done of it, and makes the circuit follow; steps that wait for one not done fall away. */
  const carryOut = useCallback(
    async (next: Plan, note: string, take: (kept: Plan['done']) => void) => {
      const now = await follow(theModel(), next, Object.keys(next.done));
      const stands = new Set(now.done);
      // The plan first: a circuit ahead of its plan would look changed by somebody else.
      take(Object.fromEntries(Object.entries(next.done).filter(([id]) => stands.has(id))));
      const present = (store.getState() as RootState).edits.present.circuit;
      if (present && !same(present, now.circuit)) store.dispatch(edited({ circuit: now.circuit, note }));
    },
    [store],
  );
  const tick = useCallback(
    async (step: Step, volts?: number) => {
      const held = (store.getState() as RootState).plan.plan;
      if (!held) return;
      const entry: Done = { at: new Date().toISOString(), ...(volts !== undefined && { volts }) };
      const { [step.id]: was, ...rest } = held.done;
      if (step.kind === 'off' || step.kind === 'on') {
        // The bench follows: what is opened on site is open here too.
        const handle = (step.kind === 'off') === (was === undefined) ? 'off' : 'on';
        for (const { id, kind, station } of held.before.devices)
          if (kind === 'breaker' && station === step.station)
            store.dispatch(controlSet({ device: id, name: 'handle', value: handle }));
      }
      const next = { ...held, done: was ? rest : { ...held.done, [step.id]: entry } };
      await carryOut(next, was ? `Taken back: ${step.text}` : step.text, (kept) =>
        store.dispatch(stepsDone(kept)),
      );
    },
    [store, carryOut],
  );
  /** Puts another plan in this one's place; what is done and still asked for stays done. */
  const change = useCallback(
    (next: Plan, note: string) =>
      carryOut(next, note, (kept) => store.dispatch(planChanged({ ...next, done: kept }))),
    [store, carryOut],
  );
  const steps = useMemo(() => view?.stops.flatMap((stop) => stop.steps) ?? [], [view]);
  return { view, steps, strayed, tick, change };
}

export type Follow = ReturnType<typeof useFollow>;
