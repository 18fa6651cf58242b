/**
 * Part of `npm run bench:diagnosis`: faults of another hand, by kind. Their hidden truth is an altered circuit, solved plainly,
 * by code that shares nothing with Find.
 */
import { report } from '../report';
import { runShards } from '../shards';
import type { OtherRow } from './rows';

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
const rate = (rows: readonly OtherRow[], is: (row: OtherRow) => boolean) =>
  mean(rows.map((row) => Number(is(row))));

const SURE = 0.9;
/** Bins of how sure it says it is, when it settles. */
const BINS = [0.9, 0.95, 0.98, 0.995, 1] as const;
const LEAST_IN_BIN = 20;

const isWrong = ({ settled, isolated, share }: OtherRow) => settled && !isolated && share >= SURE;

/** How far what is said is from how often it is right, mean over bins of twenty or more. */
function calibrationError(rows: readonly OtherRow[]): { error: number; told: string } {
  const bins = BINS.slice(1).flatMap((most, i) => {
    const inBin = rows.filter(
      ({ settled, share }) => settled && share >= BINS[i]! && (share < most || most === 1),
    );
    if (inBin.length < LEAST_IN_BIN) return [];
    return [{ said: mean(inBin.map(({ share }) => share)), right: rate(inBin, (row) => row.isolated), most }];
  });
  return {
    error: mean(bins.map(({ said, right }) => Math.abs(said - right))),
    told: bins.map(({ said, right }) => `says ${said.toFixed(3)}, right ${right.toFixed(2)}`).join('; '),
  };
}

function tell(rows: readonly OtherRow[], seed: string): void {
  const by = (policy: OtherRow['policy']) => rows.filter((row) => row.policy === policy);
  const advised = by('advised');
  console.error('kind of fault             faults isolated wrong over 90   steps minutes');
  for (const kind of [...new Set(advised.map((row) => row.kind))].sort()) {
    const own = advised.filter((row) => row.kind === kind);
    console.error(
      [
        kind.padEnd(25),
        `${own.length}`.padStart(6),
        rate(own, ({ isolated }) => isolated)
          .toFixed(2)
          .padStart(8),
        `${own.filter(isWrong).length}`.padStart(13),
        mean(own.map(({ steps }) => steps))
          .toFixed(1)
          .padStart(7),
        mean(own.map(({ minutes }) => minutes))
          .toFixed(1)
          .padStart(7),
      ].join(' '),
    );
  }
  for (const { system, kind, fault, steps, share, says } of advised.filter(({ isolated }) => !isolated))
    console.error(`${system}, ${kind}: ${fault}; after ${steps} steps ${share.toFixed(3)} ${says}`);
  const note = `${advised.length} faults of another hand in ${new Set(rows.map(({ system }) => system)).size} systems, seed ${seed}`;
  report(
    'other_isolated_rate',
    rate(advised, ({ isolated }) => isolated),
    'ratio',
    `${note}; aim ≥ 0.95`,
  );
  report('other_wrong_over_90', rate(advised, isWrong), 'ratio', `${note}; aim ≤ 0.02`);
  report(
    'other_minutes_vs_halfsplit',
    mean(advised.map(({ minutes }) => minutes)) / mean(by('half-splitting').map(({ minutes }) => minutes)),
    'ratio',
    `${note}; half-splitting isolates ${rate(by('half-splitting'), ({ isolated }) => isolated).toFixed(2)}; aim ≤ 0.6`,
  );
  report(
    'other_condemn_rate',
    rate(advised, ({ condemned }) => condemned),
    'ratio',
    `${note}; aim ≤ 0.005`,
  );
  const { error, told } = calibrationError(advised);
  report('calibration_error', error, 'share', `${told}; ${note}; aim ≤ 0.05`);
}

export async function tellOther(draws: string, seed: string, systems?: string): Promise<void> {
  const more = systems ? [systems] : [];
  tell(await runShards<OtherRow>('scripts/bench/diagnosis/other-shard.ts', draws, seed, ...more), seed);
}
