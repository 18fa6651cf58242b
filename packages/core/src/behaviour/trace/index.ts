/** Why loads run or do not: found in the model, never guessed from the symptom. */
export { gravest, partsOf } from './cause';
export type { Cause } from './cause';
export { causeOfDeadHot, causeOfMissing } from './missing';
export { plainFault } from './plain';
export { traceOf } from './trace';
export type { Trace } from './trace';
export { causeOfRunning } from './running';
export { causeOfOpening, causeOfShort } from './short';
export type { Stretch } from './short';
