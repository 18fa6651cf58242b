/** A test runner for Stryker over `harness.mjs`: only the tests that reach a mutant, the quickest first. */
import { PluginKind, declareFactoryPlugin } from '@stryker-mutator/api/plugin';
import {
  DryRunStatus,
  TestStatus,
  determineHitLimitReached,
  toMutantRunResult,
} from '@stryker-mutator/api/test-runner';
import { performance } from 'node:perf_hooks';
import { isSampled } from './areas.mjs';
import { bundle, evaluate, failureOf } from './harness.mjs';

/** A mutant that no test has noticed by then counts as missed: the score is never better than it should be. */
const MOST_MS = 10_000;
/** Where Stryker's instrumented code reads which mutant is on and counts what it reaches. */
const stryker = (globalThis.__stryker__ ??= {});

/** Adds the hits of loading a test file to those of one of its tests. */
function merged(coverage, loading) {
  const sum = { ...coverage };
  for (const [mutant, hits] of Object.entries(loading ?? {})) sum[mutant] = (sum[mutant] ?? 0) + hits;
  return sum;
}

/** Of the mutants a test reaches, those of the sample. */
const sampled = (coverage) => Object.fromEntries(Object.entries(coverage).filter(([id]) => isSampled(id)));

function resultOf(test, failure, startedAt) {
  const told = { id: test.id, name: test.id, timeSpentMs: performance.now() - startedAt };
  return failure === undefined
    ? { ...told, status: TestStatus.Success }
    : { ...told, status: TestStatus.Failed, failureMessage: failure };
}

class CoreRunner {
  capabilities() {
    return { reloadEnvironment: true };
  }

  async init() {
    // Stryker has moved this process to its copy of the project by now.
    this.root = process.cwd();
    this.script = await bundle(this.root);
  }

  async dryRun() {
    stryker.activeMutant = undefined;
    stryker.mutantCoverage = { static: {}, perTest: {} };
    const tests = [];
    const files = evaluate(this.script, this.root);
    const { perTest } = stryker.mutantCoverage;
    for (const [file, load] of files) {
      stryker.currentTestId = file;
      for (const test of load()) {
        stryker.currentTestId = test.id;
        const startedAt = performance.now();
        tests.push(resultOf(test, await failureOf(test), startedAt));
        perTest[test.id] = merged(perTest[test.id], perTest[file]);
      }
    }
    stryker.currentTestId = undefined;
    // What a file works out as it loads counts for its tests; there is no test of the file's own name.
    stryker.mutantCoverage.perTest = Object.fromEntries(
      tests.map(({ id }) => [id, sampled(perTest[id] ?? {})]),
    );
    return { status: DryRunStatus.Complete, tests, mutantCoverage: stryker.mutantCoverage };
  }

  async mutantRun({ activeMutant, testFilter, hitLimit }) {
    Object.assign(stryker, {
      activeMutant: activeMutant.id,
      hitLimit,
      hitCount: hitLimit === undefined ? undefined : 0,
      mutantCoverage: undefined,
    });
    const run = await this.untilOneFails(testFilter);
    const reached = determineHitLimitReached(stryker.hitCount, hitLimit);
    return toMutantRunResult(reached ?? { status: DryRunStatus.Complete, tests: run });
  }

  async untilOneFails(ids) {
    const wanted = new Set(ids);
    const tests = [];
    const last = performance.now() + MOST_MS;
    try {
      for (const load of this.filesFor(wanted)) {
        for (const test of load()) {
          if (!wanted.has(test.id)) continue;
          const startedAt = performance.now();
          const failure = await failureOf(test);
          tests.push(resultOf(test, failure, startedAt));
          if (failure !== undefined || performance.now() > last) return tests;
        }
      }
    } catch (error) {
      // A mutant may keep a module or a test file from loading: that is noticed too.
      tests.push(resultOf({ id: ids[0] }, String(error), performance.now()));
    }
    return tests;
  }

  /** The test files with a wanted test, the quickest first; files without one are never loaded. */
  filesFor(wanted) {
    const reached = new Set([...wanted].map((id) => id.split(' › ')[0]));
    return [...evaluate(this.script, this.root)]
      .filter(([file]) => reached.has(file))
      .sort(([one], [other]) => costOf(one) - costOf(other))
      .map(([, load]) => load);
  }
}

/** Seconds the slow test files take until they notice most of what they notice: the quick ones go first. */
const COST = {
  'behaviour/status/status.test.ts': 3,
  'testing/tables.test.ts': 1.5,
  'plan/insert.test.ts': 2,
  'plan/sums.test.ts': 6,
  'prove/prove.test.ts': 6,
  'plan/swap.test.ts': 13,
  'prove/repair/repair.test.ts': 40,
};

const costOf = (file) => COST[file] ?? 1;

export const strykerPlugins = [declareFactoryPlugin(PluginKind.TestRunner, 'core', () => new CoreRunner())];
