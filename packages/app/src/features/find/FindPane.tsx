import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { Diagnosis, Observation, Step } from '@zygostat/core/diagnose';
import { diagnosisFor, triedIn } from '@zygostat/core/diagnose';
import { namesIn } from '@zygostat/core/words';
import { useAppDispatch, useAppSelector } from '../../store';
import { ActionButton, AppText, Waiting } from '../../basics';
import { useInForce } from '../circuit/in-force';
import { LineCaution } from '../job/LineCaution';
import { Asked } from '../job/Asked';
import { Unsaved } from '../job/Unsaved';
import { useReadings } from '../readings/useReadings';
import { useOpenDocument } from '../job/useOpenDocument';
import { useWriterName } from '../record/writer-name';
import { surveyDocument } from '../survey/document';
import { Besides } from './Besides';
import { Bringing } from './Bringing';
import { Complaint } from './Complaint';
import { diagnosisDocument } from './document';
import { Doubts } from './Doubts';
import { loggedFor } from './logged';
import { Likelihoods } from './Likelihoods';
import { Moved } from './Moved';
import { Pairing } from './Pairing';
import { usePractice } from './practice';
import { Practise } from './Practise';
import { Ranking } from './Ranking';
import { Seen } from './Seen';
import { Settled } from './Settled';
import { suspectsShown } from './slice';
import { StepCard } from './StepCard';
import { useBenchAt } from './useBenchAt';
import { useDiagnosis, useFindActions, useFindView } from './useFind';
import { useSeen } from './useSeen';
import { sheet } from '../../theme';

/** What ran with a call is one thing seen, with what came out. */
const seenOf = ({ observed }: Diagnosis) =>
  observed.filter(({ observation }) => observation.type !== 'runs').length;

interface SearchProps {
  circuit: Circuit;
  diagnosis: Diagnosis;
  jobId: string;
  /** A bench meter that answers, while practising. */
  meter: string | null;
}

/** A search with what was logged elsewhere in the job counted in; to a practice that says nothing. */
function useCounted(diagnosis: Diagnosis, jobId: string, isPractice: boolean): Diagnosis {
  const { readings } = useReadings(jobId);
  const revision = useAppSelector(({ saving }) => saving.base);
  return useMemo(() => {
    if (isPractice) return diagnosis;
    const logged = loggedFor(diagnosis, readings, revision);
    return logged.length === 0 ? diagnosis : { ...diagnosis, observed: [...diagnosis.observed, ...logged] };
  }, [diagnosis, readings, revision, isPractice]);
}

function Search({ circuit: recorded, diagnosis: own, jobId, meter }: SearchProps) {
  // What is bypassed explains what was seen, too.
  const circuit = useInForce(recorded);
  const diagnosis = useCounted(own, jobId, meter !== null);
  const dispatch = useAppDispatch();
  const { view, working, failure, again, progress, stop } = useFindView(circuit, diagnosis);
  const { answer, tell, tryIt, noBetter, withdraw, lookForTwo, arrive, end } = useFindActions();
  const noteSeen = useSeen();
  const [skipped, setSkipped] = useState(0);
  const names = namesIn(circuit);
  const fitsNothing = view?.tied || view?.left[0]?.remedy.type === 'ask';
  const next = view?.steps[skipped % Math.max(view.steps.length, 1)];
  const apart = view?.apart[skipped % Math.max(view.apart.length, 1)];
  useBenchAt(circuit, (view?.doubtful[0]?.again ?? view?.trial ?? next ?? apart)?.step);
  useEffect(() => {
    if (view) dispatch(suspectsShown({ jobId, suspects: view.suspects, cleared: view.cleared }));
  }, [dispatch, jobId, view]);
  const putAway = () => {
    dispatch(suspectsShown({ jobId: null, suspects: [], cleared: [] }));
    end();
  };
  if (failure)
    return (
      <>
        <AppText>{failure}</AppText>
        <ActionButton label="Try again" onPress={again} />
      </>
    );
  if (progress) return <Pairing {...progress} onStop={() => (stop(), lookForTwo(false))} />;
  if (!view) return <Waiting label="Working out what each fault would show" />;
  const onAnswer = (step: Step, observed: readonly Observation[], instead: readonly string[] = []) => {
    setSkipped(0);
    // What a practice shows is nothing of the job.
    if (meter === null) noteSeen(observed);
    answer(step, observed, instead);
  };
  const shared = { circuit, names, meter };
  return (
    <>
      <Seen diagnosis={diagnosis} stale={view.stale} names={names} onWithdraw={withdraw} />
      <Settled view={view} {...shared} jobId={jobId} onNoBetter={noBetter} onEnd={putAway} />
      <Ranking view={view} names={names} count={seenOf(diagnosis) - view.stale.length} />
      {working ? <Waiting label="Weighing it" /> : null}
      {!working && view.doubtful.length > 0 ? (
        <Doubts
          view={view}
          {...shared}
          isPaired={diagnosis.pairs ?? false}
          onAnswer={onAnswer}
          onTwo={() => lookForTwo(true)}
        />
      ) : null}
      {view.trial && !working ? (
        <StepCard
          key={JSON.stringify(view.trial.step)}
          title="What you tried"
          proposal={view.trial}
          others={0}
          {...shared}
          onAnswer={onAnswer}
          onSkip={putAway}
        />
      ) : null}
      {next && !view.trial && !working && view.doubtful.length === 0 ? (
        <StepCard
          key={JSON.stringify(next.step)}
          proposal={next}
          others={view.steps.length - 1}
          {...shared}
          onAnswer={onAnswer}
          onSkip={() => setSkipped(skipped + 1)}
        />
      ) : null}
      {/* On the telephone the question comes first: the list is what is left of them. */}
      {view.bring ? <Bringing bring={view.bring} onArrive={arrive} /> : null}
      {view.tied && !working && view.doubtful.length === 0 ? (
        <AppText kind="strong">
          Little that can be read or seen from here tells these apart. Put right what costs least of them
          first, make the call again, and say whether it helped.
        </AppText>
      ) : null}
      {fitsNothing && !working && view.doubtful.length === 0 && !diagnosis.pairs ? (
        <ActionButton label="Look for two faults at once" onPress={() => lookForTwo(true)} />
      ) : null}
      {apart && !working && view.doubtful.length === 0 ? (
        <StepCard
          key={JSON.stringify(apart.step)}
          title="Would tell some of the likeliest apart"
          proposal={apart}
          others={view.apart.length - 1}
          {...shared}
          onAnswer={onAnswer}
          onSkip={() => setSkipped(skipped + 1)}
        />
      ) : null}
      <Besides
        {...shared}
        call={triedIn(diagnosis.whereabouts.state)?.call ?? 'off'}
        onTell={tell}
        onTry={tryIt}
      />
      <Moved view={view} names={names} />
      <ActionButton
        label={meter === null ? 'Put the search away' : 'End the practice'}
        look="plain"
        onPress={putAway}
      />
    </>
  );
}

/** From a symptom to the fault: what is left, the one thing to do next, how each answer moved it. */
export function FindPane({ circuit, jobId }: { circuit: Circuit; jobId: string }) {
  const ready = useOpenDocument('diagnosis', diagnosisDocument, jobId);
  const surveyed = useOpenDocument('survey', surveyDocument, jobId);
  const { value, putAway, state, detail } = useDiagnosis();
  const { begin, practise, resume } = useFindActions();
  const practice = usePractice(jobId);
  const person = useWriterName();
  const kept = practice?.diagnosis ?? value;
  const diagnosis = useMemo(() => (kept ? diagnosisFor(kept, person) : null), [kept, person]);
  if (!ready || !surveyed) return <Waiting label="Opening the search" />;
  return (
    <View style={styles.pane}>
      <Unsaved what="The search" state={state} detail={detail} />
      <Asked document={diagnosisDocument} ownerId={jobId} />
      <LineCaution circuit={circuit} />
      {diagnosis ? (
        <Search
          key={practice?.meter ?? 'job'}
          circuit={circuit}
          diagnosis={diagnosis}
          jobId={jobId}
          meter={practice?.meter ?? null}
        />
      ) : (
        <>
          <Complaint circuit={circuit} onBegin={begin} />
          {putAway ? (
            <ActionButton label="Take the last search up again" onPress={() => resume(putAway)} />
          ) : null}
          <Practise circuit={circuit} jobId={jobId} onBegin={(meter, at) => practise(jobId, meter, at)} />
          <Likelihoods circuit={circuit} />
        </>
      )}
    </View>
  );
}

const styles = sheet({
  pane: { padding: 12, gap: 10 },
});
