/** The record of a job: what was bypassed, noticed, proven, by whom and when. */
export * from './chain';
export * from './commission';
export type { ReportLanding, ReportValue } from './compared';
export * from './entry';
export * from './panel-steps';
export * from './report';
export * from './standing';
export { wiringMark } from './wiring';
export type { Work } from './work';
