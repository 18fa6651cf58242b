/** The run between the halves of a ductless unit: what each way to land it does. */
export { runEffect, runOf, runWays } from './run';
export type { Run, RunEffect, RunWay } from './run';
