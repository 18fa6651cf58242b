/** Drawings as plain shapes: geometry only. */
export * from './air';
export * from './ladder';
export { layLoom } from './loom';
export * from './loom/shapes';
export * from './rooms';
export * from './shapes';
export * from './symbols';
export * from './timeline';
