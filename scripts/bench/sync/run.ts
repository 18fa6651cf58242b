/** The sync model over thousands of runs: three phones and a real server, in orders drawn at random. */
import { report } from '../report';
import { runShards } from '../shards';
import type { Row } from './shard';

const RUNS = Number(process.argv[2] ?? 10_000);

async function main(): Promise<void> {
  const rows = await runShards<Row>('scripts/bench/sync/shard.ts', RUNS);
  const seeds = (of: (row: Row) => boolean) => {
    const found = rows.filter(of).map(({ seed }) => seed);
    return found.length > 0 ? `; seeds ${found.slice(0, 10).join(', ')}` : '';
  };
  const sum = (of: (row: Row) => number) => rows.reduce((all, row) => all + of(row), 0);

  report('sync_runs', rows.length, 'runs', 'aim: 10 000 or more');
  report(
    'sync_lost',
    sum(({ lost }) => lost),
    'changes',
    `kept on a disk, neither overwritten nor decided by a person, and nowhere; aim: 0${seeds(({ lost }) => lost > 0)}`,
  );
  report(
    'gate_reticked',
    sum(({ reticked }) => reticked),
    'times',
    `a step of the power-off gate stands that was taken back after it was ticked; aim: 0${seeds(({ reticked }) => reticked > 0)}`,
  );
  report(
    'sync_diverged',
    sum(({ diverged }) => diverged),
    'documents',
    `shown differently after all have met; aim: 0${seeds(({ diverged }) => diverged > 0)}`,
  );
  if (sum(({ lost, reticked, diverged }) => lost + reticked + diverged) > 0) process.exitCode = 1;
}

void main();
