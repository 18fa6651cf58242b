/**
 * The tests of a job, in their order. What a float in Y and a pressure switch stop, and that a compressor is not made to
 * cool in the cold, is common practice; the current is held against the nameplate.
 */
import type { Circuit } from '../circuit';
import { addLink, exchange } from '../circuit';
import { contactsOf } from '../prove';
import { TEMPLATES, boilerTwoWire, furnaceAirConditioner, heatPumpWithStrips } from '../systems';
import type { CommissionTest } from '.';
import { COOLING_OUTDOOR_C, commissionOf } from '.';

const furnace = furnaceAirConditioner('Commission');
const byId = (tests: readonly CommissionTest[], id: string) => {
  const test = tests.find((one) => one.id === id)!;
  if (!('runs' in test)) throw new Error(`${id} runs nothing`);
  return test;
};

test.each(TEMPLATES)(
  '$id: dead, then the supply, then calls, then safeties, then the restart',
  ({ build }) => {
    const tests = commissionOf(build('Order'));
    const order = ['dead', 'supply', 'call', 'trip', 'restart'];
    const types = tests.map(({ type }) => order.indexOf(type));
    expect(types).toEqual([...types].sort((one, other) => one - other));
    expect(types[0]).toBe(0);
    expect(new Set(tests.map(({ id }) => id)).size).toBe(tests.length);
    for (const { readings } of tests)
      for (const { red, black } of readings) expect([red, black].join()).not.toMatch(/#|earth/);
  },
);

test('nothing anywhere while dead, and the supply where there is one', () => {
  const [dead, supply] = commissionOf(furnace);
  for (const { volts } of dead!.readings) expect(volts).toBe(0);
  expect(supply!.readings.map(({ red, black }) => `${red} ${black}`)).toEqual([
    'xfmr.R xfmr.C',
    'stat.R stat.C',
  ]);
  for (const { volts } of supply!.readings) expect(volts).toBeGreaterThan(24);
  expect(commissionOf(boilerTwoWire('No C'))[1]!.readings).toEqual([]);
});

test('a float in Y stops the outdoor unit and leaves the fan, in cooling alone', () => {
  const tests = commissionOf(furnace);
  const trip = byId(tests, 'trip float cool-far');
  if (trip.type !== 'trip') throw new Error('no trip');
  expect(trip.stops).toEqual(['contactor/coil', 'unit/compressor', 'unit/fan']);
  expect(trip.runs).toEqual(['board/blower-cool']);
  expect(tests.some(({ id }) => id === 'trip float heat-far')).toBe(false);
});

test('a compressor is not made to cool below its limit outdoors; heating has none', () => {
  const tests = commissionOf(heatPumpWithStrips('Commission'));
  const limits = Object.fromEntries(
    tests.flatMap((one) => ('outdoorC' in one ? [[one.id, one.outdoorC]] : [])),
  );
  expect(limits).toMatchObject({ 'call cool': COOLING_OUTDOOR_C, 'call heat': null, 'call emergency': null });
});

test('what is drawn is within the nameplate, and a fan draws less than cooling with it', () => {
  const tests = commissionOf(furnace);
  const ampsOf = (id: string) => {
    const one = byId(tests, id);
    return 'amps' in one ? one.amps.reduce((sum, { amps }) => sum + amps, 0) : 0;
  };
  // 40 VA at 24 V.
  expect(ampsOf('call cool')).toBeLessThan(40 / 24);
  expect(ampsOf('call fan')).toBeLessThan(ampsOf('call cool'));
});

test('the delay of a restart is told, and the heat waits for its purge', () => {
  const tests = commissionOf(heatPumpWithStrips('Commission'));
  const cool = byId(tests, 'restart cool-back');
  expect('afterS' in cool && cool.afterS).toBeGreaterThan(60);
  const heat = byId(commissionOf(furnace), 'call heat');
  expect('afterS' in heat && heat.afterS).toBeGreaterThan(30);
});

describe('a circuit that is wired wrong signs nothing', () => {
  const wrongIn = (circuit: Circuit) =>
    commissionOf(circuit).flatMap(({ id, wrong }) => wrong.map(({ property }) => `${id} ${property}`));

  test('sound ones do nothing wrong', () => {
    expect(wrongIn(furnace)).toEqual([]);
    expect(wrongIn(heatPumpWithStrips('Sound'))).toEqual([]);
  });

  test('heat that cools and cooling that heats are told', () => {
    const told = wrongIn(exchange(furnace, ['statY', 'to'], ['statW', 'to'])).join();
    expect(told).toMatch(/call heat/);
    expect(told).toMatch(/call cool/);
  });

  test('a float with a jumper across it is still tested, and stops nothing', () => {
    const { pair } = contactsOf(furnace).find(({ device }) => device === 'float')!;
    const tests = commissionOf(addLink(furnace, { id: 'j', kind: 'jumper', joins: [...pair] }));
    const trips = tests.filter(({ id }) => id.startsWith('trip float'));
    expect(trips.map((one) => 'stops' in one && one.stops)).toEqual([[]]);
  });
});
