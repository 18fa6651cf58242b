/** Documents: each is saved on top of the save it builds on, and put together with what was saved meanwhile. */
import equal from 'fast-deep-equal';
import type { SaveOutcome, SyncEvent } from './event';
import type { Turn } from './turn';
import type { Draft, Saved, Sort, Waiting } from './waiting';
import { isOpen, keyOf } from './waiting';

type Of<T extends SyncEvent['type']> = Extract<SyncEvent, { type: T }>;

const draftOf = (item: Waiting) => item.value as Draft;

const sortOf = (turn: Turn, name: string) => turn.sorts[name] as Extract<Sort, { type: 'document' }>;

function settle(turn: Turn, lane: string): void {
  const now = turn.lane(lane);
  if (now.isSettling) return;
  turn.setLane(lane, { ...now, isSettling: true });
  turn.do({ type: 'wait', lane, tries: 'settle' });
}

/** A document was changed here: it is kept at once, and sent when nothing more comes. */
export function changed(turn: Turn, { name, id, value, note, save, at }: Of<'changed'>): void {
  const key = keyOf({ name, id });
  const item = turn.item(key);
  const { number: base, value: before } = turn.state.saved[key] ?? { number: 0, value: undefined };
  const draft: Draft = {
    ...(item ? draftOf(item) : { base, ...(before !== undefined && { before }) }),
    value,
    save,
    ...(note !== undefined && { note }),
  };
  if (item) {
    const { refused: _refused, ...rest } = item;
    turn.write({ ...rest, value: draft });
  } else {
    const fresh = {
      name,
      id,
      owner: id,
      value: draft,
      since: at,
      order: turn.nextOrder(at),
      version: 0,
      written: 0,
    };
    turn.write({ ...fresh, isKept: true, isNew: true });
  }
  if (item?.isHeld) return;
  turn.do({ type: 'progress', name, id, progress: { state: 'saving', base: draft.base } });
  settle(turn, key);
}

/** Sends what there is of a document, once it lies on the disk as it is sent. */
export function pumpDocument(turn: Turn, lane: string, item: Waiting): void {
  const { before: _before, sent, ...draft } = draftOf(item);
  if (!sent) turn.write({ ...item, value: { ...draftOf(item), sent: draft } });
  else if (item.written === item.version) {
    const { name, id, version } = item;
    turn.setLane(lane, { ...turn.lane(lane), sending: [{ key: lane, version }] });
    turn.do({ type: 'save', lane, name, id, draft: sent });
  }
}

/** Puts a draft on top of a save that was made meanwhile, or leaves it to the person. */
function putOnTop(turn: Turn, item: Waiting, newest: Saved, save: string): void {
  const { name, id } = item;
  const { note, before, value } = draftOf(item);
  const { merge, holds } = sortOf(turn, name);
  const merged = merge(before, value, newest.value);
  if (merged.clashes.length > 0 && holds) {
    const { sent: _on, ...held } = draftOf(item);
    turn.write({ ...item, value: held, isHeld: true });
    turn.do({ type: 'progress', name, id, progress: { state: 'conflict' } });
    return;
  }
  turn.setSaved(keyOf(item), newest);
  turn.do({ type: 'show', name, id, saved: { number: newest.number, value: merged.value } });
  if (merged.clashes.length > 0) turn.do({ type: 'ask', name, id, clashes: merged.clashes });
  turn.do({ type: 'say', word: 'put-together', detail: name });
  if (equal(merged.value, newest.value)) {
    turn.drop(item);
    turn.do({ type: 'progress', name, id, progress: { state: 'saved', base: newest.number } });
    return;
  }
  const draft: Draft = {
    base: newest.number,
    before: newest.value,
    value: merged.value,
    save,
    ...(note !== undefined && { note }),
  };
  turn.write({ ...item, value: draft });
  turn.do({ type: 'progress', name, id, progress: { state: 'saving', base: newest.number } });
}

/** The server has what was sent; what was changed meanwhile goes on top of it. */
function taken(turn: Turn, item: Waiting, { number, latest }: Extract<SaveOutcome, { type: 'taken' }>): void {
  const { name, id } = item;
  const key = keyOf(item);
  const { sent, ...draft } = draftOf(item);
  const value = sent!.value;
  turn.setSaved(key, { number, value });
  const isDone = draft.save === sent!.save || equal(draft.value, value);
  if (isDone) turn.drop(item);
  else {
    const { isSilent: _silent, ...rest } = item;
    turn.write({ ...rest, value: { ...draft, base: number, before: value } });
  }
  turn.do({ type: 'progress', name, id, progress: { state: isDone ? 'saved' : 'saving', base: number } });
  const { [key]: heard = 0, ...others } = turn.state.heard;
  turn.state = { ...turn.state, heard: others };
  if (isDone && Math.max(latest, heard) > number) turn.do({ type: 'read', name, id });
}

/** What became of a save. */
export function saved(turn: Turn, { lane, outcome, save }: Of<'saved'>): void {
  const item = turn.item(lane);
  turn.setLane(lane, turn.freed(lane));
  if (!item) return;
  const { name, id } = item;
  if (outcome.type === 'refused' && !turn.isOvertaking(item)) {
    const { sent: _sent, ...draft } = draftOf(item);
    turn.write({ ...item, value: draft, refused: outcome.detail });
    turn.do({ type: 'progress', name, id, progress: { state: 'refused', detail: outcome.detail } });
    return;
  }
  if (outcome.type === 'silent' || outcome.type === 'refused') {
    turn.setItem({ ...item, isSilent: true });
    turn.do({ type: 'progress', name, id, progress: { state: 'waiting' } });
    turn.wait(lane);
    return;
  }
  turn.setLane(lane, { ...turn.freed(lane), tries: 0 });
  if (outcome.type === 'taken') return taken(turn, item, outcome);
  const { base } = draftOf(item);
  putOnTop(turn, item, outcome.newest, save);
  // An older one than it was made on: what was read is stale, or the server went back to a copy. Not asked again at once.
  if (outcome.newest.number <= base) turn.wait(lane);
}

/** A document was read: it is shown, with what is not sent yet on top of it. */
export function read(turn: Turn, { name, id, newest, save }: Of<'read'>): void {
  const key = keyOf({ name, id });
  const item = turn.item(key);
  const known = turn.state.saved[key];
  const isNews = newest !== null && newest.number >= (known?.number ?? 0);
  if (!item || item.refused !== undefined) {
    if (isNews) turn.setSaved(key, newest);
    const shown = turn.state.saved[key];
    if (!item && shown) turn.do({ type: 'show', name, id, saved: shown });
    if (!item) return;
  }
  const draft = draftOf(item);
  const isUnderWay = draft.sent !== undefined || turn.lane(key).sending !== undefined;
  if (newest && !isUnderWay && isOpen(item) && draft.base < newest.number) putOnTop(turn, item, newest, save);
  else {
    if (newest && isUnderWay)
      turn.state = { ...turn.state, heard: { ...turn.state.heard, [key]: newest.number } };
    turn.do({ type: 'show', name, id, saved: { number: draft.base, value: draft.value } });
    if (item.isHeld) turn.do({ type: 'progress', name, id, progress: { state: 'conflict' } });
    else if (item.refused !== undefined)
      turn.do({ type: 'progress', name, id, progress: { state: 'refused', detail: item.refused } });
    else turn.do({ type: 'progress', name, id, progress: { state: 'saving', base: draft.base } });
  }
  settle(turn, key);
}

/** A person decided: what is to be saved, and on top of what. */
export function decided(turn: Turn, { name, id, on, value, save, at }: Of<'decided'>): void {
  const key = keyOf({ name, id });
  const item = turn.item(key);
  turn.setSaved(key, on);
  if (item) {
    const { isHeld: _held, refused: _refused, ...rest } = item;
    const { note } = draftOf(item);
    const draft: Draft = {
      base: on.number,
      before: on.value,
      value,
      save,
      ...(note !== undefined && { note }),
    };
    if (equal(value, on.value)) turn.drop(item);
    else turn.write({ ...rest, value: draft });
  } else if (!equal(value, on.value)) changed(turn, { type: 'changed', name, id, value, save, at });
  const isSaved = turn.item(key) === undefined;
  turn.do({ type: 'progress', name, id, progress: { state: isSaved ? 'saved' : 'saving', base: on.number } });
  if (!isSaved) settle(turn, key);
}
