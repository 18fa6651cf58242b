/** Two people's changes to one document put together, by what the document is made of. */
export type { Clash, Side } from './clash';
export { withDecision } from './decide';
export { lostEvents } from './lost';
export { mergeParts } from './merge';
export type { Merged } from './merge';
export { events, fields, list, map, nullable, own, set, value } from './part';
export type { Part } from './part';
