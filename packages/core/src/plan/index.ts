/** What goes where: thermostat swaps, conductor allocation, the sums, and adding a device. */
export * from './functions';
export { assign } from './assign';
export * from './diff';
export { allocate, candidatesOf, commonAt, costOf, needsOf } from './landing';
export type { Allocation, Candidate, Need } from './landing';
export { planSwap } from './swap';
export type { Planning, Swap, SwapOption } from './swap';
export type { WayId } from './ways';
export { setUpOf, screwFor } from './wish';
export type { SetUp, Supply, Wish } from './wish';
export { CONTROL_GAUGES, voltageDrops } from './drop';
export type { Drop, WayPoint } from './drop';
export { advisedFuse, fuseSums, opensFrom } from './fuse';
export type { FuseSum, ShortAt } from './fuse';
export { inrushPoint, transformerLoads } from './load';
export type { Burden, Primary, TransformerLoad } from './load';
export { LOW_MAINS, workingStates } from './states';
export * from './insert';
