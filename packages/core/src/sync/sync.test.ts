/** What waits, event by event, without a browser: in every order nothing is lost, sent twice as two things, or asked for ever. */
import type { Effect, SyncEvent } from './event';
import type { Draft, Sorts, Sync } from './waiting';
import { step } from './step';
import { NOTHING_WAITS, allOf } from './waiting';

type Words = Record<string, string>;

/** Texts by name: what one changed and the other did not is taken. */
const merge = (before: unknown, mine: unknown, theirs: unknown) => {
  const [was, own, other] = [before ?? {}, mine, theirs] as [Words, Words, Words];
  const value: Words = {};
  const clashes: string[] = [];
  for (const name of new Set([...Object.keys(own), ...Object.keys(other)])) {
    const isMine = own[name] !== was[name];
    if (isMine && other[name] !== was[name] && own[name] !== other[name]) clashes.push(name);
    const one = isMine && !clashes.includes(name) ? own[name] : other[name];
    if (one !== undefined) value[name] = one;
  }
  return { value, clashes };
};

const SORTS: Sorts = {
  notes: { type: 'document', merge, holds: false },
  wiring: { type: 'document', merge, holds: true },
  line: { type: 'told', most: 2, isReadable: (value) => value !== 'unreadable' },
};

/** A device: what happened to it, and what it wants done since it was last asked. */
class Device {
  state: Sync = NOTHING_WAITS;
  private effects: Effect[] = [];
  private saves = 0;

  happen(event: SyncEvent): void {
    const { state, effects } = step(SORTS, this.state, event);
    this.state = state;
    this.effects.push(...effects);
  }

  /** Everything of a type it wants done, once. */
  wants<T extends Effect['type']>(type: T): Extract<Effect, { type: T }>[] {
    const found = this.effects.filter((effect) => effect.type === type) as Extract<Effect, { type: T }>[];
    this.effects = this.effects.filter((effect) => effect.type !== type);
    return found;
  }

  /** The disk does what it was asked. */
  write(isKept = true): void {
    for (const { item } of this.wants('write'))
      this.happen({ type: 'written', key: `${item.name}/${item.id}`, version: item.version, isKept });
  }

  read(name: string, number: number, value: Words): void {
    this.happen({ type: 'read', name, id: 'job', newest: { number, value }, save: `s${this.saves++}` });
  }

  change(name: string, value: Words): void {
    this.happen({ type: 'changed', name, id: 'job', value, save: `s${this.saves++}`, at: 1 });
  }

  /** Lets the moment pass after which a change is sent, and gives what is sent. */
  sent(name = 'notes') {
    this.happen({ type: 'due', lane: `${name}/job` });
    this.write();
    this.write();
    return this.wants('save');
  }

  saved(outcome: Extract<SyncEvent, { type: 'saved' }>['outcome'], name = 'notes'): void {
    this.happen({ type: 'saved', lane: `${name}/job`, outcome, save: `s${this.saves++}` });
    this.write();
  }

  tell(id: string, value: unknown = id, isAsked = false): void {
    this.happen({ type: 'put', name: 'line', id, owner: 'job', value, at: 1, isAsked });
  }

  told(taken: number, error?: { isFinal: boolean; detail: string }): void {
    this.happen({ type: 'told', lane: 'told/job', outcome: { taken, ...(error && { error }) } });
  }

  draft = (name = 'notes') => this.state.items[`${name}/job`]?.value as Draft | undefined;
}

describe('a document', () => {
  const opened = () => {
    const device = new Device();
    device.read('notes', 3, { a: '1' });
    return device;
  };

  test('is written before it is sent, and what was sent is known on the disk', () => {
    const device = opened();
    device.change('notes', { a: '2' });
    device.happen({ type: 'due', lane: 'notes/job' });
    expect(device.wants('save')).toEqual([]);
    const lying = device.wants('write').at(-1)!.item.value as Draft;
    expect(lying).toMatchObject({ base: 3, before: { a: '1' }, sent: { base: 3, value: { a: '2' } } });
    device.happen({ type: 'written', key: 'notes/job', version: 2, isKept: true });
    expect(device.wants('save')).toMatchObject([{ draft: { base: 3, value: { a: '2' } } }]);
  });

  test('that was dropped and changed anew is sent, though the disk tells late of what was there before', () => {
    const device = opened();
    for (const a of ['2', '3', '4', '5', '6']) device.change('notes', { a });
    device.change('notes', { a: '1', b: '2' });
    const late = device.wants('write');
    // Somebody else wrote the same: nothing waits any more, and what was asked of the disk is still under way.
    device.happen({
      type: 'read',
      name: 'notes',
      id: 'job',
      newest: { number: 4, value: { a: '1', b: '2' } },
      save: 'x',
    });
    expect(allOf(device.state)).toEqual([]);
    device.change('notes', { a: '3' });
    for (const { item } of late)
      device.happen({ type: 'written', key: 'notes/job', version: item.version, isKept: true });
    device.write();
    expect(device.sent()).toMatchObject([{ draft: { value: { a: '3' } } }]);
  });

  test('whose answer was lost is sent again as the same save, whatever was changed since', () => {
    const device = opened();
    device.change('notes', { a: '2' });
    const [first] = device.sent();
    device.change('notes', { a: '3' });
    device.saved({ type: 'silent' });
    const [again] = device.sent();
    expect(again!.draft).toEqual(first!.draft);
    device.saved({ type: 'taken', number: 4, latest: 4 });
    expect(device.sent()[0]!.draft).toMatchObject({ base: 4, value: { a: '3' } });
    device.saved({ type: 'taken', number: 5, latest: 5 });
    expect(allOf(device.state)).toEqual([]);
  });

  test('of which a later visit finds a save under way sends that first, and merges only then', () => {
    const device = opened();
    device.change('notes', { a: '2' });
    device.sent();
    const { name, id, owner, value, since, order } = device.state.items['notes/job']!;
    const later = new Device();
    later.happen({ type: 'loaded', items: [{ name, id, owner, value, since, order }] });
    later.read('notes', 5, { a: '2', b: '1' });
    expect(later.draft()).toMatchObject({ base: 3, value: { a: '2' } });
    later.saved({ type: 'taken', number: 4, latest: 5 });
    // Somebody went on from it: that is read, and nothing of it is taken for a change of one's own.
    expect(later.wants('read')).toEqual([{ type: 'read', name: 'notes', id: 'job' }]);
    expect(allOf(later.state)).toEqual([]);
  });

  test('that somebody else saved first is put together, shown, and sent on top', () => {
    const device = opened();
    device.change('notes', { a: '1', mine: 'x' });
    device.sent();
    device.wants('show');
    device.saved({ type: 'overtaken', newest: { number: 7, value: { a: '9' } } });
    expect(device.wants('show')).toMatchObject([{ saved: { number: 7, value: { a: '9', mine: 'x' } } }]);
    expect(device.sent()[0]!.draft).toMatchObject({ base: 7, value: { a: '9', mine: 'x' } });
  });

  test('where both changed the same the rest is sent, and the person is asked', () => {
    const device = opened();
    device.change('notes', { a: '2', mine: 'x' });
    device.sent();
    device.saved({ type: 'overtaken', newest: { number: 7, value: { a: '9' } } });
    expect(device.wants('ask')).toEqual([{ type: 'ask', name: 'notes', id: 'job', clashes: ['a'] }]);
    expect(device.sent()[0]!.draft).toMatchObject({ base: 7, value: { a: '9', mine: 'x' } });
  });

  test('that is held waits for the person, keeps what is changed meanwhile, and is sent as decided', () => {
    const device = new Device();
    device.read('wiring', 3, { a: '1' });
    device.change('wiring', { a: '2' });
    device.sent('wiring');
    device.saved({ type: 'overtaken', newest: { number: 7, value: { a: '9' } } }, 'wiring');
    expect(device.wants('progress').at(-1)!.progress).toEqual({ state: 'conflict' });
    device.change('wiring', { a: '3' });
    expect(device.sent('wiring')).toEqual([]);
    const on = { number: 7, value: { a: '9' } };
    const value = { a: '3' };
    device.happen({ type: 'decided', name: 'wiring', id: 'job', on, value, save: 'decided', at: 1 });
    expect(device.sent('wiring')[0]!.draft).toMatchObject({ base: 7, value });
  });

  test('that a stale answer calls older than what it was made on is not asked for at once', () => {
    const device = opened();
    device.change('notes', { a: '2' });
    device.sent();
    device.wants('wait');
    device.saved({ type: 'overtaken', newest: { number: 2, value: { a: '0' } } });
    expect(device.wants('save')).toEqual([]);
    expect(device.wants('wait')).toMatchObject([{ lane: 'notes/job', tries: 0 }]);
  });

  test('that is refused while something before it of its job is on its way is asked for again', () => {
    const device = new Device();
    device.tell('first');
    device.read('notes', 0, {});
    device.change('notes', { a: '2' });
    device.sent();
    device.saved({ type: 'refused', detail: 'no such job' });
    expect(allOf(device.state).map(({ refused }) => refused)).toEqual([undefined, undefined]);
    device.told(1);
    device.sent();
    device.saved({ type: 'refused', detail: 'not so' });
    expect(allOf(device.state)).toMatchObject([{ name: 'notes', refused: 'not so' }]);
  });

  test('that is read again while nothing waits is shown as it is; an older answer is not', () => {
    const device = opened();
    device.wants('show');
    device.read('notes', 4, { a: '4' });
    device.read('notes', 2, { a: '0' });
    expect(device.wants('show').map(({ saved }) => saved.number)).toEqual([4, 4]);
  });
});

describe('what is told', () => {
  test('goes in its order, as many at once as may, and waits longer each time', () => {
    const device = new Device();
    for (const id of ['a', 'b', 'c']) device.tell(id);
    device.write();
    expect(device.wants('tell').map(({ items }) => items.map(({ id }) => id))).toEqual([['a']]);
    device.told(0, { isFinal: false, detail: '' });
    device.happen({ type: 'due', lane: 'told/job' });
    expect(device.wants('tell').map(({ items, isMore }) => [items.map(({ id }) => id), isMore])).toEqual([
      [['a', 'b'], true],
    ]);
    device.told(0, { isFinal: false, detail: '' });
    expect(device.wants('wait').map(({ tries }) => tries)).toEqual([0, 1]);
    device.happen({ type: 'online' });
    device.told(2);
    device.told(1);
    expect(allOf(device.state)).toEqual([]);
  });

  test('to whoever waits for it says what became of it', () => {
    const device = new Device();
    const outcomes = () => device.wants('delivered').map(({ outcome }) => outcome.type);
    device.tell('a', 'a', true);
    device.write();
    device.told(0, { isFinal: true, detail: 'no' });
    expect(outcomes()).toEqual(['refused']);
    expect(allOf(device.state)).toEqual([]);
    device.tell('b', 'b', true);
    device.write();
    device.told(0, { isFinal: false, detail: '' });
    device.tell('c', 'c', true);
    expect(outcomes()).toEqual(['kept', 'kept']);
  });

  test('that is changed while it is on its way is told once more', () => {
    const device = new Device();
    device.tell('a', 'one');
    device.write();
    device.tell('a', 'two');
    device.write();
    device.told(1);
    expect(
      device
        .wants('tell')
        .at(-1)!
        .items.map(({ value }) => value),
    ).toEqual(['two']);
  });

  test('that this version cannot read is neither told nor in the way', () => {
    const device = new Device();
    device.tell('a', 'unreadable');
    device.tell('b');
    device.write();
    device.write();
    expect(device.wants('tell').flatMap(({ items }) => items.map(({ id }) => id))).toEqual(['b']);
    device.happen({ type: 'let-go', key: 'line/a' });
    expect(device.wants('erase')).toContainEqual({ type: 'erase', name: 'line', id: 'a' });
  });
});
