/** What is told once: of each job in its order, as often as it takes, and counted once by its id. */
import type { SyncEvent } from './event';
import type { Turn } from './turn';
import { UNREADABLE } from './turn';
import type { Sort, Waiting } from './waiting';
import { keyOf } from './waiting';

type Of<T extends SyncEvent['type']> = Extract<SyncEvent, { type: T }>;
type Told = Extract<Sort, { type: 'told' }>;

/** Something is to be told. What waits under the same name and id has its place taken, and its turn. */
export function put(turn: Turn, { name, id, owner, value, at, isAsked }: Of<'put'>): void {
  const key = keyOf({ name, id });
  const before = turn.item(key);
  const isWaiting = before !== undefined && !before.isSent;
  const lane = `told/${owner}`;
  const isBehind = isWaiting || turn.openIn(lane).some(({ isSilent }) => isSilent);
  const { since, order, version, written, isKept } = isWaiting
    ? before
    : {
        since: at,
        order: turn.nextOrder(at),
        version: before?.version ?? 0,
        written: before?.written ?? 0,
        isKept: true,
      };
  turn.write({
    ...{ name, id, owner, value, since, order, version, written, isKept },
    ...(!isWaiting && { isNew: true }),
    ...(isBehind && { isSilent: true }),
    ...(isAsked && !isBehind && { isAsked: true }),
  });
  if (isAsked && isBehind) {
    turn.do({ type: 'say', word: 'behind' });
    turn.do({ type: 'delivered', key, outcome: { type: 'kept' } });
  }
}

/** The next of a lane, and what goes with it in one go. */
function runFrom(turn: Turn, open: readonly Waiting[]): Waiting[] {
  const [first] = open;
  const { most, isReadable } = turn.sorts[first!.name] as Told;
  const end = open.findIndex(
    (item) => item.name !== first!.name || item.written !== item.version || !isReadable(item.value),
  );
  return open.slice(0, Math.min(end < 0 ? open.length : end, most));
}

/** Tells what is next in a lane, once it lies on the disk. */
export function pumpTold(turn: Turn, lane: string, item: Waiting): void {
  const { isReadable } = turn.sorts[item.name] as Told;
  if (!isReadable(item.value)) {
    turn.write({ ...item, refused: UNREADABLE });
    return;
  }
  const open = turn.openIn(lane);
  const run = runFrom(turn, open);
  if (run.length === 0) return;
  turn.setLane(lane, {
    ...turn.lane(lane),
    sending: run.map((one) => ({ key: keyOf(one), version: one.version })),
  });
  turn.do({ type: 'tell', lane, items: run, isMore: open[run.length]?.name === item.name });
}

function deliver(
  turn: Turn,
  item: Waiting,
  outcome: Parameters<typeof turn.do>[0] & { type: 'delivered' },
): void {
  if (item.isAsked) turn.do(outcome);
}

/** The server has it: it is shown until the server's own list has it too. */
function arrived(turn: Turn, item: Waiting, version: number): void {
  const key = keyOf(item);
  deliver(turn, item, { type: 'delivered', key, outcome: { type: 'taken' } });
  const { isAsked: _asked, isSilent: _silent, ...rest } = item;
  // Changed meanwhile, it is told once more.
  if (item.version !== version) return turn.setItem(rest);
  turn.setItem({ ...rest, isSent: true });
  turn.do({ type: 'erase', name: item.name, id: item.id });
}

function refuse(turn: Turn, item: Waiting, detail: string): void {
  const key = keyOf(item);
  if (item.isAsked) {
    turn.drop(item);
    turn.do({ type: 'delivered', key, outcome: { type: 'refused', detail } });
    return;
  }
  turn.write({ ...item, refused: detail });
  turn.do({ type: 'say', word: 'not-taken', detail });
}

/** It is not known whether the server has it: it and what is behind it wait. */
function postpone(turn: Turn, lane: string, isFinal: boolean): void {
  for (const item of turn.openIn(lane)) {
    const { isAsked: _asked, ...rest } = item;
    turn.setItem({ ...rest, isSilent: true });
    if (item.isAsked)
      turn.do({ type: 'say', word: !item.isKept ? 'no-room' : isFinal ? 'behind' : 'no-answer' });
    deliver(turn, item, { type: 'delivered', key: keyOf(item), outcome: { type: 'kept' } });
  }
  turn.wait(lane);
}

/** What became of what was told. */
export function told(turn: Turn, { lane, outcome: { taken, error } }: Of<'told'>): void {
  const { sending = [] } = turn.lane(lane);
  turn.setLane(lane, turn.freed(lane));
  const keys = sending.map(({ key }) => key);
  for (const { key, version } of sending.slice(0, taken)) {
    const item = turn.item(key);
    if (item) arrived(turn, item, version);
  }
  if (taken > 0) turn.setLane(lane, { ...turn.freed(lane), tries: 0 });
  const next = sending[taken];
  const item = next && turn.item(next.key);
  if (!error || !item) return;
  if (error.isFinal && !turn.isOvertaking(item, keys.slice(0, taken))) refuse(turn, item, error.detail);
  else postpone(turn, lane, error.isFinal);
}
