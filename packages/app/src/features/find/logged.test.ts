import type { Diagnosis } from '@zygostat/core/diagnose';
import type { LoggedReading } from '../readings/api';
import { loggedFor } from './logged';

const diagnosis: Diagnosis = {
  observed: [
    { id: 'a', at: '2026-11-27T10:00:00.000Z', observation: { type: 'air', state: 'cool', air: 'plain' } },
  ],
  whereabouts: { station: 'hall', open: [], state: 'cool' },
};
const reading: LoggedReading = {
  id: 'reading-1',
  revision: 3,
  mode: 'ac-volts',
  meter: 'high-z',
  red: 'board.Y',
  black: 'board.C',
  expected: 26,
  actual: 0.1,
  unit: 'V',
  verdict: 'low',
  situation: 'Cooling called',
  state: 'cool',
  by: '',
  createdAt: '2026-11-27T09:40:00.000Z',
};
const counted = (change: Partial<LoggedReading>, more: Partial<Diagnosis> = {}) =>
  loggedFor({ ...diagnosis, ...more }, [{ ...reading, ...change }], 3).map(({ id }) => id);

test('a reading of this visit in a known call counts as it was read', () => {
  expect(loggedFor(diagnosis, [reading], 3)).toEqual([
    {
      id: 'reading-1',
      at: reading.createdAt,
      observation: {
        type: 'reading',
        state: 'cool',
        probes: { mode: 'ac-volts', red: 'board.Y', black: 'board.C', meter: 'high-z' },
        value: 0.1,
      },
    },
  ]);
});

test.each<[string, Partial<LoggedReading>, Partial<Diagnosis>]>([
  ['in no known call', { state: '' }, {}],
  ['of the circuit as it was before', { revision: 2 }, {}],
  ['of another visit', { createdAt: '2026-11-26T10:00:00.000Z' }, {}],
  ['in ohms: what was isolated is not known', { mode: 'ohms' }, {}],
  ['taken back', {}, { ignored: ['reading-1'] }],
])('one %s does not', (_what, change, more) => {
  expect(counted(change, more)).toEqual([]);
});
