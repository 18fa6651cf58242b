/**
 * What a zone panel makes of its zones' calls: which way the unit runs, which dampers stand open, who is held. Common practice;
 * the times are settings of the panel.
 */

/** What a zone asks for. */
export interface ZoneCall {
  heat: boolean;
  cool: boolean;
  fan: boolean;
  /** Its thermostat wants the second stage too. */
  second: boolean;
}

export interface ZoneRules {
  /** Who wins when zones disagree: whoever called first, or always one of them. */
  priority: 'first' | 'heat' | 'cool';
  /** From the end of one way to the beginning of the other, s. */
  changeoverS: number;
  /** How long the fan goes on after a call, s; and where its air goes: to the zones it served, or to all. */
  purgeS: number;
  purgeTo: 'served' | 'all';
  /** When the second stage joins: after so long, from so many zones on, or as a thermostat that is served asks. */
  staging: 'time' | 'zones' | 'asked';
  stageS: number;
  stageZones: number;
}

type Way = 'heat' | 'cool';

export type ZoneState = {
  /** Which way the unit runs; `off` between calls. */
  way: Way | 'off';
  /** When it began to, and when the last one ended and which it was. */
  since: number | null;
  last: Way | 'off';
  ended: number | null;
  /** Zones served by the call that runs, or by the one that was last, as digits: "13". */
  served: string;
};

export const RESTING: ZoneState = { way: 'off', since: null, last: 'off', ended: null, served: '' };

const other = (way: Way): Way => (way === 'heat' ? 'cool' : 'heat');
const zonesThat = (calls: readonly ZoneCall[], way: Way) =>
  calls.flatMap((call, i) => (call[way] ? [String(i + 1)] : [])).join('');

/** Which way is asked for: of both the one that runs, or the one that has priority. */
function asked(state: ZoneState, calls: readonly ZoneCall[], { priority }: ZoneRules): Way | 'off' {
  const [heat, cool] = [calls.some((call) => call.heat), calls.some((call) => call.cool)];
  if (heat && cool) return priority === 'first' ? (state.way === 'off' ? 'heat' : state.way) : priority;
  return heat ? 'heat' : cool ? 'cool' : 'off';
}

/** When the unit may turn the other way; it may at once where it ran that way last, or never did. */
export const turnsAt = ({ last, ended }: ZoneState, to: Way, { changeoverS }: ZoneRules): number =>
  last === other(to) && ended !== null ? ended + changeoverS : -Infinity;

/** The panel a moment later; the very same where nothing changes. */
export function zoneStep(
  state: ZoneState,
  calls: readonly ZoneCall[],
  rules: ZoneRules,
  now: number,
): ZoneState {
  const to = asked(state, calls, rules);
  if (state.way !== 'off' && to !== state.way)
    // It ends first; whoever waits for the other way begins after the changeover.
    return zoneStep({ ...state, way: 'off', since: null, last: state.way, ended: now }, calls, rules, now);
  if (to === 'off' || (state.way === 'off' && now < turnsAt(state, to, rules))) return state;
  const served = zonesThat(calls, to);
  if (state.way === to) return served === state.served ? state : { ...state, served };
  return { way: to, since: now, last: state.last, ended: state.ended, served };
}

export interface ZoneOutputs {
  /** By zone, whether its damper is opened. */
  open: readonly boolean[];
  fan: boolean;
  heat: boolean;
  cool: boolean;
  /** The second stage of whichever runs. */
  second: boolean;
  purging: boolean;
}

/** What the panel gives as it stands: never all dampers shut. */
export function zoneOutputs(
  { way, since, ended, served }: ZoneState,
  calls: readonly ZoneCall[],
  { purgeS, purgeTo, staging, stageS, stageZones }: ZoneRules,
  now: number,
): ZoneOutputs {
  const purging = way === 'off' && ended !== null && now < ended + purgeS && served !== '';
  const fans = calls.flatMap(({ fan }, i) => (fan ? [String(i + 1)] : [])).join('');
  const purged = purgeTo === 'all' ? '' : served;
  const wanted = way !== 'off' ? served : purging ? purged : fans;
  const asks = { time: since !== null && now - since >= stageS, zones: served.length >= stageZones };
  const wantsMore = calls.some(({ second: more }, i) => more && served.includes(String(i + 1)));
  const second = way !== 'off' && (staging === 'asked' ? wantsMore : asks[staging]);
  return {
    // Satisfied and still, all stand open: the next call has a way at once.
    open: calls.map((_, i) => wanted === '' || wanted.includes(String(i + 1))),
    fan: way === 'cool' || purging || (way === 'off' && fans !== ''),
    heat: way === 'heat',
    cool: way === 'cool',
    second,
    purging,
  };
}
