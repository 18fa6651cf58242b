/** Air in and out of a building: exhaust against make-up and outdoor air. More out than in puts it under pressure. */
import type { AirPath, Building } from './document';

/** Less than this share of what is moved is even: nobody feels it. From memory. */
const EVEN_SHARE = 0.05;

/** How a building stands. m³/s. */
export interface Balance {
  exhaust: number;
  /** Make-up and outdoor air. */
  supply: number;
  /** `under`: more goes out than comes in. */
  state: 'under' | 'even' | 'over';
}

/** What a building under pressure shows, common practice. */
export const UNDER_SHOWS = ['doors-pull', 'traps-dry', 'smells'] as const;

export interface Air {
  /** With fans on auto standing still, as they do between calls; and with all of them running. */
  between: Balance;
  running: Balance;
  /** What is not known to run all the time and should while people are there: off, or on auto. */
  idle: readonly { id: string; runs: 'off' | 'auto' }[];
  /** Whether that alone is why it is under pressure: with everything on it would not be. */
  cured: boolean;
  /** Paths nobody has looked at: they count as running. */
  unseen: readonly string[];
}

function balanceOf(paths: readonly AirPath[]): Balance {
  const sum = (isOut: boolean) =>
    paths.reduce((flow, one) => flow + ((one.kind === 'exhaust') === isOut ? one.flow : 0), 0);
  const [exhaust, supply] = [sum(true), sum(false)];
  const apart = supply - exhaust;
  const even = Math.abs(apart) <= EVEN_SHARE * Math.max(exhaust, supply);
  return { exhaust, supply, state: even ? 'even' : apart < 0 ? 'under' : 'over' };
}

/** Adds up a building's air. */
export function airOf({ air }: Pick<Building, 'air'>): Air {
  const brings = (one: AirPath) => one.kind !== 'exhaust';
  const between = balanceOf(air.filter(({ runs }) => runs === 'on' || runs === null));
  const idle = air.flatMap((one) =>
    brings(one) && (one.runs === 'off' || one.runs === 'auto') ? [{ id: one.id, runs: one.runs }] : [],
  );
  const mended = balanceOf(
    air.filter((one) => (brings(one) ? true : one.runs !== 'off' && one.runs !== 'auto')),
  );
  return {
    between,
    running: balanceOf(air.filter(({ runs }) => runs !== 'off')),
    idle,
    cured: between.state === 'under' && mended.state !== 'under',
    unseen: air.filter(({ runs }) => runs === null).map(({ id }) => id),
  };
}
