/** How things of each name are sent, as each feature says for its own. */
import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import type {
  Draft,
  Progress,
  SaveOutcome,
  Saved,
  Sort,
  Sorts,
  ToldOutcome,
  Waiting,
} from '@zygostat/core/sync';
import type { Own } from '../store/own';

export type Dispatch = ThunkDispatch<unknown, Own, UnknownAction>;

interface OfDocument {
  name: string;
  sort: Extract<Sort, { type: 'document' }>;
  /** Whether what was kept here is one of its drafts. */
  isReadable: (value: unknown) => boolean;
  save: (dispatch: Dispatch, id: string, draft: NonNullable<Draft['sent']>) => Promise<SaveOutcome>;
  /** Reads the newest; `null` where there is no answer. */
  newest: (dispatch: Dispatch, getState: () => unknown, id: string) => Promise<Saved | null>;
  /** Shows it where it is open. */
  show: (dispatch: Dispatch, getState: () => unknown, id: string, saved: Saved) => void;
  progress: (dispatch: Dispatch, getState: () => unknown, id: string, progress: Progress) => void;
}

interface OfTold {
  name: string;
  sort: Extract<Sort, { type: 'told' }>;
  tell: (dispatch: Dispatch, items: readonly Waiting[], isMore: boolean) => Promise<ToldOutcome>;
}

export type Sender = OfDocument | OfTold;

/** Those of a page, by name: all there are once it is ready for jobs. */
const sendersOf = () => new Map<string, Sender>();

export const sendsWith = (own: Own, sender: Sender): void => void own(sendersOf).set(sender.name, sender);

export const sortsKnown = (own: Own): Sorts =>
  Object.fromEntries([...own(sendersOf)].map(([name, { sort }]) => [name, sort]));

export function documentSender(own: Own, name: string): OfDocument | undefined {
  const sender = own(sendersOf).get(name);
  return sender && 'save' in sender ? sender : undefined;
}

export function toldSender(own: Own, name: string): OfTold | undefined {
  const sender = own(sendersOf).get(name);
  return sender && 'tell' in sender ? sender : undefined;
}
