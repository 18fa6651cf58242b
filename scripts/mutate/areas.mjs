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

/** One mutant in this many is tried; the others would take hours more. */
export const EVERY = Number(process.env.MUTATE_EVERY ?? 1);

export const isSampled = (id) => Number(id) % EVERY === 0;

const NOTICED = ['Killed', 'Timeout'];
const MISSED = ['Survived', 'NoCoverage'];

export const isMissed = ({ status }) => MISSED.includes(status);

/** Share of the sampled mutants that a test noticed, percent, and how many there were. */
export function scoreOf(mutants) {
  const tried = mutants.filter(
    (mutant) => isSampled(mutant.id) && (isMissed(mutant) || NOTICED.includes(mutant.status)),
  );
  const missed = tried.filter(isMissed);
  const value = Math.round((1000 * (tried.length - missed.length)) / Math.max(tried.length, 1)) / 10;
  return { value, of: tried.length, missed };
}
