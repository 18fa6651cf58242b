/** Drawings as plain shapes: geometry only. */
export { layLoom } from './loom';
export * from './shapes';
