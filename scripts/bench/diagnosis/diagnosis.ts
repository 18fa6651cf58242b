/**
 * `npm run bench:diagnosis [draws] [seed] [systems]`: faults drawn by likelihood in every system, each looked for with a
 * noisy meter from what a customer would say: as advised, by half-splitting, and in the usual order. The seed is not one
 * that anything was tuned on.
 */
import { report } from '../report';
import { runShards } from '../shards';
import { tellSpeed } from './in-browser';
import { tellOther } from './other';
import type { Row } from './rows';

const [draws = '12', seed = '20261201', systems] = process.argv.slice(2);

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
const rate = (rows: readonly Row[], is: (row: Row) => boolean) => mean(rows.map((row) => Number(is(row))));

function tell(rows: readonly Row[]): void {
  const by = (policy: Row['policy']) => rows.filter((row) => row.policy === policy);
  const advised = by('advised');
  console.error(
    'system                     faults isolated   steps minutes | half-split minutes | usual order minutes',
  );
  for (const system of new Set(rows.map((row) => row.system))) {
    const of = (policy: Row['policy']) => by(policy).filter((row) => row.system === system);
    const minutes = (policy: Row['policy']) => mean(of(policy).map((row) => row.minutes)).toFixed(1);
    const own = of('advised');
    console.error(
      [
        system.padEnd(26),
        `${own.length}`.padStart(6),
        rate(own, ({ isolated }) => isolated)
          .toFixed(2)
          .padStart(8),
        mean(own.map(({ steps }) => steps))
          .toFixed(1)
          .padStart(7),
        minutes('advised').padStart(7),
        `| ${minutes('half-splitting')}`.padEnd(21),
        `| ${minutes('usual order')}`,
      ].join(' '),
    );
  }
  for (const { system, fault, steps } of advised.filter(({ isolated }) => !isolated))
    console.error(`not isolated: ${system}, ${fault}, after ${steps} steps`);
  const note = `${advised.length} faults of ${new Set(rows.map(({ system }) => system)).size} systems, seed ${seed}`;
  const minutes = (policy: Row['policy']) => mean(by(policy).map((row) => row.minutes));
  report(
    'isolated_rate',
    rate(advised, ({ isolated }) => isolated),
    'ratio',
    `${note}; aim ≥ 0.97`,
  );
  report('steps_mean', mean(advised.map(({ steps }) => steps)), 'steps', note);
  report('minutes_mean', minutes('advised'), 'min', note);
  report(
    'minutes_vs_halfsplit',
    minutes('advised') / minutes('half-splitting'),
    'ratio',
    `${note}; half-splitting isolates ${rate(by('half-splitting'), ({ isolated }) => isolated).toFixed(2)}; aim ≤ 0.6`,
  );
  report(
    'minutes_vs_usual_order',
    minutes('advised') / minutes('usual order'),
    'ratio',
    `${note}; the usual order isolates ${rate(by('usual order'), ({ isolated }) => isolated).toFixed(2)}; aim ≤ 0.6`,
  );
  const bits = advised.map((row) => row.bits!);
  const sumOf = (of: 'taken' | 'answered') => bits.reduce((sum, { [of]: some }) => sum + some, 0);
  report(
    'steps_vs_bound',
    sumOf('answered') / sumOf('taken'),
    'ratio',
    `${note}; steps over the fewest that answers of this entropy could do with; aim ≤ 1.3`,
  );
  const bringable = advised.filter(({ brought }) => brought !== null);
  report(
    'parts_brought_rate',
    rate(bringable, ({ brought }) => brought === true),
    'ratio',
    `${bringable.length} faults that something brought puts right, seed ${seed}; aim ≥ 0.9`,
  );
  const unsurveyed = by('unsurveyed');
  for (const { system, fault, steps } of unsurveyed.filter(({ isolated }) => !isolated))
    console.error(`unsurveyed, not isolated: ${system}, ${fault}, after ${steps} steps`);
  report(
    'unsurveyed_isolated_rate',
    rate(unsurveyed, ({ isolated }) => isolated),
    'ratio',
    `${unsurveyed.length} faults, nothing looked at beforehand, seed ${seed}; aim ≥ 0.93`,
  );
  const pairs = by('pairs');
  for (const { system, fault, steps } of pairs.filter(({ isolated }) => !isolated))
    console.error(`pair not isolated: ${system}, ${fault}, after ${steps} steps`);
  report(
    'isolated_rate_pairs',
    rate(pairs, ({ isolated }) => isolated),
    'ratio',
    `${pairs.length} pairs, seed ${seed}, ${mean(pairs.map(({ minutes }) => minutes)).toFixed(1)} min; aim ≥ 0.85`,
  );
  report(
    'false_condemn_rate',
    rate(advised, ({ condemned }) => condemned),
    'ratio',
    `${note}; aim ≤ 0.01`,
  );
}

void runShards<Row>('scripts/bench/diagnosis/shard.ts', draws, seed, ...(systems ? [systems] : [])).then(
  async (rows) => {
    tell(rows);
    await tellOther(draws, seed, systems);
    await tellSpeed();
  },
);
