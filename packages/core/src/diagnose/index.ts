/** From a symptom to what is wrong: hypotheses, what each predicts, what is left after observations, what to do next. */
export { COSTS } from './costs';
export type { Costs, Whereabouts } from './costs';
export { makeDictionary, stateAtRest, operatingState } from './dictionary';
export type { Air, Dictionary, Prediction, OperatingState } from './dictionary';
export { hypothesesOf, remedyKey } from './hypotheses';
export type { Failure, Hypothesis, Remedy } from './hypotheses';
export { adviser, nextSteps } from './next/next';
export type { Advice } from './next/next';
export type { Step } from './next/candidates';
export type { Answer } from './next/answers';
export { isSettled, rank } from './rank';
export type { Group, Ranking } from './rank';
export type { Observation } from './observation';
