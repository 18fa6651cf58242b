/** Small bodies that are made to keep a server busy: for tests and the bench. */
import { zipSync, strToU8 } from 'fflate';

interface Hostile {
  what: string;
  method: 'POST' | 'PUT';
  path: string;
  type: 'application/json' | 'application/zip';
  body: string | Uint8Array;
}

const SIZES = [300, 6000, 60_000, 650_000] as const;

/** Lists of nothings where a list of something is wanted. */
const nothings = (count: number): string => `[${new Array(count).fill('{}').join()}]`;
const nested = (depth: number): string => `${'['.repeat(depth)}${']'.repeat(depth)}`;
const manyFields = (count: number): string =>
  `{${Array.from({ length: count }, (_, i) => `"f${i}":1`).join()}}`;

/** Something of each sort, of a size in pieces. */
const ODD: Readonly<Record<string, (count: number) => string>> = {
  nothings,
  nested: (count) => nested(Math.min(count, 200_000)),
  'many fields': (count) => manyFields(Math.min(count, 120_000)),
  'one text': (count) => JSON.stringify('x'.repeat(count)),
  'lists of lists': (count) => `[${new Array(Math.floor(count / 10)).fill('[[],[],[]]').join()}]`,
};

/** Where a list is wanted, by route. */
const places = (
  job: string,
  site: string,
): readonly [Hostile['method'], string, (odd: string) => string][] => [
  ['POST', '/api/jobs', (odd) => `{"name":"x","site":"x","circuit":{"devices":${odd}}}`],
  ['POST', '/api/jobs', (odd) => `{"name":"x","site":"x","circuit":${odd}}`],
  ['POST', `/api/jobs/${job}/revisions`, (odd) => `{"base":1,"circuit":{"cables":${odd}}}`],
  ['PUT', `/api/jobs/${job}/survey`, (odd) => `{"base":0,"survey":{"runs":${odd}}}`],
  ['PUT', `/api/jobs/${job}/plan`, (odd) => `{"base":0,"plan":{"version":2,"events":${odd}}}`],
  ['PUT', `/api/jobs/${job}/diagnosis`, (odd) => `{"base":0,"diagnosis":{"observed":${odd}}}`],
  ['PUT', `/api/sites/${site}/building`, (odd) => `{"base":0,"building":{"units":${odd}}}`],
  ['POST', `/api/jobs/${job}/record/many`, (odd) => `{"entries":${odd}}`],
  ['POST', `/api/jobs/${job}/readings`, (odd) => odd],
];

/** About two hundred of them, none larger than what is taken. */
export function hostileBodies(job: string, site: string): Hostile[] {
  const bodies = places(job, site).flatMap(([method, path, around]) =>
    Object.entries(ODD).flatMap(([what, odd]) =>
      SIZES.map((count): Hostile => {
        const body = around(odd(count));
        return {
          what: `${what}, ${count}`,
          method,
          path,
          type: 'application/json',
          body: body.slice(0, 2_000_000),
        };
      }),
    ),
  );
  const zips = ['revisions', 'readings', 'record', 'documents', 'photographs'].flatMap((file) =>
    SIZES.map((count): Hostile => {
      const manifest = {
        format: 'zygostat-bundle',
        version: 1,
        written: new Date(0).toISOString(),
        jobs: ['j'],
      };
      const files = {
        'manifest.json': strToU8(JSON.stringify(manifest)),
        [`jobs/j/${file}.json`]: strToU8(nothings(count)),
      };
      return {
        what: `a bundle, ${file}, ${count}`,
        method: 'POST',
        path: '/api/bundles',
        type: 'application/zip',
        body: zipSync(files),
      };
    }),
  );
  return [...bodies, ...zips];
}
