/** Why loads run or do not: found in the model, never guessed from the symptom. */
export { gravest, partsOf } from './cause';
export type { Cause } from './cause';
export { causeOfDeadHot, causeOfMissing } from './missing';
export { partnersOf } from './over-air';
export { plainFault, touchingAt } from './plain';
export { endsOf, traceOf } from './trace';
export type { Trace } from './trace';
export { wholeRow } from './row';
export { causeOfRunning } from './running';
export { causeOfOpening, causeOfShort, isShorted } from './short';
export type { Stretch } from './short';
