/** An outdoor unit wire by wire: its diagram, the walk along it, what differs, and what is measured before power. */
export * from './checks';
export * from './diagram';
export { unitReport } from './differences';
export type { Difference, EndFound, Told, UnitReport, WireFound } from './differences';
export { walkOf } from './walk';
export type { WalkedWire } from './walk';
