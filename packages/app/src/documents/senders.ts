/** How things of each name are sent, said by each feature for its own when the app is read; nothing of it changes after that. */
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

export type Dispatch = ThunkDispatch<unknown, undefined, UnknownAction>;

interface OfDocument {
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
  sort: Extract<Sort, { type: 'told' }>;
  tell: (dispatch: Dispatch, items: readonly Waiting[], isMore: boolean) => Promise<ToldOutcome>;
}

type Sender = OfDocument | OfTold;

const senders = new Map<string, Sender>();

export function sendsWith(name: string, sender: Sender): void {
  senders.set(name, sender);
}

export const sortsKnown = (): Sorts =>
  Object.fromEntries([...senders].map(([name, { sort }]) => [name, sort]));

export function documentSender(name: string): OfDocument | undefined {
  const sender = senders.get(name);
  return sender && 'save' in sender ? sender : undefined;
}

export function toldSender(name: string): OfTold | undefined {
  const sender = senders.get(name);
  return sender && 'tell' in sender ? sender : undefined;
}
