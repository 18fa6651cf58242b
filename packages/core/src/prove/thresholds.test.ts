/**
 * Every threshold of proof and status, just below and just above, in literals: a changed constant must fail here.
 * Where a value is from it says in the source; limits quoted again here are from memory.
 */
import { NEW_WORLD, advance, isOffTap, readTransformers, untilSteady } from '../behaviour';
import { bladeFuseSeconds, breakerSeconds } from '../devices/parts/overcurrent';
import type { OperatingPoint } from '../network';
import { compile, makeSolver, classifyNodes } from '../network';
import { furnaceAirConditioner } from '../systems';
import type { Case } from '.';
import { asksOf, judgeState, judgedState } from '.';

const circuit = furnaceAirConditioner('Thresholds');
const network = compile(circuit);
const solver = makeSolver(network);
const asks = asksOf(circuit);
const rest = advance(network, asks[0]!.inputs, NEW_WORLD, 420, solver);
const cool = asks.find(({ id }) => id === 'cool')!;
const running = untilSteady(network, cool.inputs, rest.world, 1200, solver);
const caseOf = (id: string): Case => ({ asked: asks.find((one) => one.id === id)!, trip: null, mains: 1 });

/** A point with every voltage a share of what it is. */
const scaled = (point: OperatingPoint, by: number): OperatingPoint => ({
  ...point,
  re: point.re.map((volts) => volts * by),
  im: point.im.map((volts) => volts * by),
});
const found = (...[net, subject, settled, pulls]: Parameters<typeof judgedState>) =>
  judgeState(judgedState(net, subject, settled, pulls)).map(({ property }) => property);
const NO_PULLS = new Map<number, number>();

// NEC chapter 9 table 11(A), from memory: a Class 2 circuit stays at or under 30 V.
test('a control terminal may stand at 30 V and not above', () => {
  const look = judgedState(network, caseOf('off'), rest, NO_PULLS);
  const at = (volts: number) => {
    const seen = { ...classifyNodes(rest.point), volts: classifyNodes(rest.point).volts.slice() };
    seen.volts[network.indexOf('board.Y')] = volts;
    return judgeState({ ...look, seen }).map(({ property }) => property);
  };
  expect(at(29.9)).not.toContain('over-voltage');
  expect(at(30.1)).toContain('over-voltage');
});

test.each([
  [0.99, 'within'],
  [1.01, 'overloaded'],
  [2.99, 'overloaded'],
  [3.01, 'shorted'],
])('a transformer at %d times its rated amperes is %s', (share, burden) => {
  const now = readTransformers(network, running.point)[0]!.share;
  const point = scaled(running.point, share / now);
  expect(readTransformers(network, point)[0]!.burden).toBe(burden);
  const properties = found(network, caseOf('cool'), { ...running, point }, NO_PULLS);
  expect(properties.includes('overload')).toBe(burden === 'overloaded');
  expect(properties.includes('short')).toBe(burden === 'shorted');
});

test('a thermostat with batteries needs 17 V on its wire', () => {
  const [a, z] = ['stat.R', 'stat.C'].map((name) => network.indexOf(name)) as [number, number];
  const volts = Math.hypot(rest.point.re[a]! - rest.point.re[z]!, rest.point.im[a]! - rest.point.im[z]!);
  const at = (wanted: number) =>
    found(network, caseOf('off'), { ...rest, point: scaled(rest.point, wanted / volts) }, NO_PULLS);
  expect(at(16.9)).toContain('blank');
  expect(at(17.1)).not.toContain('blank');
});

describe('a coil', () => {
  const contactor = network.devices.find(({ device }) => device.id === 'contactor')!.branches.get('coil')!;
  const look = judgedState(network, caseOf('cool'), running, NO_PULLS);

  test('counts as called from 12 V, and must then be in', () => {
    const choice = running.point.choice.slice();
    choice[contactor] = network.branches[contactor]!.positions.indexOf('inrush');
    const settled = { ...running, point: { ...running.point, choice } };
    const at = (volts: number) => {
      const loads = look.loads.map((load) => (load.branch === contactor ? { ...load, volts } : load));
      return judgeState({ ...look, settled, loads }).map(({ property }) => property);
    };
    expect(at(11.9)).not.toContain('weak-coil');
    expect(at(12.1)).toContain('weak-coil');
  });

  // NEMA ICS, IEC 60947-4-1, from memory: guaranteed from 85 % of 24 V, 20.4 V. A twentieth of a volt is not counted.
  test('is guaranteed to pull in from 20.4 V', () => {
    const at = (volts: number) => found(network, caseOf('cool'), running, new Map([[contactor, volts]]));
    expect(at(20.3)).toContain('coil-margin');
    expect(at(20.36)).not.toContain('coil-margin');
  });
});

test.each([
  [87.9, true],
  [88.1, false],
  [112.9, false],
  [113.1, true],
  [19, false],
])('%d V on a 100 V tap does not fit: %s', (volts, is) => {
  expect(isOffTap({ nominal: 100, volts })).toBe(is);
});

// ISO 8820-3, from memory: a blade fuse carries 1.35 times its rating for 0.75 s to 600 s and 1.1 times for good.
test('fuses and breakers hold below 1.35 times their rating and open above', () => {
  expect(bladeFuseSeconds(1.34)).toBe(Infinity);
  expect(bladeFuseSeconds(1.36)).toBeLessThan(600);
  expect(breakerSeconds(1.34)).toBe(Infinity);
  expect(breakerSeconds(1.36)).toBeLessThan(Infinity);
  expect(breakerSeconds(8)).toBeLessThan(0.1);
});
