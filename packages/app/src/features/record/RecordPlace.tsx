import { useState } from 'react';
import type { Circuit } from '@zygostat/core/circuit';
import { bypassesStillIn } from '@zygostat/core/record';
import { namesIn } from '@zygostat/core/words';
import { Waiting } from '../../basics';
import type { Job } from '../jobs/api';
import { PlaceFrame } from '../job/PlaceFrame';
import { Steps } from '../job/Steps';
import { LogPane } from './LogPane';
import { PapersCard } from './PapersCard';
import { OpenPane } from './OpenPane';
import { TestsPane } from './TestsPane';
import { Writer } from './Writer';
import { useRecord } from './useRecord';

/** Is it proven, what is still open, what was done. */
export function RecordPlace({ job, circuit }: { job: Job; circuit: Circuit }) {
  const [chosen, setStep] = useState<'tests' | 'open' | 'log' | 'report' | null>(null);
  const { entries, standing, unsent, isLoading } = useRecord(job.id);
  const open = bypassesStillIn(standing).length + standing.items.filter(({ done }) => !done).length;
  // Who comes because a safety is bypassed is shown that first.
  const step = chosen ?? (bypassesStillIn(standing).length > 0 ? 'open' : 'tests');
  const names = namesIn(circuit);
  const titles = { tests: 'Tests', open: open > 0 ? `Open ${open}` : 'Open', log: 'Log', report: 'Report' };
  return (
    <PlaceFrame
      job={job}
      here="record"
      tabs={<Steps label="Record" titles={titles} here={step} onGo={setStep} />}
    >
      {isLoading ? <Waiting label="Opening the record" /> : null}
      {step === 'tests' ? (
        <TestsPane jobId={job.id} circuit={circuit} names={names} standing={standing} />
      ) : step === 'open' ? (
        <OpenPane jobId={job.id} circuit={circuit} names={names} standing={standing} />
      ) : step === 'report' ? (
        <PapersCard jobId={job.id} unsent={unsent} />
      ) : (
        <LogPane jobId={job.id} names={names} entries={entries} />
      )}
      {step === 'report' ? null : <Writer />}
    </PlaceFrame>
  );
}
