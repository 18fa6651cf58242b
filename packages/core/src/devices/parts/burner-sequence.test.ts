/** The order of a furnace's burner: common practice. The times are the board's defaults, from memory. */
import type { BurnerInputs, BurnerState, BurnerTimes } from './burner-sequence';
import { burnerAtRest, burnerOutputs, stepBurner } from './burner-sequence';

const TIMES: BurnerTimes = {
  draftS: 4,
  draftLimitS: 60,
  prePurgeS: 15,
  warmUpS: 17,
  flameS: 2,
  trialS: 4,
  retries: 3,
  lockoutS: 3600,
  postPurgeS: 15,
};
const ALL_WELL: BurnerInputs = { call: true, draft: true, flame: true, limit: true };

/** Runs the sequence second by second; a flame needs gas, which needs the valve. */
function run(
  seconds: number,
  inputs: (now: number) => Partial<BurnerInputs> = () => ({}),
  from: BurnerState = burnerAtRest,
) {
  let state = from;
  const phases: string[] = [];
  for (let now = 0; now <= seconds; now++)
    for (let settled = false; !settled;) {
      const { valve, inducer } = burnerOutputs(state);
      const given = { ...ALL_WELL, ...inputs(now) };
      const next = stepBurner(
        state,
        { ...given, flame: given.flame && valve, draft: given.draft && inducer },
        TIMES,
        now,
      );
      settled = next.phase === state.phase;
      if (!settled) phases.push(next.phase);
      state = next;
    }
  return { state, phases };
}

test('a call goes through draft, purge, warm-up and trial to flame, in that order', () => {
  expect(run(60).phases).toEqual(['proving', 'prePurge', 'warmUp', 'trial', 'burning']);
});

test('gas never flows before the pre-purge is over, nor without draft', () => {
  for (let second = 0; second < 60; second++) {
    const { state } = run(second);
    if (burnerOutputs(state).valve) {
      expect(second).toBeGreaterThanOrEqual(TIMES.draftS + TIMES.prePurgeS + TIMES.warmUpS);
      expect(state.proved).toBe(true);
    }
  }
});

test('when the call ends the inducer purges and rests', () => {
  const burning = run(60).state;
  const ended = run(TIMES.postPurgeS - 1, () => ({ call: false }), burning);
  expect(burnerOutputs(ended.state)).toEqual({ inducer: true, igniter: false, valve: false });
  expect(run(TIMES.postPurgeS + 1, () => ({ call: false }), burning).state).toEqual(burnerAtRest);
});

test('without flame it tries as often as it is set to and locks out', () => {
  const { phases, state } = run(200, () => ({ flame: false }));
  expect(phases.filter((phase) => phase === 'trial')).toHaveLength(TIMES.retries);
  expect(state.phase).toBe('lockout');
  expect(burnerOutputs(state)).toEqual({ inducer: false, igniter: false, valve: false });
});

test('a lockout holds through the call and ends by itself after its time', () => {
  const locked = run(200, () => ({ flame: false })).state;
  expect(run(TIMES.lockoutS - 300, () => ({}), locked).state.phase).toBe('lockout');
  expect(run(TIMES.lockoutS + 300, () => ({}), locked).state.phase).toBe('burning');
});

test('lost draft shuts the gas at once and proves again', () => {
  const { state } = run(2, () => ({ draft: false }), run(60).state);
  expect(state.phase).toBe('proving');
  expect(burnerOutputs(state).valve).toBe(false);
});

test('an open limit shuts the gas, keeps the inducer, and starts over when it closes', () => {
  const open = run(5, () => ({ limit: false }), run(60).state).state;
  expect(burnerOutputs(open)).toEqual({ inducer: true, igniter: false, valve: false });
  expect(run(60, () => ({}), open).phases).toEqual(['prePurge', 'warmUp', 'trial', 'burning']);
});

test('a flame that goes out is tried again', () => {
  expect(run(60, (now) => ({ flame: now > 5 }), run(60).state).phases).toEqual([
    'prePurge',
    'warmUp',
    'trial',
    'burning',
  ]);
});
