import type { Circuit } from '@zygostat/core/circuit';
import { useAppSelector } from '../../store';
import type { Job } from '../jobs/api';
import { Waiting } from '../../basics';
import { useOpenDocument } from '../job/useOpenDocument';
import { goTo, useView } from '../job/address';
import { PlaceFrame } from '../job/PlaceFrame';
import { Steps } from '../job/Steps';
import { Asked } from '../job/Asked';
import { Unsaved } from '../job/Unsaved';
import { AsFound } from './AsFound';
import { Identify } from './Identify';
import { Labels } from './Labels';
import { Photos } from '../photos/Photos';
import { UnitPane } from '../unit/UnitPane';
import { surveyDocument } from './document';

const STEPS = {
  identify: 'Identify',
  found: 'As found',
  labels: 'Labels',
  photos: 'Photos',
  unit: 'Unit',
} as const;
type Step = keyof typeof STEPS;

/** What is here, and how was it wired: identify, record, read the labels, photograph. */
export function SurveyPlace({ job, circuit }: { job: Job; circuit: Circuit }) {
  const ready = useOpenDocument('survey', surveyDocument, job.id);
  const { state, detail } = useAppSelector(({ survey }) => survey);
  const [chosen, setStep] = useView<Step>(STEPS);
  const step = chosen ?? (circuit.devices.length === 0 ? 'identify' : 'found');
  const body = {
    identify: <Identify circuit={circuit} onTaken={() => setStep('found')} />,
    found: (
      <AsFound
        circuit={circuit}
        onLabels={() => setStep('labels')}
        onTrace={() => goTo(job.id, 'trace', 'loom')}
      />
    ),
    labels: <Labels circuit={circuit} />,
    photos: <Photos jobId={job.id} circuit={circuit} />,
    unit: <UnitPane job={job} circuit={circuit} />,
  };
  const tabs = <Steps label="Survey" titles={STEPS} here={step} onGo={setStep} />;
  return (
    <PlaceFrame job={job} here="survey" tabs={tabs}>
      <Unsaved what="Survey" state={state} detail={detail} />
      <Asked document={surveyDocument} ownerId={job.id} />
      {ready ? body[step] : <Waiting label="Opening the survey" />}
    </PlaceFrame>
  );
}
