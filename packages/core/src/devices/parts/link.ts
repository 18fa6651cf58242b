/**
 * What the two modules of a wireless link have in common: they hear one another over the air, each pair by itself, after a
 * moment, and only while nothing is in the way. Figures are from memory; the maker's sheet wins.
 */
import type { Channel, Signal } from '../channels';
import { flow } from '../channels';
import type { Senses, State } from '../context';
import type { Wait } from '../define';
import type { Values } from '../fields';
import { choice, num, seconds } from '../fields';
import { boardParams } from './board';

export const linkParams = {
  ...boardParams,
  pair: num({ label: 'Paired as', unit: '', default: 1, min: 1, max: 99, source: 'read the label' }),
};

export const linkSettings = {
  delayS: seconds('Heard after', 3, 60),
  lostS: seconds('Silence counts as lost after', 30, 600),
};

export const linkControls = {
  radio: choice(
    'Air between the modules',
    { clear: 'Clear', blocked: 'Blocked', far: 'Too far apart' },
    'clear',
  ),
};

type Heard = Extract<Channel, `link-${string}`>;

/** How a module stands, for whoever asks. */
export const linkStands = ({ powered, silentSince }: State) => ({
  powered: powered === true,
  silent: silentSince !== null,
});

/** The number of a module's pair. */
export const pairOf = ({ pair }: Values): number => Number(pair);

/** What a module says on a channel, if anything. */
export const says = (pair: number, spoken: Readonly<Partial<Record<Heard, boolean>>>) =>
  Object.fromEntries(
    Object.entries(spoken).flatMap(([channel, isSaid]): [string, Signal][] =>
      isSaid ? [[channel, flow(pair)]] : [],
    ),
  );

/** Whether the other module of the pair says it. */
export const hearsPair = (senses: Senses, channel: Heard, pair: number): boolean =>
  senses.hears(channel).some(({ amount }) => amount === pair);

/** What a module has taken in of the other, and what it is about to. */
export type LinkState = {
  powered: boolean;
  /** Since when it has heard nothing; `null` while it hears. */
  silentSince: number | null;
  /** What was last heard and not taken in yet, and when it will be. */
  heard: string;
  taken: string;
  takenAt: number | null;
};

export const LINK_AT_REST: LinkState = {
  powered: false,
  silentSince: null,
  heard: '',
  taken: '',
  takenAt: null,
};

interface Told {
  settings: { delayS: number; lostS: number };
  now: number;
}

/**
 * A module's idea of the other after this moment.
 *
 * @param heard - what the other says now, as a word; `null` while it says nothing at all.
 */
export function linkAfter(state: LinkState, heard: string | null, { settings, now }: Told): LinkState {
  const silentSince = heard === null ? (state.silentSince ?? now) : null;
  const isLost = silentSince !== null && now >= silentSince + settings.lostS;
  const last = isLost ? '' : (heard ?? state.heard);
  if (isLost || last === state.taken)
    return { powered: true, silentSince, heard: last, taken: isLost ? '' : state.taken, takenAt: null };
  const takenAt = state.heard === last && state.takenAt !== null ? state.takenAt : now + settings.delayS;
  return now >= takenAt
    ? { powered: true, silentSince, heard: last, taken: last, takenAt: null }
    : { powered: true, silentSince, heard: last, taken: state.taken, takenAt };
}

const isLost = ({ silentSince }: LinkState, { settings, now }: Told) =>
  silentSince !== null && now >= silentSince + settings.lostS;

export const linkWaits = (state: LinkState, told: Told, other: string): Wait[] => {
  const waits: Wait[] = [];
  if (state.takenAt !== null)
    waits.push({ until: state.takenAt, text: `hears ${other}`, done: `${other} heard` });
  if (state.powered && state.silentSince !== null && !isLost(state, told))
    waits.push({
      until: state.silentSince + told.settings.lostS,
      text: `listens for ${other}`,
      done: `${other} lost`,
    });
  return waits;
};

/** Powered, and lost the other. */
export const hasLost = (state: LinkState, told: Told): boolean => state.powered && isLost(state, told);
