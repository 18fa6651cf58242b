import { furnaceAirConditioner } from '@zygostat/core/systems';
import { FRESH } from './bench';
import { dropDraft, keepBench, keepDraft, keptBench, keptDraft, keptSettings } from './kept';
import { DEFAULTS } from './settings';

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
  localStorage.setItem('zygostat.1.theme', '"plaid"');
  expect(keptBench('job')).toBeUndefined();
  expect(keptSettings()).toEqual(DEFAULTS);
});

test('a draft comes back only while it is a valid circuit', () => {
  const circuit = furnaceAirConditioner('Draft');
  keepDraft('job', { base: 3, circuit, note: 'n' });
  expect(keptDraft('job')).toEqual({ base: 3, circuit, note: 'n' });
  keepDraft('job', { base: 3, circuit: { ...circuit, version: 2 as 1 }, note: 'n' });
  expect(keptDraft('job')).toBeUndefined();
});

test('a settled edit drops its own draft, never one another tab has put there since', () => {
  const mine = furnaceAirConditioner('Mine');
  const theirs = furnaceAirConditioner('Theirs');
  keepDraft('job', { base: 3, circuit: theirs, note: '' });
  dropDraft('job', mine);
  expect(keptDraft('job')).toMatchObject({ circuit: theirs });
  dropDraft('job', theirs);
  expect(keptDraft('job')).toBeUndefined();
});
