/**
 * Takes what is changed of a job to the server: keeps it here until the server has it, asks again when the server is
 * silent, goes on with it when the job is left, and never overwrites what another tab has saved.
 */
import type { Action, ListenerEffectAPI, ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { addListener } from '@reduxjs/toolkit';
import { isFinal, problemOf } from '../store/api';
import { told } from '../store/notice';
import { untilAskedAgain } from './backoff';
import { forget, keep, kept, keptUnder, refuse } from './keep';
import { isOvertaking, missed, waitingAs } from './waiting';

/** Changes in quick succession are sent as one, ms. */
const SETTLE_MS = 300;

export type Dispatch = ThunkDispatch<unknown, undefined, UnknownAction>;
type Answer<T> = Promise<{ data?: T; error?: unknown }>;

/** How far what is open has been saved. */
export interface Progress {
  jobId: string | null;
  /** Save this one builds on. */
  base: number;
  state: 'saved' | 'saving' | 'waiting' | 'conflict' | 'refused';
  /** What the server said, when it refused. */
  detail: string;
}

/** What is to be sent: a value, the save it builds on, and a word about the change where there is one. */
export interface Draft<T> {
  base: number;
  value: T;
  note?: string;
}

export interface Saved<T> {
  number: number;
  value: T;
}

/** What becomes of a change when another was saved first: both in one, or the other alone (`null`). */
export interface Merged<T> {
  value: T | null;
  words: string;
}

export interface Merging<T> {
  /** `null` where the person has to decide; `before` is what both were made on, where that is known. */
  merge: (mine: T, theirs: T, before: T | undefined) => Merged<T> | null;
  /** Reads the save a draft builds on; left out where merging asks for none. */
  before?: (dispatch: Dispatch, jobId: string, base: number) => Promise<T | undefined>;
  /** Puts what came of it into the store. */
  takenUp: (taken: { jobId: string; base: number; value: T; state: Progress['state'] }) => UnknownAction;
}

export interface Synced<T> {
  name: string;
  /** Whether an action changes it, or asks for it to be sent. */
  changes: (action: Action, now: unknown, before: unknown) => boolean;
  /** As it stands in the store; `null` when none is open. */
  draftIn: (state: unknown) => Draft<T> | null;
  progressIn: (state: unknown) => Progress;
  progressed: (progress: Partial<Progress>) => UnknownAction;
  /** What was kept here, checked; `undefined` when it is none. */
  read: (given: unknown) => T | undefined;
  send: (dispatch: Dispatch, jobId: string, draft: Draft<T>) => Answer<{ number: number }>;
  newest: (dispatch: Dispatch, jobId: string) => Answer<Saved<T>>;
  /** Left out, the person decides: it is a conflict. */
  merging?: Merging<T>;
}

/** What is said of something kept that an earlier or a later version wrote, and this one cannot read. */
export const UNREADABLE = 'This version of the app cannot read it. Save it as a file before letting it go.';

/** Where a draft is put that cannot be read. */
export const asideOf = (name: string) => `${name}-aside`;

/** The draft kept of a job, if it is one. What is none is put beside, so that nothing takes its place. */
export async function keptDraft<T>(
  { name, read }: Pick<Synced<T>, 'name' | 'read'>,
  jobId: string,
): Promise<Draft<T> | undefined> {
  const found = await kept(name, jobId);
  if (found === undefined) return undefined;
  const given = (typeof found === 'object' && found !== null ? found : {}) as Partial<Draft<unknown>>;
  const value = read(given.value);
  if (typeof given.base !== 'number' || value === undefined) {
    await keep(asideOf(name), jobId, found);
    await refuse(asideOf(name), jobId, UNREADABLE);
    await forget(name, jobId, found);
    return undefined;
  }
  const { base, note } = given;
  return { base, value, ...(typeof note === 'string' && { note }) };
}

type Outcome<T> =
  | { type: 'sent'; number: number }
  | { type: 'overtaken'; newest: Saved<T>; detail: string }
  | { type: 'silent' }
  | { type: 'refused'; detail: string };

/** Sends a draft once and says what became of it. */
async function sendOnce<T>(
  doc: Synced<T>,
  dispatch: Dispatch,
  jobId: string,
  draft: Draft<T>,
): Promise<Outcome<T>> {
  const waiting = waitingAs(doc.name, jobId);
  const wasOvertaking = waiting !== undefined && isOvertaking(waiting);
  const { data, error } = await doc.send(dispatch, jobId, draft);
  if (data) return { type: 'sent', number: data.number };
  const { status, detail } = problemOf(error);
  if (status === 409) {
    const { data: newest } = await doc.newest(dispatch, jobId);
    if (!newest) return { type: 'silent' };
    // The newest may be this very one: sent before, and only the answer lost.
    return JSON.stringify(newest.value) === JSON.stringify(draft.value)
      ? { type: 'sent', number: newest.number }
      : { type: 'overtaken', newest, detail };
  }
  return isFinal(status) && !wasOvertaking ? { type: 'refused', detail } : { type: 'silent' };
}

type Api = ListenerEffectAPI<unknown, Dispatch>;

/** What is on its way, by job. */
class Courier<T> {
  private readonly drafts = new Map<string, Draft<T>>();
  private readonly underWay = new Set<string>();

  constructor(private readonly doc: Synced<T>) {}

  put(jobId: string, draft: Draft<T>): void {
    this.drafts.set(jobId, draft);
    void keep(this.doc.name, jobId, draft);
  }

  has = (jobId: string) => this.drafts.has(jobId);

  private drop(jobId: string): void {
    void forget(this.doc.name, jobId, this.drafts.get(jobId));
    this.drafts.delete(jobId);
  }

  /** Sends what there is of a job until the server has it all, or the person must decide. */
  async run(jobId: string, { dispatch, getState, delay }: Api): Promise<void> {
    if (this.underWay.has(jobId)) return;
    this.underWay.add(jobId);
    const tell = (progress: Partial<Progress>) => {
      if (this.doc.progressIn(getState()).jobId === jobId) dispatch(this.doc.progressed(progress));
    };
    try {
      tell({ state: 'saving', detail: '' });
      await delay(SETTLE_MS);
      let tries = 0;
      for (let draft = this.drafts.get(jobId); draft; draft = this.drafts.get(jobId)) {
        const outcome = await sendOnce(this.doc, dispatch, jobId, draft);
        if (outcome.type === 'silent') {
          tell({ state: 'waiting' });
          missed(this.doc.name, jobId);
          await untilAskedAgain(tries++, delay);
        } else if (outcome.type === 'sent') {
          tries = 0;
          this.sent(jobId, draft, outcome.number, tell);
        } else if (outcome.type === 'refused') {
          await refuse(this.doc.name, jobId, outcome.detail);
          return tell({ state: 'refused', detail: outcome.detail });
        } else if (!(await this.merge(jobId, outcome.newest, dispatch, getState)))
          return tell({ state: 'conflict', detail: outcome.detail });
      }
    } finally {
      this.underWay.delete(jobId);
    }
  }

  private sent(
    jobId: string,
    draft: Draft<T>,
    number: number,
    tell: (progress: Partial<Progress>) => void,
  ): void {
    const newest = this.drafts.get(jobId)!;
    if (newest === draft) this.drop(jobId);
    else this.put(jobId, { ...newest, base: number });
    tell({ base: number, state: newest === draft ? 'saved' : 'saving' });
  }

  /** Puts a draft on top of what was saved before it; `false` where the person has to decide. */
  private async merge(
    jobId: string,
    newest: Saved<T>,
    dispatch: Dispatch,
    getState: () => unknown,
  ): Promise<boolean> {
    const { merging } = this.doc;
    if (!merging) return false;
    const before = await merging.before?.(dispatch, jobId, this.drafts.get(jobId)!.base);
    // What was changed while that was read counts too.
    const draft = this.drafts.get(jobId)!;
    const merged = merging.merge(draft.value, newest.value, before);
    if (!merged) return false;
    const { value, words } = merged;
    if (value === null) this.drop(jobId);
    else this.put(jobId, { ...draft, base: newest.number, value });
    dispatch(told(words));
    if (this.doc.progressIn(getState()).jobId === jobId)
      dispatch(
        merging.takenUp({
          jobId,
          base: newest.number,
          value: value ?? newest.value,
          state: value === null ? 'saved' : 'saving',
        }),
      );
    return true;
  }
}

/** What to dispatch once for something to be sent as it is changed, and then to take up what an earlier visit left. */
export interface Sending {
  listeners: UnknownAction[];
  wake: UnknownAction;
}

export function syncing<T>(doc: Synced<T>): Sending {
  const courier = new Courier(doc);
  const wake = { type: `${doc.name}/wake` };
  const changed = addListener({
    predicate: doc.changes,
    effect: async (_action, api) => {
      const state = api.getState();
      const draft = doc.draftIn(state);
      const { jobId, state: saving } = doc.progressIn(state);
      if (jobId === null || draft === null) return;
      courier.put(jobId, draft);
      // What the person has to decide first is kept, and waits.
      if (saving !== 'conflict') await courier.run(jobId, api as Api);
    },
  });
  const takeUp = addListener({
    type: wake.type,
    effect: async (_action, api) => {
      const left = await keptUnder(doc.name);
      await Promise.all(
        left.map(async ([jobId]) => {
          const draft = await keptDraft(doc, jobId);
          if (!draft || courier.has(jobId)) return;
          courier.put(jobId, draft);
          await courier.run(jobId, api as Api);
        }),
      );
    },
  });
  return { listeners: [changed, takeUp], wake };
}
