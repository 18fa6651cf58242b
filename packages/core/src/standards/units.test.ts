import {
  capacitanceUnderLoad,
  celsiusToFahrenheit,
  celsiusToKelvin,
  fahrenheitToCelsius,
  feetToMetres,
  gaugeAreaMm2,
  kelvinToFahrenheitStep,
  metresToFeet,
  percent,
  readWindings,
} from '.';

// SI Brochure, 9th edition: 0 °C is 273.15 K. NIST SP 811 appendix B, from memory: °F = 1.8 °C + 32, 1 ft = 0.3048 m.
test.each([
  [-40, -40, 233.15],
  [0, 32, 273.15],
  [37, 98.6, 310.15],
  [100, 212, 373.15],
])('%d °C', (celsius, fahrenheit, kelvin) => {
  expect(celsiusToFahrenheit(celsius)).toBeCloseTo(fahrenheit, 9);
  expect(fahrenheitToCelsius(fahrenheit)).toBeCloseTo(celsius, 9);
  expect(celsiusToKelvin(celsius)).toBeCloseTo(kelvin, 9);
});

test('differences, lengths and shares', () => {
  expect(kelvinToFahrenheitStep(5)).toBe(9);
  expect(feetToMetres(200)).toBeCloseTo(60.96, 9);
  expect(metresToFeet(0.3048)).toBe(1);
  expect(percent(0.8)).toBe(80);
});

// IEC 60228 does not list AWG; areas are those of ASTM B258, quoted from memory to three figures.
test.each([
  [14, 2.08],
  [16, 1.31],
  [18, 0.823],
  [20, 0.518],
  [22, 0.326],
])('%d AWG is %d mm²', (gauge, area) => {
  expect(gaugeAreaMm2(gauge)).toBeCloseTo(area, 2);
});

// Worked: 2652 × A ÷ V at 60 Hz gives µF (10⁶ ÷ 2π·60 = 2652.6), so 3.5 A at 370 V is 25.1 µF.
test('capacitor under load', () => {
  expect(capacitanceUnderLoad(3.5, 370, 60) * 1e6).toBeCloseTo((2652.58 * 3.5) / 370, 3);
  expect(capacitanceUnderLoad(3.5, 370, 60) * 1e6).toBeCloseTo(25.1, 1);
  expect(() => capacitanceUnderLoad(1, 0, 60)).toThrow(RangeError);
});

// Common practice: largest R–S, next S–C, smallest R–C, and the largest is the sum.
test('the winding rule', () => {
  expect(readWindings([3.6, 4.8, 1.2])).toEqual({ pairs: ['S–C', 'R–S', 'R–C'], adds: true });
  expect(readWindings([4.8, 1.2, 1.2]).adds).toBe(false);
});
