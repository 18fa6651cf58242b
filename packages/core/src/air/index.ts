/** Air in ducts: friction, dampers, fans, and the steady flow of a network of them. */
export * from './damper';
export * from './fan';
export * from './fit';
export * from './friction';
export * from './network';
export * from './rooms';
export * from './sizing';
export * from './zoned';
