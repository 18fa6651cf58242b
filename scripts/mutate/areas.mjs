/** What `npm run mutate` changes, by area: files and folders of the core. */
export const AREAS = {
  measure: ['network/measure.ts'],
  wire: ['wire/'],
  status: ['behaviour/status/', 'behaviour/trace/'],
  plan: ['plan/'],
  prove: ['prove/'],
};

const SOURCES = 'packages/core/src/';

export const patternsOf = (area) =>
  AREAS[area].map((path) => `${SOURCES}${path}${path.endsWith('/') ? '**/*.ts' : ''}`);

export const isIn = (area, file) => AREAS[area].some((path) => file.startsWith(`${SOURCES}${path}`));

const NOTICED = ['Killed', 'Timeout'];
const MISSED = ['Survived', 'NoCoverage'];

/** Share of the mutants that a test noticed, percent, and how many there were. */
export function scoreOf(mutants) {
  const counted = mutants.filter(({ status }) => [...NOTICED, ...MISSED].includes(status));
  const noticed = counted.filter(({ status }) => NOTICED.includes(status)).length;
  return { value: Math.round((1000 * noticed) / Math.max(counted.length, 1)) / 10, of: counted.length };
}
