import { readMeter, settle } from '../behaviour';
import type { Circuit } from '../circuit';
import { lift } from '../circuit';
import { furnaceAirConditioner } from '../systems';
import { SCENARIOS, calling, pointOf } from '../testing/scenarios';
import { compile } from './compile';
import type { MeterMode, Reading } from './measure';
import { measure } from './measure';

const at = (name: string) => pointOf(SCENARIOS.find((scenario) => scenario.name === name)!);
const value = (reading: Reading) => (reading.ok ? reading.value : NaN);
const probes = (mode: MeterMode, red: string, black: string) => ({
  mode,
  red,
  black,
  meter: 'high-z' as const,
});

describe('volts', () => {
  // 24 V class: a 40 VA transformer gives about 27 V open and 24 V at full load. From memory.
  test('at the contactor coil on a cooling call', () => {
    const volts = value(measure(at('cooling'), probes('ac-volts', 'contactor.A1', 'contactor.A2')));
    expect(volts).toBeGreaterThan(24);
    expect(volts).toBeLessThan(27);
  });

  test('are none at the coil with the float up', () => {
    expect(
      value(measure(at('cooling with the float up'), probes('ac-volts', 'contactor.A1', 'contactor.A2'))),
    ).toBeLessThan(0.1);
  });

  test('stand across the float that stopped it', () => {
    expect(
      value(measure(at('cooling with the float up'), probes('ac-volts', 'float.COM', 'float.NC'))),
    ).toBeGreaterThan(24);
  });

  test('d.c. reads nothing on an a.c. circuit', () => {
    expect(value(measure(at('cooling'), probes('dc-volts', 'contactor.A1', 'contactor.A2')))).toBeLessThan(
      1e-6,
    );
  });

  test('between a point and itself are none', () => {
    expect(value(measure(at('cooling'), probes('ac-volts', 'board.R', 'board.R')))).toBe(0);
  });

  // Trade practice: two legs of a split supply are opposite, so they add up.
  test('from leg to leg are twice the volts to earth', () => {
    const point = at('no call');
    const legs = value(measure(point, probes('ac-volts', 'acBreaker.L1', 'acBreaker.L2')));
    const leg = value(measure(point, probes('ac-volts', 'acBreaker.L1', 'earth')));
    expect(legs / leg).toBeCloseTo(2, 3);
  });
});

describe('ghost volts', () => {
  const point = at('floating conductors in a jacket');

  // Common practice: a floating conductor beside a live one reads volts on a high-impedance meter and none on a low.
  test('show on a high-impedance meter and vanish on a low-impedance one', () => {
    const high = value(
      measure(point, { mode: 'ac-volts', red: 'statG~from', black: 'xfmr.C', meter: 'high-z' }),
    );
    const low = value(
      measure(point, { mode: 'ac-volts', red: 'statG~from', black: 'xfmr.C', meter: 'low-z' }),
    );
    expect(high).toBeGreaterThan(1);
    expect(low).toBeLessThan(0.1);
  });
});

describe('ohms', () => {
  test('are refused on a live circuit, with the reason', () => {
    const reading = measure(at('no call'), probes('ohms', 'contactor.A1', 'board.R'));
    expect(reading).toMatchObject({ ok: false, misuse: { type: 'ohms-live' } });
  });

  const dead: Circuit = furnaceAirConditioner('Dead');
  const off = settle(
    compile(lift(dead, 'leadCoil', 'to')),
    calling('off', { furnaceBreaker: { handle: 'off' }, acBreaker: { handle: 'off' } }),
  ).point;

  test('of a coil with its lead lifted', () => {
    // |Z| = 24² / 40 VA at pick-up, of which 0.6 is resistance: arithmetic.
    const ohms = value(measure(off, probes('ohms', 'contactor.A1', 'contactor.A2')));
    expect(ohms).toBeCloseTo((24 ** 2 / 40) * 0.6, 1);
  });

  // Common practice: R–S is the largest winding reading and the sum of the other two.
  test('of compressor windings add up', () => {
    const [rc, sc, rs] = [
      ['unit.R', 'unit.C'],
      ['unit.S', 'unit.C'],
      ['unit.R', 'unit.S'],
    ].map(([red, black]) => value(measure(off, probes('ohms', red!, black!)))) as [number, number, number];
    expect(rs).toBeGreaterThan(sc);
    expect(sc).toBeGreaterThan(rc);
  });

  test('between parts that do not touch are an open loop', () => {
    expect(value(measure(off, probes('ohms', 'contactor.A1', 'contactor.L1')))).toBe(Infinity);
  });
});

describe('amperes', () => {
  const network = compile(furnaceAirConditioner('Amps'));
  const inputs = calling('off');
  const settled = settle(network, inputs);

  test('of a contactor bridged in with an ammeter are its sealed current', () => {
    const amps = value(readMeter(network, inputs, settled, probes('amps', 'board.R', 'board.Y')));
    // 7.5 VA sealed at 24 V is 0.31 A, and the board's own input draws 20 mA: arithmetic.
    expect(amps).toBeGreaterThan(0.29);
    expect(amps).toBeLessThan(0.38);
  });

  test('are refused across a supply', () => {
    const reading = readMeter(network, inputs, settled, probes('amps', 'board.R', 'board.C'));
    expect(reading).toMatchObject({ ok: false, misuse: { type: 'amps-across-supply' } });
  });
});

test('a point that is not there is named', () => {
  expect(() => measure(at('no call'), probes('ac-volts', 'nowhere.R', 'board.C'))).toThrow(
    'no point "nowhere.R"',
  );
});
