import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { Diagnosis, FindView, Observation, Step } from '@zygostat/core/diagnose';
import type { Names } from '@zygostat/core/words';
import { namesIn, observationText, remedyText } from '@zygostat/core/words';
import { useTokens } from '../../theme';
import { ActionButton, AppText, Waiting } from '../../basics';
import { Unsaved } from '../job/Unsaved';
import { useOpenDocument } from '../job/useOpenDocument';
import { Complaint } from './Complaint';
import { diagnosisDocument } from './document';
import { Moved } from './Moved';
import { Ranking } from './Ranking';
import { StepCard } from './StepCard';
import { useDiagnosis, useFindActions, useFindView } from './useFind';

/** What was seen so far; a tap takes it back. */
function Seen({
  diagnosis,
  stale,
  names,
  onWithdraw,
}: {
  diagnosis: Diagnosis;
  stale: readonly string[];
  names: Names;
  onWithdraw: (ids: readonly string[]) => void;
}) {
  return (
    <ScrollView horizontal role="list" aria-label="Observed" contentContainerStyle={styles.row}>
      {diagnosis.observed
        .filter(({ observation }) => observation.type !== 'runs')
        .map(({ id, observation }) => {
          const gone = stale.includes(id);
          const text = gone ? 'Of what is no more' : observationText(names, observation);
          // What ran with a call was seen together with what came out.
          const together =
            observation.type === 'air'
              ? diagnosis.observed
                  .filter(
                    (other) =>
                      other.observation.type === 'runs' && other.observation.state === observation.state,
                  )
                  .map((other) => other.id)
              : [];
          return (
            <View key={id} role="listitem">
              <ActionButton
                label={text}
                hint={`Take back: ${text}`}
                icon="close"
                onPress={() => onWithdraw([id, ...together])}
              />
            </View>
          );
        })}
    </ScrollView>
  );
}

/** Sure enough: what is to be done, and how to know that it was that. */
function Settled({ view, names, onEnd }: { view: FindView; names: Names; onEnd: () => void }) {
  const t = useTokens();
  if (!view.settled) return null;
  return (
    <View
      role="region"
      aria-label="What to do"
      style={[styles.card, { borderColor: t.teal, backgroundColor: t.tealSoft }]}
    >
      <AppText kind="title" heading={2} color={t.teal}>
        {remedyText(names, view.settled)}
      </AppText>
      <AppText kind="small" color={t.amber}>
        Power off, locked and proven dead before hands go in. Never bypass a fuse, limit, float or detector.
        Gas, refrigerant, line voltage and life safety belong to who is licensed for them where you are.
      </AppText>
      <AppText>
        Then make the same call again and see that it runs. If it does not, go on below: what you see then
        counts too.
      </AppText>
      <ActionButton label="It runs: put this away" look="filled" onPress={onEnd} />
    </View>
  );
}

function Search({ circuit, diagnosis }: { circuit: Circuit; diagnosis: Diagnosis }) {
  const { view, working, failure } = useFindView(circuit, diagnosis);
  const { answer, withdraw, end } = useFindActions();
  const [skipped, setSkipped] = useState(0);
  const names = namesIn(circuit);
  if (failure) return <AppText>{failure}</AppText>;
  if (!view) return <Waiting label="Working out what each fault would show" />;
  const { steps } = view;
  const next = steps[skipped % Math.max(steps.length, 1)];
  const onAnswer = (step: Step, observed: readonly Observation[]) => {
    setSkipped(0);
    answer(step, observed);
  };
  return (
    <>
      <Seen diagnosis={diagnosis} stale={view.stale} names={names} onWithdraw={withdraw} />
      <Settled view={view} names={names} onEnd={end} />
      <Ranking view={view} names={names} count={diagnosis.observed.length - view.stale.length} />
      {working ? <Waiting label="Weighing it" /> : null}
      {next && !working ? (
        <StepCard
          key={JSON.stringify(next.step)}
          proposal={next}
          others={steps.filter((other) => other !== next)}
          circuit={circuit}
          names={names}
          onAnswer={onAnswer}
          onSkip={() => setSkipped(skipped + 1)}
        />
      ) : null}
      {!next && !view.settled && !working ? (
        <AppText kind="strong">
          Nothing more can be told from here with what the app knows. What is left is above: try the likeliest
          first.
        </AppText>
      ) : null}
      <Moved view={view} names={names} />
      <ActionButton label="Put the search away" look="plain" onPress={end} />
    </>
  );
}

/** From a symptom to the fault: what is left, the one thing to do next, how each answer moved it. */
export function FindPane({ circuit, jobId }: { circuit: Circuit; jobId: string }) {
  const ready = useOpenDocument('diagnosis', diagnosisDocument, jobId);
  const { value, putAway, state, detail } = useDiagnosis();
  const { begin, resume } = useFindActions();
  if (!ready) return <Waiting label="Opening the search" />;
  return (
    <View style={styles.pane}>
      <Unsaved what="The search" state={state} detail={detail} />
      {value ? (
        <Search circuit={circuit} diagnosis={value} />
      ) : (
        <>
          <Complaint circuit={circuit} onBegin={begin} />
          {putAway ? (
            <ActionButton label="Take the last search up again" onPress={() => resume(putAway)} />
          ) : null}
        </>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  pane: { padding: 12, gap: 10 },
  row: { flexDirection: 'row', gap: 6 },
  card: { borderWidth: 1.5, borderRadius: 12, padding: 14, gap: 8 },
});
