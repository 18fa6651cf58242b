/** A share of the sync model's runs; one JSON line a run. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openDatabase } from '../../../packages/server/src/db/open';
import { runSync } from '../../../packages/server/src/testing/sync/run';

export interface Row {
  seed: number;
  lost: number;
  diverged: number;
  reticked: number;
}

const [shard, shards, runs] = process.argv.slice(2).map(Number) as [number, number, number];
const folder = mkdtempSync(join(tmpdir(), 'zygostat-sync-'));
const { db, close } = openDatabase(join(folder, 'sync.sqlite'), 'packages/server/drizzle');

for (let seed = 1 + shard; seed <= runs; seed += shards) {
  const { lost, diverged, reticked } = runSync(db, seed);
  const row: Row = { seed, lost: lost.length, diverged: diverged.length, reticked };
  console.log(JSON.stringify(row));
}
close();
rmSync(folder, { recursive: true });
