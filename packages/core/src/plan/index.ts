/** What goes where: thermostat swaps, conductor allocation, the sums, and adding a device. */
export * from './functions';
export { assign } from './assign';
export * from './diff';
export { allocate, candidatesOf, costOf, needsOf } from './landing';
export type { Allocation, Candidate, Need } from './landing';
export { planSwap } from './swap';
export type { Planning, Swap, SwapOption } from './swap';
export type { WayId } from './ways';
export { setUpOf, screwFor } from './wish';
export type { SetUp, Supply, Wish } from './wish';
