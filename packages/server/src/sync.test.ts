/** The sync model, some runs of it: three phones and the real server, in orders drawn at random. `npm run bench:sync` has thousands. */
import * as fc from 'fast-check';
import { makeTestServer } from './testing/server';
import { runSync } from './testing/sync/run';

const { db, stop } = makeTestServer();
afterAll(stop);

test('nothing kept is lost, no gate is ticked again, and all show the same in the end', () => {
  const drawn = new Set<number>();
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 10_000 }), (seed) => {
      // Each run has a job of its own, by its seed.
      fc.pre(!drawn.has(seed) && Boolean(drawn.add(seed)));
      expect(runSync(db, seed)).toEqual({ lost: [], diverged: [], reticked: 0 });
    }),
    // A seed of its own on each machine tries other orders: ZYGOSTAT_SEED=7 npx jest sync.test
    { seed: Number(process.env.ZYGOSTAT_SEED ?? 37), numRuns: 60, endOnFailure: true },
  );
});
