/** What must be opened and where it is proven dead. That every source has a handle of its own is common practice. */
import type { Circuit } from '../circuit';
import { ductless, furnaceAirConditioner, twoTransformerSplit } from '../systems';
import { openings, testPoints } from './gate';

const good = furnaceAirConditioner('Gate');
const moved = (circuit: Circuit, device: string, station: string): Circuit => ({
  ...circuit,
  devices: circuit.devices.map((one) => (one.id === device ? { ...one, station } : one)),
});

test('each place opens its own handles, and only those where power comes in', () => {
  const [panel] = openings(good);
  expect(openings(good)).toHaveLength(1);
  const [first, ...others] = panel!.devices;
  expect(others.length).toBeGreaterThan(0);
  expect(openings(moved(good, first!, 'yard'))).toEqual([
    { station: 'yard', devices: [first] },
    { station: panel!.station, devices: others },
  ]);
  // The disconnect at the outdoor unit leaves its own feed live.
  expect(panel!.devices).not.toContain('disconnect');
});

test('without a handle it is whatever feeds the first place', () => {
  const bare = {
    ...good,
    devices: good.devices.filter(({ id }) => !openings(good)[0]!.devices.includes(id)),
  };
  expect(openings(bare)).toEqual([{ station: good.stations[0]!.id, devices: [] }]);
});

test('every secondary is proven dead where its hot and common come out', () => {
  expect(testPoints(good)).toEqual([{ station: 'plant', probes: ['board.R', 'board.C'], supply: 'xfmr' }]);
  expect(testPoints(twoTransformerSplit('Gate')).map(({ supply }) => supply)).toHaveLength(2);
});

// Common practice: find where the supply enters first and work from there; each conductor against the others and against earth.
test('of a unit in two halves the fed one is proven dead first, line, neutral and signal', () => {
  const points = (fed: 'indoors' | 'outdoors') =>
    testPoints(ductless('Gate', fed)).map(({ probes }) => probes.join('–'));
  expect(points('outdoors')).toEqual([
    'outdoor.L–outdoor.N',
    'outdoor.L–outdoor.PE',
    'outdoor.3–outdoor.PE',
    'indoor.1–indoor.2',
    'indoor.1–indoor.PE',
    'indoor.3–indoor.PE',
  ]);
  expect(points('indoors')[0]).toBe('indoor.L–indoor.N');
});
