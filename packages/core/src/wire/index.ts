/** What to land next: a plan as steps in walking order, the power-off gate, the circuit partway through. */
export { partway } from './apply';
export { cardsOf } from './cards';
export type { Card, Landing } from './cards';
export * from './document';
export { followPlan } from './follow';
export type { PlanView } from './follow';
export { DEAD_VOLTS } from './gate';
export { stripMm, tagOf } from './step';
export type { Step, StepKind } from './step';
export { stepsOf } from './steps';
export { isOpenAt, isReady, standing, toggled } from './ticks';
export { walk } from './walk';
export type { Stop } from './walk';
export type { Task } from './task';
