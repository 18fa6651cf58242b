import { useState } from 'react';
import type { Circuit } from '@zygostat/core/circuit';
import type { Job } from '../jobs/api';
import { Waiting, AppText } from '../../basics';
import { PlaceFrame } from '../job/PlaceFrame';
import { Steps } from '../job/Steps';
import { useOpenDocument } from '../job/useOpenDocument';
import { surveyDocument } from '../survey/document';
import { AddPane } from './AddPane';
import { MistakesPane } from './MistakesPane';
import { ProofPane } from './ProofPane';
import { SumsPane } from './SumsPane';
import { SwapPane } from './SwapPane';
import { planDocument } from './document';

const STEPS = { proof: 'Proof', swap: 'Swap', add: 'Add', sums: 'Sums', mistakes: 'Mistakes' } as const;
type Step = keyof typeof STEPS;

/** What goes where, the sums, and the proof that it will behave. */
export function PlanPlace({ job, circuit }: { job: Job; circuit: Circuit }) {
  const [step, setStep] = useState<Step>('proof');
  const ready = useOpenDocument('plan', planDocument, job.id);
  useOpenDocument('survey', surveyDocument, job.id);
  // A plan taken before the job's own is known would be put in the place of another.
  const opening = <Waiting label="Opening the plan" />;
  const body = {
    proof: <ProofPane circuit={circuit} jobId={job.id} />,
    swap: ready ? <SwapPane job={job} circuit={circuit} /> : opening,
    add: ready ? <AddPane job={job} circuit={circuit} /> : opening,
    sums: <SumsPane circuit={circuit} />,
    mistakes: <MistakesPane circuit={circuit} />,
  };
  return (
    <PlaceFrame job={job} here="plan" tabs={<Steps label="Plan" titles={STEPS} here={step} onGo={setStep} />}>
      {circuit.devices.length === 0 ? (
        <AppText>Survey it first: there is nothing to plan with yet.</AppText>
      ) : (
        body[step]
      )}
    </PlaceFrame>
  );
}
