/** Tables and formulas of the trade, each with its source beside it. */
export * from './air';
export * from './colours';
export * from './limits';
export * from './motor';
export * from './radio';
export * from './units';
export * from './water';
export * from './wire';
