/** A document of a job besides its circuit, or of a site: what it is, declared once; how it is opened, kept, sent and merged comes with it. */
import type { UnknownAction } from '@reduxjs/toolkit';
import { createAction } from '@reduxjs/toolkit';
import { api } from '../store/api';
import { told } from '../store/notice';
import { forget } from './keep';
import { isBegunHere } from './begun';
import type { Dispatch, Merged, Progress, Saved, Synced } from './sync';
import { keptDraft, syncing } from './sync';

/** Whose it is. */
type Owner = 'jobs' | 'sites';

const documentsApi = api.injectEndpoints({
  endpoints: (build) => ({
    readDocument: build.query<Record<string, unknown>, { of: Owner; id: string; name: string }>({
      query: ({ of, id, name }) => `${of}/${encodeURIComponent(id)}/${name}`,
    }),
    saveDocument: build.mutation<
      { number: number },
      { of: Owner; id: string; name: string; base: number; value: unknown }
    >({
      query: ({ of, id, name, base, value }) => ({
        url: `${of}/${encodeURIComponent(id)}/${name}`,
        method: 'PUT',
        body: { base, [name]: value },
      }),
      invalidatesTags: ['Jobs'],
    }),
  }),
});

/** A document as the store holds it. */
interface Held<T> extends Progress {
  value: T;
  /** What was put away while the job is open: it can be taken up again. */
  putAway: T | null;
}

interface Declared<T> {
  /** A job's, when left out. */
  of?: Owner;
  /** In the store, in the address, in the body, and in what is kept. */
  name: string;
  /** What it is before the first save. */
  empty: T;
  /** What was kept here, checked; `undefined` when it is none. */
  read: (given: unknown) => T | undefined;
  /** What becomes of a change when another tab was first. */
  merge: (mine: T, theirs: T) => Merged<T>;
}

/** Declares a document of a job, or of a site. Its state is kept in the store under its name. */
export function jobDocument<T>({ of = 'jobs', name, empty, read, merge }: Declared<T>) {
  const opened = createAction<Pick<Held<T>, 'jobId' | 'base' | 'value'> & Partial<Pick<Held<T>, 'state'>>>(
    `${name}/opened`,
  );
  const changed = createAction<T>(`${name}/changed`);
  const progressed = createAction<Partial<Progress>>(`${name}/progressed`);
  const none: Held<T> = { jobId: null, base: 0, value: empty, putAway: null, state: 'saved', detail: '' };
  const reducer = (held: Held<T> = none, action: UnknownAction): Held<T> => {
    if (opened.match(action)) return { ...none, ...action.payload };
    if (changed.match(action)) {
      const { payload } = action;
      return { ...held, value: payload, putAway: payload === empty ? held.value : null };
    }
    return progressed.match(action) ? { ...held, ...action.payload } : held;
  };
  const heldIn = (state: unknown) => (state as Record<string, Held<T>>)[name]!;
  const synced: Synced<T> = {
    name,
    read,
    changes: changed.match,
    progressIn: heldIn,
    draftIn: (state) => heldIn(state),
    progressed,
    send: (dispatch, id, { base, value }) =>
      dispatch(documentsApi.endpoints.saveDocument.initiate({ of, id, name, base, value })),
    newest: async (dispatch, id) => {
      const { data, error } = await dispatch(
        documentsApi.endpoints.readDocument.initiate(
          { of, id, name },
          { forceRefetch: true, subscribe: false },
        ),
      );
      // A job that was begun here and not sent yet has none of it anywhere else.
      if (!data && isBegunHere(id)) return { data: { number: 0, value: empty } };
      return { error, ...(data && { data: { number: data.number as number, value: data[name] as T } }) };
    },
    merging: { merge, takenUp: opened },
  };

  /** Reads it for a job; what the server has not had goes on top. `false` while neither is to be had. */
  const open =
    (jobId: string, wanted: () => boolean = () => true) =>
    async (dispatch: Dispatch): Promise<boolean> => {
      const [{ data: newest }, draft] = await Promise.all([
        synced.newest(dispatch, jobId),
        keptDraft(synced, jobId),
      ]);
      const saved: Saved<T> | undefined = newest ?? (draft && { number: draft.base, value: draft.value });
      if (!wanted() || !saved) return false;
      dispatch(opened({ jobId, base: saved.number, value: saved.value }));
      if (!draft) return true;
      if (draft.base === saved.number) {
        dispatch(changed(draft.value));
        return true;
      }
      const { value, words } = merge(draft.value, saved.value);
      dispatch(told(words));
      if (value === null) await forget(name, jobId, draft);
      else dispatch(changed(value));
      return true;
    };

  /** Takes up what somebody else saved; what is on its way from here is put on top of it when it is sent. */
  const refresh =
    (jobId: string) =>
    async (dispatch: Dispatch, getState: () => unknown): Promise<void> => {
      const { data: newest } = await synced.newest(dispatch, jobId);
      const now = heldIn(getState());
      if (!newest || now.jobId !== jobId || now.state !== 'saved' || newest.number <= now.base) return;
      dispatch(opened({ jobId, base: newest.number, value: newest.value }));
    };

  return { name, refresh, reducer, opened, changed, open, sending: () => syncing(synced) };
}
