/** Drawings as plain shapes: geometry only. */
export * from './air';
export * from './ladder';
export { layLoom } from './loom';
export * from './rooms';
export * from './symbols';
export * from './timeline';
export * from './shapes';
