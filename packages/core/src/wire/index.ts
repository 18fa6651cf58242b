/** What to land next: a plan as steps in walking order, the power-off gate, the circuit partway through. */
export { partway } from './apply';
export { cardsOf } from './cards';
export type { Card, Landing } from './cards';
export * from './document';
export { followPlan } from './follow';
export type { Followed, PlanView } from './follow';
export { stripMm, tagOf } from './step';
export type { Step, StepKind } from './step';
export { stepsOf } from './steps';
export { isGate } from './list-event';
export type { EndReason, ListEvent, Ticked } from './list-event';
export { broughtTo, isOpenAt, isReady, ticksOf, toggled } from './ticks';
export type { Shut, Ticks } from './ticks';
export { walk } from './walk';
export type { Stop } from './walk';
export type { Task } from './task';
