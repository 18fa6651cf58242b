/**
 * What waits to be sent, as one pure function: what happened in, what waits now and what is to be done out. It asks nobody, writes
 * nothing and knows no time but what it is told, so that every order of events can be tried.
 */
import { changed, decided, pumpDocument, read, saved } from './documents';
import type { Effect, SyncEvent } from './event';
import { pumpTold, put, told } from './told';
import { Turn } from './turn';
import type { Sorts, Sync, Waiting } from './waiting';
import { keyOf } from './waiting';

/** Sends what a lane may send. Whatever it does may make something else the next. */
function pump(turn: Turn, lane: string): void {
  for (let last: Waiting | undefined; ;) {
    const { sending, isWaiting, isSettling } = turn.lane(lane);
    if (sending || isWaiting || isSettling) return;
    const [item] = turn.openIn(lane);
    if (!item) return turn.setLane(lane, null);
    // Nothing came of it: it waits for the disk.
    if (item === last) return;
    last = item;
    if (turn.sorts[item.name]!.type === 'document') pumpDocument(turn, lane, item);
    else pumpTold(turn, lane, item);
  }
}

function loaded(turn: Turn, items: Extract<SyncEvent, { type: 'loaded' }>['items']): void {
  for (const lying of items) {
    // What was put while this was read is newer, or with the server by now.
    if (turn.item(keyOf(lying))) continue;
    turn.state = { ...turn.state, lastOrder: Math.max(turn.state.lastOrder, lying.order) };
    turn.setItem({ ...lying, version: 0, written: 0, isKept: true });
  }
  for (const item of items) pump(turn, turn.laneOf(item));
}

function written(turn: Turn, { key, version, isKept }: Extract<SyncEvent, { type: 'written' }>): void {
  const item = turn.item(key);
  // Of one that was dropped since, the disk may tell late.
  if (!item || item.isSent || version < item.version) return;
  const { isNew: _new, ...rest } = item;
  turn.setItem({ ...rest, written: version, isKept });
  pump(turn, turn.laneOf(item));
}

function wake(turn: Turn, lane: string): void {
  const { isWaiting: _waiting, isSettling: _settling, ...now } = turn.lane(lane);
  turn.setLane(lane, now);
  pump(turn, lane);
}

function again(turn: Turn, key: string): void {
  const item = turn.item(key);
  if (!item) return;
  const { refused: _refused, ...rest } = item;
  turn.write(rest);
  pump(turn, turn.laneOf(rest));
}

/**
 * @param sorts - how things of each name are sent.
 * @returns what waits after an event, and what is to be done, in order.
 */
export function step(
  sorts: Sorts,
  state: Sync,
  event: SyncEvent,
): { state: Sync; effects: readonly Effect[] } {
  const turn = new Turn(sorts, state);
  switch (event.type) {
    case 'loaded':
      loaded(turn, event.items);
      break;
    case 'read':
      read(turn, event);
      pump(turn, keyOf(event));
      break;
    case 'changed':
      changed(turn, event);
      break;
    case 'decided':
      decided(turn, event);
      break;
    case 'put':
      put(turn, event);
      break;
    case 'written':
      written(turn, event);
      break;
    case 'due':
      wake(turn, event.lane);
      break;
    case 'online':
      for (const lane of Object.keys(turn.state.lanes)) wake(turn, lane);
      break;
    case 'saved':
      saved(turn, event);
      pump(turn, event.lane);
      break;
    case 'told':
      told(turn, event);
      pump(turn, event.lane);
      break;
    case 'let-go': {
      const item = turn.item(event.key);
      if (item) turn.drop(item);
      break;
    }
    case 'again':
      again(turn, event.key);
      break;
  }
  return { state: turn.state, effects: turn.effects };
}
