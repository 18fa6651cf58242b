/**
 * How two calls share one conductor: each comes through a resistance of its own, so that the volts at
 * the splitter's input, as a share of its supply, say which of them are made. Values of our own, for the
 * simulated adapter.
 */
export const COMBINER_OHMS = { first: 1000, second: 2200 } as const;
export const SPLITTER_OHMS = 1000;

/** Shares of the supply between which each combination of calls lies. */
const SECOND_FROM = 0.2;
const FIRST_FROM = 0.41;
const BOTH_FROM = 0.548;

/** Which calls a share of the supply stands for. */
export function callsAt(share: number): { first: boolean; second: boolean } {
  return {
    first: share >= FIRST_FROM,
    second: share >= BOTH_FROM || (share >= SECOND_FROM && share < FIRST_FROM),
  };
}
