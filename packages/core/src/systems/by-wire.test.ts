/**
 * Outdoor units wire by wire: what a motor does when its capacitor, a winding or its leads are wrong is common practice (it hums, its
 * overload opens); the microfarads that its own current tells are exact physics.
 */
import { NEW_WORLD, advance } from '../behaviour';
import type { Circuit } from '../circuit';
import { land, lift } from '../circuit';
import type { Fault } from '../network';
import { ampsThrough, compile, measure, voltsBetween } from '../network';
import { calling } from '../testing/scenarios';
import { toldView } from '../testing/tell';
import { capacitanceUnderLoad } from '../standards';
import { nameWindings } from '../unit';
import { furnaceAirConditionerByWire, heatPumpWithStripsByWire } from '.';

const unit = furnaceAirConditionerByWire('Unit');

function cooling(circuit: Circuit, faults: readonly Fault[] = [], seconds = 500) {
  const network = compile(circuit, faults);
  const inputs = calling('cool');
  const settled = advance(network, inputs, NEW_WORLD, seconds);
  const view = toldView(network, inputs, settled);
  const on = view.loads.filter(({ energised }) => energised).map(({ title }) => title);
  const amps = (id: string) =>
    ampsThrough(
      settled.point,
      network.branches.findIndex((branch) => branch.id === id),
    );
  return { settled, status: view.status, on, amps, states: settled.world.states };
}
const fault = (target: string, mode: string): Fault[] => [{ target, mode }];

test('cooling, the wires carry what the labels say and the capacitor reads its own by its current', () => {
  const { on, amps, settled } = cooling(unit);
  expect(on).toEqual(expect.arrayContaining(['Compressor', 'Fan motor']));
  // Each motor's common lead carries what its label says.
  expect(amps('wire:w1')).toBeCloseTo(9, 0);
  expect(amps('wire:w5')).toBeCloseTo(1, 1);
  const across = (mark: string) => voltsBetween(settled.point, 'capacitor.C', `capacitor.${mark}`);
  expect(capacitanceUnderLoad(amps('wire:w4'), across('HERM'), 60) * 1e6).toBeCloseTo(35, 0);
  expect(capacitanceUnderLoad(amps('wire:w7'), across('FAN'), 60) * 1e6).toBeCloseTo(5, 1);
  // A run capacitor stands above the line: some 1.3 to 1.6 times it, from memory.
  expect(across('HERM') / 240).toBeGreaterThan(1.3);
  expect(across('HERM') / 240).toBeLessThan(1.6);
});

test.each<[string, Fault[], string, string, string[]]>([
  [
    'weak for the compressor',
    fault('capacitor', 'herm-weak'),
    'Compressor',
    '45 % of its label left on HERM',
    ['capacitor'],
  ],
  [
    'open for the compressor',
    fault('capacitor', 'herm-open'),
    'Compressor',
    'nothing left on HERM',
    ['capacitor'],
  ],
  [
    'weak for the fan',
    fault('capacitor', 'fan-weak'),
    'Fan motor',
    '45 % of its label left on FAN',
    ['capacitor'],
  ],
  ['open for the fan', fault('capacitor', 'fan-open'), 'Fan motor', 'nothing left on FAN', ['capacitor']],
  [
    'a start winding open',
    fault('compressor', 'start-open'),
    'Compressor',
    'takes no current',
    ['compressor'],
  ],
  ['a run winding open', fault('compressor', 'run-open'), 'Compressor', 'takes no current', ['compressor']],
])('%s: it stands, and the part that is bad is named', (_, faults, stands, says, parts) => {
  const { on, status } = cooling(unit, faults);
  expect(on).not.toContain(stands);
  expect(status).toMatchObject({ tone: 'fault', text: expect.stringContaining(says), parts });
});

test('a compressor without its capacitor hums on several times its amperes until its overload opens', () => {
  const humming = cooling(unit, fault('capacitor', 'herm-open'), 302);
  expect(humming.states.compressor).toMatchObject({ at: 'stalled', open: false });
  expect(humming.amps('wire:w1')).toBeGreaterThan(1.7 * 9);
  expect(cooling(unit, fault('capacitor', 'herm-open')).states.compressor).toMatchObject({ open: true });
});

test('fan on HERM and compressor on FAN: neither turns, and a wire is named, no part', () => {
  const exchanged = land(land(unit, 'w4', 'from', 'capacitor.FAN'), 'w7', 'from', 'capacitor.HERM');
  const { on, status } = cooling(exchanged);
  expect(on).not.toContain('Compressor');
  expect(on).not.toContain('Fan motor');
  expect(status).toMatchObject({ tone: 'fault', parts: ['w4'] });
});

test.each([
  ['R and S exchanged', land(land(unit, 'w3', 'to', 'compressor.S'), 'w4', 'to', 'compressor.R')],
  ['S off', lift(unit, 'w4', 'to')],
])('%s at the compressor: it does not turn', (_, wrong) => {
  const { on, status } = cooling(wrong);
  expect(on).not.toContain('Compressor');
  expect(status.tone).toBe('fault');
});

test.each([
  ['compressor', 1.2, 3.6],
  ['fan', 18, 30],
])('with the power off the %s reads its windings, R to S the sum', (device, run, start) => {
  const off = { ...calling('off'), controls: { acBreaker: { handle: 'off' } } };
  const wires = unit.cables.find(({ id }) => id === 'unitPower')!.conductors.map(({ id }) => id);
  const apart = wires.reduce((now, id) => lift(lift(now, id, 'from'), id, 'to'), unit);
  const { point } = advance(compile(apart), off, NEW_WORLD, 60);
  const ohms = (one: string, other: string) => {
    const reading = measure(point, {
      mode: 'ohms',
      red: `${device}.${one}`,
      black: `${device}.${other}`,
      meter: 'high-z',
    });
    return reading.ok ? reading.value : NaN;
  };
  const readings = [ohms('C', 'R'), ohms('R', 'S'), ohms('C', 'S')] as const;
  expect(readings[0]).toBeCloseTo(run, 1);
  expect(readings[1]).toBeCloseTo(run + start, 1);
  expect(nameWindings({ between: readings })).toMatchObject({ type: 'named', pins: ['C', 'R', 'S'] });
});

describe('a heat pump with its board, valve and sensor on leads', () => {
  const pump = heatPumpWithStripsByWire('Pump');
  test('cools with the valve over; without the valve’s lead it heats and says so', () => {
    expect(cooling(pump).on).toEqual(expect.arrayContaining(['Reversing valve', 'Compressor', 'Fan motor']));
    const { status } = cooling(lift(pump, 'w15', 'to'));
    expect(status).toMatchObject({ tone: 'fault' });
    expect(status.text).toContain('orange');
  });

  test('never defrosts with its sensor open', () => {
    const frosted = {
      ...calling('heat'),
      controls: { ...calling('heat').controls, pump: { coil: 'frosted' } },
    };
    const defrosts = (faults: Fault[]) =>
      advance(compile(pump, faults), frosted, NEW_WORLD, 4100).world.states.pump!.defrostUntil !== null;
    expect(defrosts([])).toBe(true);
    expect(defrosts(fault('sensor', 'open'))).toBe(false);
    expect(defrosts(fault('sensor', 'shorted'))).toBe(false);
  });
});
