/** The circuit document: types, schema, reading and editing. */
export * from './disagreements';
export * from './edit';
export * from './find';
export * from './merge';
export * from './parse';
export * from './problem';
export * from './read-in';
export { circuitSchema, LIMITS } from './schema';
export * from './terminal-functions';
export * from './terminals';
export * from './types';
