/** What happens to what waits, and what is to be done about it. */
import type { Draft, Lying, Saved, Waiting } from './waiting';

interface Named {
  name: string;
  id: string;
}

/** What the server made of a save. */
export type SaveOutcome =
  /** `latest` is the newest save by then. */
  | { type: 'taken'; number: number; latest: number }
  | { type: 'overtaken'; newest: Saved }
  | { type: 'refused'; detail: string }
  | { type: 'silent' };

/** What the server made of what it was told, in order. */
export interface ToldOutcome {
  taken: number;
  /** What became of the next: refused for good, or to be tried again. */
  error?: { isFinal: boolean; detail: string };
}

export type SyncEvent =
  /** What an earlier visit left was read from the disk. */
  | { type: 'loaded'; items: readonly Lying[] }
  /** A document was read, or could not be (`null`). `save` is a new id, for what may have to be saved then. */
  | ({ type: 'read'; newest: Saved | null; save: string } & Named)
  /** A document was changed here. */
  | ({ type: 'changed'; value: unknown; note?: string; save: string; at: number } & Named)
  /** Something is to be told. With `isAsked` somebody waits for what becomes of it. */
  | ({ type: 'put'; owner: string; value: unknown; at: number; isAsked?: boolean } & Named)
  /** It lies on the disk now, or there is no room for it. */
  | { type: 'written'; key: string; version: number; isKept: boolean }
  /** A lane was left alone long enough. */
  | { type: 'due'; lane: string }
  /** There may be signal again. */
  | { type: 'online' }
  | { type: 'saved'; lane: string; outcome: SaveOutcome; save: string }
  | { type: 'told'; lane: string; outcome: ToldOutcome }
  /** A person lets something go, or wants it tried again. */
  | { type: 'let-go' | 'again'; key: string }
  /** A person decided what a held document is to be, on top of a save. */
  | ({ type: 'decided'; on: Saved; value: unknown; save: string; at: number } & Named);

export type Effect =
  | { type: 'write'; item: Waiting }
  | { type: 'erase'; name: string; id: string }
  /** Sends a save of a document. */
  | { type: 'save'; lane: string; name: string; id: string; draft: NonNullable<Draft['sent']> }
  /** Tells what waits, in order; with `isMore` another of its name is told right after. */
  | { type: 'tell'; lane: string; items: readonly Waiting[]; isMore: boolean }
  /** Asks for `due`: after a moment, or after the longer the more often nothing answered. */
  | { type: 'wait'; lane: string; tries: number | 'settle' }
  /** What a document is now, to be shown where it is open. */
  | { type: 'show'; name: string; id: string; saved: Saved }
  /** How far a document is. */
  | { type: 'progress'; name: string; id: string; progress: Progress }
  /** Both changed the same: a person is to be asked. */
  | { type: 'ask'; name: string; id: string; clashes: readonly unknown[] }
  /** A newer save of a document is there and was not read. */
  | { type: 'read'; name: string; id: string }
  /** What became of something that somebody waits for. */
  | { type: 'delivered'; key: string; outcome: Delivered }
  /** A word to the person. */
  | { type: 'say'; word: Word; detail?: string };

/** How far what is open has been saved. */
export type Progress =
  | { state: 'saved' | 'saving'; base: number }
  | { state: 'waiting' | 'conflict' }
  | { state: 'refused'; detail: string };

export type Delivered = { type: 'taken' | 'kept' } | { type: 'refused'; detail: string };

/** Why something that was told is still here, or what became of a document. */
export type Word = 'no-answer' | 'behind' | 'no-room' | 'not-taken' | 'put-together';
