/** What is tried beyond calls: ohms with the power off, jumpers, clamps, lifted ends, two faults, doubts. */
import type { Circuit } from '../circuit';
import { fill, kindOf } from '../devices';
import { ampsThrough, compile, measure, voltsAcross } from '../network';
import { NEW_WORLD, advance } from '../behaviour';
import { powerOff } from '../prove';
import { capacitanceUnderLoad, readWindings } from '../standards';
import { TEMPLATES, furnaceAirConditioner, heatPumpWithStrips } from '../systems';
import type { Observation } from '.';
import {
  DOUBTFUL,
  bothOf,
  callStates,
  doubtsOf,
  hypothesesOf,
  isSettled,
  makeDictionary,
  nextSteps,
  pairsThatFit,
  rank,
  remedyKey,
  siteWith,
  stateId,
  triedIn,
  withHistory,
  withPairs,
} from '.';

const circuit = furnaceAirConditioner('Trying');
const hypotheses = hypothesesOf(circuit);
const dictionary = makeDictionary(circuit, hypotheses);
const at = (id: string) => hypotheses.findIndex((one) => one.id === id);
const here = { station: 'hall', open: [], state: 'cool' };
const volts = (red: string, black: string, value: number): Observation => ({
  type: 'reading',
  state: 'cool',
  probes: { mode: 'ac-volts', red, black, meter: 'high-z' },
  value,
});

test('a state tells by its id what is tried in it, and nothing else is taken for one', () => {
  const tried = {
    call: 'cool',
    powerOff: false,
    jumper: ['board.R', 'board.G'] as const,
    lifted: [{ conductor: 'statY', end: 'to' as const }],
  };
  expect(triedIn(stateId(tried))).toEqual(tried);
  expect(triedIn('cool + stand on it')).toBeNull();
});

test('ohms with the power off are those of the circuit with its supply open', () => {
  const off = stateId({ call: 'off', powerOff: true });
  const inputs = powerOff(circuit, callStates(circuit)[0]!.inputs);
  const network = compile(circuit);
  const probes = { mode: 'ohms', red: 'contactor.A1', black: 'contactor.A2', meter: 'high-z' } as const;
  const alone = measure(advance(network, inputs, NEW_WORLD, 60).point, probes);
  expect(alone.ok && dictionary.predict(0, off).read(probes)).toEqual({
    ok: true,
    unit: 'Ω',
    value: expect.closeTo(alone.ok ? alone.value : NaN, 3) as number,
  });
  const open = dictionary.predict(at('contactor coil-open'), off).read(probes);
  expect(open.ok && open.value).toBeGreaterThan(alone.ok ? 5 * alone.value : NaN);
});

test('a jumper makes run what a call would, and is never advised past a safety', () => {
  const fan = dictionary.predict(0, stateId({ call: 'off', jumper: ['board.R', 'board.G'] }));
  expect([...fan.runs]).toEqual([...dictionary.predict(0, 'fan').runs]);
  for (const { build } of TEMPLATES.filter((_, i) => i % 5 === 0)) {
    const other: Circuit = build('Jumpers');
    const all = makeDictionary(other);
    const trips = [...all.hypotheses.keys()].filter((i) => all.hypotheses[i]!.failure.type === 'tripped');
    for (const { step } of nextSteps(
      all,
      rank(all, []),
      { ...here, state: all.states[0]!.id },
      { most: 1000 },
    ))
      if (step.type === 'jumper')
        for (const trip of trips) {
          const calls = all.states.flatMap(({ id }) => [...all.predict(trip, id).runs]);
          for (const load of all.predict(trip, step.state).runs) expect(calls).toContain(load);
        }
  }
});

test('a clamp finds what a conductor carries, wherever it is landed', () => {
  expect(dictionary.predict(0, 'cool').clamp('statY')).toBeGreaterThan(0.2);
  expect(dictionary.predict(at('statY broken'), 'cool').clamp('statY')).toBe(0);
  const elsewhere = at('statY from on stat.W, statW from on stat.Y');
  // Cooling now asks at the board's W, which draws next to nothing; before, the conductor carried nothing at all.
  expect(dictionary.predict(elsewhere, 'cool').clamp('statW')).toBeGreaterThan(0.01);
  expect(dictionary.predict(0, 'cool').clamp('statW')).toBeLessThan(0.001);
});

test('a lifted end carries nothing, even one that had been landed elsewhere', () => {
  const lifted = stateId({ call: 'cool', lifted: [{ conductor: 'statY', end: 'from' }] });
  const tried = makeDictionary(circuit, hypotheses, callStates(circuit), [lifted]);
  for (const i of [0, at('statY from on stat.W')].filter((one) => one >= 0))
    expect(tried.predict(i, lifted).runs.has('unit/compressor')).toBe(false);
});

describe('what does not fit', () => {
  const site = siteWith(circuit, hypotheses[at('statY broken')]!);
  const seen: Observation[] = [
    { type: 'air', state: 'cool', air: site.stands('cool').air },
    volts('stat.Y', 'stat.C', 26),
    volts('board.Y', 'board.C', 0.1),
    volts('board.R', 'board.C', 26),
  ];

  test('is doubted, not believed', () => {
    const wrong = volts('stat.R', 'stat.C', 71);
    const all = [...seen, wrong];
    const ranking = rank(dictionary, all);
    const doubts = doubtsOf(dictionary, all, ranking);
    expect(doubts.at(-1)).toBeGreaterThan(DOUBTFUL);
    expect(Math.max(...doubts.slice(0, -1))).toBeLessThan(DOUBTFUL);
    expect(ranking.shares[at('statY broken')]).toBeGreaterThan(0.1);
  });

  test('is never settled by thousands of the same, nor slow', () => {
    const many = Array.from({ length: 3000 }, (_, i) => seen[i % seen.length]!);
    expect(rank(dictionary, many).groups[0]!.share).toBeGreaterThan(0.3);
  });

  test('may be two faults at once, both found', () => {
    const [one, other] = [hypotheses[at('statG broken')]!, hypotheses[at('contactor coil-open')]!];
    const truth = bothOf(one, other, 1)!;
    const twice = siteWith(circuit, truth);
    const made = nextSteps(dictionary, rank(dictionary, []), here, { most: 60, states: ['cool', 'fan'] })
      .filter(({ step }) => step.type === 'reading' || step.type === 'call')
      .flatMap(({ step }) => twice.observe(step));
    expect(Math.max(...doubtsOf(dictionary, made, rank(dictionary, made)))).toBeGreaterThan(DOUBTFUL);
    const told: number[] = [];
    const pairs = pairsThatFit(dictionary, made, (done) => told.push(done) > 0);
    expect(told.length).toBeGreaterThan(3);
    const { groups } = rank(withPairs(dictionary, pairs), made);
    expect(JSON.stringify(groups[0]!.remedy)).toMatch(/both.*(contactor.*statG|statG.*contactor)/);
  });

  test('pairs are given up when told to stop', () => {
    let told = 0;
    expect(pairsThatFit(dictionary, seen, () => ++told < 2).length).toBeLessThan(150);
    expect(told).toBe(2);
  });
});

test('what cannot be at once is no pair: a contact stuck both ways', () => {
  const pump = heatPumpWithStrips('Pairs');
  const all = hypothesesOf(pump);
  const of = (id: string) => all.find((one) => one.id === id)!;
  expect(bothOf(of('stat y-contact-open'), of('stat y-contact-stuck'), 1)).toBeNull();
});

test('a repair that did not help counts against it, and no more', () => {
  const seen: Observation[] = [{ type: 'air', state: 'cool', air: 'plain' }];
  const before = rank(dictionary, seen);
  const remedy = remedyKey(before.groups[0]!.remedy);
  const after = rank(dictionary, [...seen, { type: 'repaired', remedy, helped: false }]);
  const shareOf = ({ groups }: typeof after) =>
    groups.find((group) => remedyKey(group.remedy) === remedy)!.share;
  // By Bayes: the share times 0.05, over what is left.
  const share = shareOf(before);
  expect(shareOf(after)).toBeCloseTo((0.05 * share) / (0.05 * share + 1 - share), 6);
});

// Counts over a prior, by hand: a class of share s before n confirmed faults of its own has (40 s + n) / (40 + n) after.
test('what was found before moves the likelihoods as counts over a prior', () => {
  const name = 'contactor coil-open';
  const shareIn = (all: typeof hypotheses) => {
    const total = all.reduce((sum, { weight }) => sum + weight, 0);
    return all.find(({ id }) => id === name)!.weight / total;
  };
  const share = shareIn(hypotheses);
  const moved = withHistory(circuit, hypotheses, { counts: { [name]: 10 } });
  expect(shareIn([...moved])).toBeCloseTo((40 * share + 10) / 50, 9);
  expect(withHistory(circuit, hypotheses, {})).toBe(hypotheses);
});

test('landings nobody looked at are likelier to be otherwise; a look settles them', () => {
  const seen = new Set(['stat']);
  const unseen = hypothesesOf(circuit, { isSeen: (device) => seen.has(device) });
  const weightOf = (all: typeof hypotheses, id: string) => all.find((one) => one.id === id)!.weight;
  const swapped = 'statY from on stat.W, statW from on stat.Y';
  expect(weightOf(unseen, swapped)).toBe(6 * weightOf(hypotheses, swapped));
  expect(weightOf(unseen, 'statY broken')).toBe(weightOf(hypotheses, 'statY broken'));
  expect(weightOf(hypothesesOf(circuit, { isSeen: () => true }), swapped)).toBe(
    weightOf(hypotheses, swapped),
  );
});

test('one overloaded transformer sags under what hangs on it, and is found', () => {
  const overloaded = hypotheses[at('xfmr overloaded')]!;
  const site = siteWith(circuit, overloaded);
  const reading = site.read({ mode: 'ac-volts', red: 'board.R', black: 'board.C', meter: 'high-z' }, 'cool');
  expect(reading).toBeLessThan(21);
  expect(isSettled(rank(dictionary, []))).toBe(false);
});

describe('a compressor tested by itself, by physics', () => {
  const point = (state: string) => dictionary.predict(0, state).point;
  const unit = circuit.devices.find(({ id }) => id === 'unit')!;
  const label = fill(kindOf(unit.kind).params, unit.params).capacitorMicrofarads as number;

  test('its run capacitor reads its label by its own current and volts', () => {
    const running = point('cool');
    const branch = running.network.branches.findIndex(({ id }) => id === 'unit:capacitor');
    const [amps, volts] = [ampsThrough(running, branch), voltsAcross(running, branch)];
    expect(capacitanceUnderLoad(amps, volts, circuit.mains.hertz) * 1e6).toBeCloseTo(label, 6);
  });

  test('its windings add up, and show which pin is which', () => {
    const off = stateId({ call: 'off', powerOff: true });
    const ohms = [
      ['unit.R', 'unit.S'],
      ['unit.S', 'unit.C'],
      ['unit.R', 'unit.C'],
    ].map(([red, black]) => {
      const reading = dictionary
        .predict(at('unit fan-open'), off)
        .read({ mode: 'ohms', red: red!, black: black!, meter: 'high-z' });
      return reading.ok ? reading.value : NaN;
    }) as [number, number, number];
    expect(readWindings(ohms)).toEqual({ pairs: ['R–S', 'S–C', 'R–C'], adds: true });
  });
});
