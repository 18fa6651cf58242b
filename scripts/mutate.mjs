/** `npm run mutate [-- area,area]`: changes the core's code one small thing at a time and counts what no test notices. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, bin, ensureInstalled, must } from './lib.mjs';
import { AREAS, isIn, scoreOf } from './mutate/areas.mjs';

const wanted = process.argv[2]?.split(',') ?? Object.keys(AREAS);
const strange = wanted.filter((area) => !Object.hasOwn(AREAS, area));
if (strange.length > 0) {
  console.error(`No area ${strange.join(', ')}: there are ${Object.keys(AREAS).join(', ')}.`);
  process.exit(2);
}
await ensureInstalled();
await must(bin('stryker'), ['run'], { env: { MUTATE: wanted.join(',') } });

const { files } = JSON.parse(readFileSync(join(ROOT, 'test-results/mutation.json'), 'utf8'));
const mutantsIn = (area) =>
  Object.entries(files).flatMap(([file, { mutants }]) => (isIn(area, file) ? mutants : []));

function tell(metric, mutants) {
  const { value, of } = scoreOf(mutants);
  console.log(JSON.stringify({ metric, value, unit: '%', note: `${of} mutants; aim at least 85` }));
}
for (const area of wanted) tell(`mutation_${area}`, mutantsIn(area));
tell('mutation_score', wanted.flatMap(mutantsIn));
