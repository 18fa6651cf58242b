/** Phasor nodal analysis: compile, factorise, solve, measure, and read the result. */
export { adjacent, bypassesIn } from './bypassed';
export type { Bypassed } from './bypassed';
export { compile, LEAK_SIEMENS } from './compile';
export type { Installed, Network, Secondary } from './compile';
export type { Branch, Overlay } from './draft';
export * from './overlay';
export { solveHeld, voltsHeld } from './held';
export { TOUCHING_OHMS } from './faults';
export type { Bridge, Fault } from './faults';
export * from './measure';
export { directSupply, galvanicLine, joinedBy, passing, pathNets, classifyNodes } from './nets';
export type { Standing, NodeClasses } from './nets';
export { loadPath, polesOf, supplyPath } from './path';
export type { LoadPath, Step } from './path';
export * from './solve';
export * from './update';
