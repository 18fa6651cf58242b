import { furnaceAirConditioner } from '@zygostat/core/systems';
import { FRESH } from './slice';
import { activeCalls, pressCall } from './calls';
import { showDuration, showQuantity, showVolts } from '@zygostat/core/words';

const circuit = furnaceAirConditioner('Calls');

describe('calls', () => {
  test('begin off', () => {
    expect([...activeCalls(circuit, FRESH.inputs)]).toEqual(['off']);
  });

  test('cooling in a warm room sets only the mode', () => {
    expect(pressCall(circuit, FRESH.inputs, 'cool')).toEqual({
      controls: [{ device: 'stat', name: 'mode', value: 'cool' }],
    });
  });

  test('heating in a warm room also cools the room, or it would be no call', () => {
    const { controls, indoorC } = pressCall(circuit, FRESH.inputs, 'heat');
    expect(controls).toEqual([{ device: 'stat', name: 'mode', value: 'heat' }]);
    expect(indoorC).toBeLessThan(22);
  });

  test('pressing a call again ends it, and the fan is its own', () => {
    const cooling = { ...FRESH.inputs, controls: { stat: { mode: 'cool', fan: 'on' } } };
    expect([...activeCalls(circuit, cooling)].sort()).toEqual(['cool', 'fan']);
    expect(pressCall(circuit, cooling, 'cool').controls[0]).toMatchObject({ name: 'mode', value: 'off' });
    expect(pressCall(circuit, cooling, 'fan').controls[0]).toMatchObject({ name: 'fan', value: 'auto' });
  });
});

test.each([
  [0.01, '0'],
  [26.37, '26.4'],
  [120.4, '120'],
  [99.96, '100'],
])('%d V is written %s', (volts, text) => {
  expect(showVolts(volts)).toBe(text);
});

test.each([
  [Infinity, 'Ω', 'OL', 'Ω'],
  [7.68, 'Ω', '7.7', 'Ω'],
  [4700, 'Ω', '4.70', 'kΩ'],
  [2.2e6, 'Ω', '2.20', 'MΩ'],
  [0.312, 'A', '312', 'mA'],
  [9.8, 'A', '9.80', 'A'],
] as const)('%d %s is written %s %s', (value, unit, figure, scaled) => {
  expect(showQuantity(value, unit)).toEqual({ figure, unit: scaled });
});

test.each([
  [200, '3 min 20 s'],
  [59.2, '1 min'],
  [12, '12 s'],
  [-3, '0 s'],
])('%d s is written %s', (seconds, text) => {
  expect(showDuration(seconds)).toBe(text);
});
