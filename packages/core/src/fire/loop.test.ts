/**
 * A supervised loop by Ohm's law worked by hand, by ngspice at 0 Hz (Debian package, run where it is installed, as in CI),
 * and by what a panel is to say: resistor normal, open trouble, short alarm (common practice). Wire by ASTM B258 and
 * IEC 60028: 18 AWG copper is 20.95 mΩ/m at 20 °C, 7.77 Ω per 1000 ft at 75 °C by NEC chapter 9 table 8 (from memory).
 */
import { NEW_WORLD, holding, settle } from '../behaviour';
import type { Circuit } from '../circuit';
import { land, lift, setValue } from '../circuit';
import { spiceNetlist, spiceNode } from '../formats';
import { compile, directOf, measure } from '../network';
import { rooftopOnLoop } from '../systems';
import { ngspiceVersion, solveWithNgspice } from '../testing/ngspice';
import { calling } from '../testing/scenarios';
import { locateBreak, locateShort, loopOf, panelReads } from '.';

const PANEL = 'panelLoop';
const idle = calling('off');
/** Ohms of a metre of 18 AWG: 17.241 nΩ·m over π/4 · (1.0237 mm)². */
const OHMS_PER_M = 0.02095;
const last = rooftopOnLoop('Last');
const left = rooftopOnLoop('Left', 'left');

describe('by Ohm’s law', () => {
  // The worked example: 4.7 kΩ at 24 V is about 5 mA. With 240 Ω in the panel and 62 m of cable both ways it is 4.86.
  test('the current, and the volts and ohms at each device', () => {
    const { amps, reads, points } = loopOf(last, idle, PANEL);
    const wire = 2 * (48 + 14) * OHMS_PER_M;
    expect(reads).toBe('normal');
    expect(amps).toBeCloseTo(24 / (240 + 4700 + wire + 2 * 0.05 * OHMS_PER_M), 5);
    expect(points.map(({ device, role }) => [device, role])).toEqual([
      ['ductSmoke', 'detector'],
      ['smoke', 'detector'],
      ['eol', 'resistor'],
    ]);
    expect(points[0]!.wireOhms).toBeCloseTo(2 * 48 * OHMS_PER_M, 1);
    expect(points[1]!.volts).toBeCloseTo(4700 * amps, 1);
    expect(points[0]!.ohms).toBeCloseTo(4700 + 2 * 14 * OHMS_PER_M, 0);
  });

  test('two resistors halve it: neither normal nor alarm', () => {
    const two = {
      ...last,
      devices: last.devices.map((one) => (one.id === 'eol' ? { ...one, params: { ohms: 2350 } } : one)),
    };
    expect(loopOf(two, idle, PANEL).amps).toBeCloseTo(24 / (240 + 2350 + 124 * OHMS_PER_M), 4);
    expect(panelReads(two, idle, PANEL)).toBe('trouble');
  });
});

describe.each([
  ['at rest', idle, 'normal'],
  ['with a detector in alarm', holding(idle, { smoke: { duct: 'smoke' } }), 'alarm'],
  ['lifted off the panel', holding(idle, { [PANEL]: { panel: 'off' } }), 'trouble'],
] as const)('%s', (_, inputs, reads) => {
  const network = compile(last);
  const settled = settle(network, inputs, NEW_WORLD);
  const point = directOf(settled.point);

  test(`the panel says ${reads}`, () => {
    expect(settled.world.states[PANEL]).toEqual({ reads });
  });

  (ngspiceVersion() === null ? test.skip : test)('ngspice finds the same volts at 0 Hz', () => {
    const nodes = solveWithNgspice(spiceNetlist(point));
    network.nodes.forEach((name, i) => {
      const found = nodes[spiceNode(i)]![0];
      // 0.1 % or 1 mV, as for the rest: a loop hangs on nothing but its leaks, and so do its volts to earth.
      const apart = Math.abs(found - point.re[i]!) > Math.max(1e-3, 1e-3 * Math.abs(found));
      expect(apart ? `${name}: ${found}, here ${point.re[i]}` : '').toBe('');
    });
  });
});

test('ohms on a loop that has its d.c. are no reading', () => {
  const { point } = settle(compile(last), idle);
  const at = { mode: 'ohms', red: 'smoke.AL1', black: 'smoke.AL2', meter: 'high-z' } as const;
  expect(measure(point, at)).toMatchObject({ ok: false, misuse: { type: 'ohms-live' } });
});

describe('what the panel does not watch', () => {
  test('with the resistor at the last device nothing', () => {
    expect(loopOf(last, idle, PANEL)).toMatchObject({ unwatched: [], unheard: [] });
  });

  test('with the resistor at the first, the way to the last: it may break unnoticed, and cuts off the last', () => {
    const early = ['eolOne', 'eolOther'].reduce(
      (now, id, i) => land(now, id, 'from', `ductSmoke.AL${i + 1}`),
      last,
    );
    expect(loopOf(early, idle, PANEL).unwatched).toEqual([
      { conductor: 'loopOnPlus', cutOff: ['smoke'] },
      { conductor: 'loopOnMinus', cutOff: ['smoke'] },
    ]);
  });

  test('a detector that was never put on the loop is not heard of itself, and is where it is tied to one that is', () => {
    expect(loopOf(left, idle, PANEL).unheard).toEqual(['smoke']);
    expect(panelReads(left, holding(idle, { smoke: { duct: 'smoke' } }), PANEL)).toBe('alarm');
  });
});

describe('a short or a break is found by ohms', () => {
  /** What a meter at the panel reads with the two conductors touching so far along: worked by hand. */
  const shortAt = (metres: number) => 2 * metres * OHMS_PER_M;

  test.each([
    ['loopJacket', 30, 30],
    ['loopOnJacket', 48 + 9, 9],
  ])('in %s, %d m from the panel', (cable, metres, along) => {
    const found = locateShort(last, idle, PANEL, shortAt(metres));
    const place = found.find((one) => one.cable === cable)!;
    expect(place.nearM).toBeLessThan(along);
    expect(place.farM).toBeGreaterThan(along);
    // A meter's own error is some metres of wire: 1 % and 0.1 Ω.
    expect(place.farM - place.nearM).toBeLessThan(8);
    expect(place.from.split('.')[0]).toBe(cable === 'loopJacket' ? PANEL : 'ductSmoke');
  });

  test('beyond its far end there is none', () => {
    expect(locateShort(last, idle, PANEL, shortAt(90))).toEqual([]);
  });

  test('the break is between who sees the resistor and who does not', () => {
    const first = locateBreak(last, idle, PANEL, []);
    expect(first.next).toBe('ductSmoke');
    const second = locateBreak(last, idle, PANEL, [{ device: 'ductSmoke', ohms: Infinity }]);
    expect(second.conductors).toEqual(expect.arrayContaining(['loopOnPlus', 'eolOne']));
    expect(second.conductors).not.toContain('loopPlus');
    const third = locateBreak(last, idle, PANEL, [
      { device: 'ductSmoke', ohms: Infinity },
      { device: 'smoke', ohms: 4700 },
    ]);
    expect(new Set(third.conductors)).toEqual(new Set(['loopOnPlus', 'loopOnMinus']));
  });
});

/** Stations of three kinds, and what each does at detectors of three kinds. That they do not mix is common practice. */
describe.each(['key', 'button', 'magnet'] as const)('a station with a %s', (works) => {
  test.each(['key', 'button', 'magnet'] as const)('at a detector that wants a %s', (wants) => {
    const mixed = (['ductSmoke', 'station'] as const).reduce<Circuit>(
      (now, id) =>
        setValue(now, id, 'params', id === 'station' ? 'works' : 'station', id === 'station' ? works : wants),
      last,
    );
    const network = compile(mixed);
    const held = holding(idle, { station: { press: 'held' } });
    const tried = settle(network, held).world;
    expect(tried.states.ductSmoke!.alarm).toBe(works === wants);
    if (works !== wants) return;
    const released = settle(network, idle, tried).world;
    expect(released.states.smoke!.tied).toBe(true);
    expect(settle(network, held, released).world.states.ductSmoke!.alarm).toBe(false);
  });
});

describe('water in a housing', () => {
  const network = compile(last);
  const wet = holding(idle, { smoke: { housing: 'wet' } });

  test('alarms, shows on the one it is tied to, and comes back however it is reset', () => {
    const settled = settle(network, wet).world;
    expect(settled.states.ductSmoke).toMatchObject({ alarm: false, tied: true });
    const reset = settle(network, holding(wet, { smoke: { reset: 'pressed' } }), settled).world;
    expect(settle(network, wet, reset).world.states.smoke).toMatchObject({ alarm: true });
    const dried = settle(network, holding(idle, { smoke: { reset: 'pressed' } }), reset).world;
    expect(dried.states.ductSmoke).toMatchObject({ alarm: false, tied: false });
  });

  test('caps left on notice nothing; without supply the trouble contact opens', () => {
    const capped = settle(network, holding(idle, { smoke: { duct: 'smoke', caps: 'on' } })).world;
    expect(capped.states.smoke).toMatchObject({ alarm: false });
    const dead = settle(compile(lift(lift(last, 'onR', 'to'), 'onTie', 'to')), idle);
    const trouble = { mode: 'ohms', red: 'smoke.TR1', black: 'smoke.TR2', meter: 'high-z' } as const;
    expect(measure(dead.point, trouble)).toEqual({ ok: true, value: Infinity, unit: 'Ω' });
  });
});
