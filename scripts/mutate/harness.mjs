/**
 * The core's tests in one bundle, without a process or a module loader between a mutant and the test that catches it.
 * Jest's own `expect` and `each` judge and name the tests; only the running of them is done here, because Jest loads
 * every test file anew for every mutant: five seconds each, where the tests that matter take a tenth of one.
 */
import { build } from 'esbuild';
import { createRequire } from 'node:module';
import { existsSync, readdirSync } from 'node:fs';
import { dirname } from 'node:path';
import vm from 'node:vm';
import { bind } from 'jest-each';
import { expect } from 'expect';

/** The folders whose tests are run; a file's own name where only it is mutated. */
const TESTED = ['network/measure', 'wire', 'behaviour', 'plan', 'prove', 'circuit', 'testing/tables'];

const isTested = (file) =>
  file.endsWith('.test.ts') &&
  TESTED.some((part) => file.startsWith(`${part}/`) || file === `${part}.test.ts`);

/**
 * One script that first loads the core and then calls `__file` with each test file's name and how to load it: what the
 * core works out as it loads is told apart from what a test file works out for its tests.
 */
export async function bundle(root) {
  const core = `${root}/packages/core/src`;
  const files = readdirSync(core, { recursive: true }).filter(isTested).sort();
  const quoted = (file) => JSON.stringify(`${core}/${file}`);
  const indexes = [...new Set(files.map((file) => `${dirname(file)}/index.ts`))].filter((file) =>
    existsSync(`${core}/${file}`),
  );
  const contents = [
    ...indexes.map((file) => `require(${quoted(file)});`),
    ...files.map((file) => `__file(${JSON.stringify(file)}, () => require(${quoted(file)}));`),
  ];
  const built = await build({
    stdin: { contents: contents.join('\n'), resolveDir: root, loader: 'js' },
    bundle: true,
    write: false,
    platform: 'node',
    target: 'node20',
    logLevel: 'error',
  });
  return new vm.Script(built.outputFiles[0].text, { filename: 'core-tests.js' });
}

/** Evaluates the bundle afresh, so that nothing a mutant has put in a cache is left: by file, how to load its tests. */
export function evaluate(script, root) {
  const files = new Map();
  const require = createRequire(`${root}/packages/core/package.json`);
  const __file = (file, load) => files.set(file, () => testsOf(file, load));
  Object.assign(globalThis, { expect, require, module: { exports: {} }, __file });
  script.runInThisContext();
  return files;
}

function testsOf(file, load) {
  const tests = [];
  let path = [];
  const describe = (name, body) => {
    const before = path;
    path = [...path, name];
    body();
    path = before;
  };
  const test = (name, body) => tests.push({ id: [...path, name].join(' › '), body });
  test.each = bind(test, false);
  describe.each = bind(describe, false);
  Object.assign(globalThis, { test, describe });
  describe(file, load);
  return tests;
}

/** Runs one test: what went wrong, or nothing. */
export async function failureOf({ body }) {
  try {
    await body();
    return undefined;
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
}
