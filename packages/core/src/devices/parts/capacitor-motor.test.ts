/**
 * The capacitor-run motor against worked examples of a textbook on electric machinery (single-phase motors by the double revolving field),
 * their figures from memory, and against what the theory of balanced two-phase machines demands.
 */
import type { CapacitorMotor } from './capacitor-motor';
import { modulus, motorAt, motorOf, revolvingFields, slipUnder } from './capacitor-motor';

/** A quarter-horsepower motor, 110 V, 60 Hz, four poles: ohms of main winding, rotor and core as the textbook gives them. */
const QUARTER: CapacitorMotor = {
  mainOhms: 2.02,
  mainReactance: 2.79,
  rotorOhms: 4.12,
  rotorReactance: 2.12,
  magnetising: 66.8,
  startOhms: 7.14,
  startReactance: 3.22,
  turns: 1.18,
};
const degrees = ({ re, im }: { re: number; im: number }) => (Math.atan2(im, re) * 180) / Math.PI;

describe('the quarter-horsepower motor at a slip of 0.05, its start winding open', () => {
  const { forward, backward } = revolvingFields(QUARTER, 0.05);
  const { main, gapWatts } = motorAt(QUARTER, 0.05, 110, Infinity);

  // Worked example, from memory: 31.9 + j40.3 Ω and 1.98 + j2.12 Ω, of each of which half counts.
  test('its fields', () => {
    expect(Math.abs(2 * forward.re - 31.9)).toBeLessThan(0.2);
    expect(Math.abs(2 * forward.im - 40.3)).toBeLessThan(0.2);
    expect(2 * backward.re).toBeCloseTo(1.98, 1);
    expect(2 * backward.im).toBeCloseTo(2.12, 1);
  });

  // Worked example, from memory: 3.59 A at a power factor of 0.62; 206 W forwards less 12.8 W backwards across the gap.
  test('its current, power factor and power across the gap', () => {
    expect(modulus(main)).toBeCloseTo(3.59, 1);
    expect(Math.cos((degrees(main) * Math.PI) / 180)).toBeCloseTo(0.62, 2);
    expect(Math.abs(gapWatts - (206 - 12.8))).toBeLessThan(2);
  });
});

// Worked example, from memory: windings of 4.5 + j3.7 Ω and 9.5 + j3.5 Ω at rest stand 90° apart behind 177 µF at 60 Hz.
test('177 µF put the currents of a motor at rest a quarter turn apart', () => {
  const at = (farads: number) => 1 / (2 * Math.PI * 60 * farads);
  const [main, start] = [
    { re: 4.5, im: 3.7 },
    { re: 9.5, im: 3.5 },
  ];
  const off = (farads: number) =>
    degrees({ re: start.re, im: at(farads) - start.im }) + degrees({ re: main.re, im: main.im });
  expect(Math.abs(off(177e-6) - 90)).toBeLessThan(0.5);
  // The same by the motor itself: at rest its windings are two impedances of their own.
  const still = { ...QUARTER, rotorOhms: 0, rotorReactance: 0, magnetising: 1e-9 };
  const { main: amps, start: startAmps } = motorAt(
    { ...still, mainOhms: 4.5, mainReactance: 3.7, startOhms: 9.5, startReactance: 3.5 },
    1,
    110,
    at(177e-6),
  );
  expect(Math.abs(degrees(startAmps) - degrees(amps) - 90)).toBeLessThan(0.5);
});

describe('by the theory', () => {
  const equal = { ...QUARTER, startOhms: 2.02, startReactance: 2.79, turns: 1 };

  // Two like windings with equal currents a quarter turn apart have no field that turns against the rotor: power across the gap is all
  // of one sign and the input of each is the plain induction motor's.
  test('without a capacitor in the start winding two windings in phase turn nothing', () => {
    expect(motorAt(equal, 1, 110, 0).gapWatts).toBeCloseTo(0, 6);
  });

  test('power is kept: what goes in is copper loss and what crosses the gap, forwards and backwards', () => {
    const capacitive = 60;
    const { main, start } = motorAt(equal, 0.05, 110, capacitive);
    const { forward, backward } = revolvingFields(equal, 0.05);
    const copper = 2.02 * (modulus(main) ** 2 + modulus(start) ** 2);
    const led = { re: -start.im, im: start.re };
    const part = (sign: number) => (main.re + sign * led.re) ** 2 + (main.im + sign * led.im) ** 2;
    const gap = forward.re * part(-1) + backward.re * part(1);
    expect(110 * (main.re + start.re)).toBeCloseTo(copper + gap, 6);
  });

  test('it starts only with a capacitor, and better with more of one', () => {
    expect(motorAt(equal, 1, 110, Infinity).gapWatts).toBeCloseTo(0, 6);
    expect(motorAt(equal, 1, 110, 100).gapWatts).toBeGreaterThan(0);
    expect(motorAt(equal, 1, 110, 50).gapWatts).toBeGreaterThan(motorAt(equal, 1, 110, 100).gapWatts);
  });
});

// Labels as they are met, from memory: volts, amperes, ohms of both windings, and the capacitor.
const LABELS = [
  { volts: 240, amps: 9, mainOhms: 1.2, startOhms: 3.6, farads: 35e-6 },
  { volts: 240, amps: 1, mainOhms: 18, startOhms: 30, farads: 5e-6 },
  { volts: 230, amps: 16, mainOhms: 0.6, startOhms: 2.2, farads: 50e-6 },
  { volts: 230, amps: 5, mainOhms: 2.4, startOhms: 6, farads: 25e-6 },
];

describe.each(LABELS)('a motor of $amps A', (label) => {
  const { motor, load } = motorOf(label, 60);
  const capacitive = 1 / (2 * Math.PI * 60 * label.farads);
  const slip = slipUnder(motor, load, label.volts, capacitive)!;
  const running = motorAt(motor, slip, label.volts, capacitive);

  test('draws what its label says and carries its load', () => {
    const total = modulus({ re: running.main.re + running.start.re, im: running.main.im + running.start.im });
    expect(total / label.amps).toBeCloseTo(1, 2);
    expect(running.gapWatts).toBeCloseTo(load, 0);
  });

  test('with a weak capacitor slips more, and its run winding takes more', () => {
    const weak = slipUnder(motor, load, label.volts, capacitive / 0.7)!;
    expect(weak).toBeGreaterThan(slip);
    const { main } = motorAt(motor, weak, label.volts, capacitive / 0.7);
    expect(modulus(main)).toBeGreaterThan(modulus(running.main));
  });
});
