/**
 * A communicating system: 24 V and a data pair with a polarity. That a swapped pair, an open one and a lost bias are each another
 * thing than no power is common practice in the trade (no published source); the level on the pair is a divider worked by hand.
 */
import type { Inputs } from '../behaviour';
import { NEW_WORLD, advance } from '../behaviour';
import type { Circuit } from '../circuit';
import { exchange, land, lift, setValue } from '../circuit';
import type { Fault } from '../network';
import { compile, measure } from '../network';
import { prove } from '../prove';
import { calling } from '../testing/scenarios';
import { toldView } from '../testing/tell';
import { communicatingHeatPump } from '.';

const good = communicatingHeatPump('Pair');

function after(
  circuit: Circuit,
  inputs: Inputs = calling('cool'),
  seconds = 500,
  faults: readonly Fault[] = [],
) {
  const network = compile(circuit, faults);
  const settled = advance(network, inputs, NEW_WORLD, seconds);
  const view = toldView(network, inputs, settled);
  const pair = measure(settled.point, {
    mode: 'dc-volts',
    red: 'pump.D1',
    black: 'pump.D2',
    meter: 'high-z',
  });
  return {
    view,
    faces: view.faces,
    on: view.loads.filter(({ energised }) => energised).map(({ title }) => title),
    volts: pair.ok ? pair.value : NaN,
  };
}

test.each([
  ['cool', ['Blower', 'Compressor']],
  ['heat', ['Blower', 'Compressor']],
  ['off', []],
] as const)('%s is told over the pair', (mode, runs) => {
  expect(after(good, calling(mode)).on).toEqual(runs);
});

test('the fan by itself is told over it too', () => {
  const inputs = calling('off', { stat: { fan: 'on' } });
  expect(after(good, inputs).on).toEqual(['Blower']);
});

test('the bias stands on the pair as a divider gives it', () => {
  // 5 V over 600 Ω on either side (and 1 Ω in the source) and three inputs of 12 kΩ side by side.
  const inputs = 12_000 / 3;
  expect(after(good, calling('off')).volts).toBeCloseTo((5 * inputs) / (inputs + 1201), 2);
});

test('with the pair exchanged at one it reads the other way round, and that one alone is deaf', () => {
  const swapped = exchange(good, ['yardD1', 'to'], ['yardD2', 'to']);
  const { volts, view, on, faces } = after(swapped);
  expect(volts).toBeLessThan(-3);
  expect(on).toEqual(['Blower']);
  expect(view.status.text).toMatch(/^Outdoor board has 24 V and no data: the pair is the wrong way round: /);
  expect(faces.pump).toMatchObject({ text: 'no data' });
  expect(faces.stat).toMatchObject({ text: 'cool' });
});

test('an open conductor of the pair is told from an open R', () => {
  const { volts, view } = after(lift(good, 'yardD2', 'to'));
  expect(Math.abs(volts)).toBeLessThan(0.8);
  expect(view.status.text).toMatch(/^Outdoor board has 24 V and no data: yellow of Outdoor cable/);
  const dark = after(lift(good, 'yardR', 'to'));
  expect(dark.view.status.text).toMatch(/awake and Outdoor board is dark: red of Outdoor cable/);
  expect(dark.faces.pump).toMatchObject({ text: 'dark' });
});

test('a bias that does not come makes all of them deaf, and the board that gives it is named', () => {
  const { view, volts } = after(good, calling('cool'), 500, [{ target: 'board', mode: 'no-bias' }]);
  expect(volts).toBeCloseTo(0, 2);
  expect(view.status.text).toMatch(/have 24 V and no data: Air handler board .*\(drive\)$/);
});

test('the levels can be set as the maker’s sheet says', () => {
  const low = setValue(good, 'board', 'params', 'biasVolts', 1);
  expect(after(low).on).toEqual([]);
});

test('24 V on the pair is a danger before anything is called', () => {
  const found = prove(land(good, 'statC', 'to', 'board.D1'))!.findings;
  expect(found.find(({ property }) => property === 'power-on-data')).toMatchObject({ severity: 'danger' });
});
