import { gaugeAreaMm2, gaugeDiameterMm, ohmsPerMetre } from './wire';

const METRES_PER_KILOFOOT = 304.8;

describe('wire gauge', () => {
  // ASTM B258 fixes 4/0 at 0.4600 in and 36 AWG at 0.0050 in; the rest is a geometric series.
  test.each([
    [-3, 11.684],
    [36, 0.127],
  ])('%i AWG is %d mm by definition', (gauge, mm) => {
    expect(gaugeDiameterMm(gauge)).toBeCloseTo(mm, 3);
  });

  // ASTM B258 table of nominal diameters, in inches, quoted from memory.
  test.each([
    [10, 0.1019],
    [14, 0.0641],
    [18, 0.0403],
    [22, 0.0253],
  ])('%i AWG is %d in', (gauge, inches) => {
    expect(gaugeDiameterMm(gauge) / 25.4).toBeCloseTo(inches, 4);
  });

  // Three gauge numbers halve the area very nearly, six halve the diameter: a property of the series.
  test('six numbers halve the diameter', () => {
    expect(gaugeDiameterMm(18) / gaugeDiameterMm(12)).toBeCloseTo(0.5, 2);
  });
});

describe('resistance', () => {
  // IEC 60028: annealed copper, 1/58 Ω·mm²/m at 20 °C.
  test('of one square millimetre', () => {
    expect(ohmsPerMetre(18) * gaugeAreaMm2(18)).toBeCloseTo(1 / 58, 8);
  });

  // NEC chapter 9 table 8, solid uncoated copper at 75 °C, Ω per kft, quoted from memory; half a percent allows its rounding.
  test.each([
    [18, 7.77],
    [16, 4.89],
    [14, 3.07],
  ])('%i AWG at 75 °C is %d Ω per thousand feet', (gauge, handbook) => {
    const ours = ohmsPerMetre(gauge, 75) * METRES_PER_KILOFOOT;
    expect(Math.abs(ours / handbook - 1)).toBeLessThan(0.005);
  });
});
