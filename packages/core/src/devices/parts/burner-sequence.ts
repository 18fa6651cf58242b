/**
 * The burner half of a furnace board as a pure state machine: draft, pre-purge,
 * igniter, trial, flame, post-purge, retries and lockout.
 */

export type BurnerPhase =
  'idle' | 'proving' | 'prePurge' | 'warmUp' | 'trial' | 'burning' | 'limit' | 'postPurge' | 'lockout';

export type BurnerState = {
  phase: BurnerPhase;
  /** When the phase ends by itself; absolute seconds. */
  until: number | null;
  /** Trials spent on this call. */
  tries: number;
  /** Draft has been proved since the inducer started. */
  proved: boolean;
  /** When draft or flame, first seen, counts as steady. */
  steadyAt: number | null;
};

/** Every delay in seconds. */
export interface BurnerTimes {
  draftS: number;
  draftLimitS: number;
  prePurgeS: number;
  warmUpS: number;
  flameS: number;
  trialS: number;
  retries: number;
  lockoutS: number;
  postPurgeS: number;
}

export interface BurnerInputs {
  call: boolean;
  /** The inducer pulls enough draft to close its switch. */
  draft: boolean;
  /** Gas is flowing and would light. */
  flame: boolean;
  limit: boolean;
}

export const burnerAtRest: BurnerState = {
  phase: 'idle',
  until: null,
  tries: 0,
  proved: false,
  steadyAt: null,
};

/** What each phase switches on. */
export function burnerOutputs({ phase }: BurnerState) {
  return {
    inducer: phase !== 'idle' && phase !== 'lockout',
    igniter: phase === 'warmUp' || phase === 'trial',
    valve: phase === 'trial' || phase === 'burning',
  };
}

/** The phase this instant leads to. */
export function stepBurner(
  state: BurnerState,
  inputs: BurnerInputs,
  times: BurnerTimes,
  now: number,
): BurnerState {
  const over = state.until !== null && now >= state.until;
  const enter = (
    phase: BurnerPhase,
    seconds: number | null,
    change: Partial<BurnerState> = {},
  ): BurnerState => ({
    ...state,
    steadyAt: null,
    ...change,
    phase,
    until: seconds === null ? null : now + seconds,
  });
  if (state.phase === 'lockout') return over ? burnerAtRest : state;
  if (state.phase === 'idle')
    return inputs.call ? enter('proving', times.draftLimitS, { tries: 0, proved: false }) : state;
  if (state.phase === 'postPurge') return over ? burnerAtRest : state;
  if (!inputs.call) return enter('postPurge', times.postPurgeS, { tries: 0 });

  if (state.phase === 'proving') {
    if (inputs.draft) {
      const steadyAt = state.steadyAt ?? now + times.draftS;
      return now >= steadyAt ? enter('prePurge', times.prePurgeS, { proved: true }) : { ...state, steadyAt };
    }
    return over ? enter('lockout', times.lockoutS) : { ...state, steadyAt: null };
  }
  if (!inputs.draft) return enter('proving', times.draftLimitS, { proved: false });
  if (!inputs.limit) return state.phase === 'limit' ? state : enter('limit', null);
  if (state.phase === 'limit') return enter('prePurge', times.prePurgeS);
  if (state.phase === 'prePurge') return over ? enter('warmUp', times.warmUpS) : state;
  if (state.phase === 'warmUp') return over ? enter('trial', times.trialS) : state;
  if (state.phase === 'trial') {
    const steadyAt = inputs.flame ? (state.steadyAt ?? now + times.flameS) : null;
    if (steadyAt !== null && now >= steadyAt) return enter('burning', null);
    if (!over) return { ...state, steadyAt };
    const tries = state.tries + 1;
    return tries >= times.retries
      ? enter('lockout', times.lockoutS, { tries })
      : enter('prePurge', times.prePurgeS, { tries });
  }
  // Burning: a flame that fails starts the trial again.
  return inputs.flame ? state : enter('prePurge', times.prePurgeS, { tries: state.tries + 1 });
}
