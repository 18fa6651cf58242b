/** Facts about single devices that have a source outside this project. */
import { complaint, fill } from './fields';
import { impedanceOf } from './element';
import { bladeFuseSeconds, breakerSeconds } from './parts/overcurrent';
import { pulledIn } from './parts/coil';
import type { Mode } from './parts/thermostat-calls';
import { NO_CALLS, wantedCalls } from './parts/thermostat-calls';
import { CATALOGUE, findKind } from '.';

const mains = { volts: 120, hertz: 60 };

describe.each(CATALOGUE)('$kind', (kind) => {
  const context = { params: fill(kind.params, {}), settings: fill(kind.settings, {}), mains };
  const moment = {
    ...context,
    controls: fill(kind.controls, {}),
    conditions: { indoorC: 20, outdoorC: 20 },
    now: 0,
  };
  const marks = kind.designations(context.params).map(({ mark }) => mark);
  const elements = kind.elements(context);

  test('has distinct designations and elements that end on them', () => {
    expect(new Set(marks).size).toBe(marks.length);
    const ends = elements.flatMap((element) =>
      element.kind === 'transformer' ? [...element.primary, ...element.secondary] : [element.a, element.b],
    );
    for (const end of ends) expect(end.startsWith('#') || end === 'earth' || marks.includes(end)).toBe(true);
  });

  test('chooses a position for every element that has several, and faults only elements it has', () => {
    const chosen = kind.positions(kind.initial, moment);
    for (const element of elements) {
      if (element.kind !== 'branch' || Object.keys(element.positions).length < 2) continue;
      expect(Object.keys(element.positions)).toContain(chosen[element.id]);
    }
    // Every choice there is, one at a time: some elements are only there with one of them.
    const others = Object.entries(kind.params).flatMap(([name, field]) =>
      field.type === 'number'
        ? []
        : Object.keys(field.type === 'choice' ? field.options : field.sets).map((value) => ({
            [name]: value,
          })),
    );
    const ids = new Set(
      [{}, ...others].flatMap((params) =>
        kind.elements({ ...context, params: fill(kind.params, params) }).map(({ id }) => id),
      ),
    );
    for (const { mode, elements: faulted, controls } of kind.faults) {
      if (faulted) expect([mode, Object.keys(faulted).some((id) => ids.has(id))]).toEqual([mode, true]);
      for (const [name, value] of Object.entries(controls ?? {}))
        expect([mode, name, complaint(kind.controls[name]!, value)]).toEqual([mode, name, undefined]);
      expect([mode, Boolean(faulted ?? controls)]).toEqual([mode, true]);
    }
  });

  test('gives a source and a sensible default for every number', () => {
    for (const field of [kind.params, kind.settings, kind.controls].flatMap((fields) =>
      Object.values(fields),
    )) {
      expect(field.source.length).toBeGreaterThan(3);
      if (field.type === 'number')
        expect(field.default >= field.min && field.default <= field.max).toBe(true);
    }
  });
});

test('an unknown kind is not found', () => {
  expect(findKind('toaster')).toBeUndefined();
});

// Arithmetic: |Z| = V²/VA and the power factor splits it.
test('impedance of 7.5 VA at 24 V and power factor 0.4', () => {
  const { ohms, henries } = impedanceOf(24, 7.5, 0.4, 60);
  expect(Math.hypot(ohms, 2 * Math.PI * 60 * henries!)).toBeCloseTo(76.8, 6);
  expect(ohms).toBeCloseTo(30.72, 6);
  expect(() => impedanceOf(24, 0, 0.4, 60)).toThrow(RangeError);
});

describe('protection', () => {
  // ISO 8820-3 gates for blade fuses, quoted from memory: holds at 1.1, opens within 0.15–5 s at 2 ×, 0.08–0.5 s at 3.5 ×.
  test.each([
    [1.1, Infinity, Infinity],
    [1.35, 0.75, 600],
    [2, 0.15, 5],
    [3.5, 0.08, 0.5],
  ])('a blade fuse at %d times its rating', (multiple, least, most) => {
    expect(bladeFuseSeconds(multiple)).toBeGreaterThanOrEqual(least);
    expect(bladeFuseSeconds(multiple)).toBeLessThanOrEqual(most);
  });

  test('opens sooner the harder it is driven', () => {
    const times = [1.4, 1.8, 2.5, 3.4, 5, 12].map(bladeFuseSeconds);
    expect(times).toEqual([...times].sort((a, b) => b - a));
    expect(breakerSeconds(1.2)).toBe(Infinity);
    expect(breakerSeconds(10)).toBeLessThan(0.1);
  });
});

// Common practice, no published source: most 24 V coils pull in at about three quarters of their rating.
describe('a 24 V coil', () => {
  const coil = { coilVolts: 24, sealedVa: 7.5, inrushVa: 45, pullInShare: 0.75, dropOutShare: 0.5 };
  const whole = (was: boolean, volts: number) => ({
    volts,
    amps: (volts / coil.coilVolts ** 2) * (was ? coil.sealedVa : coil.inrushVa),
  });

  test('pulls in at 18 V and holds well below it', () => {
    expect(pulledIn(false, whole(false, 17.9), coil)).toBe(false);
    expect(pulledIn(false, whole(false, 18), coil)).toBe(true);
    expect(pulledIn(true, whole(true, 13), coil)).toBe(true);
    expect(pulledIn(true, whole(true, 11.9), coil)).toBe(false);
  });

  test('does nothing when its winding is open or shorted', () => {
    expect(pulledIn(false, { volts: 26, amps: 0 }, coil)).toBe(false);
    expect(pulledIn(true, { volts: 4, amps: 8 }, coil)).toBe(false);
  });
});

describe('what a thermostat calls for', () => {
  const ask = (
    mode: Mode,
    system: 'conventional' | 'heat-pump',
    indoorC: number,
    fanWithHeat: 'unit' | 'thermostat' = 'unit',
    backUp: 'strips' | 'furnace' = 'strips',
  ) =>
    wantedCalls({
      controls: { mode, fan: 'auto', setC: 22 },
      settings: { system, fanWithHeat, stageTwoK: 1.5, backUpK: 2, backUp, lockoutC: 0 },
      conditions: { indoorC, outdoorC: 20 },
    });

  // Common practice: on a heat pump Y runs the compressor both ways and O or B picks the way.
  test.each([
    ['cool', 'conventional', 23, { Y: true, G: true }],
    ['heat', 'conventional', 21, { W: true }],
    ['cool', 'heat-pump', 23, { Y: true, G: true, O: true }],
    ['heat', 'heat-pump', 21, { Y: true, G: true, B: true }],
    ['heat', 'heat-pump', 18, { Y: true, Y2: true, W2: true, G: true, B: true }],
    ['emergency', 'heat-pump', 21, { W2: true, E: true, G: true, B: true }],
    ['off', 'conventional', 30, {}],
    ['heat', 'conventional', 25, {}],
  ] as const)('%s on a %s system at %d °C', (mode, system, indoorC, calls) => {
    expect(ask(mode, system, indoorC)).toEqual({ ...NO_CALLS, ...calls });
  });

  // Dual fuel, common practice: compressor and burner never together.
  test('a furnace as back-up takes over from the heat pump', () => {
    expect(ask('heat', 'heat-pump', 21, 'unit', 'furnace')).toMatchObject({ Y: true, W2: false });
    expect(ask('heat', 'heat-pump', 18, 'unit', 'furnace')).toMatchObject({ Y: false, W2: true });
  });

  // Common practice: set for electric heat, the thermostat runs the fan.
  test('heat set to electric brings the fan', () => {
    expect(ask('heat', 'conventional', 21, 'thermostat')).toMatchObject({ W: true, G: true });
  });
});
