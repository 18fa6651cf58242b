import { useCallback, useMemo } from 'react';
import type { Remote } from 'comlink';
import { useStore } from 'react-redux';
import type { Circuit } from '@zygostat/core/circuit';
import type { Done, Plan, Step } from '@zygostat/core/wire';
import { theModel } from '../../bench/model';
import { useModel } from '../../bench/useModel';
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
  const { before, after, reasons, done } = plan;
  const ask = useCallback(
    (model: Remote<Model>) => model.follow(before, after, reasons, Object.keys(done)),
    [before, after, reasons, done],
  );
  const view: PlanView | null = useModel(ask);
  /** The circuit was changed otherwise since: nothing of that must be overwritten. */
  const strayed = view !== null && !same(view.circuit, circuit);
  const carryOut = useCallback(
    async (next: Plan, note: string) => {
      const now = await follow(theModel(), next, Object.keys(next.done));
      const stands = new Set(now.done);
      const kept = Object.fromEntries(Object.entries(next.done).filter(([id]) => stands.has(id)));
      const present = (store.getState() as RootState).edits.present.circuit;
      if (present && !same(present, now.circuit)) store.dispatch(edited({ circuit: now.circuit, note }));
      return kept;
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
        for (const { id, kind } of held.before.devices)
          if (kind === 'breaker') store.dispatch(controlSet({ device: id, name: 'handle', value: handle }));
      }
      const next = was ? rest : { ...held.done, [step.id]: entry };
      store.dispatch(
        stepsDone(await carryOut({ ...held, done: next }, was ? `Taken back: ${step.text}` : step.text)),
      );
    },
    [store, carryOut],
  );
  /** Puts another plan in this one's place; what is done and still asked for stays done. */
  const change = useCallback(
    async (next: Plan, note: string) => {
      const kept = await carryOut(next, note);
      store.dispatch(planChanged({ ...next, done: kept }));
    },
    [store, carryOut],
  );
  const steps = useMemo(() => view?.stops.flatMap((stop) => stop.steps) ?? [], [view]);
  return { view, steps, strayed, tick, change };
}

export type Follow = ReturnType<typeof useFollow>;
