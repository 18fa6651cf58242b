/** Adding devices: what each school of breaking stops is common practice, the states come from the model. */
import { lift } from '../../circuit';
import { wrongIn } from '../../testing/wrong';
import { findDevice } from '../../circuit';
import type { Situation } from '../../prove';
import { prove, tripsOf } from '../../prove';
import { electricHeat, fourPipeFanCoil, furnaceAirConditioner, heatPumpWithStrips } from '../../systems';
import {
  addParallelThermostat,
  addRelay,
  insertInParallel,
  insertInSeries,
  planSafety,
  seriesTerminals,
  whatTripDoes,
} from '..';

const furnace = furnaceAirConditioner('Insert');
const float = { kind: 'float-switch', label: 'Secondary float' };

test.each([
  ['float-switch', ['COM', 'NC']],
  ['smoke-detector', ['COM', 'NC']],
  ['pressure-switch', ['1', '2']],
  ['wire-nut', null],
])('%s passes through %j', (kind, terminals) => {
  expect(seriesTerminals(kind, furnace.mains)).toEqual(terminals);
});

/** The first stage of a call. */
const first =
  (call: 'heat' | 'cool') =>
  ({ situation }: { situation: Situation }) =>
    situation.type === 'call' && situation.call === call && situation.stages === 'first';
const [calledHeat, calledCool] = [first('heat'), first('cool')];

describe('a float in R or in Y', () => {
  const [inR, inY] = planSafety(furnace, 'stat', float);

  test('both are proven', () => {
    expect([inR!.id, inY!.id]).toEqual(['R', 'Y']);
    for (const { proof } of [inR!, inY!]) expect(wrongIn(proof)).toEqual([]);
  });

  test('in R everything stops and the screen tells, where it lives on its wire', () => {
    const cooling = inR!.tripped.find(calledCool)!;
    expect(cooling.stops).toEqual(expect.arrayContaining(['Compressor', 'Contactor coil']));
    const heating = inR!.tripped.find(calledHeat)!;
    expect(heating.stops).toContain('Gas valve');
  });

  test('in Y the compressor stops, heat goes on and nobody is told', () => {
    const cooling = inY!.tripped.find(calledCool)!;
    expect(cooling.stops).toContain('Compressor');
    expect(cooling.blank).toBe(false);
    const heating = inY!.tripped.find(calledHeat)!;
    expect(heating.stops).toEqual([]);
    expect(heating.goesOn).toContain('Gas valve');
  });

  test('in Y of a heat pump heating stops too', () => {
    const pump = planSafety(heatPumpWithStrips('Insert'), 'stat', float).find(({ id }) => id === 'Y')!;
    expect(pump.tripped.find(calledHeat)!.stops).toContain('Compressor');
  });

  test('a freezestat in Y stops what makes the ice, and leaves the fan to thaw it', () => {
    const added = { kind: 'freezestat', label: 'Freezestat' };
    const schools = planSafety(furnace, 'stat', added);
    const stops = schools.find(({ id }) => id === 'Y')!.tripped.find(calledCool)!;
    expect(stops.stops).toContain('Compressor');
    expect(stops.goesOn.join()).toMatch(/Blower/);
  });

  test('without cooling there is only R', () => {
    expect(planSafety(electricHeat('Insert'), 'stat', float).map(({ id }) => id)).toEqual(['R']);
  });

  test('a fan coil’s valves close when its own float in R opens', () => {
    const coil = fourPipeFanCoil('Insert');
    const [trip] = tripsOf(coil);
    const cooling = whatTripDoes(coil, trip!).find(calledCool)!;
    expect(cooling.stops).toContain('Cooling valve');
  });
});

test('a smoke detector is fed from the transformer’s side and stops all', () => {
  const [inR] = planSafety(heatPumpWithStrips('Insert'), 'stat', {
    kind: 'smoke-detector',
    label: 'Duct detector',
  });
  expect(wrongIn(inR!.proof)).toEqual([]);
  expect(inR!.tripped.every(({ goesOn }) => goesOn.length === 0)).toBe(true);
});

test('a smoke detector in Y leaves heat running: that is not proposed', () => {
  const [inR, inY] = planSafety(furnace, 'stat', { kind: 'smoke-detector', label: 'Duct detector' });
  expect(inR!.adds).toEqual([]);
  expect(inY!.adds.map(({ property }) => property)).toEqual(['safety']);
});

test('a relay across W runs with heat', () => {
  const { circuit, device } = insertInParallel(
    furnace,
    { kind: 'relay', label: 'Humidifier relay', params: { serves: 'heat' }, terminals: ['A1', 'A2'] },
    { call: 'board.W', common: 'board.C' },
  );
  expect(findDevice(circuit, device)!.station).toBe('plant');
  expect(wrongIn(prove(circuit)!)).toEqual([]);
});

test('a second thermostat in parallel is proven but for opposite modes', () => {
  const { circuit } = addParallelThermostat(furnace, 'stat', { station: 'hall', lengthM: 9 });
  const { findings } = prove(circuit)!;
  expect(findings.map(({ property }) => property)).toContain('disagree');
  for (const { shownBy } of findings.filter(({ property }) => property === 'disagree'))
    expect(shownBy.asked.calls).toHaveLength(2);
});

describe('a relay that runs with a call', () => {
  test('is fed from that call and the common at the unit', () => {
    const after = addRelay(furnace, 'stat', 'G', 'Fresh air relay')!;
    const relay = after.devices.at(-1)!;
    expect(relay).toMatchObject({ kind: 'relay', label: 'Fresh air relay', station: 'plant' });
    const leads = after.cables.at(-1)!.conductors;
    expect(leads.map(({ from, to }) => [from, to])).toEqual([
      ['board.G', `${relay.id}.A1`],
      ['board.C', `${relay.id}.A2`],
    ]);
  });

  test('is none where the unit is not given that call, or has no common to give', () => {
    expect(addRelay(lift(furnace, 'statG', 'to'), 'stat', 'G', 'Relay')).toBeNull();
    expect(addRelay(electricHeat('Insert'), 'stat', 'Y', 'Relay')).toBeNull();
  });
});

test('a second thermostat leaves out what the first has landed nowhere', () => {
  const { circuit } = addParallelThermostat(lift(furnace, 'statG', 'to'), 'stat', {
    station: 'hall',
    lengthM: 9,
  });
  const marks = circuit.cables.at(-1)!.conductors.map(({ from }) => from!.split('.')[1]);
  expect(marks.sort()).toEqual(['C', 'R', 'W', 'Y']);
});

test('nothing is cut into an end that is landed nowhere, or with a kind that has no contact to pass through', () => {
  const free = lift(furnace, 'statY', 'to');
  expect(() => insertInSeries(free, float, { conductor: 'statY', end: 'to' }, null)).toThrow(RangeError);
  const nut = { kind: 'wire-nut', label: 'Nut' };
  expect(() => insertInSeries(furnace, nut, { conductor: 'statY', end: 'to' }, null)).toThrow(RangeError);
  expect(() => insertInSeries(furnace, float, { conductor: 'attic', end: 'to' }, null)).toThrow(RangeError);
});

test('without a hot at the thermostat there is nothing to break, and nothing to feed a detector from', () => {
  const dead = lift(lift(furnace, 'statR', 'from'), 'statR', 'to');
  expect(planSafety(dead, 'stat', float)).toEqual([]);
});
