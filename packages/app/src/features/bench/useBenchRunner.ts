import { useEffect } from 'react';
import type { Probes } from '@zygostat/core/network';
import type { RootState, Store } from '../../store';
import { useAppStore } from '../../store';
import type { Bench } from './slice';
import { answered, failed } from './slice';
import { circuitInForce } from '../circuit/in-force';
import { theModel } from '../../model/model';
import { whyOf } from '../../model/whyOf';

/** How often time passes on the bench while something is pending, ms. */
const TICK_MS = 1000;
/** A tab that slept wakes up to at most this much time gone by, s. */
const LONGEST_NAP_S = 3600;

const probesOf = ({ meter }: Bench): Probes | null =>
  meter.red !== null && meter.black !== null
    ? { mode: meter.mode, meter: meter.kind, red: meter.red, black: meter.black }
    : null;

/** Asks the model whenever circuit, inputs or probes change, one question at a time, newest wins. */
function makeRunner(store: Store) {
  let busy = false;
  let again = false;
  let elapse: number | 'skip' = 0;
  let loaded: { circuit: unknown; supply: number } | null = null;

  async function round(): Promise<void> {
    const { bench, edits } = store.getState() as RootState;
    const { circuit } = edits.present;
    if (!circuit) return;
    const pass = elapse;
    elapse = 0;
    const model = theModel();
    const { inputs, world, followed, supply } = bench;
    const inForce = circuitInForce(store.getState() as RootState)!;
    if (loaded?.circuit !== inForce || loaded.supply !== supply) {
      const { mains } = inForce;
      await model.load({ ...inForce, mains: { ...mains, volts: mains.volts * supply } });
      loaded = { circuit: inForce, supply };
    }
    const probes = probesOf(bench);
    const answer = await model.ask({ inputs, world, elapse: pass, probes, followed });
    // An answer about a circuit that has been replaced meanwhile is of no use.
    if (answer && (store.getState() as RootState).edits.present.circuit === circuit)
      store.dispatch(answered({ ...answer, about: circuit, pathOf: followed }));
    else again = true;
  }

  return async function run(pass: number | 'skip' = 0): Promise<void> {
    if (pass === 'skip' || elapse === 'skip') elapse = 'skip';
    else elapse += pass;
    again = true;
    if (busy) return;
    busy = true;
    try {
      while (again) {
        again = false;
        await round();
      }
    } catch (error) {
      // What is asked next may be asked of a model that has just begun.
      loaded = null;
      store.dispatch(failed(whyOf(error)));
    } finally {
      busy = false;
    }
  };
}

/** What the model is asked about: when none of it has changed there is nothing to ask. */
const askedOf = (state: RootState) => {
  const { bench } = state;
  return [
    circuitInForce(state),
    bench.moment,
    bench.inputs,
    bench.supply,
    bench.meter,
    bench.followed,
  ] as const;
};

const isPending = ({ bench }: RootState) => !bench.paused && (bench.view?.waits.length ?? 0) > 0;

/** Asks whenever something that is asked about has changed, and lets time pass while something is pending. */
function makeWatch(store: Store, run: (pass: number) => Promise<void>) {
  let asked: readonly unknown[] = [];
  let timer: ReturnType<typeof setInterval> | null = null;
  let last = 0;
  const tick = () => {
    const now = Date.now();
    void run(Math.min((now - last) / 1000, LONGEST_NAP_S));
    last = now;
  };
  const stopClock = () => {
    if (timer !== null) clearInterval(timer);
    timer = null;
  };
  const ask = () => {
    const next = askedOf(store.getState() as RootState);
    if (next.every((value, i) => value === asked[i])) return;
    asked = next;
    void run(0);
  };
  const follow = () => {
    ask();
    const pending = isPending(store.getState() as RootState);
    if (pending && timer === null) {
      last = Date.now();
      timer = setInterval(tick, TICK_MS);
    } else if (!pending) stopClock();
  };
  return { ask, follow, stopClock };
}

function makeBenchRunner(store: Store) {
  const run = makeRunner(store);
  return { run, ...makeWatch(store, run) };
}

/** The one runner of a store. `ask` asks at once what a screen will want, before it is drawn. */
export const benchRunnerOf = (store: Store) => store.own(makeBenchRunner);

/**
 * Keeps the bench of the open job answered, and its clock going while something is pending. Watches the store rather
 * than rendering: a tap asks the model at once, before anything is repainted.
 */
export function useBenchRunner(): (pass: number | 'skip') => Promise<void> {
  const store = useAppStore();
  useEffect(() => {
    const { follow, stopClock } = benchRunnerOf(store);
    const unsubscribe = store.subscribe(follow);
    follow();
    return () => {
      unsubscribe();
      stopClock();
    };
  }, [store]);
  return benchRunnerOf(store).run;
}
