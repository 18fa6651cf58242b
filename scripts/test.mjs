/** `npm test`: installs what is missing, then typecheck, lint, unit tests and browser tests; one line sums them up. */
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, bin, ensureBuilt, ensureDebian, ensureInstalled, run, say } from './lib.mjs';

const RESULTS = join(ROOT, 'test-results');
const JEST = join(RESULTS, 'jest.json');
const BROWSER = join(RESULTS, 'playwright.json');

await ensureInstalled();
await ensureDebian([
  { command: 'chromium', name: 'chromium' },
  { command: 'ngspice', name: 'ngspice' },
]);
rmSync(RESULTS, { recursive: true, force: true });
mkdirSync(RESULTS, { recursive: true });

/** What is held to the house's order. */
const SOURCES = ['packages/core/src', 'packages/server/src', 'packages/app/src'];

const sum = { passed: 0, failed: 0 };

/** A check that is a test of its own: it passes or it fails. */
async function check(title, command, args) {
  say(title);
  sum[(await run(command, args)) === 0 ? 'passed' : 'failed'] += 1;
}

/** Runs a suite and counts from the report it writes; a missing report is a failure. */
async function suite(title, command, args, report, count, env = {}) {
  say(title);
  const code = await run(command, args, { env });
  const counted = existsSync(report)
    ? count(JSON.parse(readFileSync(report, 'utf8')))
    : { passed: 0, failed: 0 };
  sum.passed += counted.passed;
  // A suite that failed without a failing test did not load, or ran none.
  sum.failed += code !== 0 && counted.failed === 0 ? 1 : counted.failed;
}

const countJest = ({ numPassedTests, numFailedTests, numRuntimeErrorTestSuites }) => ({
  passed: numPassedTests,
  failed: numFailedTests + numRuntimeErrorTestSuites,
});
const countBrowser = ({ stats }) => ({
  passed: stats.expected,
  // What passes only at the second try does not pass.
  failed: stats.unexpected + stats.flaky,
});

for (const part of ['packages/core', 'packages/server', 'packages/app', 'e2e', 'scripts'])
  await check(`Checking types: ${part}`, bin('tsc'), ['-p', part]);
await check('Linting', bin('eslint'), ['.', '--max-warnings', '0']);
await check('Checking who imports whom', bin('depcruise'), [
  '--config',
  '.dependency-cruiser.cjs',
  ...SOURCES,
]);
await check('Looking for exports nobody uses', bin('knip'), ['--include', 'exports,types,files']);
await check('Checking format', bin('prettier'), ['--check', '--log-level', 'warn', '.']);
await suite('Unit tests', bin('jest'), ['--json', `--outputFile=${JEST}`], JEST, countJest);
await ensureBuilt();
await suite(
  'Browser tests',
  bin('playwright'),
  ['test', '-c', 'e2e/playwright.config.ts'],
  BROWSER,
  countBrowser,
);

console.log(`${sum.passed} passed, ${sum.failed} failed`);
process.exit(sum.failed === 0 && sum.passed > 0 ? 0 : 1);
