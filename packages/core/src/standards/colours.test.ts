import { COLOUR_CODES, colourName } from './colours';
import { celsiusToFahrenheit, fahrenheitToCelsius } from './units';

// IEC 60757 letter codes.
test.each([
  ['BK', 'black'],
  ['BN', 'brown'],
  ['RD', 'red'],
  ['OG', 'orange'],
  ['YE', 'yellow'],
  ['GN', 'green'],
  ['BU', 'blue'],
  ['VT', 'violet'],
  ['GY', 'grey'],
  ['WH', 'white'],
  ['PK', 'pink'],
  ['TQ', 'turquoise'],
  ['GNYE', 'green-yellow'],
] as const)('%s is %s', (code, name) => {
  expect(COLOUR_CODES).toContain(code);
  expect(colourName(code)).toBe(name);
});

// Fixed points of the scales, and the crossing at −40: arithmetic.
test.each([
  [0, 32],
  [100, 212],
  [-40, -40],
])('%d °C is %d °F', (celsius, fahrenheit) => {
  expect(celsiusToFahrenheit(celsius)).toBeCloseTo(fahrenheit, 9);
  expect(fahrenheitToCelsius(fahrenheit)).toBeCloseTo(celsius, 9);
});
