/** The sums against hand-worked examples and ngspice. */
import { voltsBetween } from '../../network';
import { land, setCable, setValue } from '../../circuit';
import { spiceNetlist, spiceNode } from '../../formats';
import { CLASS_2, COIL_OPERATING_RANGE, transformerStands } from '../../standards';
import { prove } from '../../prove';
import { TEMPLATES, furnaceAirConditioner, heatPumpWithStrips, twoZoneFurnace } from '../../systems';
import { ngspiceVersion, solveWithNgspice } from '../../testing/ngspice';
import {
  advisedFuse,
  fuseSums,
  inrushPoint,
  opensFrom,
  transformerLoads,
  voltageDrops,
  workingStates,
} from '..';

const furnace = furnaceAirConditioner('Sums');
const pump = heatPumpWithStrips('Sums', { stages: 'two' });
const live = ngspiceVersion() === null ? test.skip : test;

describe('transformer load', () => {
  const [load] = transformerLoads(pump);

  // By hand: a fixed impedance draws its label's VA times (V / 24)²; labels in the catalogue: board 4, thermostat 3, valve 7.
  test.each([
    ['Air handler board', 4],
    ['Reversing valve', 7],
    ['Thermostat', 3],
  ])('%s draws its %d VA at the volts that are there', (title, label) => {
    const part = load!.parts.find((entry) => entry.title === title)!;
    const inputs = title === 'Air handler board' ? load!.sealed.volts ** 2 / 1200 : 0;
    expect(part.va / (label * (load!.sealed.volts / 24) ** 2 + inputs)).toBeGreaterThan(0.95);
    expect(part.va / (label * (load!.sealed.volts / 24) ** 2 + inputs)).toBeLessThan(1.05);
  });

  test('the worst case is a state, not the sum of all labels', () => {
    const sum = load!.parts.reduce((total, { va }) => total + va, 0);
    // Volt-amperes of different phase add to less than their sum.
    expect(load!.sealed.va).toBeLessThan(sum);
    expect(load!.sealed.va).toBeGreaterThan(0.8 * sum);
    expect(load!.inrush.va).toBeGreaterThan(load!.sealed.va);
    expect(load!.inrush.volts).toBeLessThan(load!.sealed.volts);
  });

  test('a larger one is loaded less and sags less', () => {
    const shares = load!.sizes.map(({ share }) => share);
    expect(shares).toEqual([...shares].sort((one, other) => other - one));
  });

  // By hand: a damper that moves draws its 6 VA times (V / 24)², one at its end nothing, a bypass that moves 7 and at rest 2.
  test('dampers count while they move, in the worst moment of the sequence', () => {
    const zones = twoZoneFurnace('Sums');
    const own = transformerLoads(zones).find(({ device }) => device === 'zoneXfmr')!;
    const part = (title: string) => own.parts.find((entry) => entry.title === title)?.va ?? 0;
    const scale = (own.sealed.volts / 24) ** 2;
    expect(part('Damper 1') + part('Damper 2')).toBeGreaterThan(0.97 * 6 * scale);
    // Never both windings of one, and more than the panel alone at rest.
    expect(part('Damper 1')).toBeLessThan(1.03 * 6 * scale);
    expect(own.sealed.va).toBeGreaterThan((4 + 6 + 2) * 0.9 * scale);
    expect(prove(setValue(zones, 'zoneXfmr', 'params', 'va', 10))!.findings).toContainEqual(
      expect.objectContaining({ property: 'overload', about: 'zoneXfmr' }),
    );
  });

  // NEC chapter 9 table 11(A), from memory: 30 V and 100 VA.
  test('Class 2 is 30 V and 100 VA', () => {
    expect(CLASS_2).toEqual({ maxVolts: 30, maxVoltAmperes: 100 });
    expect(load!.class2).toEqual({ volts: true, voltAmperes: true });
    expect(transformerLoads(setValue(pump, 'xfmr', 'params', 'va', 150))[0]!.class2.voltAmperes).toBe(false);
  });

  // Arithmetic: 240 / 208 = 1.154.
  test('240 V on the 208 V tap gives 15 % too much, and over 30 V', () => {
    const wrong = transformerLoads(land(pump, 'leadPrimary', 'to', 'xfmr.P208'))[0]!;
    expect(wrong.primary).toMatchObject({ tap: 'P208', right: 'P240' });
    expect(wrong.primary!.openVolts / wrong.primary!.rightVolts).toBeCloseTo(240 / 208, 9);
    expect(wrong.class2.volts).toBe(false);
  });

  live('ngspice finds the same volts as the coils pull in', () => {
    const working = workingStates(pump);
    const worked = working.states.find(
      ({ asked }) =>
        asked.situation.type === load!.inrush.situation.type &&
        JSON.stringify(asked.situation) === JSON.stringify(load!.inrush.situation),
    )!;
    const point = inrushPoint(working, worked);
    const nodes = solveWithNgspice(spiceNetlist(point));
    const [hot, common] = ['xfmr.R', 'xfmr.C'].map((name) => nodes[spiceNode(point.network.indexOf(name))]!);
    const theirs = Math.hypot(hot![0] - common![0], hot![1] - common![1]);
    expect(voltsBetween(point, 'xfmr.R', 'xfmr.C')).toBeCloseTo(theirs, 3);
    expect(load!.inrush.volts).toBeCloseTo(theirs, 3);
  });
});

describe('voltage drop', () => {
  // NEC chapter 9 table 8, from memory: 18 AWG solid copper 7.77 Ω per 1000 ft at 75 °C. A run of 100 ft out and back is 200 ft.
  const run = setCable(furnace, 'yardCable', { gauge: 18, lengthM: 30.48 });
  const coil = voltageDrops(run, 75).find(({ title }) => title === 'Contactor coil')!;

  test('along a handbook run it is I·R·cos φ', () => {
    const ohms = (7.77 / 1000) * 200;
    // The coil draws its 40 VA inrush at power factor 0.6: 8.64 + j11.52 Ω. The angle is that of the coil
    // with the return and half of the way out. IEEE Std 141, ΔV ≈ I(R cos φ + X sin φ), from memory.
    const amps = ((40 / 24) * coil.inrush) / 24;
    const resistance = 8.64 + 0.75 * ohms;
    const cos = resistance / Math.hypot(resistance, 11.52);
    const at = (name: string, side: 'out' | 'back') =>
      coil.points.find((point) => point.name === name && point.side === side)!.volts;
    const out = at('Pan float NC', 'out') - at('Y', 'out');
    const back = at('C', 'back') - at('Furnace board C', 'back');
    expect(out / ((amps * ohms * cos) / 2)).toBeGreaterThan(0.95);
    expect(out / ((amps * ohms * cos) / 2)).toBeLessThan(1.05);
    // On the return it is all resistance against the common: I·R.
    expect(back / ((amps * ohms) / 2)).toBeGreaterThan(0.97);
    expect(back / ((amps * ohms) / 2)).toBeLessThan(1.03);
  });

  test('must pull in at 85 % of its rating', () => {
    // NEMA ICS, IEC 60947-4-1, from memory.
    expect(COIL_OPERATING_RANGE).toEqual({ low: 0.85, high: 1.1 });
    expect(coil.needs).toBeCloseTo(20.4, 9);
  });

  test('thicker wire may be longer in the ratio of its area', () => {
    const { longest } = voltageDrops(pump, 20).find(({ title }) => title === 'Reversing valve')!.run!;
    const of = (gauge: number) => longest.find((entry) => entry.gauge === gauge)!.lengthM!;
    // ASTM B258: three gauge numbers double the area, within half a percent.
    expect(of(14) / of(20)).toBeCloseTo(4.02, 1);
  });

  test('the longest run just pulls in, a metre more does not', () => {
    const { run: found, needs } = voltageDrops(furnace, 20)[0]!;
    const { lengthM } = found!.longest.find(({ gauge }) => gauge === 16)!;
    const with_ = (metres: number) =>
      voltageDrops(setCable(furnace, found!.cable, { gauge: 16, lengthM: metres }), 20)[0]!.inrush;
    expect(with_(lengthM!)).toBeGreaterThanOrEqual(needs);
    expect(with_(lengthM! + 1)).toBeLessThan(needs);
  });

  test.each(TEMPLATES.filter(({ id }) => id !== 'parallel-thermostats'))(
    '$id, proven at low mains, pulls its coils in',
    ({ build }) => {
      for (const { title, pullsIn } of voltageDrops(build('Sums'), 20))
        expect(`${title} ${pullsIn}`).toMatch(/(guaranteed|usually)$/);
    },
  );

  test('warm copper leaves less', () => {
    const inrush = (celsius: number) => voltageDrops(furnace, celsius)[0]!.inrush;
    expect(inrush(60)).toBeLessThan(inrush(20));
  });
});

describe('fuse', () => {
  const [sum] = fuseSums(furnace);

  // Worked: 40 VA at 24 V is 1.67 A; NEC table 450.3(B), from memory, allows 167 % under 9 A: 2.8 A, so 3 A. Common practice: 3 A or 5 A.
  test.each([
    [40, 3],
    [75, 5],
  ])('a %d VA transformer takes %d A', (va, amps) => {
    expect(advisedFuse(va / 24)).toBe(amps);
  });

  test('a short draws what the transformer and the wire let through', () => {
    const { shorts } = sum!.runs[0]!;
    // By hand: 27 V open behind 1.8 Ω of copper, its leakage and the fuse; then 15 m out and back of 18 AWG, 2 · 15 · 0.02095 Ω.
    const behind = 27 / shorts[0]!.amps;
    expect(27 / shorts.at(-1)!.amps - behind).toBeCloseTo(2 * 15 * (1 / 58 / 0.8231), 1);
    expect(sum!.runs[0]!.covered).toBe(true);
  });

  test('at the end of a very long thin run the fuse no longer opens', () => {
    const far = fuseSums(setCable(furnace, 'statCable', { gauge: 22, lengthM: 120 }))[0]!.runs[0]!;
    expect(far.shorts.at(-1)!.amps).toBeLessThan(opensFrom(3));
    expect(far.shorts.at(-1)!.opens).toBe(Infinity);
    expect(far.covered).toBe(false);
  });

  // IEEE C57.109, from memory: 2 s at 25 times rated.
  test('a transformer stands 25 times its rating for two seconds', () => {
    expect(transformerStands(25)).toBeCloseTo(2, 9);
    expect(transformerStands(0.9)).toBe(Infinity);
  });
});
