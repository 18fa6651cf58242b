/** Cutting devices in and putting them across: the states come from the model. */
import { landedOn, lift } from '../../circuit';
import { wrongIn } from '../../testing/wrong';
import { findDevice } from '../../circuit';
import { prove } from '../../prove';
import { electricHeat, furnaceAirConditioner } from '../../systems';
import { addParallelThermostat, addRelay, insertInParallel, insertInSeries, seriesTerminals } from '..';

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
    const relay = after.devices.find(({ label }) => label === 'Fresh air relay')!;
    expect(relay).toMatchObject({ kind: 'relay', station: 'plant' });
    // C holds the transformer's lead, the outdoor unit's and the thermostat's: the relay's comes to a joint beside it.
    const [joint] = after.devices.slice(-1);
    expect(joint).toMatchObject({ kind: 'wire-nut', label: 'C joint', station: 'plant' });
    const leads = after.cables.slice(-2).flatMap(({ conductors }) => conductors);
    expect(leads.map(({ from, to }) => [from, to])).toEqual([
      ['board.G', `${relay.id}.A1`],
      [`${joint!.id}.NUT`, `${relay.id}.A2`],
      [`${joint!.id}.NUT`, 'board.C'],
    ]);
    expect(landedOn(after, 'board.C')).toHaveLength(3);
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
