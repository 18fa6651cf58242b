/**
 * Zones with their air, run as a circuit. A bypass holds its pressure by hand arithmetic of the same network; supply air goes to
 * T = T_room + Q/(ρ c q) by one time constant (first-order step response, any textbook of control); tubes and probes as in practice.
 */
import type { Inputs } from '../behaviour';
import { NEW_WORLD, advance, airOf, energisedLoads, holding, untilSteady } from '../behaviour';
import type { Circuit } from '../circuit';
import { lift, setValue } from '../circuit';
import { compile } from '../network';
import { AIR_J_KG_K, AIR_KG_M3 } from '../standards';
import { namesIn, zoneText } from '../words';
import { threeZoneHeatPump, twoZoneFurnace } from '.';

const HOUSE: Inputs = { controls: {}, conditions: { indoorC: 22, outdoorC: 20 } };
const COLD: Inputs = { controls: {}, conditions: { indoorC: 22, outdoorC: 5 } };
const two = twoZoneFurnace('Air');
const three = threeZoneHeatPump('Air');
const upstairs = { stat2: { mode: 'cool', setC: 18 } };

function airAfter(circuit: Circuit, controls: Inputs['controls'], seconds = 600, house = HOUSE) {
  const network = compile(circuit);
  const inputs = holding(house, controls);
  const settled = advance(network, inputs, NEW_WORLD, seconds);
  return {
    air: airOf(network, inputs, settled.world)!,
    states: settled.world.states,
    on: energisedLoads(network, settled).map(({ device, load }) => `${device}/${load.id}`),
  };
}

test('at rest nothing flows and the bypass is shut', () => {
  const { air } = airAfter(two, {});
  expect(air).toMatchObject({ total: 0, supplyPa: 0, bypass: { open: 0, flow: 0 } });
  expect(air.zones.map(({ open }) => open)).toEqual([1, 1]);
});

test('one zone calling: its damper open, the other shut, the bypass holds its set point', () => {
  const { air } = airAfter(two, upstairs);
  expect(air.zones.map(({ open, calls }) => [open, calls])).toEqual([
    [0, false],
    [1, true],
  ]);
  expect(air.bypass!.open).toBeGreaterThan(0.1);
  expect(air.supplyPa - air.returnPa).toBeCloseTo(110, 0);
  expect(air.zones[0]!.flow + air.zones[1]!.flow + air.bypass!.flow).toBeCloseTo(air.total, 6);
});

test.each([
  ['exchanged', 0],
  ['pinched', 0],
  // Without the supply tube it feels the return alone: a few pascals.
  ['supply-off', 0],
])('with its tubes %s it stays shut, and the pressure is what it is', (tubes, open) => {
  const { air } = airAfter(two, { ...upstairs, bypass: { tubes } });
  expect(air.bypass!.open).toBe(open);
  expect(air.supplyPa - air.returnPa).toBeGreaterThan(130);
});

test('without the return tube it holds the supply against the room: too high between the two', () => {
  const { air } = airAfter(two, { ...upstairs, bypass: { tubes: 'return-off' } });
  expect(air.supplyPa).toBeCloseTo(110, 0);
  expect(air.supplyPa - air.returnPa).toBeGreaterThan(112);
});

test('a weight needs no volts, and lets the pressure rise as it opens', () => {
  const weight = setValue(
    lift(lift(two, 'bypassHot', 'to'), 'bypassCommon', 'to'),
    'bypass',
    'settings',
    'setPa',
    80,
  );
  const dead = airAfter(weight, upstairs).air;
  expect(dead.bypass!.open).toBe(0);
  const bare = { ...weight, cables: weight.cables.filter(({ id }) => id !== 'bypassLeads') };
  const { air } = airAfter(setValue(bare, 'bypass', 'params', 'moved', 'weight'), upstairs);
  expect(air.supplyPa - air.returnPa).toBeCloseTo(80 * (1 + 0.5 * air.bypass!.open), 0);
});

test('a blade that slips hangs half open though its motor turns', () => {
  const { air } = airAfter(two, { ...upstairs, damper1: { shaft: 'slipped' } });
  expect(air.zones[0]!.open).toBe(0.5);
});

test('a damper set by hand stands in the way of its zone, beside its motor', () => {
  const open = airAfter(two, upstairs).air.zones[1]!;
  const held = airAfter(setValue(two, 'ducts', 'params', 'zone2Hand', 40), upstairs).air.zones[1]!;
  expect([held.open, held.hand]).toEqual([1, 0.4]);
  expect(held.flow).toBeLessThan(0.7 * open.flow);
  expect(zoneText(namesIn(two), held, { temperature: 'C', length: 'm', gauge: 'mm2' })).toMatch(
    /calls, open, by hand 40 % open, \d+ l\/s$/,
  );
});

test('supply air comes to what unit and flow make of it, two thirds of the way in one time constant', () => {
  const network = compile(two);
  const inputs = holding(HOUSE, { stat: { mode: 'cool', setC: 18 }, stat2: { mode: 'cool', setC: 18 } });
  const at = (seconds: number) => {
    const { world } = advance(network, inputs, NEW_WORLD, seconds);
    return airOf(network, inputs, world)!;
  };
  const late = at(3000);
  const watts = late.risesK! * AIR_KG_M3 * AIR_J_KG_K * (late.total - late.bypass!.flow);
  expect(watts).toBeLessThan(-4000);
  expect(late.supplyC - 22).toBeCloseTo(late.risesK!, 2);
  // The compressor came up with its thermostat's protection over, at 300 s.
  const [soon, then] = [at(301), at(361)].map(({ supplyC }) => 22 - supplyC);
  const whole = 22 - late.supplyC;
  expect((then! - soon!) / (whole - soon!)).toBeCloseTo(1 - Math.exp(-1), 1);
});

describe('a heat pump on a panel', () => {
  const heat = { stat2: { mode: 'heat', setC: 26 } };
  const cool = { stat3: { mode: 'cool', setC: 18 } };

  test('a plain W brings the compressor with the valve in heating, Y with the valve in cooling', () => {
    const heating = airAfter(three, heat, 900, COLD);
    expect(heating.on).toContain('unit/compressor');
    expect(heating.air.risesK).toBeGreaterThan(0);
    const cooling = airAfter(three, cool, 900);
    expect(cooling.on).toEqual(expect.arrayContaining(['unit/compressor', 'pump/valve']));
    expect(cooling.air.risesK).toBeLessThan(0);
  });

  test('the second stage brings strips after its time', () => {
    const on = (seconds: number) => airAfter(three, heat, seconds, COLD).on;
    expect(on(500)).not.toContain('board/strip-1');
    expect(on(1400)).toContain('board/strip-1');
  });

  test('supply air at its limit stops the call, the fan goes on, and it comes back', () => {
    const starved = setValue(
      setValue(setValue(three, 'ducts', 'params', 'leastOpen', 0), 'ducts', 'params', 'zone3Mm', 120),
      'panel',
      'settings',
      'coolLimitC',
      10,
    );
    const network = compile(starved);
    const inputs = holding(HOUSE, cool);
    let world = advance(network, inputs, NEW_WORLD, 300).world;
    const seen = new Set<boolean>();
    let fanWhileOver = false;
    for (let i = 0; i < 60; i++) {
      const settled = advance(network, inputs, world, 20);
      world = settled.world;
      const over = Boolean(world.states.panel!.over);
      seen.add(over);
      const on = energisedLoads(network, settled).map(({ device, load }) => `${device}/${load.id}`);
      if (over) {
        expect(on).not.toContain('contactor/coil');
        fanWhileOver ||= on.includes('board/blower');
      }
    }
    expect([...seen].sort()).toEqual([false, true]);
    expect(fanWhileOver).toBe(true);
    // With the sensor off its wire nothing watches.
    const blind = lift(starved, 'sensorOne', 'to');
    const late = untilSteady(compile(blind), inputs, NEW_WORLD, 2000);
    expect(late.world.states.panel).toMatchObject({ over: false, sensor: 'none' });
  });
});
