/** Exhaustive check of a circuit: every call, safety and supply against what must always hold. */
export * from './cases';
export * from './judge';
export * from './properties';
export { LONGEST_S, proofInWords, prove, restOf, runCase, stageOf } from './prove';
export type { Finding, Progress, Proof } from './prove';
export * from './repair';
export { sweep, wrongLandings } from './sweep';
export type { Mistake } from './sweep';
export { fieldConductors, lineTerminals } from './terminals';
