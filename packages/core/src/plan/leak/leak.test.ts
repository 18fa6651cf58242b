/**
 * A leak controller put in. What goes up and what stays, that its test drops every call in cooling and in heating while the fan
 * runs, and that its harness leaves no call beside it, is common practice in the trade; what comes of it is run in the model.
 */
import { NEW_WORLD, advance, readLoads } from '../../behaviour';
import { addLink, lift, setValue } from '../../circuit';
import { kindOf } from '../../devices';
import { compile, voltsBetween } from '../../network';
import { prove } from '../../prove';
import { commissionOf } from '../../record';
import { TEMPLATES, findTemplate, furnaceWithLeakController } from '../../systems';
import type { FanMotor, LeakPlan } from '..';
import { calling } from '../../testing/scenarios';
import { planLeak } from '..';

const build = (id: string) => findTemplate(id)!.build('Leak');
const statOf = (id: string) => build(id).devices.find(({ kind }) => kindOf(kind).asks)!.id;
const planned = (id: string, motor: FanMotor = 'taps') =>
  planLeak(build(id), { thermostat: statOf(id), motor });

/** Where none goes, and why; everywhere else one does. */
const OBSTACLES: Readonly<Record<string, string>> = {
  'two-transformers': 'two-hots',
  'electric-heat': 'no-refrigerant',
  'electric-heat-sequencer': 'no-refrigerant',
  boiler: 'no-refrigerant',
  'boiler-zone': 'no-refrigerant',
  'unit-heater': 'no-refrigerant',
  'fan-coil': 'no-refrigerant',
  communicating: 'talks',
  ductless: 'no-unit',
  'ductless-fed-indoors': 'no-unit',
  'parallel-thermostats': 'several-thermostats',
  'furnace-ac-leak': 'there-already',
  'zones-two': 'several-thermostats',
  'zones-three-pump': 'several-thermostats',
  'zones-four-spring': 'several-thermostats',
};

test.each(TEMPLATES.map(({ id }) => id))(
  '%s: all the thermostat’s conductors go up, and it is proven',
  (id) => {
    const plan = planned(id);
    if (OBSTACLES[id]) return expect(plan).toBe(OBSTACLES[id]);
    const { circuit, controller, moved, harness, harm, proof, tests } = plan as LeakPlan;
    expect(harm).toEqual([]);
    expect(
      proof.findings.filter(({ property }) => ['unfanned', 'safety', 'bypassed'].includes(property)),
    ).toEqual([]);
    // Each conductor that went up has the lead of the same name going back down to where it was.
    for (const { from, to } of moved) {
      const mark = to.slice(`${controller}.T`.length);
      expect([mark, harness.find((lead) => lead.mark === mark)!.to]).toEqual([mark, from]);
    }
    // R, C and G reach the unit whatever the thermostat has.
    for (const mark of ['R', 'C', 'G']) expect(harness.find((lead) => lead.mark === mark)!.to).not.toBeNull();
    expect(
      circuit.cables
        .flatMap(({ conductors }) => conductors)
        .filter(({ from }) => from === `${controller}.LK`),
    ).toEqual([]);
    for (const { stops, goesOn, keepsSupply } of tests) {
      expect(keepsSupply).toBe(true);
      expect(goesOn.length + stops.length).toBeGreaterThan(0);
    }
  },
);

test('from the outdoor unit Y and C stay on the board', () => {
  const { stays } = planned('furnace-ac') as LeakPlan;
  expect(stays).toEqual(
    expect.arrayContaining([
      { conductor: 'yardC', at: 'board.C' },
      { conductor: 'leadFloat', at: 'board.Y' },
    ]),
  );
});

test('a motor with taps gets G added to Y, one with many pins not', () => {
  const value = (motor: FanMotor) => (planned('furnace-ac', motor) as LeakPlan).settings[0]!.value;
  expect([value('taps'), value('pins')]).toEqual(['yes', 'no']);
});

test('its test stops compressor and burner, the fan goes on, and the delay is the one that is set', () => {
  const { tests } = planned('furnace-ac') as LeakPlan;
  const of = (call: string) => tests.find(({ situation }) => 'call' in situation && situation.call === call)!;
  expect(of('cool')).toMatchObject({
    stops: expect.arrayContaining(['Compressor']),
    goesOn: ['Blower (cooling speed)'],
    againS: 300,
  });
  expect(of('heat').stops).toContain('Gas valve');
  expect(of('heat').againS).toBeGreaterThanOrEqual(300);
});

test('the same as the ready system is found, whichever way it came about', () => {
  const { circuit } = planned('furnace-ac') as LeakPlan;
  const keys = (one: typeof circuit) => prove(one)!.findings.map(({ property }) => property);
  expect(keys(circuit)).toEqual(keys(furnaceWithLeakController('Leak')));
});

test('commissioning tests it in cooling and in heating, with its delay', () => {
  const trips = commissionOf(furnaceWithLeakController('Leak')).flatMap((test) =>
    test.type === 'trip' && test.case.trip.device === 'leak' ? [test] : [],
  );
  expect(trips.map(({ case: { asked } }) => asked.id)).toEqual(['heat-far', 'cool-far']);
  for (const { againS, stops, runs } of trips) {
    expect(againS).toBeGreaterThanOrEqual(300);
    expect(stops.length).toBeGreaterThan(0);
    expect(runs).toContain('board/blower-cool');
  }
});

// Boards with a terminal of their own for a leak, and a humidifier's lead, are common practice on newer equipment.
describe('a unit with a terminal for a leak', () => {
  test.each([
    ['furnace-ac', 'Blower (cooling speed)'],
    ['heat-pump', 'Blower'],
  ])('%s: the lead for it lands, and alone it drops the heat and runs the fan', (id, fan) => {
    const unit = setValue(build(id), 'board', 'params', 'leak', 'LK');
    const { circuit, controller, harness, harm } = planLeak(unit, {
      thermostat: 'stat',
      motor: 'taps',
    }) as LeakPlan;
    expect(harm).toEqual([]);
    expect(harness.find(({ mark }) => mark === 'LK')).toEqual({ mark: 'LK', to: 'board.LK' });
    // G's lead cut, the heating call landed past the controller: only the board's own terminal is left to do it.
    const lead = circuit.cables
      .flatMap(({ conductors }) => conductors)
      .find(({ from }) => from === `${controller}.G`)!;
    const bare = lift(circuit, lead.id, 'from');
    const call = calling('heat');
    const on = (sensor: string) => {
      const network = compile(bare);
      const inputs = { ...call, controls: { ...call.controls, [controller]: { sensor } } };
      return readLoads(network, advance(network, inputs, NEW_WORLD, 700))
        .filter(({ energised, device }) => energised && device === 'board')
        .map(({ title }) => title);
    };
    expect(on('clean').length).toBeGreaterThan(1);
    expect(on('leak')).toEqual([fan]);
  });

  test('a humidifier’s call goes through, and drops on a leak', () => {
    const leads = setValue(furnaceWithLeakController('Leak'), 'leak', 'params', 'takes', 'moist');
    const fed = addLink(leads, { id: 'moist', kind: 'jumper', joins: ['leak.TR', 'leak.TH'] });
    const volts = (sensor: string) => {
      const inputs = { ...calling('off'), controls: { leak: { sensor } } };
      const { point } = advance(compile(fed), inputs, NEW_WORLD, 60);
      return voltsBetween(point, 'leak.H', 'leak.C');
    };
    expect(volts('clean')).toBeGreaterThan(20);
    expect(volts('leak')).toBeLessThan(2);
  });
});
