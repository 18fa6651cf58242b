import type { Circuit } from '@zygostat/core/circuit';
import type { Job } from '../jobs/api';
import { Waiting, AppText } from '../../basics';
import { useView } from '../job/address';
import { PlaceFrame } from '../job/PlaceFrame';
import { Steps } from '../job/Steps';
import { useOpenDocument } from '../job/useOpenDocument';
import { isInHalves, wiredThermostats } from '../bench/calls';
import { surveyDocument } from '../survey/document';
import { AddPane } from './AddPane';
import { HalvesPane } from './HalvesPane';
import { MistakesPane } from './MistakesPane';
import { ProofPane } from './ProofPane';
import { SumsPane } from './SumsPane';
import { SwapPane } from './SwapPane';
import { planDocument } from './document';

const STEPS = {
  proof: 'Proof',
  halves: 'Halves',
  swap: 'Swap',
  add: 'Add',
  sums: 'Sums',
  mistakes: 'Mistakes',
} as const;
type Step = keyof typeof STEPS;

/** What there is to plan here: a unit in two halves has a run of its own, and a remote has nothing to swap. */
function stepsFor(circuit: Circuit): Partial<typeof STEPS> {
  const { proof, halves, mistakes, ...control } = STEPS;
  return {
    proof,
    ...(isInHalves(circuit) && { halves }),
    ...((wiredThermostats(circuit).length > 0 || !isInHalves(circuit)) && control),
    mistakes,
  };
}

/** What goes where, the sums, and the proof that it will behave. */
export function PlanPlace({ job, circuit }: { job: Job; circuit: Circuit }) {
  const [step = 'proof', setStep] = useView<Step>(stepsFor(circuit));
  const ready = useOpenDocument('plan', planDocument, job.id);
  useOpenDocument('survey', surveyDocument, job.id);
  // A plan taken before the job's own is known would be put in the place of another.
  const opening = <Waiting label="Opening the plan" />;
  const body = {
    proof: <ProofPane circuit={circuit} jobId={job.id} />,
    halves: ready ? <HalvesPane job={job} circuit={circuit} /> : opening,
    swap: ready ? <SwapPane job={job} circuit={circuit} /> : opening,
    add: ready ? <AddPane job={job} circuit={circuit} /> : opening,
    sums: <SumsPane circuit={circuit} />,
    mistakes: <MistakesPane circuit={circuit} />,
  };
  return (
    <PlaceFrame
      job={job}
      here="plan"
      tabs={<Steps label="Plan" titles={stepsFor(circuit)} here={step} onGo={setStep} />}
    >
      {circuit.devices.length === 0 ? (
        <AppText>Survey it first: there is nothing to plan with yet.</AppText>
      ) : (
        body[step]
      )}
    </PlaceFrame>
  );
}
