/** Conductors of one cable tested by the fewest readings. */
export { faultFound, followCableTest, lengthToBreak, withDead } from './cable-test';
export type { CableAnswer, CableReading, CableStanding, ConductorState } from './cable-test';
export { fewestReadings, mostReadings } from './group-test';
