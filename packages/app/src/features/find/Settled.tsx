import { nanoid } from '@reduxjs/toolkit';
import { useState } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { FindView, Remedy } from '@zygostat/core/diagnose';
import { classOf, remedyKey } from '@zygostat/core/diagnose';
import type { Names } from '@zygostat/core/words';
import { inSentence, runningText, settledText } from '@zygostat/core/words';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';
import { useConfirmMutation, useRepairMutation } from './api';
import { useNote } from './useNote';
import { goTo } from '../job/address';

interface SettledProps {
  view: FindView;
  names: Names;
  circuit: Circuit;
  jobId: string;
  meter: string | null;
  /** It was done, and did not help: by the key of the remedy. */
  onNoBetter: (remedy: string) => void;
  onEnd: () => void;
}

const each = (remedy: Remedy): readonly Remedy[] => (remedy.type === 'both' ? remedy.remedies : [remedy]);

/** Sure enough: what is to be done, the test that proves it, and what goes into the job. */
export function Settled({ view, names, circuit, jobId, meter, onNoBetter, onEnd }: SettledProps) {
  const t = useTokens();
  const note = useNote(jobId);
  const [confirm] = useConfirmMutation();
  const [repair] = useRepairMutation();
  const [outcome, setOutcome] = useState<string | null>(null);
  const { settled, wrong } = view;
  if (!settled || !wrong) return null;
  const { title, text } = settledText(names, settled, wrong);
  const isNothing = settled.type === 'none';
  const proven = () => {
    void confirm({ job: jobId, id: nanoid(), name: classOf(circuit, wrong) });
    void note(isNothing ? `${title} ${text}` : `Found: ${text}. Done: ${title}. The same call runs.`);
    onEnd();
  };
  const tryIt = async () => {
    let sound = false;
    for (const remedy of each(settled)) {
      const { data } = await repair({ meter: meter!, remedy: remedyKey(remedy) });
      if (!data) return setOutcome('The bench does not answer. Try again.');
      sound = data.sound;
    }
    setOutcome(
      sound ? 'The same call is made again: it runs.' : 'The same call is made again: it is no better.',
    );
  };
  return (
    <View
      role="region"
      aria-label="What to do"
      style={[styles.card, { borderColor: t.teal, backgroundColor: t.tealSoft }]}
    >
      <AppText kind="title" heading={2} color={t.teal}>
        {title}
      </AppText>
      <AppText>{text}</AppText>
      <AppText kind="small" color={t.amber}>
        Power off, locked and proven dead before hands go in. Never bypass a fuse, limit, float or detector.
        Gas, refrigerant, line voltage and life safety belong to who is licensed for them where you are.
      </AppText>
      {meter === null &&
      each(settled).some(({ type }) => type === 'replace-conductor' || type === 'replace-cable') ? (
        <ActionButton label="Ways out: Plan, Add, Run" onPress={() => goTo(jobId, 'plan', 'add')} />
      ) : null}
      {meter === null && settled.type === 'compare' ? (
        <ActionButton label="Write down what is there: Wire" onPress={() => goTo(jobId, 'wire', 'list')} />
      ) : null}
      {isNothing ? null : (
        <AppText>{`Then make the same call again. All is right with: ${inSentence(runningText(names, view.right))}.`}</AppText>
      )}
      {meter !== null && !isNothing ? (
        <ActionButton label="Do it on the bench" look="filled" onPress={() => void tryIt()} />
      ) : null}
      {outcome ? (
        <View role="status" aria-live="polite">
          <AppText kind="strong">{outcome}</AppText>
        </View>
      ) : null}
      {meter === null ? (
        <ActionButton
          label={isNothing ? 'Log it and put this away' : 'It runs: log it and put this away'}
          look="filled"
          onPress={proven}
        />
      ) : null}
      <ActionButton
        label={isNothing ? 'It still goes wrong' : 'Done, and it is no better'}
        onPress={() => onNoBetter(remedyKey(settled))}
      />
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1.5, borderRadius: 12, padding: 14, gap: 8 },
});
