/** Open formats in and out. */
export * from './circuit-json';
export { writeCsv } from './csv';
export * from './diagram-sheet';
export * from './json-schema';
export * from './paper';
export * from './spice';
export * from './svg';
export * from './svg-air';
export * from './svg-rooms';
export * from './wire-list';
export * from './wire-schedule';
