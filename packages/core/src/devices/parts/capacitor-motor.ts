/**
 * A single-phase motor with a main and a start winding, in the steady state: two revolving fields, each with a rotor of its own
 * slip (double revolving field theory, as in any textbook on electric machines). All per winding, ohms at the frequency of the supply.
 */

export interface Complex {
  re: number;
  im: number;
}

const add = (...all: readonly Complex[]): Complex =>
  all.reduce((sum, one) => ({ re: sum.re + one.re, im: sum.im + one.im }), { re: 0, im: 0 });
const scaled = (one: Complex, by: number): Complex => ({ re: one.re * by, im: one.im * by });
const minus = (one: Complex, other: Complex): Complex => add(one, scaled(other, -1));
const times = (one: Complex, other: Complex): Complex => ({
  re: one.re * other.re - one.im * other.im,
  im: one.re * other.im + one.im * other.re,
});
const square = ({ re, im }: Complex) => re * re + im * im;
const over = (one: Complex, other: Complex): Complex =>
  scaled(times(one, { re: other.re, im: -other.im }), 1 / square(other));
const turned = ({ re, im }: Complex): Complex => ({ re: -im, im: re });

export const modulus = (one: Complex): number => Math.sqrt(square(one));

/** The equivalent circuit; the rotor as seen from the main winding, the start winding as it is, and its turns over the main's. */
export interface CapacitorMotor {
  mainOhms: number;
  mainReactance: number;
  rotorOhms: number;
  rotorReactance: number;
  magnetising: number;
  startOhms: number;
  startReactance: number;
  turns: number;
}

interface MotorPoint {
  main: Complex;
  start: Complex;
  /** Volts across the start winding. */
  startVolts: Complex;
  /** Power across the air gap forwards less backwards, W: torque times synchronous speed. */
  gapWatts: number;
}

/** Half of what the rotor is to the field that turns with it, and to the one that turns against it. */
export function revolvingFields(
  motor: CapacitorMotor,
  slip: number,
): { forward: Complex; backward: Complex } {
  const half = (ownSlip: number) => {
    const rotor = { re: motor.rotorOhms / ownSlip, im: motor.rotorReactance };
    const core = { re: 0, im: motor.magnetising };
    return scaled(over(times(rotor, core), add(rotor, core)), 0.5);
  };
  return { forward: half(slip), backward: half(2 - slip) };
}

/**
 * Currents of both windings across one supply, the start winding behind a capacitor.
 *
 * @param slip - 1 at rest, near 0 at full speed; above 0 and at most 1.
 * @param capacitive - reactance of the capacitor, ohms; Infinity where there is none, and nothing flows in the start winding.
 */
export function motorAt(motor: CapacitorMotor, slip: number, volts: number, capacitive: number): MotorPoint {
  const { forward, backward } = revolvingFields(motor, slip);
  const { turns } = motor;
  const both = add(forward, backward);
  const main = add({ re: motor.mainOhms, im: motor.mainReactance }, both);
  const start = add({ re: motor.startOhms, im: motor.startReactance }, scaled(both, turns ** 2));
  // What each winding's current induces in the other, a quarter turn on.
  const mutual = turned(scaled(minus(forward, backward), turns));
  const supply = { re: volts, im: 0 };
  const open = !Number.isFinite(capacitive);
  const behind = open ? start : add(start, { re: 0, im: -capacitive });
  const determinant = add(times(main, behind), times(mutual, mutual));
  const mainAmps = open ? over(supply, main) : over(times(supply, add(behind, mutual)), determinant);
  const startAmps = open ? { re: 0, im: 0 } : over(times(supply, minus(main, mutual)), determinant);
  const led = turned(scaled(startAmps, turns));
  return {
    main: mainAmps,
    start: startAmps,
    startVolts: add(times(start, startAmps), times(mutual, mainAmps)),
    gapWatts: forward.re * square(minus(mainAmps, led)) - backward.re * square(add(mainAmps, led)),
  };
}

/** Slips gone through for the one at which the motor carries its load, and how often what lies between two is halved. */
const SLIPS = Array.from({ length: 40 }, (_, i) => 0.005 * 1.12 ** i).filter((slip) => slip < 0.4);
const HALVINGS = 20;

/** The least slip at which the motor carries a load, W across the gap; `null` where it stalls. */
export function slipUnder(
  motor: CapacitorMotor,
  load: number,
  volts: number,
  capacitive: number,
): number | null {
  const carries = (slip: number) => motorAt(motor, slip, volts, capacitive).gapWatts >= load;
  const at = SLIPS.findIndex(carries);
  if (at < 0) return null;
  let [low, high] = [at === 0 ? 0 : SLIPS[at - 1]!, SLIPS[at]!];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (carries(middle)) high = middle;
    else low = middle;
  }
  return high;
}

/** Slip at the label's load, and the rest of an equivalent circuit over the volts and amperes of the label. From memory. */
const RATED_SLIP = 0.045;
const LEAKAGE = 0.14;
const ROTOR_OHMS = 0.06;
const MAGNETISING = 3;
/** A run capacitor usually stands at so much of the line: what the turns of the start winding are told by. From memory. */
const CAPACITOR_SHARE = 1.4;
const TURNS = Array.from({ length: 19 }, (_, i) => 0.8 + 0.1 * i);
/** How far off the label's volts over its amperes the scale of the impedances is looked for, either way. */
const SCALE = 2.5;

interface MotorLabel {
  volts: number;
  amps: number;
  mainOhms: number;
  startOhms: number;
  farads: number;
}

const sized = ({ mainOhms, startOhms }: MotorLabel, ohms: number, turns: number): CapacitorMotor => ({
  mainOhms,
  mainReactance: LEAKAGE * ohms,
  rotorOhms: ROTOR_OHMS * ohms,
  rotorReactance: LEAKAGE * ohms,
  magnetising: MAGNETISING * ohms,
  startOhms,
  startReactance: LEAKAGE * ohms * turns ** 2,
  turns,
});

/** The motor that draws the label's amperes with so many turns. */
function drawing(label: MotorLabel, turns: number, capacitive: number): CapacitorMotor {
  const whole = label.volts / label.amps;
  // The current falls as the impedances grow: halve the interval, on a scale of ratios.
  let [low, high] = [whole / SCALE, whole * SCALE];
  for (let i = 0; i < 30; i++) {
    const middle = Math.sqrt(low * high);
    const { main, start } = motorAt(sized(label, middle, turns), RATED_SLIP, label.volts, capacitive);
    if (modulus(add(main, start)) > label.amps) low = middle;
    else high = middle;
  }
  return sized(label, Math.sqrt(low * high), turns);
}

/** A motor that draws what its label says with the capacitor of its label, and the load it then carries, W across the gap. */
export function motorOf(label: MotorLabel, hertz: number): { motor: CapacitorMotor; load: number } {
  const capacitive = 1 / (2 * Math.PI * hertz * label.farads);
  const rated = (motor: CapacitorMotor) => motorAt(motor, RATED_SLIP, label.volts, capacitive);
  const awry = (motor: CapacitorMotor) => {
    const { main, start } = rated(motor);
    const amps = Math.abs(Math.log(modulus(add(main, start)) / label.amps));
    return amps + Math.abs(Math.log((modulus(start) * capacitive) / (CAPACITOR_SHARE * label.volts)));
  };
  const motors = TURNS.map((turns) => drawing(label, turns, capacitive));
  const motor = motors.reduce((best, one) => (awry(one) < awry(best) ? one : best));
  return { motor, load: rated(motor).gapWatts };
}
