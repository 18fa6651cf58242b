/** Dead cables against the published bounds of group testing, and against cables with every fault put in. */
import { findCable } from '../../circuit';
import { furnaceAirConditioner } from '../../systems';
import type { CableAnswer, CableReading, ConductorState } from '.';
import { fewestReadings, followCableTest, lengthToBreak, mostReadings } from '.';
import { Plan, follow } from './group-test';

/** Every set of broken conductors tested to the end; readings it took. */
function readingsFor(count: number, broken: ReadonlySet<number>): number {
  const passed: boolean[] = [];
  for (;;) {
    const { next, whole, broken: found } = follow(count, passed);
    if (!next) {
      expect([...found].sort()).toEqual([...broken].sort());
      expect(whole.length).toBe(count - broken.size);
      return passed.length;
    }
    passed.push(next.every((i) => !broken.has(i)));
  }
}

describe('group tests', () => {
  // P. Ungar, "The cutoff point for group testing", 1960, from memory: singly from (3 − √5)/2 on, and not before.
  const CUTOFF = (3 - Math.sqrt(5)) / 2;

  test('test singly exactly where that is best', () => {
    for (const count of [2, 5, 8]) {
      expect(new Plan(CUTOFF + 0.002).best(0, count)).toEqual({ tests: count, size: 1 });
      expect(new Plan(CUTOFF - 0.002).best(0, count).size).toBeGreaterThan(1);
    }
  });

  // Shannon's bound: n·h(p) bits, one bit a reading at most; and never more than one by one.
  test.each([0.02, 0.05, 0.1, 0.2, 0.3])('stay between entropy and one by one at %f', (chance) => {
    const bits = -chance * Math.log2(chance) - (1 - chance) * Math.log2(1 - chance);
    for (const count of [3, 8, 12]) {
      const { tests } = new Plan(chance).best(0, count);
      expect(tests).toBeGreaterThanOrEqual(count * bits);
      expect(tests).toBeLessThan(count);
    }
  });

  // Two conductors, by hand: both at once (q²: 1 reading), else the first, and the second unless the first was whole.
  test('cost what they do by hand', () => {
    const sound = 0.9;
    expect(new Plan(1 - sound).best(0, 2).tests).toBeCloseTo(
      sound ** 2 + 2 * (1 - sound) * sound + 3 * (1 - sound),
      9,
    );
  });

  test('find whatever is broken, and a whole cable in few', () => {
    for (const count of [1, 2, 5, 8]) {
      const most = mostReadings(count);
      for (let set = 0; set < 2 ** count; set++) {
        const broken = new Set(Array.from({ length: count }, (_, i) => i).filter((i) => (set >> i) & 1));
        expect(readingsFor(count, broken)).toBeLessThanOrEqual(most);
      }
    }
    expect(readingsFor(8, new Set())).toBeLessThanOrEqual(3);
  });

  // The information bound; F. K. Hwang 1972, from memory: at most log2 C(n, k) + k − 1 where k are known to be broken.
  test('have a proof of the number', () => {
    expect([fewestReadings(8, 1), fewestReadings(8, 2), fewestReadings(5, 5)]).toEqual([4, 6, 5]);
    for (const count of [5, 8])
      expect(mostReadings(count)).toBeGreaterThanOrEqual(fewestReadings(count, count));
  });
});

/** A cable with faults answers readings as continuity does. */
function answerOf(
  reading: CableReading,
  broken: ReadonlySet<string>,
  shorts: readonly string[][],
  metal: ReadonlySet<string>,
) {
  switch (reading.type) {
    case 'to-metal':
      return reading.group.some((id) => metal.has(id));
    case 'between':
      return shorts.some((pair) => {
        const [a, b] = pair as [string, string];
        const on = (lot: readonly string[], id: string) => lot.includes(id);
        return (on(reading.one, a) && on(reading.other, b)) || (on(reading.one, b) && on(reading.other, a));
      });
    case 'through':
      return reading.group.every((id) => !broken.has(id));
  }
}

describe('a cable', () => {
  const cable = findCable(furnaceAirConditioner('Cable'), 'statCable')!;
  const ids = cable.conductors.map(({ id }) => id);
  const [a, b, c] = ids as [string, string, string];

  function tested(broken: string[], shorts: string[][], metal: string[]) {
    const answers: CableAnswer[] = [];
    for (;;) {
      const { next, states } = followCableTest(cable, answers);
      if (!next) return { states, readings: answers.length };
      const passes = answerOf(next, new Set(broken), shorts, new Set(metal));
      answers.push({ reading: next, passes });
      expect(answers.length).toBeLessThan(60);
    }
  }
  const expected = (of: Record<string, ConductorState>) =>
    Object.fromEntries(ids.map((id) => [id, of[id] ?? 'whole']));

  test('that is whole is known in a third of the readings one by one and two by two', () => {
    const { states, readings } = tested([], [], []);
    expect(states).toEqual(expected({}));
    const oneByOne = ids.length + ids.length + (ids.length * (ids.length - 1)) / 2;
    expect(readings).toBeLessThanOrEqual(oneByOne / 3);
  });

  test('with a conductor broken, two that touch, one to metal, or all of them cut', () => {
    expect(tested([a], [], []).states).toEqual(expected({ [a]: 'open' }));
    expect(tested([], [[a, b]], []).states).toEqual(expected({ [a]: 'shorted', [b]: 'shorted' }));
    expect(tested([b], [], [c]).states).toEqual(expected({ [b]: 'open', [c]: 'grounded' }));
    expect(tested(ids, [], []).states).toEqual(Object.fromEntries(ids.map((id) => [id, 'open'])));
  });

  test('answers that do not belong to what is asked are not taken', () => {
    const { next } = followCableTest(cable, [{ reading: { type: 'through', group: [a] }, passes: true }]);
    expect(next).toEqual({ type: 'to-metal', group: ids });
  });

  // Capacitance in proportion to length: physics.
  test('is broken where its capacitance says', () => {
    expect(lengthToBreak(cable, 0.4e-9, 1.6e-9)).toBeCloseTo(cable.lengthM / 4, 9);
    expect(lengthToBreak(cable, 1)).toBe(cable.lengthM);
  });
});
