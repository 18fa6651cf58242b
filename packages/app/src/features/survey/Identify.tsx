import { useMemo } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { Answer, Answers, Candidate, Feature } from '@zygostat/core/survey';
import {
  FEATURES,
  contradiction,
  evidenceFrom,
  nextQuestion,
  rankSystems,
  takeSystem,
} from '@zygostat/core/survey';
import { QUESTION_WORDS, contradictionText, evidenceText } from '@zygostat/core/words';
import { useAppSelector } from '../../store';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';
import { GOAL, useFocusNext } from '../../basics/focus';
import { Discrepancies } from './Discrepancies';
import { useAnswer, useSurveyEdit } from './useSurvey';

/** Candidates shown; the rest are behind them by far. */
const SHOWN = 4;

const ANSWERS: Record<Answer, string> = { yes: 'Yes', no: 'No', unsure: 'Can’t tell' };

/** The next thing to look at, with how to tell. */
function Ask({ feature }: { feature: Feature }) {
  const t = useTokens();
  const give = useAnswer();
  const goal = useFocusNext(feature);
  const { text, tell } = QUESTION_WORDS[feature];
  return (
    <View ref={goal} {...GOAL} style={[styles.card, { backgroundColor: t.card, borderColor: t.copper }]}>
      <View aria-live="polite">
        <AppText kind="title" heading={2}>
          {text}
        </AppText>
      </View>
      <AppText>{tell}</AppText>
      <View style={styles.row}>
        {(Object.keys(ANSWERS) as Answer[]).map((answer) => (
          <ActionButton
            key={answer}
            label={ANSWERS[answer]}
            onPress={() => give(feature, answer)}
            style={styles.answer}
          />
        ))}
      </View>
    </View>
  );
}

/** What was seen so far; a tap takes it back. */
function Evidence({ given, landed }: { given: Answers; landed: Answers }) {
  const give = useAnswer();
  const said = FEATURES.filter((feature) => given[feature]);
  const wired = FEATURES.filter((feature) => landed[feature] && !given[feature]);
  if (said.length + wired.length === 0) return null;
  return (
    <View style={styles.evidence} role="list" aria-label="Evidence">
      {said.map((feature) => {
        const answer = given[feature]!;
        const words =
          answer === 'unsure'
            ? `unsure: ${QUESTION_WORDS[feature].text}`
            : evidenceText({ feature, seen: answer === 'yes' });
        return (
          <View key={feature} role="listitem">
            <ActionButton
              label={words}
              hint={`Take back: ${words}`}
              icon="close"
              onPress={() => give(feature, null)}
            />
          </View>
        );
      })}
      {wired.map((feature) => (
        <View key={feature} role="listitem" style={styles.wired}>
          <AppText kind="small">{`${evidenceText({ feature, seen: landed[feature] === 'yes' })}, from the landings`}</AppText>
        </View>
      ))}
    </View>
  );
}

function System({
  candidate,
  first,
  chosen,
  onTake,
}: {
  candidate: Candidate;
  first: boolean;
  chosen: boolean;
  onTake: () => void;
}) {
  const t = useTokens();
  const { title, summary, share, for: agrees, against } = candidate;
  const percent = Math.round(share * 100);
  return (
    <View
      role="listitem"
      style={[styles.card, { backgroundColor: t.card, borderColor: chosen ? t.teal : t.line }]}
    >
      <View style={styles.row}>
        <AppText kind="strong" style={styles.grow}>
          {title}
        </AppText>
        <AppText kind="mark" color={t.copper}>
          {`${percent} %`}
        </AppText>
      </View>
      <View style={[styles.track, { backgroundColor: t.idle }]} aria-hidden>
        <View style={[styles.bar, { width: `${Math.max(percent, 1)}%`, backgroundColor: t.copper }]} />
      </View>
      <AppText kind="small">{summary}</AppText>
      {agrees.length > 0 ? (
        <AppText kind="small" color={t.teal}>{`For: ${agrees.map(evidenceText).join(', ')}`}</AppText>
      ) : null}
      {against.length > 0 ? (
        <AppText kind="small" color={t.red}>{`Against: ${against.map(evidenceText).join(', ')}`}</AppText>
      ) : null}
      <ActionButton
        label={chosen ? 'This is taken' : 'Use this system'}
        hint={chosen ? `${title} is taken` : `Use ${title}`}
        look={first && !chosen ? 'filled' : 'outlined'}
        disabled={chosen}
        onPress={onTake}
      />
    </View>
  );
}

/** From a few looks to a ranked list of systems, with the evidence for and against each. */
export function Identify({ circuit, onTaken }: { circuit: Circuit; onTaken: () => void }) {
  const t = useTokens();
  const survey = useAppSelector((state) => state.survey.value);
  const edit = useSurveyEdit();
  const landed = useMemo(() => evidenceFrom(circuit), [circuit]);
  const all = useMemo(() => ({ ...landed, ...survey.answers }), [landed, survey.answers]);
  const ranked = useMemo(() => rankSystems(all).slice(0, SHOWN), [all]);
  const asked = useMemo(() => nextQuestion(all), [all]);
  const clash = useMemo(() => contradiction(all), [all]);
  const take = ({ template, title }: Candidate) => {
    edit(`System: ${title}`, (now, found) => takeSystem(now, found, template));
    onTaken();
  };
  return (
    <>
      {asked ? (
        <Ask feature={asked} />
      ) : (
        <AppText kind="strong" color={t.teal}>
          That is enough to tell. Take the system that fits, then record the landings.
        </AppText>
      )}
      <Evidence given={survey.answers} landed={landed} />
      {clash ? (
        <View role="alert">
          <AppText color={t.red}>{contradictionText(clash)}</AppText>
        </View>
      ) : null}
      <Discrepancies circuit={circuit} severities={['fault']} />
      <AppText kind="title" heading={2}>
        What it is likely to be
      </AppText>
      <View role="list" style={styles.list}>
        {ranked.map((candidate, i) => (
          <System
            key={candidate.template}
            candidate={candidate}
            first={i === 0}
            chosen={survey.system === candidate.template}
            onTake={() => take(candidate)}
          />
        ))}
      </View>
    </>
  );
}

const styles = sheet({
  card: { borderWidth: 1.5, borderRadius: 12, padding: 14, gap: 8 },
  row: { flexDirection: 'row', gap: 8, alignItems: 'center' },
  answer: { flex: 1, minHeight: 52 },
  evidence: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  wired: { minHeight: 44, justifyContent: 'center', paddingHorizontal: 8 },
  list: { gap: 10 },
  grow: { flex: 1 },
  track: { height: 6, borderRadius: 3, overflow: 'hidden' },
  bar: { height: 6 },
});
