import { nanoid } from '@reduxjs/toolkit';
import type { Circuit } from '@zygostat/core/circuit';
import type { Plan } from '@zygostat/core/wire';
import { useAppDispatch, useAppSelector } from '../../store';
import { planDocument } from '../plan/document';
import type { Job } from '../jobs/api';
import { ActionButton, Waiting, AppText } from '../../basics';
import { useGoBackTo, useView } from '../job/address';
import { PlaceFrame } from '../job/PlaceFrame';
import { Steps } from '../job/Steps';
import { Asked } from '../job/Asked';
import { Unsaved } from '../job/Unsaved';
import { useWriterName } from '../record/writer-name';
import { useOpenDocument } from '../job/useOpenDocument';
import { LandingList } from './LandingList';
import { Papers } from './Papers';

const STEPS = { list: 'Landing list', papers: 'Papers' } as const;
type Step = keyof typeof STEPS;

/** A list taken up again: whether the power is off is asked anew. */
const resumed = (plan: Plan, by: string): Plan => ({
  ...plan,
  events: [...plan.events, { id: nanoid(), type: 'ended', why: 'resumed', by, at: new Date().toISOString() }],
});

/** What to land next, and what to leave on paper. */
export function WirePlace({ job, circuit }: { job: Job; circuit: Circuit }) {
  const ready = useOpenDocument('plan', planDocument, job.id);
  const dispatch = useAppDispatch();
  const goBackTo = useGoBackTo(job.id);
  const by = useWriterName();
  const { value: plan, putAway, state, detail } = useAppSelector((store) => store.plan);
  const [step = 'list', setStep] = useView<Step>(STEPS);
  const list = !ready ? (
    <Waiting label="Opening the plan" />
  ) : plan ? (
    <LandingList plan={plan} circuit={circuit} jobId={job.id} />
  ) : (
    <>
      <AppText kind="title" heading={2}>
        Nothing is planned
      </AppText>
      <AppText>Plan a change first: the list of landings, place by place, follows from it.</AppText>
      {putAway ? (
        <ActionButton
          label={`Take it up again: ${putAway.title}`}
          onPress={() => dispatch(planDocument.changed(resumed(putAway, by)))}
        />
      ) : null}
      <ActionButton label="Go to Plan" look="filled" onPress={() => goBackTo('plan')} />
    </>
  );
  return (
    <PlaceFrame job={job} here="wire" tabs={<Steps label="Wire" titles={STEPS} here={step} onGo={setStep} />}>
      <Unsaved what="Plan" state={state} detail={detail} />
      <Asked document={planDocument} ownerId={job.id} />
      {step === 'list' ? list : <Papers circuit={circuit} job={job} />}
    </PlaceFrame>
  );
}
