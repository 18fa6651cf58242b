/**
 * The air of a circuit for every combination of zones. 350 cfm a ton and the temperature a coil freezes at are rules of thumb;
 * a ton is 12 000 Btu/h, 3517 W (NIST SP 811).
 */
import { setValue } from '../../circuit';
import { TON_W } from '../../standards';
import { fourZoneFurnace, furnaceAirConditioner, twoZoneFurnace } from '../../systems';
import { planAir } from '..';

const two = twoZoneFurnace('Air');
const troublesOf = (circuit: typeof two) =>
  planAir(circuit)!.asBuilt.map(({ state, troubles }) => [state.calling.join('+'), troubles]);

test('a ton', () => {
  expect(TON_W).toBeCloseTo(3517, 0);
});

test('a circuit without ducts has none', () => {
  expect(planAir(furnaceAirConditioner('Air'))).toBeNull();
});

test('as it is built nothing is wrong; without its bypass the smallest zone starves the unit', () => {
  expect(troublesOf(two)).toEqual([
    ['1', []],
    ['2', []],
    ['1+2', []],
  ]);
  const { without, leastFlow } = planAir(two)!;
  const [alone] = without.filter(({ state }) => state.calling.join() === '2');
  expect(alone!.troubles).toEqual(['starved']);
  expect(alone!.state.total).toBeLessThan(leastFlow);
});

test.each<[string, string, number, string]>([
  ['a narrow duct and a wide bypass: what runs round freezes the coil', 'zone2Mm', 200, 'frost'],
  ['a unit that heats more than its label lets it', 'heatKw', 30, 'hot'],
  ['a limit that is lower', 'mostPa', 60, 'loud'],
])('%s', (_, name, value, trouble) => {
  const worse = setValue(setValue(two, 'ducts', 'params', name, value), 'bypass', 'settings', 'setPa', 80);
  expect(troublesOf(worse).flatMap(([, troubles]) => troubles)).toContain(trouble);
});

test('what may be built: each keeps every combination within its limits', () => {
  const plan = planAir(two)!;
  const built = setValue(
    setValue(two, 'ducts', 'params', 'bypassMm', Math.round(plan.powered!.diameterM * 1000)),
    'bypass',
    'settings',
    'setPa',
    plan.powered!.setPa,
  );
  expect(troublesOf(built).every(([, troubles]) => troubles!.length === 0)).toBe(true);
  const opened = setValue(
    setValue(two, 'ducts', 'params', 'bypassMm', 0),
    'ducts',
    'params',
    'leastOpen',
    plan.otherwise.leastOpen! * 100,
  );
  expect(troublesOf(opened).every(([, troubles]) => troubles!.length === 0)).toBe(true);
});

test('four zones have fifteen combinations', () => {
  expect(planAir(fourZoneFurnace('Air'))!.asBuilt).toHaveLength(15);
});

test('a fan that gives more against more is refused', () => {
  expect(() => planAir(setValue(two, 'ducts', 'params', 'fanFlowHigh', 900))).toThrow();
});
