/**
 * Every ready system in its calls, and wired or set up wrong. What runs when is common practice in
 * the trade (no published source); the volts behind it are checked against ngspice elsewhere.
 */
import type { Inputs } from '../behaviour';
import { NEW_WORLD, advance } from '../behaviour';
import type { Circuit } from '../circuit';
import { toldView } from '../testing/tell';
import { land, parseCircuit, setValue } from '../circuit';
import { CLASS_2 } from '../standards';
import { compile } from '../network';
import { calling } from '../testing/scenarios';
import {
  TEMPLATES,
  boilerZoneValve,
  dualFuel,
  electricHeat,
  electricHeatAirConditioner,
  findTemplate,
  fourPipeFanCoil,
  furnaceAirConditioner,
  heatPumpWithStrips,
  parallelThermostats,
  rooftopUnit,
  twoStageFurnace,
  twoTransformerSplit,
  unitHeater,
} from '.';

/** Loads that are on after some seconds of a call. */
function after(circuit: Circuit, inputs: Inputs, seconds = 500, from = NEW_WORLD) {
  const network = compile(circuit);
  const settled = advance(network, inputs, from, seconds);
  const view = toldView(network, inputs, settled);
  const on = view.loads.filter(({ energised }) => energised).map(({ title }) => title);
  return { on, view, settled, states: settled.world.states };
}

const MILD_HEAT: Inputs = {
  controls: { stat: { mode: 'heat', setC: 22 } },
  conditions: { indoorC: 21, outdoorC: 8 },
};
const set = (name: string, value: string) => (circuit: Circuit) =>
  setValue(circuit, 'stat', 'settings', name, value);

describe.each(TEMPLATES)('$id', ({ build, id }) => {
  const circuit = build(id);

  test('is a valid document that survives its own JSON', () => {
    expect(parseCircuit(JSON.parse(JSON.stringify(circuit)))).toEqual(circuit);
    expect(findTemplate(id)?.id).toBe(id);
  });

  test.each(['off', 'heat', 'cool', 'emergency'] as const)('settles in %s without a fault', (mode) => {
    const { view, settled } = after(circuit, calling(mode));
    expect(settled.chattering).toBeNull();
    expect(view.status.tone).not.toBe('fault');
    // NEC chapter 9 table 11(A), from memory: a Class 2 secondary stays under 30 V and 100 VA.
    for (const { volts, amps } of view.transformers) {
      expect(volts).toBeLessThan(CLASS_2.maxVolts);
      expect(volts * amps).toBeLessThan(CLASS_2.maxVoltAmperes);
    }
  });

  test('stops what heats and cools when the call ends', () => {
    const running = after(circuit, calling('heat'));
    const ended = after(circuit, calling('off'), 400, running.settled.world);
    expect(ended.view.loads.filter(({ energised, serves }) => energised && serves !== 'valve')).toEqual([]);
  });
});

describe('two stages', () => {
  test('the furnace opens its valve fully on W2 and the outdoor unit its solenoid on Y2', () => {
    expect(after(twoStageFurnace('T'), calling('heat')).on).toContain('Gas valve, second stage');
    expect(after(twoStageFurnace('T'), MILD_HEAT).on).not.toContain('Gas valve, second stage');
    expect(after(twoStageFurnace('T'), calling('cool')).on).toContain('Second stage');
  });
});

describe('two transformers', () => {
  test('with the joiner out each half runs on its own', () => {
    const { view } = after(twoTransformerSplit('T'), calling('cool'));
    expect(view.transformers.map(({ share }) => share > 0.3)).toEqual([false, true]);
  });

  // Arithmetic: out of phase the two secondaries stand in series, and only the windings limit the current.
  test('with the joiner in and out of phase the fuse opens', () => {
    const wrong = setValue(twoTransformerSplit('T', 'in'), 'xfmr2', 'settings', 'phase', 'reversed');
    expect(after(wrong, calling('off'), 5).states.fuse).toMatchObject({ open: true });
    expect(after(twoTransformerSplit('T', 'in'), calling('off'), 5).states.fuse).toMatchObject({
      open: false,
    });
  });
});

describe('electric heat', () => {
  test('by the thermostat: G comes with W; set for gas, the strips run with no fan', () => {
    expect(after(electricHeat('T'), calling('heat')).on).toEqual([
      'Fan relay',
      'Heat contactor',
      'Blower',
      '5 kW strips',
    ]);
    const gas = set('fanWithHeat', 'unit')(electricHeat('T'));
    expect(after(gas, calling('heat')).on).toEqual(['Heat contactor', '5 kW strips']);
  });

  test('by the unit: the sequencer brings the fan first and lets it go last', () => {
    const unit = electricHeat('T', 'unit');
    expect(after(unit, calling('heat'), 15).on).toEqual(['Sequencer heater', 'Blower']);
    const warm = after(unit, calling('heat'), 100);
    expect(warm.on).toContain('5 kW strips');
    const ended = after(unit, calling('off'), 40, warm.settled.world);
    expect(ended.on).toEqual(['Blower']);
  });

  test('a heat-pump thermostat on it calls Y and nothing heats', () => {
    const wrong = set('system', 'heat-pump')(electricHeatAirConditioner('T'));
    const { on } = after(wrong, MILD_HEAT);
    expect(on).not.toContain('5 kW strips');
    expect(on).toContain('Compressor');
  });
});

describe('heat pump', () => {
  test.each(['O', 'B'] as const)('with %s heats and cools the right way', (valve) => {
    const pump = heatPumpWithStrips('T', { valve });
    const cooling = after(pump, calling('cool')).view;
    expect(cooling.loads.find(({ title }) => title === 'Compressor')).toMatchObject({
      serves: 'cool',
      energised: true,
    });
    const heating = after(pump, MILD_HEAT).view;
    expect(heating.loads.find(({ title }) => title === 'Compressor')).toMatchObject({
      serves: 'heat',
      energised: true,
    });
    expect(heating.loads.find(({ title }) => title === 'First strip bank')).toMatchObject({
      energised: false,
    });
  });

  test('with O/B reversed heats when cooling is asked, and the status says so', () => {
    const { view } = after(set('valve', 'B')(heatPumpWithStrips('T')), calling('cool'));
    expect(view.status.text).toMatch(/Cooling called, but heating runs \(.*compressor/);
  });

  test('with the thermostat set conventional cooling turns to heat', () => {
    const { view } = after(set('system', 'conventional')(heatPumpWithStrips('T')), calling('cool'));
    expect(view.status.text).toMatch(/Cooling called, but heating runs/);
  });

  test('in emergency runs the strips and leaves the compressor', () => {
    const { on } = after(heatPumpWithStrips('T'), calling('emergency'));
    expect(on).toEqual(['Blower', 'First strip bank', 'Second strip bank']);
  });

  test('in defrost turns the valve, stops its fan and asks for the strips on D, then goes back', () => {
    const pump = heatPumpWithStrips('T');
    const frosted = { ...MILD_HEAT, controls: { ...MILD_HEAT.controls, pump: { coil: 'frosted' } } };
    const defrost = after(pump, frosted, 300 + 3600 + 60);
    expect(defrost.states.pump).toMatchObject({ valveIn: true });
    expect(defrost.on).toEqual(expect.arrayContaining(['Compressor', 'Reversing valve', 'First strip bank']));
    expect(defrost.on).not.toContain('Outdoor fan');
    expect(defrost.view.status.tone).toBe('waiting');
    const over = after(pump, frosted, 700, defrost.settled.world);
    expect(over.on).toContain('Outdoor fan');
    expect(over.on).not.toContain('First strip bank');
  });

  // Common practice: compressor and burner never together except in defrost.
  test('over a furnace runs one or the other, and the outdoor temperature locks the compressor out', () => {
    expect(after(dualFuel('T'), MILD_HEAT).on).toContain('Compressor');
    expect(after(dualFuel('T'), MILD_HEAT).on).not.toContain('Gas valve');
    const cold = { ...MILD_HEAT, conditions: { indoorC: 21, outdoorC: -8 } };
    expect(after(dualFuel('T'), cold).on).toContain('Gas valve');
    expect(after(dualFuel('T'), cold).on).not.toContain('Compressor');
  });
});

describe('water', () => {
  test('the end switch calls the boiler only once the zone valve is open', () => {
    expect(after(boilerZoneValve('T'), calling('heat'), 30).on).toEqual(['Zone valve']);
    expect(after(boilerZoneValve('T'), calling('heat'), 70).on).toContain('Burner');
  });

  test('a wet float takes R and both valves close', () => {
    const open = after(fourPipeFanCoil('T'), calling('cool'), 100);
    expect(open.view.faces.chilled).toMatchObject({ text: 'open' });
    const wet = after(
      fourPipeFanCoil('T'),
      calling('cool', { float: { level: 'wet' } }),
      60,
      open.settled.world,
    );
    expect(wet.view.faces.chilled).toMatchObject({ text: 'closed' });
    expect(wet.view.faces.stat).toMatchObject({ text: 'cool' });
  });
});

describe('unit heater', () => {
  test('purges and wipes its exchanger after the call', () => {
    const hot = after(unitHeater('T'), calling('heat'));
    const ended = after(unitHeater('T'), calling('off'), 20, hot.settled.world);
    expect(ended.on).toEqual(['Heater fan', 'Inducer']);
  });

  test('with its line supply switched instead, purge and fan are lost', () => {
    const hot = after(unitHeater('T', 'line'), calling('heat'));
    expect(hot.on).toEqual(expect.arrayContaining(['Gas valve', 'Heater fan']));
    expect(after(unitHeater('T', 'line'), calling('off'), 1, hot.settled.world).on).toEqual([]);
  });
});

test('smoke stops the rooftop unit whole, and only a reset lets it start', () => {
  const smoke = after(rooftopUnit('T'), calling('cool', { smoke: { duct: 'smoke' } }));
  expect(smoke.on).toEqual([]);
  expect(after(rooftopUnit('T'), calling('cool'), 400, smoke.settled.world).on).toEqual([]);
  const reset = after(
    rooftopUnit('T'),
    calling('cool', { smoke: { reset: 'pressed' } }),
    400,
    smoke.settled.world,
  );
  expect(reset.on).toContain('Compressor 1: compressor');
});

test('thermostats in parallel of different minds run heating and cooling together', () => {
  const { view } = after(parallelThermostats('T'), calling('cool', { stat2: { mode: 'heat', setC: 30 } }));
  expect(view.status.text).toBe('Heating and cooling run together');
});

describe('thermostats', () => {
  const blank = (circuit: Circuit) => after(circuit, calling('off'), 5).view.faces.stat!.text === 'blank';

  test('a mechanical one has nothing to go blank and waits for nothing', () => {
    const mechanical = furnaceAirConditioner('T', false, 'none');
    expect(blank(mechanical)).toBe(false);
    expect(after(mechanical, calling('cool'), 10).on).toContain('Contactor coil');
  });

  test('one that steals its power starts no load by it, and goes blank with its calls open', () => {
    const stealing = furnaceAirConditioner('T', false, 'stealing');
    expect(after(stealing, calling('off')).on).toEqual([]);
    expect(blank(stealing)).toBe(false);
    const lifted = ['statY', 'statW'].reduce((circuit, id) => land(circuit, id, 'from', 'stat.G'), stealing);
    expect(blank(lifted)).toBe(true);
  });

  // The same screw is W in one row and O/B in the other: reading the wrong row swaps heating and cooling.
  test('on a two-row sub-base the heat-pump row puts O/B on the conventional W', () => {
    const rows = setValue(twoTransformerSplit('T', 'in'), 'stat', 'params', 'terminals', 'rows');
    const at = (circuit: Circuit) => after(circuit, calling('cool'), 400).view.nodes['stat.W']!.volts;
    expect(at(rows)).toBeLessThan(5);
    expect(at(set('system', 'heat-pump')(rows))).toBeGreaterThan(20);
  });
});
