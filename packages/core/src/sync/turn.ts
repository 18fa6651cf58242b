/** One step of what waits: its state, changed by and by, and what is to be done. */
import type { Effect } from './event';
import type { Lane, Saved, Sorts, Sync, Waiting } from './waiting';
import { isOpen, keyOf } from './waiting';

/** What a version of the app that cannot read something says of it; told by the app. */
export const UNREADABLE = 'unreadable';

const IDLE: Lane = { tries: 0 };

const without = <T>(record: Readonly<Record<string, T>>, key: string): Record<string, T> => {
  const { [key]: _gone, ...rest } = record;
  return rest;
};

export class Turn {
  readonly effects: Effect[] = [];

  constructor(
    readonly sorts: Sorts,
    public state: Sync,
  ) {}

  item(key: string): Waiting | undefined {
    return this.state.items[key];
  }

  lane(name: string): Lane {
    return this.state.lanes[name] ?? IDLE;
  }

  do(effect: Effect): void {
    this.effects.push(effect);
  }

  setItem(item: Waiting): void {
    this.state = { ...this.state, items: { ...this.state.items, [keyOf(item)]: item } };
  }

  /** Puts something in place of what was there, and on the disk. */
  write(item: Waiting): void {
    const lastVersion = this.state.lastVersion + 1;
    this.state = { ...this.state, lastVersion };
    const next = { ...item, version: lastVersion };
    this.setItem(next);
    this.do({ type: 'write', item: next });
  }

  drop({ name, id }: Pick<Waiting, 'name' | 'id'>): void {
    this.state = { ...this.state, items: without(this.state.items, keyOf({ name, id })) };
    this.do({ type: 'erase', name, id });
  }

  setSaved(key: string, saved: Saved): void {
    this.state = { ...this.state, saved: { ...this.state.saved, [key]: saved } };
  }

  setLane(name: string, lane: Lane | null): void {
    const { lanes } = this.state;
    this.state = { ...this.state, lanes: lane ? { ...lanes, [name]: lane } : without(lanes, name) };
  }

  /** A lane with nothing on its way. */
  freed(name: string): Lane {
    const { sending: _sent, ...lane } = this.lane(name);
    return lane;
  }

  /** Nothing answered: the lane is left alone, the longer the more often. */
  wait(name: string): void {
    const { tries } = this.lane(name);
    this.setLane(name, { ...this.freed(name), tries: tries + 1, isWaiting: true });
    this.do({ type: 'wait', lane: name, tries });
  }

  /** Later is higher, whatever the clock says. */
  nextOrder(at: number): number {
    const lastOrder = Math.max(this.state.lastOrder + 1, at);
    this.state = { ...this.state, lastOrder };
    return lastOrder;
  }

  laneOf({ name, id, owner }: Pick<Waiting, 'name' | 'id' | 'owner'>): string {
    return this.sorts[name]?.type === 'document' ? keyOf({ name, id }) : `told/${owner}`;
  }

  /** What is to be sent in a lane, in order. */
  openIn(lane: string): Waiting[] {
    return Object.values(this.state.items)
      .filter((item) => isOpen(item) && item.name in this.sorts && this.laneOf(item) === lane)
      .sort((one, other) => one.order - other.order);
  }

  /** Whether anything of the same job that came before is still on its way: what is refused until then may be right after it. */
  isOvertaking({ owner, order }: Waiting, alongside: readonly string[] = []): boolean {
    return Object.values(this.state.items).some(
      (other) =>
        isOpen(other) && other.owner === owner && other.order < order && !alongside.includes(keyOf(other)),
    );
  }
}
