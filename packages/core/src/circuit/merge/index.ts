/** Two people's changes to one circuit put together. */
export type { Choose, Clash, Side } from './clash';
export { mergeCircuits } from './merge';
export type { Merged } from './merge';
