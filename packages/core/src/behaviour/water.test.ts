/**
 * Water that is made, rises and runs over. What each school of breaking does to it is common practice; when, is arithmetic
 * on the figures of the devices.
 */
import type { Circuit, Device } from '../circuit';
import { addDevice, addLink, land } from '../circuit';
import { compile } from '../network';
import { insertInSeries } from '../plan';
import { coolingWater, flueWater } from '../standards';
import { furnaceAirConditioner, heatPumpWithStrips } from '../systems';
import { cable, device } from '../systems/build';
import { calling } from '../testing/scenarios';
import type { Inputs } from '.';
import { NEW_WORLD, advance, facesOf, spiltIn } from '.';

const HOUR = 3600;
/** Compressors have rested before the call, s. */
const REST = 420;

/** A circuit with a pan and its drain, and devices with other params. */
const withPan = (
  circuit: Circuit,
  pan: Device['params'] = {},
  params: Record<string, Device['params']> = {},
): Circuit =>
  addDevice(
    {
      ...circuit,
      devices: circuit.devices.map((one) => ({ ...one, params: { ...one.params, ...params[one.id] } })),
    },
    device('pan', 'drain-pan', 'plant', 'Pan', pan),
  );

const condensing = { board: { exchanger: 'condensing' } };
const inLine = { float: { place: 'line', heightMm: 5 } };

/** After so many hours of a call with the drain as it is held. */
function after(circuit: Circuit, mode: 'cool' | 'heat', drain: string, hours: number, more = {}) {
  const network = compile(circuit);
  const inputs: Inputs = calling(mode, { pan: { drain }, ...more });
  const rested = advance(network, calling('off'), NEW_WORLD, REST);
  const settled = advance(network, inputs, rested.world, hours * HOUR);
  return {
    spilt: spiltIn(network, inputs, settled.world),
    faces: facesOf(network, inputs, settled.world),
    states: settled.world.states,
  };
}

const furnace = furnaceAirConditioner('Water');
/** What its compressor and its burner make, l/s: 240 V × 9 A × 0.85 × 3, and 20 kW of gas. */
const COOLED = coolingWater(240 * 9 * 0.85 * 3);
const BURNED = flueWater(20_000);

describe('a pan and its drain', () => {
  test('a drain that runs carries off whatever cooling makes', () => {
    const { spilt, states } = after(withPan(furnace), 'cool', 'runs', 10);
    expect(spilt).toBe(0);
    expect(states['pan']).toMatchObject({ coil: 0, drained: expect.closeTo(COOLED, 9) as number });
  });

  // 1500 cm² × 30 mm = 4.5 l in the coil's pan, 7000 cm² × 35 mm = 24.5 l below: the rest is on the ceiling.
  test('blocked it fills one pan, then the other, then the ceiling gets wet', () => {
    const jumper = { id: 'jumper', kind: 'jumper', joins: ['float.COM', 'float.NC'] } as const;
    const unguarded = addLink(withPan(furnace), { ...jumper, joins: [...jumper.joins] });
    const { spilt } = after(unguarded, 'cool', 'blocked', 24);
    expect(spilt).toBeCloseTo(COOLED * 24 * HOUR - 4.5 - 24.5, 1);
  });

  test('a dry furnace makes none in heating, a condensing one does', () => {
    const off = { below: 'nothing' };
    expect(after(withPan(furnace, off), 'heat', 'off', 5).spilt).toBe(0);
    const { spilt } = after(withPan(furnace, off, condensing), 'heat', 'off', 5);
    // Ignition takes less than a minute and a half.
    expect(spilt).toBeGreaterThan(BURNED * (5 * HOUR - 90));
    expect(spilt).toBeLessThan(BURNED * 5 * HOUR);
  });

  test('a heat pump makes water while it cools, not while it heats', () => {
    const pump = withPan(heatPumpWithStrips('Water'), { below: 'nothing' });
    expect(after(pump, 'heat', 'off', 3).spilt).toBe(0);
    expect(after(pump, 'cool', 'off', 3).spilt).toBeGreaterThan(1);
  });
});

describe('a float in Y', () => {
  test('stops the compressor before anything runs over', () => {
    const { spilt, faces, states } = after(withPan(furnace, {}, inLine), 'cool', 'blocked', 24);
    expect(spilt).toBe(0);
    expect(faces.get('float')!.text).toBe('wet');
    expect(states['unit']).toMatchObject({ running: false });
  });

  test('does not stop a condensing furnace: the ceiling gets wet in heating', () => {
    const { spilt, faces } = after(withPan(furnace, {}, { ...inLine, ...condensing }), 'heat', 'blocked', 24);
    expect(faces.get('float')!.text).toBe('wet');
    expect(spilt).toBeGreaterThan(1);
  });

  test('in the highest corner of a pan out of level it comes too late', () => {
    const at = (corner: string) =>
      after(withPan(furnace, { tiltMm: 30 }, { float: { corner, place: 'pan' } }), 'cool', 'blocked', 48);
    expect(at('lowest').spilt).toBe(0);
    expect(at('highest').spilt).toBeGreaterThan(1);
  });

  test('hovers on a drain that is nearly blocked: the compressor starts again and again', () => {
    const network = compile(withPan(furnace, {}, { float: { place: 'port', heightMm: 20 } }));
    const inputs = calling('cool', { pan: { drain: 'slow' } });
    let { world } = advance(network, calling('off'), NEW_WORLD, REST);
    let starts = 0;
    for (let minute = 0, was = false; minute < 12 * 60; minute++) {
      ({ world } = advance(network, inputs, world, 60));
      const runs = world.states['unit']!.running === true;
      if (runs && !was) starts++;
      was = runs;
    }
    // 20 mm of 1500 cm² are 3 l, then 5 mm up and down 0.75 l: 0.36 g/s more comes than goes while it runs, 0.2 g/s goes
    // while it does not: 8300 s until it stops, 3750 s until it starts again, and 2080 s more for every round after that.
    expect(starts).toBe(2 + Math.floor((12 * HOUR - 8300 - 3750) / (2080 + 3750)));
  });
});

test('a float in R stops a condensing furnace too', () => {
  const placed = insertInSeries(
    furnace,
    { kind: 'float-switch', label: 'Second float' },
    { conductor: 'statR', end: 'to' },
    null,
  );
  const guarded = withPan(placed.circuit, {}, { ...condensing, [placed.device]: inLine.float });
  expect(after(guarded, 'heat', 'blocked', 24).spilt).toBe(0);
});

describe('a condensate pump', () => {
  const pumped = (overflow: boolean): Circuit => {
    const base = withPan(furnace, { leadsTo: 'pump' });
    const added = addDevice(base, device('pump', 'condensate-pump', 'plant', 'Pump', { fed: 'wired' }));
    const wired: Circuit = {
      ...added,
      cables: [
        ...added.cables,
        cable('pumpCord', 'Pump cord', 18, 1, [
          ['pumpL', 'BK', 'board.L1', 'pump.L'],
          ['pumpN', 'WH', 'board.N', 'pump.N'],
          ...(overflow ? [['pumpBack', 'YE', 'pump.NC', 'float.COM'] as const] : []),
        ]),
      ],
    };
    return overflow ? land(wired, 'leadFloat', 'to', 'pump.COM') : wired;
  };

  test('lifts what comes, for days', () => {
    const { spilt, states } = after(pumped(false), 'cool', 'runs', 48);
    expect(spilt).toBe(0);
    expect(states['pump']).toMatchObject({ over: false });
  });

  test('with a blocked line runs over where its switch was left unconnected, and stops the compressor where it was not', () => {
    const blocked = { pump: { line: 'blocked' } };
    expect(after(pumped(false), 'cool', 'runs', 10, blocked).spilt).toBeCloseTo(COOLED * 10 * HOUR - 1.9, 1);
    const wiped = { pump: { tank: 'emptied', line: 'blocked' } };
    expect(after(pumped(false), 'cool', 'runs', 10, wiped).spilt).toBe(0);
    const { spilt, faces } = after(pumped(true), 'cool', 'runs', 10, blocked);
    expect(spilt).toBe(0);
    expect(faces.get('pump')!.text).toBe('tank full');
  });
});

describe('a moisture sensor', () => {
  const sensing = (supply: { hot: string; common: string }) => {
    const placed = insertInSeries(
      furnace,
      { kind: 'moisture-sensor', label: 'Sensor' },
      { conductor: 'statR', end: 'to' },
      supply,
    );
    return { ...placed, circuit: withPan(placed.circuit, {}, condensing) };
  };
  const { circuit, device: sensor } = sensing({ hot: 'board.R', common: 'board.C' });

  test('stops a condensing furnace at the first water in the pan below, and keeps its lamp', () => {
    const { spilt, faces } = after(circuit, 'heat', 'blocked', 24);
    expect(spilt).toBe(0);
    expect(faces.get(sensor)!.text).toBe('red, wet');
  });

  test('resets only when it is dry and its button is pressed', () => {
    const network = compile(circuit);
    let { world } = advance(network, calling('off'), NEW_WORLD, REST);
    const then = (held: Record<string, string>) => {
      const inputs = calling('heat', { [sensor]: held });
      ({ world } = advance(network, inputs, world, 5));
      return facesOf(network, inputs, world).get(sensor)!.text;
    };
    expect(then({})).toBe('green');
    expect(then({ strip: 'wet' })).toBe('red, wet');
    expect(then({ strip: 'damp', button: 'reset' })).toBe('red, wet');
    expect(then({})).toBe('red');
    expect(then({ button: 'reset' })).toBe('green');
    expect(then({ button: 'test' })).toBe('red');
  });

  test('fed from behind its own contact it never wakes up', () => {
    const asleep = sensing({ hot: 'stat.R', common: 'board.C' });
    expect(after(asleep.circuit, 'heat', 'runs', 1).faces.get(asleep.device)!.text).toBe('no lamp');
  });
});
