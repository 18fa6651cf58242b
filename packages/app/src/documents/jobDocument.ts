/** A document of a job besides its circuit, or of a site, in the store: opened, changed, kept, sent and merged as core declares it. */
import type { UnknownAction } from '@reduxjs/toolkit';
import { addListener, createAction, nanoid } from '@reduxjs/toolkit';
import type { DocumentKind, DocumentName, DocumentOf, Owner } from '@zygostat/core/documents';
import { DOCUMENTS, mergeDocuments, readAs } from '@zygostat/core/documents';
import type { Clash, Side } from '@zygostat/core/merge';
import type { Draft, Progress, Saved } from '@zygostat/core/sync';
import { keyOf } from '@zygostat/core/sync';
import { api, isFinal, problemOf } from '../store/api';
import { askedOf, withClashDecided } from './asked';
import { happened, readAnew } from './happened';
import type { Dispatch, Sender } from './senders';
import { draftAs, isBegunHere, syncIn } from './slice';

const documentsApi = api.injectEndpoints({
  endpoints: (build) => ({
    readDocument: build.query<Record<string, unknown>, { owner: Owner; id: string; name: string }>({
      query: ({ owner, id, name }) => `${owner}/${encodeURIComponent(id)}/${name}`,
    }),
    saveDocument: build.mutation<
      { number: number; latest: number },
      { owner: Owner; id: string; name: string; draft: NonNullable<Draft['sent']> }
    >({
      query: ({ owner, id, name, draft: { base, save, value } }) => ({
        url: `${owner}/${encodeURIComponent(id)}/${name}`,
        method: 'PUT',
        body: { base, save, [name]: value },
      }),
      invalidatesTags: ['Jobs'],
    }),
  }),
});

/** A document as the store holds it. */
export interface Held<T> {
  /** The job, or site, whose it is; `null` while none is open. */
  jobId: string | null;
  value: T;
  /** What was put away while the job is open: it can be taken up again. */
  putAway: T | null;
  /** Save it builds on. */
  base: number;
  state: Progress['state'];
  /** What the server said, when it refused. */
  detail: string;
}

/** Whether what was kept here is a draft of a kind. */
const isDraft = (kind: DocumentKind, given: unknown): boolean => {
  const { base, value, save } = (given ?? {}) as Partial<Draft>;
  return typeof base === 'number' && typeof save === 'string' && readAs(kind, value) !== undefined;
};

/** Its state is kept in the store under its name. */
export function jobDocument<Name extends DocumentName>(name: Name) {
  type T = DocumentOf<Name>;
  const kind = DOCUMENTS[name] as unknown as DocumentKind<T>;
  const { owner, empty } = kind;
  const opened = createAction<Pick<Held<T>, 'jobId' | 'base' | 'value'>>(`${name}/opened`);
  const shown = createAction<Pick<Held<T>, 'base' | 'value'>>(`${name}/shown`);
  const changed = createAction<T>(`${name}/changed`);
  const progressed = createAction<Partial<Held<T>>>(`${name}/progressed`);
  const none: Held<T> = { jobId: null, base: 0, value: empty, putAway: null, state: 'saved', detail: '' };
  const reducer = (held: Held<T> = none, action: UnknownAction): Held<T> => {
    if (opened.match(action)) return { ...none, ...action.payload };
    if (shown.match(action)) return { ...held, ...action.payload };
    if (changed.match(action)) {
      const { payload } = action;
      return { ...held, value: payload, putAway: payload === empty ? held.value : null };
    }
    return progressed.match(action) ? { ...held, ...action.payload } : held;
  };
  const heldIn = (state: unknown) => (state as Record<string, Held<T>>)[name]!;

  /** The newest the server has, read by this version; `null` where there is no answer, or a later version wrote it. */
  async function newest(dispatch: Dispatch, getState: () => unknown, id: string): Promise<Saved | null> {
    const asked = documentsApi.endpoints.readDocument.initiate(
      { owner, id, name },
      { forceRefetch: true, subscribe: false },
    );
    const { data } = await dispatch(asked);
    // A job that was begun here and not sent yet has none of it anywhere else.
    if (!data) return isBegunHere(getState(), id) ? { number: 0, value: empty } : null;
    const value = readAs(kind, data[name]);
    return value === undefined ? null : { number: data.number as number, value };
  }

  const sender: Sender = {
    name,
    sort: {
      type: 'document',
      holds: false,
      merge: (before, mine, theirs) => mergeDocuments(kind, before as T | undefined, mine as T, theirs as T),
    },
    isReadable: (given) => isDraft(kind as DocumentKind, given),
    newest,
    save: async (dispatch, id, draft) => {
      const { data, error } = await dispatch(
        documentsApi.endpoints.saveDocument.initiate({ owner, id, name, draft }),
      );
      if (data) return { type: 'taken', ...data };
      const { status, detail } = problemOf(error);
      if (status !== 409) return isFinal(status) ? { type: 'refused', detail } : { type: 'silent' };
      const found = await dispatch((_send: Dispatch, getState: () => unknown) =>
        newest(dispatch, getState, id),
      );
      return found ? { type: 'overtaken', newest: found } : { type: 'silent' };
    },
    show: (dispatch, getState, id, { number, value }) => {
      if (heldIn(getState()).jobId === id) dispatch(shown({ base: number, value: value as T }));
    },
    progress: (dispatch, getState, id, progress) => {
      if (heldIn(getState()).jobId === id) dispatch(progressed(progress));
    },
  };

  /** Reads it for a job; what the server has not had goes on top. `false` while neither is to be had. */
  const open =
    (id: string, wanted: () => boolean = () => true) =>
    async (dispatch: Dispatch, getState: () => unknown): Promise<boolean> => {
      const found = await newest(dispatch, getState, id);
      const known = found ?? syncIn(getState()).saved[keyOf({ name, id })];
      const draft = draftAs(getState(), name, id);
      if (!wanted() || !(known ?? draft)) return false;
      const value = (draft?.value ?? known?.value) as T;
      dispatch(opened({ jobId: id, base: known?.number ?? draft!.base, value }));
      dispatch(happened({ type: 'read', name, id, newest: found, save: nanoid() }));
      return true;
    };

  /** Takes up what somebody else saved; what is on its way from here is put on top of it when it is sent. */
  const refresh =
    (id: string) =>
    async (dispatch: Dispatch, getState: () => unknown): Promise<void> => {
      if (heldIn(getState()).jobId === id) await dispatch(readAnew(name, id));
    };

  /** Decides a clash for one side; everything else that was changed stays. */
  const decide =
    (clash: Clash, side: Side) =>
    (dispatch: Dispatch, getState: () => unknown): void => {
      const { jobId, value } = heldIn(getState());
      const key = keyOf({ name: askedOf(name), id: jobId! });
      const asked = (syncIn(getState()).items[key]?.value ?? []) as readonly Clash[];
      const left = asked.filter((one) => one !== clash);
      const next = withClashDecided(kind, value, clash, side);
      // What would not be a document any more is not taken, and stays asked.
      if (kind.problems(next).length > 0) return;
      dispatch(changed(next));
      const put = { type: 'put', name: askedOf(name), id: jobId!, owner: jobId!, value: left } as const;
      dispatch(happened(left.length > 0 ? { ...put, at: Date.now() } : { type: 'let-go', key }));
    };

  /** Every change goes on its way as it is made. */
  const sending = () =>
    addListener({
      actionCreator: changed,
      effect: ({ payload: value }, { dispatch, getState }) => {
        const { jobId } = heldIn(getState());
        if (jobId === null) return;
        const change = { type: 'changed', name, id: jobId, value, save: nanoid(), at: Date.now() } as const;
        (dispatch as Dispatch)(happened(change));
      },
    });

  return { name, owner, reducer, sender, opened, changed, open, refresh, decide, sending };
}
