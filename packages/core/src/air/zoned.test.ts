/**
 * Zones and a bypass, by hand where it can be: bypass air is what the fan gives at the pressure held, less what the calling
 * zone takes at it (common practice); recirculated air by its heat balance. Figures of the ducts are invented.
 */
import { AIR_J_KG_K, AIR_KG_M3, ROUGHNESS_M } from '../standards';
import type { AirLimits, ZonedAir } from '.';
import {
  combinationsOf,
  ductLoss,
  fanCurve,
  openingThatHolds,
  roundDuct,
  sizeBypass,
  solveZoned,
  supplyDifference,
  withoutBypass,
  zonedStates,
} from '.';

const FAN = [
  { flow: 0.3, pa: 230 },
  { flow: 0.45, pa: 180 },
  { flow: 0.55, pa: 125 },
  { flow: 0.65, pa: 40 },
];
const run = (diameterM: number, lengthM: number) => roundDuct(diameterM, lengthM, ROUGHNESS_M.galvanised, 2);
const two: ZonedAir = {
  fan: FAN,
  unit: [{ pa: 30, flow: 0.5 }],
  back: { pa: 20, flow: 0.5 },
  zones: [
    { id: 'down', duct: run(0.3, 10), grille: { pa: 10, flow: 0.3 } },
    { id: 'up', duct: run(0.2, 14), grille: { pa: 10, flow: 0.2 } },
  ],
  leastOpen: 0,
  bypass: null,
};
const bypass = { diameterM: 0.254, lengthM: 3, roughnessM: ROUGHNESS_M.galvanised, kind: 'powered' } as const;

test('every combination once, the fewest zones first', () => {
  expect(combinationsOf([{ id: 'a' }, { id: 'b' }, { id: 'c' }])).toEqual([
    ['a'],
    ['b'],
    ['c'],
    ['a', 'b'],
    ['a', 'c'],
    ['b', 'c'],
    ['a', 'b', 'c'],
  ]);
});

test('one zone alone: static rises, the unit gets less air, and the other zone next to none', () => {
  const [down, up, both] = zonedStates(two);
  expect(up!.staticPa).toBeGreaterThan(down!.staticPa);
  expect(down!.staticPa).toBeGreaterThan(both!.staticPa);
  expect(up!.total).toBeLessThan(down!.total);
  expect(up!.zones.down! / both!.zones.down!).toBeLessThan(0.15);
  for (const { total, zones, bypass: round } of [down!, up!, both!])
    expect(zones.down! + zones.up! + round).toBeCloseTo(total, 7);
});

test('a powered bypass holds its pressure: it carries what the fan gives there, less what the zone takes', () => {
  const state = solveZoned({ ...two, bypass: { ...bypass, setPa: 90 } }, ['up']);
  expect(state.staticPa).toBeCloseTo(90, 4);
  expect(state.bypassOpen).toBeGreaterThan(0);
  // By hand: at that flow the fan's table less coil and filter is the pressure held.
  expect(fanCurve(FAN).at(state.total).pa - 30 * (state.total / 0.5) ** 2).toBeCloseTo(90, 4);
  expect(state.bypass).toBeCloseTo(state.total - state.zones.up! - state.zones.down!, 7);
  // And it takes in its duct what is left of the pressure after its damper.
  expect(ductLoss(roundDuct(0.254, 3, ROUGHNESS_M.galvanised), state.bypass).pa).toBeLessThan(90);
});

test('with all zones open it stays shut; a weight lets the pressure rise as it opens', () => {
  const open = solveZoned({ ...two, bypass: { ...bypass, setPa: 170 } }, ['down', 'up']);
  expect([open.bypassOpen, open.staticPa < 170]).toEqual([0, true]);
  const weight = solveZoned({ ...two, bypass: { ...bypass, kind: 'barometric', setPa: 90 } }, ['up']);
  expect(weight.staticPa).toBeCloseTo(90 * (1 + 0.5 * weight.bypassOpen), 3);
  expect(weight.staticPa).toBeGreaterThan(90);
});

test('one that is too small stands wide open, and the pressure is above what it should hold', () => {
  const small = solveZoned({ ...two, bypass: { ...bypass, diameterM: 0.1, setPa: 60 } }, ['up']);
  expect(small.bypassOpen).toBe(1);
  expect(small.staticPa).toBeGreaterThan(60);
});

// By hand: 10.5 kW into 0.5 m³/s fresh air of 1.204 · 1005: 17.4 K. A third of it running round: 1.5 times that.
test('air that runs round comes colder: a third round the bypass, half as much again', () => {
  const whole = supplyDifference({ total: 0.5, bypass: 0 }, 10_500);
  expect(whole).toBeCloseTo(10_500 / (AIR_KG_M3 * AIR_J_KG_K * 0.5), 9);
  expect(whole).toBeCloseTo(17.4, 1);
  expect(supplyDifference({ total: 0.5, bypass: 0.5 / 3 }, 10_500) / whole).toBeCloseTo(1.5, 9);
  expect(() => supplyDifference({ total: 0.5, bypass: 0.5 }, 10_500)).toThrow(/runs round/);
});

describe('sizing', () => {
  const limits = (leastFlow: number, mostPa: number): AirLimits => ({
    holds: ({ total, staticPa }) => total >= leastFlow && staticPa <= mostPa,
    mostPa,
    speed: 1,
  });
  const usual = limits(0.45, 130);

  test('the smallest that holds every combination; one size less does not', () => {
    const found = sizeBypass(two, usual, bypass)!;
    expect(zonedStates({ ...two, bypass: found }).every(usual.holds)).toBe(true);
    const smaller = zonedStates({ ...two, bypass: { ...found, diameterM: found.diameterM - 0.0254 } });
    expect(smaller.every(usual.holds)).toBe(false);
  });

  test('the other school: what each remedy by itself keeps within the limits, and a little less of it does not', () => {
    const { leastOpen, speed, wider } = withoutBypass(two, usual);
    expect(leastOpen).toBeGreaterThan(0);
    expect(zonedStates({ ...two, leastOpen: leastOpen! }).every(usual.holds)).toBe(true);
    expect(zonedStates({ ...two, leastOpen: leastOpen! - 0.05 }).every(usual.holds)).toBe(false);
    // A slower fan gives less air still: it does not help a unit that is starved.
    expect(speed).toBeNull();
    expect(withoutBypass(two, limits(0.2, 130)).speed).toBeLessThan(1);
    expect(wider).toMatchObject({ zone: 'up' });
    expect(wider!.diameterM).toBeGreaterThan(0.2);
  });

  test('says so when none is right', () => {
    expect(sizeBypass(two, limits(0.7, 130), bypass)).toBeNull();
    expect(withoutBypass(two, limits(0.7, 130))).toEqual({ leastOpen: null, speed: null, wider: null });
  });

  test('of a system that needs none, the dampers may shut and the fan stays as it is', () => {
    expect(withoutBypass(two, limits(0.1, 400))).toMatchObject({ leastOpen: 0, speed: 1 });
  });
});

// By hand: the pressure a line 100 − 150 x lies above 40 as far as x = 0.4.
test.each([
  [(open: number) => 60 - 150 * open, 0.4],
  [(open: number) => 60 / (1 + open * 4) - 20, 0.5],
  [() => -1, 0],
  [() => 1, 1],
])('%s is held at %d', (over, open) => {
  expect(openingThatHolds(over)).toBeCloseTo(open, 6);
});
