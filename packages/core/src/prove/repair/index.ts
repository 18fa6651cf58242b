/** The change that puts a finding right: never at the price of another violation or of a protection. */
export { guardsOf, keepsGuards } from './guards';
export { repairOf } from './search';
export type { Repair } from './search';
export type { Change } from './change';
