/**
 * `npm run mutate [-- area,area [N]]`: changes the core's code one small thing at a time and counts what no test
 * notices; with N, one change in N. What was missed is listed in test-results/mutants.txt.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, bin, ensureInstalled, must } from './lib.mjs';

process.env.MUTATE_EVERY = process.argv[3] ?? '1';
const { AREAS, isIn, scoreOf } = await import('./mutate/areas.mjs');

const wanted = process.argv[2]?.split(',') ?? Object.keys(AREAS);
const strange = wanted.filter((area) => !Object.hasOwn(AREAS, area));
if (strange.length > 0) {
  console.error(`No area ${strange.join(', ')}: there are ${Object.keys(AREAS).join(', ')}.`);
  process.exit(2);
}
await ensureInstalled();
await must(bin('stryker'), ['run'], { env: { MUTATE: wanted.join(',') } });

const RESULTS = join(ROOT, 'test-results');
const { files } = JSON.parse(readFileSync(join(RESULTS, 'mutation.json'), 'utf8'));
const mutantsIn = (area) =>
  Object.entries(files).flatMap(([file, { mutants }]) =>
    isIn(area, file) ? mutants.map((mutant) => ({ ...mutant, file })) : [],
  );

function tell(metric, mutants) {
  const { value, of, missed } = scoreOf(mutants);
  console.log(JSON.stringify({ metric, value, unit: '%', note: `${of} mutants; aim at least 85` }));
  return missed.map(
    ({ file, location, mutatorName, replacement, status }) =>
      `${file}:${location.start.line}:${location.start.column} ${mutatorName} ${status}: ${replacement}`,
  );
}
const missed = wanted.flatMap((area) => tell(`mutation_${area}`, mutantsIn(area)));
if (wanted.length > 1) tell('mutation_score', wanted.flatMap(mutantsIn));
writeFileSync(join(RESULTS, 'mutants.txt'), missed.join('\n'));
