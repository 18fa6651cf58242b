/**
 * The air of a circuit for every combination of zones. 350 cfm a ton and the temperature a coil freezes at are rules of thumb;
 * a ton is 12 000 Btu/h, 3517 W (NIST SP 811).
 */
import { NEW_WORLD, advance, airOf, holding } from '../../behaviour';
import { setValue } from '../../circuit';
import { compile } from '../../network';
import { TON_W } from '../../standards';
import { fourZoneFurnace, furnaceAirConditioner, twoZoneFurnace } from '../../systems';
import { correctAir, planAir } from '..';

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
  expect(alone!.troubles).toEqual(['starved', 'rushes']);
  expect(alone!.state.total).toBeLessThan(leastFlow);
});

test.each<[string, string, number, string]>([
  ['a narrow duct and a wide bypass: what runs round freezes the coil', 'zone2Mm', 200, 'frost'],
  ['a unit that heats more than its label lets it', 'heatKw', 30, 'hot'],
  ['a limit that is lower', 'mostPa', 60, 'loud'],
  ['ducts that must be quiet', 'mostMs', 5, 'rushes'],
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

describe('measured', () => {
  const viewOf = (circuit: typeof two, fan: 'on' | 'auto' = 'on') => {
    const network = compile(circuit);
    const inputs = holding(
      { controls: {}, conditions: { indoorC: 22, outdoorC: 20 } },
      { stat: { fan }, stat2: { fan } },
    );
    return airOf(network, inputs, advance(network, inputs, NEW_WORLD, 600).world)!;
  };

  test('a house whose duct is crushed and whose return is tight: the figures bring the model to it', () => {
    const house = setValue(
      setValue(two, 'ducts', 'params', 'zone2Times', 2),
      'ducts',
      'params',
      'backTimes',
      2,
    );
    const there = viewOf(house);
    const { circuit, fit } = correctAir(two, viewOf(two), {
      supplyPa: there.supplyPa,
      returnPa: there.returnPa,
      flows: Object.fromEntries(there.zones.map(({ zone, flow }) => [zone, flow])),
    });
    expect(fit.after).toBeLessThan(fit.before / 4);
    const now = viewOf(circuit);
    expect(Math.abs(now.zones[1]!.flow / there.zones[1]!.flow - 1)).toBeLessThan(0.05);
    expect(Math.abs(now.returnPa / there.returnPa - 1)).toBeLessThan(0.15);
  });

  test('with the fan still it is refused', () => {
    expect(() => correctAir(two, viewOf(two, 'auto'), { supplyPa: 60, flows: {} })).toThrow(/fan must run/);
  });
});
