/**
 * The run between two halves planned from whatever is found. Number to number, the colour free but the same at both ends and
 * earth never anything else, only that is safe: common practice in the trade (no published source). Colours: IEC 60446 and NFPA
 * 70, from memory.
 */
import fc from 'fast-check';
import type { Circuit, TerminalId } from '../../circuit';
import { addDevice, exchange, findConductor, land, lift, setValue } from '../../circuit';
import { isProven } from '../../prove';
import { ductless } from '../../systems';
import type { HalvesPlan } from '..';
import { planHalves } from '..';

const good = ductless('Halves');
const planned = (circuit: Circuit, region: 'iec' | 'america' = 'iec') =>
  planHalves(circuit, region) as HalvesPlan;
const ends = (circuit: Circuit) =>
  ['run1', 'run2', 'run3', 'runE'].map((id) => {
    const { from, to } = findConductor(circuit, id)!;
    return [from, to];
  });
const crossed = (one: string, other: string) => exchange(good, [one, 'to'], [other, 'to']);

describe.each(['outdoors', 'indoors'] as const)('fed %s', (fed) => {
  const circuit = ductless('Halves', fed);
  test('a run that is right stays as it is, and begins at the fed half', () => {
    const plan = planned(circuit);
    expect(plan).toMatchObject({ fed: fed === 'outdoors' ? 'outdoor' : 'indoor', minutes: 0, harm: [] });
    expect(plan.circuit).toEqual(circuit);
    expect(plan.asFound).toMatchObject({ works: true, harm: null });
  });

  // Every permutation of the three, from memory of what crosses: whatever is found, number to number comes of it.
  const numbers = ['1', '2', '3'] as const;
  test('whatever the three are on at either end, it ends number to number, proven', () => {
    const orders = fc.shuffledSubarray([...numbers], { minLength: 3 });
    fc.assert(
      fc.property(orders, orders, (outdoors, indoors) => {
        const on = (end: 'from' | 'to', half: string, order: readonly string[]) => (now: Circuit) => {
          const off = numbers.reduce((one, n) => lift(one, `run${n}`, end), now);
          return numbers.reduce((one, n, i) => land(one, `run${n}`, end, `${half}.${order[i]}`), off);
        };
        const found = on('to', 'indoor', indoors)(on('from', 'outdoor', outdoors)(circuit));
        const { lines, proof, harm, circuit: made } = planned(found);
        for (const { conductor, at } of lines) {
          const { from, to } = findConductor(made, conductor)!;
          expect([from, to].sort()).toEqual([...at].sort());
        }
        expect(isProven(proof)).toBe(true);
        expect(harm).toEqual([]);
      }),
      { numRuns: 20 },
    );
  });
});

test('two crossed at the other half: two landings, and what they would do is told', () => {
  const plan = planned(crossed('run1', 'run3'));
  expect(plan.asFound).toMatchObject({ works: false, harm: 'danger' });
  expect(plan.asFound!.violations.map(({ property }) => property)).toContain('line-on-signal');
  expect(plan.minutes).toBe(3);
  expect(ends(plan.circuit)).toEqual(ends(good));
});

test('earth on a number comes off it at both ends', () => {
  const plan = planned(crossed('run2', 'runE'));
  expect(plan.lines.find(({ role }) => role === 'earth')!.conductor).toBe('runE');
  expect(ends(plan.circuit)).toEqual(ends(good));
});

test('a run not landed yet gets the colours usual in its region, where it has them', () => {
  const loose = ['run1', 'run2', 'run3', 'runE'].reduce((now, id) => lift(now, id, 'to'), good);
  const american = {
    ...loose,
    cables: loose.cables.map((cable) =>
      cable.id === 'run'
        ? {
            ...cable,
            conductors: cable.conductors.map((one, i) => ({
              ...one,
              colour: (['RD', 'BK', 'WH', 'GN'] as const)[i]!,
              from: i === 3 ? one.from : null,
              to: i === 3 ? 'indoor.PE' : null,
            })),
          }
        : cable,
    ),
  };
  const colours = planned(american, 'america').lines.map(({ role, conductor }) => [
    role,
    findConductor(american, conductor)!.colour,
  ]);
  expect(colours).toEqual([
    ['line', 'BK'],
    ['neutral', 'WH'],
    ['signal', 'RD'],
    ['earth', 'GN'],
  ]);
});

test('labels of two styles are the same numbers, and whatever is landed stays where it is', () => {
  const mixed = setValue(
    setValue(good, 'indoor', 'params', 'labels', 'signal'),
    'outdoor',
    'params',
    'labels',
    'neutral',
  );
  expect(ends(mixed)).toEqual([
    ['outdoor.1', 'indoor.S1'],
    ['outdoor.2N', 'indoor.S2'],
    ['outdoor.3', 'indoor.S3'],
    ['outdoor.PE', 'indoor.PE'],
  ]);
  expect(planned(mixed)).toMatchObject({ minutes: 0, asFound: { works: true } });
});

test('what is to be read: the supply at both, a signal that moves, and line to signal that tells nothing of it', () => {
  const { readings } = planned(good);
  const of = (type: string) => readings.filter((one) => one.type === type);
  for (const one of of('supply')) expect(one).toMatchObject({ volts: expect.closeTo(230, 0) });
  for (const one of of('signal')) {
    const { rest, called } = one as Extract<typeof one, { type: 'signal' }>;
    // Half of 24 V where both sides of the loop are alike: a divider, by hand.
    expect(rest).toBeCloseTo(12, 1);
    expect(Math.abs(called - rest)).toBeGreaterThan(3);
  }
  for (const one of of('through')) expect(one).toMatchObject({ volts: expect.closeTo(230, 0) });
});

test('of the ways to land it only the first is without harm', () => {
  const [first, ...others] = planned(good).ways;
  expect(first!.effect.harm).toBeNull();
  expect(others).toHaveLength(23);
  for (const { effect } of others) expect(effect.harm).not.toBeNull();
});

const recoloured = (colour: 'GNYE' | 'WH'): Circuit => ({
  ...good,
  cables: good.cables.map((cable) =>
    cable.id === 'run'
      ? {
          ...cable,
          conductors: cable.conductors.map((one) => (one.id === 'runE' ? { ...one, colour } : one)),
        }
      : cable,
  ),
});

test.each<[string, Circuit, string]>([
  [
    'no halves',
    { ...good, devices: good.devices.filter(({ id }) => id !== 'indoor'), cables: [] },
    'no-halves',
  ],
  ['no supply', ['feedL', 'feedN', 'feedE'].reduce((now, id) => lift(now, id, 'to'), good), 'not-fed'],
  ['two supplies', land(lift(good, 'feedN', 'to'), 'feedN', 'to', 'indoor.N' as TerminalId), 'fed-twice'],
  ['no run', { ...good, cables: good.cables.filter(({ id }) => id !== 'run') }, 'no-run'],
  ['no earth in the run', recoloured('WH'), 'no-earth'],
  ['a third half', addDevice(good, { ...good.devices[1]!, id: 'another' }), 'no-halves'],
])('%s is told and nothing is planned', (_, circuit, obstacle) => {
  expect(planHalves(circuit, 'iec')).toBe(obstacle);
});
