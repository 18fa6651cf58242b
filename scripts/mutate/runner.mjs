/** A test runner for Stryker over `harness.mjs`: only the tests that reach a mutant, the most telling first. */
import { PluginKind, declareFactoryPlugin } from '@stryker-mutator/api/plugin';
import {
  DryRunStatus,
  TestStatus,
  determineHitLimitReached,
  toMutantRunResult,
} from '@stryker-mutator/api/test-runner';
import { readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { isSampled } from './areas.mjs';
import { bundle, evaluate, failureOf } from './harness.mjs';

/** A mutant that no test has noticed by then counts as missed: the score is never better than it should be. */
const MOST_MS = 45_000;
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

/** How long tests took without a mutant, for the processes that did not run them all. */
const TIMES = join(tmpdir(), `zygostat-mutate-${process.ppid}.json`);

const fileOf = (id) => id.split(' › ')[0];

class CoreRunner {
  /** By test, how many mutants it was run on and how many of them it caught. */
  record = new Map();

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
    const loading = {};
    const files = evaluate(this.script, this.root);
    const { perTest } = stryker.mutantCoverage;
    for (const [file, load] of files) {
      stryker.currentTestId = file;
      const loadedAt = performance.now();
      const found = load();
      loading[file] = performance.now() - loadedAt;
      for (const test of found) {
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
    const took = Object.fromEntries(tests.map(({ id, timeSpentMs }) => [id, timeSpentMs]));
    writeFileSync(TIMES, JSON.stringify({ loading, took }));
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

  /** Runs tests, the most telling first; a file is loaded when its first test is due. */
  async untilOneFails(ids) {
    const tests = [];
    const last = performance.now() + MOST_MS;
    try {
      const files = evaluate(this.script, this.root);
      const loaded = new Map();
      for (const id of this.mostTellingFirst(ids)) {
        const file = fileOf(id);
        if (!loaded.has(file))
          loaded.set(
            file,
            new Map(
              files
                .get(file)()
                .map((test) => [test.id, test]),
            ),
          );
        const test = loaded.get(file).get(id);
        const startedAt = performance.now();
        const failure = await failureOf(test);
        tests.push(resultOf(test, failure, startedAt));
        this.keep(id, failure !== undefined);
        if (failure !== undefined || performance.now() > last) return tests;
      }
    } catch (error) {
      // A mutant may keep a module or a test file from loading, or a test from being named: that is noticed too.
      tests.push(resultOf({ id: ids[0] }, String(error), performance.now()));
    }
    return tests;
  }

  keep(id, caughtIt) {
    const { runs, caught } = this.record.get(id) ?? { runs: 0, caught: 0 };
    this.record.set(id, { runs: runs + 1, caught: caught + (caughtIt ? 1 : 0) });
  }

  /** By the time a test takes for each mutant it may be expected to catch, going by those it was run on. */
  mostTellingFirst(ids) {
    const { loading, took } = (this.times ??= JSON.parse(readFileSync(TIMES, 'utf8')));
    const cost = (id) => {
      const { runs, caught } = this.record.get(id) ?? { runs: 0, caught: 0 };
      return ((took[id] + loading[fileOf(id)]) * (runs + 2)) / (caught + 0.5);
    };
    return [...ids].sort((one, other) => cost(one) - cost(other));
  }
}

export const strykerPlugins = [declareFactoryPlugin(PluginKind.TestRunner, 'core', () => new CoreRunner())];
