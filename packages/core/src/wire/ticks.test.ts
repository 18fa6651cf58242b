/**
 * The power-off gate under every order of ticks, of one person and of two. That nothing is touched live is law and common practice
 * everywhere; that a lock belongs to whoever put it on and to that shift is the rule of lockout (OSHA 29 CFR 1910.147, from memory).
 */
import * as fc from 'fast-check';
import { exchange, setValue } from '../circuit';
import { mergeParts, events as eventsPart } from '../merge';
import { furnaceAirConditioner, twoTransformerSplit } from '../systems';
import type { ListEvent, Step } from '.';
import { broughtTo, isGate, isOpenAt, isReady, stepsOf, ticksOf, toggled } from '.';

type Events = readonly ListEvent[];

const good = furnaceAirConditioner('Ticks');
const steps = stepsOf(good, exchange(good, ['statY', 'from'], ['statW', 'from']));
const isWork = ({ kind }: Step) => ['lift', 'land', 'link', 'unlink', 'insulate', 'tug'].includes(kind);
const of = (kind: Step['kind'], list: readonly Step[] = steps) => list.filter((step) => step.kind === kind);
const first = (kind: Step['kind']) => of(kind)[0]!.id;

let count = 0;
/** The morning of a working day by the clock of this machine; the second number is another day. */
const at = (minute: number, day = 1) => new Date(2028, 4, day, 8, minute).toISOString();
const stamp = (by = 'Ada', when = at(count)) => ({ id: `e${count++}`, by, at: when });
const done = (events: Events, now = at(0), list: readonly Step[] = steps) =>
  ticksOf(list, events, now).standing;
const toggle = (
  events: Events,
  id: string,
  by = 'Ada',
  when = at(0),
  list: readonly Step[] = steps,
): Events => {
  const event = toggled(list, events, id, stamp(by, when));
  return event ? [...events, event] : events;
};
const both = (base: Events, mine: Events, theirs: Events): Events =>
  mergeParts(eventsPart(), base, mine, theirs).value;

/** Ticks everything in order, up to the first step of a kind. */
function worked(until: Step['kind'] | null = null, list: readonly Step[] = steps): Events {
  let events: Events = [];
  for (;;) {
    const now = done(events, at(0), list);
    const next = list.find((step) => !now.has(step.id) && isReady(list, now, step));
    if (!next || next.kind === until) return events;
    events = toggle(events, next.id, 'Ada', at(0), list);
  }
}

const offered = (events: Events, now = at(0), list: readonly Step[] = steps) => {
  const ticked = done(events, now, list);
  return list.filter((step) => !ticked.has(step.id) && isReady(list, ticked, step));
};

describe('one person', () => {
  test('a landing taken back after power is on brings both gates back, and keeps the others', () => {
    const [landing, ...others] = of('land');
    const events = toggle(worked(), landing!.id);
    for (const kind of ['off', 'dead', 'on'] as const)
      for (const { id } of of(kind)) expect([...done(events).keys()]).not.toContain(id);
    expect(offered(events).map(({ kind }) => kind)).toEqual(['off']);
    for (const { id } of others) expect(done(events).has(id)).toBe(true);
    expect(ticksOf(steps, events, at(0)).shut).toMatchObject({ why: 'powered' });
  });

  test('while the power is still off a landing taken back leaves the gates', () => {
    const events = toggle(worked('on'), first('land'));
    for (const { id } of [...of('off'), ...of('dead')]) expect(done(events).has(id)).toBe(true);
  });

  test('taking "power on" itself back brings the gates back too: nobody knows how it stands', () => {
    const events = toggle(worked(), first('on'));
    for (const { id } of [...of('off'), ...of('dead')]) expect(done(events).has(id)).toBe(false);
  });

  test('taking "power off" back takes the reading that rested on it, and not the work', () => {
    const events = toggle(worked('on'), first('off'));
    expect(done(events).has(first('dead'))).toBe(false);
    expect(done(events).has(first('land'))).toBe(true);
    // Off again is not dead again: the old reading was of another time.
    expect(offered(toggle(events, first('off'))).map(({ kind }) => kind)).toEqual(['dead', 'on']);
  });

  test('a step that must wait cannot be ticked', () => {
    expect(toggled(steps, [], first('land'), stamp())).toBeNull();
  });

  test('what fell with a step taken back does not rise with it', () => {
    const events = toggle(worked('on'), first('land'));
    const fallen = [...done(worked('on')).keys()].filter((id) => !done(events).has(id));
    expect(fallen.length).toBeGreaterThan(1);
    const again = toggle(events, first('land'));
    expect(fallen.filter((id) => done(again).has(id))).toEqual([first('land')]);
  });

  test('a list that changes under ticks after power-on asks for the gates again', () => {
    const other = stepsOf(good, exchange(good, ['statY', 'from'], ['statG', 'from']));
    expect(offered(worked(), at(0), other).every(({ kind }) => kind === 'off')).toBe(true);
  });

  test('a place is open from its first gate until it is closed again', () => {
    const [off] = of('off');
    expect(isOpenAt(steps, done([]), off!.station)).toBe(false);
    expect(isOpenAt(steps, done(toggle([], off!.id)), off!.station)).toBe(true);
    expect(isOpenAt(steps, done(worked()), off!.station)).toBe(false);
  });

  test('dead is one volt or less', () => {
    expect(of('dead').map(({ mostVolts }) => mostVolts)).toEqual([1]);
  });
});

describe('a gate belongs to a day and a visit', () => {
  const half = worked('tug');

  test('the next day power off and dead are asked anew; what was landed stays', () => {
    expect(offered(half).map(({ kind }) => kind)).not.toContain('off');
    const tomorrow = ticksOf(steps, half, at(0, 2));
    expect(
      [...tomorrow.standing.keys()].filter((id) => steps.some((step) => step.id === id && isGate(step))),
    ).toEqual([]);
    expect(tomorrow.standing.has(first('land'))).toBe(true);
    expect(tomorrow.shut).toEqual({ why: 'day', by: 'Ada', at: at(0) });
    const anew = toggle(half, first('off'), 'Bo', at(0, 2));
    expect(ticksOf(steps, anew, at(0, 2)).standing.get(first('off'))).toMatchObject({
      by: 'Bo',
      at: at(0, 2),
    });
  });

  test.each(['left', 'resumed'] as const)('when the site was %s, too', (why) => {
    const ended: Events = [...half, { ...stamp('Ada', at(9)), type: 'ended', why }];
    expect(offered(ended).map(({ kind }) => kind)).toEqual(['off']);
    expect(ticksOf(steps, ended, at(9)).shut).toEqual({ why, by: 'Ada', at: at(9) });
    expect(offered(toggle(ended, first('off'))).map(({ kind }) => kind)).toEqual(['dead']);
  });

  test('a list that is finished stays so', () => {
    const ended: Events = [...worked(), { ...stamp(), type: 'ended', why: 'left' }];
    expect(offered(ended, at(0, 2))).toEqual([]);
    expect(ticksOf(steps, ended, at(0, 2))).toMatchObject({ shut: null });
    expect(done(ended, at(0, 2)).size).toBe(steps.length);
  });
});

describe('two people', () => {
  const base = worked('tug');

  test('a power-off that one takes back is back for nobody, whatever the other ticked meanwhile', () => {
    const mine = toggle(base, first('off'), 'Ada');
    const theirs = toggle(base, of('tug')[0]!.id, 'Bo');
    for (const merged of [both(base, mine, theirs), both(base, theirs, mine)]) {
      expect(offered(merged).map(({ kind }) => kind)).toEqual(['off', 'on']);
      expect(done(merged).has(of('tug')[0]!.id)).toBe(true);
      expect(ticksOf(steps, merged, at(0)).shut).toMatchObject({ why: 'taken-back', by: 'Ada' });
    }
  });

  test('of a tick and a taking back that knew nothing of one another the taking back wins', () => {
    // Ada takes it back; Bo takes it back and ticks it again, before either hears of the other.
    const mine = toggle(base, first('off'), 'Ada');
    const theirs = toggle(toggle(base, first('off'), 'Bo'), first('off'), 'Bo');
    expect(done(theirs).has(first('off'))).toBe(true);
    const merged = both(base, mine, theirs);
    expect(done(merged).has(first('off'))).toBe(false);
    expect(done(toggle(merged, first('off'), 'Bo')).has(first('off'))).toBe(true);
  });

  test('clocks that are hours apart change nothing of it', () => {
    const mine = toggle(base, first('off'), 'Ada', new Date(2028, 4, 1, 3).toISOString());
    const theirs = toggle(base, of('tug')[0]!.id, 'Bo', new Date(2028, 4, 1, 21).toISOString());
    expect(done(both(base, mine, theirs)).has(first('off'))).toBe(false);
  });
});

describe('undo and redo', () => {
  test('take ticks back and bring work back, and never a step of the gate', () => {
    const before = worked('tug');
    const all = [...done(before).keys()];
    const undone = [...before, ...broughtTo(steps, before, [], () => stamp())];
    expect([...done(undone).keys()]).toEqual([]);
    const redone = [...undone, ...broughtTo(steps, undone, all, () => stamp())];
    const gates = steps.filter(isGate).map(({ id }) => id);
    expect([...done(redone).keys()].sort()).toEqual(all.filter((id) => !gates.includes(id)).sort());
  });
});

// Two places with a breaker each, and a set-up step that waits for power.
const split = twoTransformerSplit('Ticks');
const longer = stepsOf(
  split,
  setValue(exchange(split, ['statY', 'from'], ['statG', 'from']), 'stat', 'settings', 'joiner', 'in'),
);

test.each([
  ['one transformer', steps],
  ['two transformers', longer],
])('%s: in any order of ticks nothing is offered that a live circuit would make unsafe', (_what, list) => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: list.length - 1 }), { maxLength: 60 }), (order) => {
      let events = worked(null, list);
      // What is really so: power came back with the last breaker closed, and goes with a gate passed anew.
      let live = true;
      for (const i of order) {
        const step = list[i]!;
        const before = done(events, at(0), list);
        events = toggle(events, step.id, 'Ada', at(0), list);
        const after = done(events, at(0), list);
        const ticked = !before.has(step.id) && after.has(step.id);
        if (ticked && step.kind === 'on') live = true;
        const gates = of('off', list).concat(of('dead', list));
        if (ticked && step.kind === 'dead' && gates.every(({ id }) => after.has(id))) live = false;
        if (live) expect(offered(events, at(0), list).filter(isWork)).toEqual([]);
      }
    }),
    { seed: 9, numRuns: 200 },
  );
});
