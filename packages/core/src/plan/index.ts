/** What goes where: thermostat swaps, conductor allocation, the sums, and adding a device. */
export * from './field/functions';
export { assign } from './field/assign';
export * from './diff';
export { commonAt } from './field/common';
export { allocate, candidatesOf, costOf, needsOf } from './swap/landing';
export type { Allocation, Candidate, Need } from './swap/landing';
export { harmOf } from './harm';
export { planSwap } from './swap/swap';
export type { Planning, Swap, SwapOption } from './swap/swap';
export type { Method } from './swap/alternatives';
export type * from './swap/reason';
export type { Part, SpareUsed } from './field/part';
export { setUpOf, screwFor } from './swap/swap-request';
export type { SetUp, Supply, SwapRequest } from './swap/swap-request';
export * from './sums';
export * from './insert/insert';
export { planRun } from './run/run';
export type { RunMethod, RunRepair } from './run/run';
