/** How a circuit behaves: settle to a steady state, let time pass, say what is going on. */
export * from './advance';
export * from './bench';
export * from './contacts';
export * from './faces';
export * from './inputs';
export * from './loads';
export * from './primary';
export type * from './reasons';
export * from './rungs';
export { runningOn } from './running-on';
export * from './script';
export * from './settle';
export type { News, Status } from './status';
export type { Cause, Stretch } from './trace';
export * from './verdict';
export * from './timeline';
export * from './view';
export { spiltIn } from './water';
