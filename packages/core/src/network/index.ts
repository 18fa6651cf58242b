/** Phasor nodal analysis: compile, factorise, solve, measure, and read the result. */
export { compile, LEAK_SIEMENS } from './compile';
export type { Branch, Installed, Network } from './compile';
export type { Bridge, Fault } from './faults';
export * from './measure';
export { joinedBy, secondariesOf, survey } from './nets';
export type { Secondary, Standing, Survey } from './nets';
export { loadPath } from './path';
export type { LoadPath, Step } from './path';
export * from './solve';
