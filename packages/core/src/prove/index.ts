/** Exhaustive check of a circuit: every call, safety and supply against what must always hold. */
export { bypassesIn } from './bypassed';
export type { Bypassed } from './bypassed';
export * from './cases';
export { judgeState } from './judge';
export { judgeStructure } from './judge-structure';
export { judgedState } from './judged-state';
export { PROPERTIES, SEVERITY } from './properties';
export type { Severity } from './properties';
export { isProven, prove, stageOf } from './prove';
export type { Finding, Progress, Proof } from './prove';
export * from './repair';
export type { Situation } from './situation';
export { LONGEST_S, REST_S, runCase, supply } from './supplied';
export type { Supplied } from './supplied';
export { displacedBy, sweep, wrongLandings } from './sweep';
export type { Mistake, WrongLanding } from './sweep';
export { fieldConductors, lineTerminals } from './terminals';
export type { PropertyId, Violation } from './violation';
