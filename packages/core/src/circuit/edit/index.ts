/**
 * Editing functions: a circuit in, a new circuit out, the old one untouched. Each
 * refuses an edit that would leave the document invalid, naming what is wrong.
 */
export * from './cables';
export * from './conductors';
export * from './devices';
export { EditError } from './edit-error';
export * from './ids';
export * from './links';
