/** `npm test`: installs what is missing, then typecheck, lint, unit tests and browser tests; one line sums them up. */
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, bin, ensureBuilt, ensureDebian, ensureInstalled, run, runAside, say } from './lib.mjs';

const RESULTS = join(ROOT, 'test-results');
const JEST = join(RESULTS, 'jest.json');
const BROWSER = join(RESULTS, 'playwright.json');

await ensureInstalled();
await ensureDebian([['chromium-headless-shell', 'chromium'], 'ngspice']);
rmSync(RESULTS, { recursive: true, force: true });
mkdirSync(RESULTS, { recursive: true });

/** What is held to the house's order. */
const SOURCES = ['packages/core/src', 'packages/server/src', 'packages/app/src'];

const sum = { passed: 0, failed: 0 };

/** A check is a test of its own: it passes or it fails. As many at once as there are cores on the smallest machine. */
const AT_ONCE = 2;

async function checkAll(checks) {
  const left = [...checks];
  const worker = async () => {
    for (let check = left.shift(); check; check = left.shift()) {
      const [title, command, args] = check;
      const { code, output } = await runAside(command, args);
      say(`${title}: ${code === 0 ? 'passed' : 'failed'}`);
      if (code !== 0) console.log(output);
      sum[code === 0 ? 'passed' : 'failed'] += 1;
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, worker));
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

await checkAll([
  ['Linting', bin('eslint'), ['.', '--max-warnings', '0']],
  ...['packages/app', 'packages/server', 'packages/core', 'e2e', 'scripts'].map((part) => [
    `Types of ${part}`,
    bin('tsc'),
    ['-p', part],
  ]),
  ['Format', bin('prettier'), ['--check', '--log-level', 'warn', '.']],
  ['Exports nobody uses', bin('knip'), ['--include', 'exports,types,files']],
  ['Who imports whom', bin('depcruise'), ['--config', '.dependency-cruiser.cjs', ...SOURCES]],
]);
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
