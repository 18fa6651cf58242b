import { useState } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { Telling } from '@zygostat/core/prove';
import { capital, caseText, namesIn, showVolts, violationText, wrongLandingText } from '@zygostat/core/words';
import type { MistakeFound } from '../../model/answers';
import { askAside } from '../../model/model';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';
import { HARMS, harmOf } from './harm';
import { MistakeLive } from './MistakeLive';

interface MistakeCardProps {
  circuit: Circuit;
  mistake: MistakeFound;
  /** As it was asked for: the same wiring comes of several wrong landings. */
  wrong: MistakeFound['wrong'];
}

/** One wrong landing: what it does, when that shows, how to tell it with a meter, and the circuit with it in. */
export function MistakeCard({ circuit, mistake, wrong }: MistakeCardProps) {
  const t = useTokens();
  const [live, setLive] = useState(false);
  const [told, setTold] = useState<Telling | 'nothing' | null>(null);
  const { does, shownBy } = mistake;
  const names = namesIn(circuit);
  const harm = harmOf(mistake);
  const title = capital(wrongLandingText(names, wrong));
  const ink = harm === 'danger' ? t.red : t.ink;
  const tell = async () => {
    if (shownBy) setTold((await askAside((model) => model.telling(circuit, wrong, shownBy))) ?? 'nothing');
  };
  return (
    <View
      role="region"
      aria-label="What it does"
      aria-live="polite"
      style={[styles.card, { backgroundColor: t.card, borderColor: harm === 'danger' ? t.red : t.line }]}
    >
      <AppText kind="strong">{title}</AppText>
      {does && shownBy ? (
        <>
          <AppText kind="strong" color={ink}>{`${HARMS[harm].sign} ${violationText(names, does)}`}</AppText>
          <AppText kind="small">{`Shows with ${caseText(names, shownBy)}.`}</AppText>
        </>
      ) : (
        <AppText>No call of these shows it: look at the landing itself.</AppText>
      )}
      {told === null ? null : (
        <AppText>
          {told === 'nothing'
            ? 'No low-voltage reading at this strip tells it. With the power off and proven dead, look at the colours.'
            : `With ${caseText(names, shownBy!)}, ${names.node(told.red)} to ${names.node(told.black)} reads ${showVolts(told.wrong)} V instead of ${showVolts(told.right)} V.`}
        </AppText>
      )}
      {shownBy ? (
        <View style={styles.row}>
          <ActionButton label="See it live" look="filled" onPress={() => setLive(true)} style={styles.part} />
          <ActionButton label="How to tell" onPress={() => void tell()} style={styles.part} />
        </View>
      ) : null}
      {live && shownBy ? (
        <MistakeLive
          circuit={circuit}
          wrong={wrong}
          shownBy={shownBy}
          title={title}
          onClose={() => setLive(false)}
        />
      ) : null}
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1.5, borderRadius: 12, padding: 12, gap: 8 },
  row: { flexDirection: 'row', gap: 8 },
  part: { flex: 1 },
});
