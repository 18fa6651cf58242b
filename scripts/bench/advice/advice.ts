/**
 * `npm run bench:advice [every] [systems]`: every system with every single mistake, what is proposed and what is said. With
 * a number only every so-manieth mistake is gone through, with names only those systems. What falls short goes to stderr, the table too.
 */
import { report } from '../report';
import { runShards } from '../shards';
import type { Row } from './rows';
import { merge } from './rows';

const every = Number(process.argv[2] ?? 1);
const systems = process.argv[3] ?? '';
const rows = new Map<string, Row>();

/** The table by system, then the metrics over all of them. */
function tell(): void {
  console.error(
    'system                     mistakes shown repaired harm missed slowest ms | states named blamed',
  );
  for (const row of rows.values())
    console.error(
      [
        row.system.padEnd(26),
        ...[row.mistakes, row.shown, row.repaired, row.harm, row.missed, Math.round(row.slowestMs)].map(
          (value) => `${value}`.padStart(8),
        ),
        '|',
        ...[row.states, row.named, row.blamed].map((value) => `${value}`.padStart(7)),
      ].join(' '),
    );

  const sum = (key: Exclude<keyof Row, 'system'>) =>
    [...rows.values()].reduce((total, row) => total + row[key], 0);
  const over = `${rows.size} systems, ${sum('mistakes')} mistakes${every > 1 ? `, one in ${every}` : ''}`;
  report(
    'repair_rate',
    sum('repaired') / sum('shown'),
    'ratio',
    `${over}, ${sum('shown')} shown by the proof; aim ≥ 0.98`,
  );
  report(
    'repair_harm',
    sum('harm'),
    'proposals',
    'a proposal adds a violation as grave as what it mends; aim exactly 0',
  );
  report(
    'missed_harm',
    sum('missed'),
    'circuits',
    'proven clean, and harmful by a brute-force walk; aim exactly 0',
  );
  report(
    'repair_ms',
    Math.max(...[...rows.values()].map(({ slowestMs }) => slowestMs)),
    'ms',
    'the slowest search; aim ≤ 2000',
  );
  report(
    'status_blame',
    sum('named') / sum('states'),
    'ratio',
    `${sum('states')} states that run otherwise with one thing wrong; aim ≥ 0.99`,
  );
  report('status_false_blame', sum('blamed'), 'states', 'a part that is good is named; aim exactly 0');
}

void runShards<Row>('scripts/bench/advice/shard.ts', every, systems).then((found) => {
  for (const row of found) {
    const known = rows.get(row.system);
    rows.set(row.system, known ? merge(known, row) : row);
  }
  tell();
});
