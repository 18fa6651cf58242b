/** Three projects: the core and the server on Node, the app on the web target. */
const project = (name, preset, more = {}) => ({
  displayName: name,
  preset,
  rootDir: `packages/${name}`,
  testMatch: ['<rootDir>/src/**/*.test.{ts,tsx}'],
  ...more,
});

export default {
  // Two cores run everything at once in CI; a slow test is not a failed one.
  testTimeout: 120_000,
  // Jest leaves a core free unless told: on two that is one worker, and twice the time.
  maxWorkers: '100%',
  testSequencer: '<rootDir>/scripts/longest-first.mjs',
  projects: [
    project('core', 'jest-expo/node'),
    project('server', 'jest-expo/node', { globalSetup: '<rootDir>/../../scripts/server-built.mjs' }),
    project('app', 'jest-expo/web', {
      // A DOM that also has the fetch, Request and Response every browser has.
      testEnvironment: 'jest-fixed-jsdom',
      setupFiles: ['<rootDir>/src/testing/setup.ts'],
      setupFilesAfterEnv: ['<rootDir>/src/testing/fresh.ts'],
      moduleNameMapper: { '\\.woff2$': '<rootDir>/src/testing/font.ts' },
    }),
  ],
};
