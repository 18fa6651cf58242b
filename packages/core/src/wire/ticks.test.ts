/** The power-off gate under every order of ticks. That nothing is touched live is law and common practice everywhere. */
import * as fc from 'fast-check';
import { exchange, setValue } from '../circuit';
import { furnaceAirConditioner, twoTransformerSplit } from '../systems';
import type { Step } from '.';
import { isOpenAt, isReady, standing, stepsOf, toggled } from '.';

const good = furnaceAirConditioner('Ticks');
const steps = stepsOf(good, exchange(good, ['statY', 'from'], ['statW', 'from']));
const isWork = ({ kind }: Step) => ['lift', 'land', 'link', 'unlink', 'insulate', 'tug'].includes(kind);
const of = (kind: Step['kind']) => steps.filter((step) => step.kind === kind);

/** Ticks everything in order. */
const whole = (list: readonly Step[]) => {
  let done: ReadonlySet<string> = new Set();
  while (done.size < list.length) {
    const next = list.find((step) => !done.has(step.id) && isReady(list, done, step))!;
    done = toggled(list, done, next.id);
  }
  return done;
};

test('a landing taken back after power is on brings both gates back, and keeps the others', () => {
  const [landing] = of('land');
  const done = toggled(steps, whole(steps), landing!.id);
  for (const kind of ['off', 'dead', 'on'] as const)
    for (const { id } of of(kind)) expect(done).not.toContain(id);
  const offered = steps.filter((step) => !done.has(step.id) && isReady(steps, done, step));
  expect(offered.map(({ kind }) => kind)).toEqual(['off']);
  for (const { id } of of('land').slice(1)) expect(done).toContain(id);
});

test('while the power is still off a landing taken back leaves the gates', () => {
  const [landing] = of('land');
  const before = new Set([...whole(steps)].filter((id) => !of('on').some((step) => step.id === id)));
  const done = toggled(steps, before, landing!.id);
  for (const { id } of [...of('off'), ...of('dead')]) expect(done).toContain(id);
});

test('taking "power on" itself back brings the gates back too: nobody knows how it stands', () => {
  const done = toggled(steps, whole(steps), of('on')[0]!.id);
  for (const { id } of [...of('off'), ...of('dead')]) expect(done).not.toContain(id);
});

test('a step that must wait cannot be ticked', () => {
  expect(toggled(steps, new Set(), of('land')[0]!.id).size).toBe(0);
});

test('a list that changes under ticks after power-on asks for the gates again', () => {
  const other = stepsOf(good, exchange(good, ['statY', 'from'], ['statG', 'from']));
  const was = whole(steps);
  const stand = standing(other, was, was);
  const offered = other.filter((step) => !stand.has(step.id) && isReady(other, stand, step));
  expect(offered.every(({ kind }) => kind === 'off')).toBe(true);
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
    fc.property(fc.array(fc.integer({ min: 0, max: list.length - 1 }), { maxLength: 120 }), (order) => {
      let done: ReadonlySet<string> = whole(list);
      // What is really so: power came back with the last breaker closed, and goes with a gate passed anew.
      let live = true;
      for (const i of order) {
        const step = list[i]!;
        const before = done;
        done = toggled(list, done, step.id);
        const ticked = !before.has(step.id) && done.has(step.id);
        if (ticked && step.kind === 'on') live = true;
        const gates = list.filter(({ kind }) => kind === 'off' || kind === 'dead');
        if (ticked && step.kind === 'dead' && gates.every(({ id }) => done.has(id))) live = false;
        const offered = list.filter((one) => isWork(one) && !done.has(one.id) && isReady(list, done, one));
        if (live) expect(offered).toEqual([]);
      }
    }),
    { seed: 9, numRuns: 300 },
  );
});

test('a place is open from its first gate until it is closed again', () => {
  const [off] = of('off');
  expect(isOpenAt(steps, new Set(), off!.station)).toBe(false);
  expect(isOpenAt(steps, new Set([off!.id]), off!.station)).toBe(true);
  expect(isOpenAt(steps, whole(steps), off!.station)).toBe(false);
});

test('dead is one volt or less', () => {
  expect(of('dead').map(({ mostVolts }) => mostVolts)).toEqual([1]);
});
