import { furnaceAirConditioner } from '@zygostat/core/systems';
import { FRESH } from './bench';
import {
  dropDraft,
  keepBench,
  keepDraft,
  keepPlan,
  keptBench,
  keptDraft,
  keptPlan,
  keptSettings,
} from './kept';
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

describe('a plan the server has not had', () => {
  const circuit = furnaceAirConditioner('Kept');
  const plan = {
    version: 1 as const,
    title: 'New thermostat',
    before: circuit,
    after: circuit,
    swap: null,
    reasons: {},
    done: { off: { at: '2026-11-25T10:00:00.000Z' } },
  };

  test('comes back with what was ticked', () => {
    keepPlan('job', { base: 3, plan });
    expect(keptPlan('job')).toEqual({ base: 3, plan });
    keepPlan('job', { base: 4, plan: null });
    expect(keptPlan('job')).toEqual({ base: 4, plan: null });
  });

  test.each<[string, unknown]>([
    ['of another version', { base: 3, plan: { ...plan, version: 2 } }],
    ['with a circuit that is none', { base: 3, plan: { ...plan, after: { name: 'x' } } }],
    ['with ticks that are none', { base: 3, plan: { ...plan, done: 'all' } }],
    ['without the save it builds on', { plan }],
  ])('%s is left out', (_what, found) => {
    localStorage.setItem('zygostat.1.plan.job', JSON.stringify(found));
    expect(keptPlan('job')).toBeUndefined();
  });
});
