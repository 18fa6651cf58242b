/** A job put on the bench: when its place is shown, or before there is a page to show it where the address names it. */
import type { Store } from '../../store';
import { told } from '../../store/notice';
import { draftAs } from '../../documents/slice';
import { keptBench } from '../bench/kept';
import { benchOpened } from '../bench/slice';
import { benchRunnerOf } from '../bench/useBenchRunner';
import type { Circuit } from '@zygostat/core/circuit';
import { circuitReadIn } from '@zygostat/core/circuit';
import { CIRCUIT, openedAs } from '../circuit/saving';
import { takeUp } from '../circuit/slice';
import { keptSteps } from '../circuit/steps';
import type { OpenedJob } from '../jobs/api';
import { jobsApi } from '../jobs/api';
import { layEarly } from '../loom/useLaid';
import { traceOpened } from '../trace/slice';
import { startJobs } from './start';

/** Puts a freshly read job on the bench, with any edit of it the server has not had yet, unless it is wanted no more by then. */
export async function putOnBench(
  store: Store,
  id: string,
  fresh: OpenedJob,
  isWanted: () => boolean,
): Promise<void> {
  await startJobs(store);
  if (!isWanted()) return;
  const { dispatch } = store;
  dispatch(traceOpened());
  dispatch(told(null));
  dispatch(benchOpened(keptBench(id) ?? {}));
  const stored = circuitReadIn(fresh.circuit) as Circuit;
  const drafted = draftAs(store.getState(), CIRCUIT, id)?.value;
  const circuit = drafted === undefined ? stored : (circuitReadIn(drafted) as Circuit);
  dispatch(takeUp(circuit, keptSteps(id, circuit)));
  // Saved on top of what it was made on: the server says if another tab was first.
  dispatch(openedAs(id, { number: fresh.revision, value: stored }));
  // Where it lies and what it does, while its place is made.
  layEarly(store, store.getState().edits.present.circuit);
  benchRunnerOf(store).ask();
}

interface Early {
  opened: { id: string; done: Promise<void> } | null;
  /** Counts what is opened early, and what of it is left. */
  turn: number;
}
const early = (): Early => ({ opened: null, turn: 0 });

async function readEarly(store: Store, id: string, after: Promise<void> | null): Promise<void> {
  const mine = ++store.own(early).turn;
  const asked = store.dispatch(jobsApi.endpoints.openJob.initiate(id, { forceRefetch: true }));
  try {
    // What an earlier visit left is read while the job is.
    await startJobs(store);
    const fresh = await asked.unwrap();
    await after;
    await putOnBench(store, id, fresh, () => mine === store.own(early).turn);
  } catch {
    // Whoever shows it reads it again, and says why it cannot be.
  } finally {
    asked.unsubscribe();
  }
}

/**
 * Opens a job while the page, or the place, is made that shows it.
 *
 * @param after - what it is put on the bench after, once it is read.
 */
export function openEarly(store: Store, id: string, after: Promise<void> | null = null): void {
  store.own(early).opened = { id, done: readEarly(store, id, after) };
}

/** Says that whoever shows it has left: it comes over nothing that was opened since. */
export function leaveEarly(store: Store): void {
  store.own(early).turn++;
}

/** Resolves when a job was opened so, if it could be; for the first who shows it, `null` where it was not tried. */
export function takeEarly(store: Store, id: string): Promise<void> | null {
  const known = store.own(early);
  const taken = known.opened?.id === id ? known.opened.done : null;
  known.opened = null;
  return taken;
}
