import { useState } from 'react';
import { TextInput } from 'react-native-paper';
import type { Circuit } from '@zygostat/core/circuit';
import { namesIn } from '@zygostat/core/words';
import { useAppDispatch, useAppSelector } from '../../store';
import { Waiting } from '../../basics';
import type { Job } from '../jobs/api';
import { PlaceFrame } from '../job/PlaceFrame';
import { Steps } from '../job/Steps';
import { LogPane } from './LogPane';
import { OpenPane } from './OpenPane';
import { keepWriter, writerNamed } from './slice';
import { useRecord } from './useRecord';

/** Who writes on this device: every entry says so. */
function Writer() {
  const dispatch = useAppDispatch();
  const by = useAppSelector(({ record }) => record.by);
  return (
    <TextInput
      mode="outlined"
      dense
      label="Who writes"
      aria-label="Who writes"
      value={by}
      maxLength={80}
      onChangeText={(name) => {
        dispatch(writerNamed(name));
        keepWriter(name);
      }}
    />
  );
}

/** Is it proven, what is still open, what was done. */
export function RecordPlace({ job, circuit }: { job: Job; circuit: Circuit }) {
  const [step, setStep] = useState<'open' | 'log'>('open');
  const { entries, standing, isLoading } = useRecord(job.id);
  const open =
    standing.bypasses.filter(({ state }) => state !== 'restored').length +
    standing.items.filter(({ done }) => !done).length;
  const names = namesIn(circuit);
  const titles = { open: open > 0 ? `Open ${open}` : 'Open', log: 'Log' };
  return (
    <PlaceFrame
      job={job}
      here="record"
      tabs={<Steps label="Record" titles={titles} here={step} onGo={setStep} />}
    >
      {isLoading ? <Waiting label="Opening the record" /> : null}
      {step === 'open' ? (
        <OpenPane jobId={job.id} circuit={circuit} names={names} standing={standing} />
      ) : (
        <LogPane jobId={job.id} names={names} entries={entries} />
      )}
      <Writer />
    </PlaceFrame>
  );
}
