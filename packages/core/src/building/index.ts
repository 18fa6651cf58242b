/** A site: its units walked, what hangs on which detector, its air added up. */
export * from './air';
export * from './document';
export * from './map';
export * from './things';
export * from './walk';
