import { AREAS, patternsOf } from './scripts/mutate/areas.mjs';

/**
 * `npm run mutate [-- area,area]`: what the core's tests would not notice. Measured apart from `npm test`, for it takes
 * hours. Prose is left out: no test should pin a sentence's every word, and a code of the core that is spelt wrong
 * does not pass the type check.
 */
const wanted = process.env.MUTATE?.split(',') ?? Object.keys(AREAS);

export default {
  testRunner: 'core',
  plugins: ['./scripts/mutate/runner.mjs'],
  mutate: [
    ...wanted.flatMap(patternsOf),
    '!packages/core/src/**/*.test.ts',
    '!packages/core/src/**/words.ts',
  ],
  mutator: { excludedMutations: ['StringLiteral'] },
  ignoreStatic: true,
  coverageAnalysis: 'perTest',
  concurrency: Number(process.env.MUTATE_WORKERS ?? 2),
  // No mutant is tried for longer (runner.mjs), so one that takes longer hangs.
  timeoutMS: 75_000,
  timeoutFactor: 0,
  ignorePatterns: ['packages/app', 'packages/server', 'e2e', 'docs', 'test-results', 'dist', 'data'],
  tempDirName: 'test-results/stryker',
  reporters: ['progress-append-only', 'json'],
  jsonReporter: { fileName: 'test-results/mutation.json' },
};
