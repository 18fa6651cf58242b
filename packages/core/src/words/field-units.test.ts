/** Figures in either habit: an inch is 25.4 mm, a foot 0.3048 m, an inch of water 249.1 Pa, 1 cfm 0.472 l/s (NIST SP 811). */
import type { NumberField } from '../devices';
import { fieldIn, fieldValueText, readValue, valueIn } from './field-units';
import { counted, showStrip } from './show';

const US = { temperature: 'F', length: 'ft', gauge: 'awg' } as const;
const SI = { temperature: 'C', length: 'm', gauge: 'mm2' } as const;
const field = (unit: string, min: number, max: number): NumberField => ({
  type: 'number',
  label: 'Figure',
  unit,
  default: min,
  min,
  max,
  source: 'from memory',
});

test.each<[string, number, string, number]>([
  ['°C', 20, '°F', 68],
  ['K', 5, '°F', 9],
  ['mm', 254, 'in.', 10],
  ['m', 3.048, 'ft', 10],
  ['Pa', 124.54, 'in. w.c.', 0.5],
  ['l/s', 471.947, 'cfm', 1000],
  ['m/s', 5.08, 'ft/min', 1000],
  ['kW', 5, 'kW', 5],
])('%s: %d is %s %d', (unit, value, shownUnit, shown) => {
  const one = field(unit, -100, 5000);
  expect([fieldIn(one, US).unit, valueIn(one, value, US)]).toEqual([shownUnit, shown]);
  expect(valueIn(one, value, SI)).toBe(value);
  const back = readValue(one, String(shown), US);
  expect('value' in back && back.value).toBeCloseTo(value, 2);
});

test.each<[string, string, number | RegExp]>([
  ['1200', 'a figure in one’s own unit', 566.3],
  ['1200 cfm', 'with it said', 566.3],
  ['566 l/s', 'the other unit said', 566],
  ['566,5 L/s', 'a decimal comma', 566.5],
  ['', 'nothing', /^must be a number from 21\.2 to 10594 cfm$/],
  ['12 buckets', 'a unit that is none of it', /cfm$/],
  ['20', 'less than there may be', /from 21\.2/],
  ['21.2', 'the limit as it is shown', 10],
  ['-', 'no figure', /cfm$/],
])('"%s": %s', (text, _what, wanted) => {
  const read = readValue(field('l/s', 10, 5000), text, US);
  if (typeof wanted === 'number') expect('value' in read && read.value).toBeCloseTo(wanted, 1);
  else expect('problem' in read && read.problem).toMatch(wanted);
});

test('a line of a history', () => {
  expect(fieldValueText(field('°C', 0, 90), 65, US)).toBe('149 °F');
  const choice = {
    type: 'choice',
    label: 'Way',
    options: { a: 'A' },
    default: 'a',
    source: 'from memory',
  } as const;
  expect(fieldValueText(choice, 'a', US)).toBe('a');
});

// An inch is 25.4 mm (NIST SP 811), read from a rule in sixteenths.
test.each<[number, string]>([
  [8, '5/16 in.'],
  [12, '1/2 in.'],
  [25.4, '1 in.'],
  [1, '1/16 in.'],
])('%d mm are stripped: %s', (mm, inches) => {
  expect([showStrip(mm, 'ft'), showStrip(mm, 'm')]).toEqual([inches, `${mm} mm`]);
});

test('what is counted stands in its number', () => {
  expect([counted(1, 'lead'), counted(3, 'lead'), counted(0, 'entry')]).toEqual([
    '1 lead',
    '3 leads',
    '0 entries',
  ]);
});
