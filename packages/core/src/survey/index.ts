/** The survey: which system stands here, and how it was found wired. */
export * from './as-found';
export * from './customary';
export * from './document';
export * from './ends';
export * from './features';
export * from './discrepancies';
export * from './identify';
