/**
 * Rooms against what can be worked out by hand: the step response of one room, the rest of two that are joined, the stack effect
 * of a handbook formula, and heat that goes nowhere else.
 */
import { AIR_J_KG_K, AIR_KG_M3 } from '../standards';
import type { House, Room } from '.';
import { gainsOf, leadingAt, monthC, runRooms, stackFlow } from '.';

const room = (id: string, more: Partial<Room> = {}): Room => ({
  id,
  capacity: 6e6,
  outward: 120,
  heightM: 1.5,
  sunW: 0,
  share: 0.5,
  ...more,
});
const house = (more: Partial<House> = {}): House => ({
  rooms: [room('low'), room('high', { heightM: 4.5, sunW: 1500, outward: 140 })],
  between: 90,
  leakM2: 0.05,
  heatW: 16_000,
  coolW: 9_000,
  ...more,
});

/** Steps a house without a unit as `runRooms` does. */
function drift(given: House, from: readonly number[], outdoorC: number, seconds: number, step = 20) {
  const now = [...from];
  for (let at = 0; at < seconds; at += step) {
    const gains = gainsOf(given, now, outdoorC, 0);
    given.rooms.forEach(({ capacity }, i) => (now[i]! += (gains[i]! * step) / capacity));
  }
  return now;
}

// Analytic: T(t) = T_out + (T_0 − T_out) exp(−t UA/C).
test.each([3600, 6 * 3600, 24 * 3600])('one room left alone, after %d s', (seconds) => {
  const alone = house({ rooms: [room('low')], leakM2: 0 });
  const [end] = drift(alone, [21], 0, seconds);
  expect(end).toBeCloseTo(21 * Math.exp((-seconds * 120) / 6e6), 2);
});

// By hand: g (T_low − T_high) = UA_high (T_high − T_out) where the lower room is held.
test('a room that hangs on another comes to rest between it and outdoors', () => {
  const pair = house({ rooms: [room('low', { capacity: 1e15 }), room('high')], leakM2: 0 });
  const [, high] = drift(pair, [20, 20], 0, 3e6, 200);
  expect(high).toBeCloseTo((90 * 20) / (90 + 120), 3);
});

// ASHRAE Fundamentals, stack effect, by hand: 0.6 · 0.05 · √(2 · 9.80665 · 3 · 20 / 294.15) = 0.0600 m³/s.
test('the stack effect: so much up in winter, as much down when it is as much warmer outdoors', () => {
  expect(stackFlow(0.05, 3, 21, 1)).toBeCloseTo(0.06, 3);
  expect(stackFlow(0.05, 3, 21, 41)).toBeLessThan(0);
  expect(stackFlow(0.05, 3, 21, 21)).toBe(0);
});

test('heat between rooms is lost by one and gained by the other; what comes through leaks is the air of outdoors', () => {
  const closed = house({ rooms: [room('a', { outward: 0 }), room('b', { outward: 0 })], leakM2: 0 });
  const [a, b] = gainsOf(closed, [18, 24], 0, 0);
  expect(a).toBeCloseTo(-b!, 9);
  const leaky = house({
    rooms: [room('a', { outward: 0 }), room('b', { outward: 0, heightM: 4.5 })],
    between: 0,
  });
  const q = AIR_KG_M3 * AIR_J_KG_K * stackFlow(0.05, 3, 21, 0);
  expect(gainsOf(leaky, [21, 21], 0, 0)[0]).toBeCloseTo(-21 * q, 6);
  expect(gainsOf(leaky, [21, 21], 0, 0)[1]).toBeCloseTo(0, 6);
});

test('the unit runs as long as the house loses, and the thermostat’s room stays where it is set', () => {
  const plain = house({ rooms: [room('low', { share: 1 })], leakM2: 0 });
  const { runs, rooms, cyclesPerHour } = runRooms(plain, {
    mode: 'heat',
    stats: [{ room: 'low', setC: 21 }],
    zoned: false,
    outdoorC: 0,
  });
  // By hand: 120 W/K · 21 K of 16 kW.
  expect(runs).toBeCloseTo((120 * rooms.low!.mean) / 16_000, 2);
  expect(Math.abs(rooms.low!.mean - 21)).toBeLessThan(0.5);
  expect(cyclesPerHour).toBeGreaterThan(0);
});

describe('two storeys on one unit', () => {
  const parallel = (mode: 'heat' | 'cool', outdoorC: number, low: number, high: number, zoned = false) =>
    runRooms(house(), {
      mode,
      stats: [
        { room: 'low', setC: low },
        { room: 'high', setC: high },
      ],
      zoned,
      outdoorC,
    });

  test('in winter the lower is the colder and leads; upstairs goes past what it is set to', () => {
    const { rooms, leads } = parallel('heat', 0, 21, 21);
    expect(leads[0]).toBeGreaterThan(0.8);
    expect(rooms.high!.most).toBeGreaterThan(22);
  });

  test('in summer the upper leads, and downstairs gets too cold', () => {
    const { rooms, leads } = parallel('cool', 33, 24, 24);
    expect(leads[1]).toBeGreaterThan(0.8);
    expect(rooms.low!.mean).toBeLessThan(23.5);
  });

  test('a panel keeps both nearer to what they are set to', () => {
    const spread = ({ rooms }: ReturnType<typeof parallel>) =>
      Math.abs(rooms.low!.mean - 21) + Math.abs(rooms.high!.mean - 21);
    expect(spread(parallel('heat', 0, 21, 21, true))).toBeLessThan(spread(parallel('heat', 0, 21, 21)));
  });

  test('advice: whoever leads is out of the others’ way, and nothing else is nearer', () => {
    const [winter, summer] = [leadingAt(house(), 'heat', 21, 0), leadingAt(house(), 'cool', 24, 33)];
    expect(winter.setC[winter.leader]).toBe(21);
    expect(winter.setC[1 - winter.leader]).toBeLessThan(21);
    expect(summer.leader).toBe(1);
    expect(summer.setC[0]).toBeGreaterThan(24);
    expect(summer.day.leads[1]).toBeGreaterThan(0.9);
  });
});

test('months by a year’s mean and its swing', () => {
  expect([monthC(0, { meanC: 10, swingK: 12 }), monthC(6, { meanC: 10, swingK: 12 })]).toEqual([-2, 22]);
});

test.each<[string, House, RegExp]>([
  ['no room', house({ rooms: [] }), /has rooms/],
  ['no capacity', house({ rooms: [room('low', { capacity: 0 })] }), /capacity/],
  ['a thermostat nowhere', house({ rooms: [room('attic')] }), /hangs in a room/],
])('%s is refused', (_, given, words) => {
  expect(() =>
    runRooms(given, { mode: 'heat', stats: [{ room: 'low', setC: 20 }], zoned: false, outdoorC: 0 }),
  ).toThrow(words);
});
