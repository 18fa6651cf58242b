import { keepBench, keptBench } from './kept';
import { FRESH } from './slice';

beforeEach(() => localStorage.clear());

const { inputs, world, meter } = FRESH;

test('a bench comes back as it was left', () => {
  const left = {
    inputs: { ...inputs, controls: { stat: { mode: 'cool', setC: 21 } } },
    world: { now: 12, states: { fuse: { open: true, opensAt: null } } },
    meter,
  };
  keepBench('job', left);
  expect(keptBench('job')).toEqual(left);
});

// Saved state from an older version, or spoiled by hand, is left out and never breaks the page.
test.each<[string, unknown]>([
  ['nothing', undefined],
  ['text', 'hello'],
  ['an older shape', { calls: ['cool'], time: 4 }],
  ['a negative clock', { inputs, world: { now: -4, states: {} }, meter }],
  [
    'temperatures of another planet',
    { inputs: { ...inputs, conditions: { indoorC: 900, outdoorC: 1 } }, world, meter },
  ],
  ['nested controls', { inputs: { ...inputs, controls: { stat: { mode: { a: 1 } } } }, world, meter }],
  ['an unknown meter mode', { inputs, world, meter: { ...meter, mode: 'smell' } }],
])('%s is no bench', (_what, found) => {
  if (found !== undefined) localStorage.setItem('zygostat.1.bench.job', JSON.stringify(found));
  expect(keptBench('job')).toBeUndefined();
});

test('half-written storage is nothing', () => {
  localStorage.setItem('zygostat.1.bench.job', '{"inputs":');
  expect(keptBench('job')).toBeUndefined();
});
