/**
 * From a symptom to what is wrong. What the everyday complaints usually turn out to be is common practice in the trade
 * (no published source); posteriors are held against exact enumeration.
 */
import type { Inputs } from '../behaviour';
import { NEW_WORLD, advance, holding, untilSteady } from '../behaviour';
import type { Circuit } from '../circuit';
import { kindOf } from '../devices';
import { compile, measure, voltsBetween } from '../network';
import { LONGEST_S, REST_S } from '../prove';
import { TEMPLATES, boilerTwoWire, furnaceAirConditioner, heatPumpWithStrips } from '../systems';
import { followAdvice } from '../testing/technician';
import type { Dictionary, Hypothesis, Observation } from '.';
import {
  adviser,
  callStates,
  comesAndGoes,
  complaintOf,
  hypothesesOf,
  isSettled,
  makeDictionary,
  rank,
  siteWith,
} from '.';

/** What a fault would be if it were laid over and settled by itself. */
function settledAlone(circuit: Circuit, { failure, held }: Hypothesis, inputs: Inputs) {
  const faults = failure.type === 'part' ? [{ target: failure.device, mode: failure.mode }] : [];
  const network = compile(circuit, faults);
  const rest = advance(network, holding(callStates(circuit)[0]!.inputs, held), NEW_WORLD, REST_S).world;
  return untilSteady(network, holding(inputs, held), rest, LONGEST_S).point;
}

describe.each(TEMPLATES.filter((_, i) => i % 4 === 0))('$id', ({ build }) => {
  const circuit = build('Diagnose');
  const hypotheses = hypothesesOf(circuit);
  const dictionary = makeDictionary(circuit, hypotheses);
  const state = dictionary.states.at(-1)!;

  test('has hypotheses of its own for every device that can fail, each once', () => {
    expect(new Set(hypotheses.map(({ id }) => id)).size).toBe(hypotheses.length);
    for (const { id, kind } of circuit.devices)
      if (kindOf(kind).faults.length > 0)
        expect(hypotheses.some(({ failure }) => 'device' in failure && failure.device === id)).toBe(true);
    for (const { weight } of hypotheses) expect(weight).toBeGreaterThan(0);
  });

  test('predicts for a part that fails what the circuit with that fault does, compiled by itself', () => {
    hypotheses.forEach((hypothesis, i) => {
      if (hypothesis.failure.type !== 'part' || i % 3 !== 0) return;
      const { point } = dictionary.predict(i, state.id);
      const alone = settledAlone(circuit, hypothesis, state.inputs);
      for (const { id, kind, params } of circuit.devices)
        for (const { mark } of kindOf(kind).designations({ ...params, ...defaultsOf(kind, params) })) {
          const terminal = `${id}.${mark}`;
          expect([hypothesis.id, terminal, voltsBetween(point, terminal, 'earth')]).toEqual([
            hypothesis.id,
            terminal,
            expect.closeTo(voltsBetween(alone, terminal, 'earth'), 2),
          ]);
        }
    });
  });
});

/** Params a document leaves out. */
function defaultsOf(kind: string, given: Readonly<Record<string, unknown>>) {
  return Object.fromEntries(
    Object.entries(kindOf(kind).params).flatMap(([name, field]) =>
      given[name] === undefined ? [[name, field.default]] : [],
    ),
  );
}

describe('the share of each', () => {
  const circuit = boilerTwoWire('Shares');
  const hypotheses = hypothesesOf(circuit);
  const dictionary = makeDictionary(circuit, hypotheses);
  const state = 'heat';
  const probes = { mode: 'ac-volts', red: 'boiler.T1', black: 'boiler.T2', meter: 'high-z' } as const;

  // Bayes by hand: weight × P(load seen) × normal density about the reading, over their sum.
  test('is that of exact enumeration', () => {
    const observations: Observation[] = [
      { type: 'runs', state, device: 'boiler', load: 'circulator', on: false },
      { type: 'reading', state, probes, value: 24.5 },
    ];
    const figuresOf = (i: number) => {
      const { runs, point } = dictionary.predict(i, state);
      const isOff = !runs.has('boiler/circulator');
      const reading = measure(point, probes);
      const volts = reading.ok ? reading.value : 0;
      const spread = Math.sqrt(0.2 ** 2 + volts ** 2 * (0.03 ** 2 + 0.04 ** 2));
      const density = Math.exp(-0.5 * ((24.5 - volts) / spread) ** 2) / (spread * Math.sqrt(2 * Math.PI));
      return { isOff, density };
    };
    const shown = ({ isOff, density }: ReturnType<typeof figuresOf>) =>
      [isOff ? 0.97 : 0.03, 0.99 * density + 0.01 / 150] as const;
    const sound = shown(figuresOf(0));
    const weights = hypotheses.map((hypothesis, i) => {
      const { weight, failure } = hypothesis;
      const { type } = failure;
      const { isOff, density } = figuresOf(i);
      const own = shown({ isOff, density });
      // What comes and goes shows at each of the two, or the circuit is sound there.
      if (comesAndGoes(hypothesis))
        return own.reduce((product, one, n) => product * (0.5 * one + 0.5 * sound[n]!), weight);
      // What is not listed shows what is sound or, as likely, anything: the one of two, volts up to 40.
      if (type === 'otherwise' || type === 'unlisted')
        return weight * (0.5 * (isOff ? 0.97 : 0) + 0.25) * (0.5 * 0.99 * density + 0.5 / 40);
      return weight * own[0] * own[1];
    });
    const total = weights.reduce((sum, weight) => sum + weight, 0);
    const { shares } = rank(dictionary, observations);
    weights.forEach((weight, i) => expect(shares[i]).toBeCloseTo(weight / total, 9));
  });

  test('adds up to one, group by group', () => {
    const { shares, groups } = rank(dictionary, []);
    expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
    expect(groups.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
    expect(groups.flatMap(({ members }) => members).sort((a, b) => a - b)).toEqual([...hypotheses.keys()]);
  });
});

describe('the next step', () => {
  /**
   * The circuit of three multipliers and two adders of J. de Kleer and B. C. Williams, "Diagnosing multiple faults",
   * Artificial Intelligence 32 (1987), from memory: F should be 12 and is 10, G is 12; every part fails once in a hundred.
   * What is left: A1, M1, or M2 with M3 or with A2. Of the points inside, X tells most, then Y, then Z.
   */
  const failed = 0.01;
  const two = failed / (1 - failed);
  const polybox = [
    { id: 'A1', weight: 1, shows: { X: '6', Y: '6', Z: '6' } },
    { id: 'M1', weight: 1, shows: { X: '4', Y: '6', Z: '6' } },
    { id: 'M2 M3', weight: two, shows: { X: '6', Y: '4', Z: '8' } },
    { id: 'M2 A2', weight: two, shows: { X: '6', Y: '4', Z: '6' } },
  ] as const;
  const box = {
    circuit: { stations: [], devices: [], cables: [] },
    hypotheses: polybox.map(({ id, weight }) => ({
      id,
      weight,
      failure: { type: 'tripped', device: id },
      remedy: { type: 'clear', device: id },
    })),
    predict: (i: number) => ({ faces: new Map(Object.entries(polybox[i]!.shows)) }),
  } as unknown as Dictionary;
  const at = { station: 'bench', open: [], state: 'on' };
  const gainOf = (device: string) =>
    adviser(box, rank(box, []), at).weigh({ type: 'face', station: 'bench', state: 'on', device }).gain;
  const bits = (...masses: number[]) => {
    const total = masses.reduce((sum, mass) => sum + mass, 0);
    return masses.reduce((sum, mass) => sum - (mass / total) * Math.log2(mass / total), 0);
  };

  test('is the one of a published worked example', () => {
    const before = bits(1, 1, two, two);
    const total = 2 + 2 * two;
    // A look is missed three times in a hundred.
    expect(gainOf('X')).toBeCloseTo(0.97 * (before - ((1 + 2 * two) / total) * bits(1, two, two)), 9);
    expect(gainOf('Y')).toBeCloseTo(0.97 * (before - (2 / total) * bits(1, 1) - ((2 * two) / total) * 1), 9);
    expect(gainOf('X')).toBeGreaterThan(gainOf('Y'));
    expect(gainOf('Y')).toBeGreaterThan(gainOf('Z'));
  });
});

/** From the complaint a fault gives to what the advice comes to, by the fault's hypothesis. */
function found(circuit: Circuit, id: string) {
  const hypotheses = hypothesesOf(circuit);
  const dictionary = makeDictionary(circuit, hypotheses);
  const truth = hypotheses.findIndex((hypothesis) => hypothesis.id === id);
  const site = siteWith(circuit, hypotheses[truth]!);
  const sound = siteWith(circuit, hypotheses[0]!);
  const { ranking } = followAdvice(dictionary, site, complaintOf(sound, site)!);
  return {
    settled: isSettled(ranking),
    best: ranking.groups[0]!.members.map((member) => hypotheses[member]!.id),
  };
}

// What each complaint usually turns out to be is common practice.
describe.each<[string, Circuit, readonly (readonly [complaint: string, cause: string])[]]>([
  [
    'a furnace with air conditioner',
    furnaceAirConditioner('Everyday'),
    [
      ['no power', 'fuse blown'],
      ['no heat', 'statW broken'],
      ['no cooling', 'float tripped'],
      ['no cooling yet', 'waiting'],
      ['no fan', 'board blower-relay-open'],
      ['heat for cool', 'statY from on stat.W, statW from on stat.Y'],
      ['never stops', 'stat w-contact-stuck'],
      ['lukewarm', 'statY touches statW'],
    ],
  ],
  [
    'a heat pump',
    heatPumpWithStrips('Everyday'),
    [
      ['no power', 'xfmr secondary-open'],
      ['no heat', 'yardY broken'],
      ['no cooling', 'contactor coil-open'],
      ['no fan', 'statG broken'],
      ['heat for cool', 'stat valve B'],
      ['never stops', 'board strip-stuck'],
      ['heat for cool', 'pump valve-open'],
      ['lukewarm', 'pump defrost-stuck'],
    ],
  ],
])('%s', (_what, circuit, cases) => {
  test.each(cases)('%s: %s', (_complaint, cause) => {
    const { settled, best } = found(circuit, cause);
    expect([settled, best]).toEqual([true, expect.arrayContaining([cause])]);
  });
});
