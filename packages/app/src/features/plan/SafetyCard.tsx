import { View } from 'react-native';
import type { Insertion, SafetyPlan } from '@zygostat/core/plan';
import { staysDry } from '@zygostat/core/plan';
import {
  UNSEEN,
  coveredText,
  floodedText,
  insertionPlace,
  insulatedText,
  namesIn,
  opensText,
  placeReason,
  placeTitle,
  rowText,
  situationText,
  trippedText,
} from '@zygostat/core/words';
import { ActionButton, AppText } from '../../basics';
import { sheet, useTokens } from '../../theme';
import { Icon } from '../../theme/icons';
import { useAppSelector } from '../../store';
import { useBrought } from './Costs';
import { ProofLine } from './ProofLine';

/** Water in every call, dry or not. */
function Water({ insertion }: { insertion: Insertion }) {
  const t = useTokens();
  const units = useAppSelector((state) => state.settings);
  const names = namesIn(insertion.circuit);
  const { flooded, opensInADay } = insertion;
  if (flooded.length === 0) return null;
  const dry = staysDry(insertion);
  const ink = dry ? t.teal : t.red;
  const opens = opensText(opensInADay);
  return (
    <View>
      <View style={styles.row}>
        <Icon name={dry ? 'check' : 'alert'} size={20} color={ink} />
        <AppText kind="strong" color={ink} style={styles.told}>
          {dry ? `Stays dry, ${UNSEEN}` : `Does not stop the water, ${UNSEEN}`}
        </AppText>
      </View>
      {dry
        ? null
        : flooded.map((one) => (
            <AppText key={floodedText(names, one, units)}>{floodedText(names, one, units)}</AppText>
          ))}
      {opens ? <AppText kind="small">{opens}</AppText> : null}
    </View>
  );
}

interface SafetyCardProps {
  insertion: Insertion;
  recommended: SafetyPlan['recommended'];
  onTake: (title: string) => void;
}

/** One place: what a trip stops and leaves, what the water does, who is told, what is left to insulate. */
export function SafetyCard({ insertion, recommended, onTake }: SafetyCardProps) {
  const t = useTokens();
  const { tripped, proof, adds, covered, alike, circuit, insulated } = insertion;
  const names = namesIn(circuit);
  const title = placeTitle(names, insertion);
  const best = recommended?.id === insertion.id && recommended.into === insertion.into;
  const unused = insulatedText(names, insulated);
  const brought = useBrought(insertion.parts);
  return (
    <View
      role="listitem"
      style={[styles.card, { backgroundColor: t.card, borderColor: best ? t.teal : t.line }]}
    >
      <AppText kind="title" heading={3}>
        {title}
      </AppText>
      {best ? (
        <AppText kind="strong" color={t.teal}>{`Suits this job. ${placeReason(recommended.reason)}`}</AppText>
      ) : null}
      <AppText kind="small">{insertionPlace(names, insertion)}</AppText>
      <ProofLine circuit={circuit} proof={proof} />
      <Water insertion={insertion} />
      {tripped.map((one) => (
        <View key={situationText(one.situation)}>
          <AppText kind="strong">{`Tripped with ${situationText(one.situation)}`}</AppText>
          <AppText>{trippedText(one).join(' ')}</AppText>
        </View>
      ))}
      {alike ? null : (
        <AppText kind="strong" color={t.red}>
          The others in the row do not stop the same: try each on Trace.
        </AppText>
      )}
      {[...rowText(names, insertion), ...coveredText(names, covered)].map((text) => (
        <AppText key={text} kind="small">
          {text}
        </AppText>
      ))}
      {unused ? <AppText kind="small">{unused}</AppText> : null}
      {brought ? <AppText kind="small">{brought}</AppText> : null}
      {adds.length === 0 ? (
        <ActionButton
          label={`Take this plan: ${title}`}
          look={best ? 'filled' : 'outlined'}
          onPress={() => onTake(title)}
        />
      ) : (
        <AppText kind="strong" color={t.red}>
          Not proposed: it would add what is found above.
        </AppText>
      )}
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1.5, borderRadius: 12, padding: 14, gap: 8 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  told: { flex: 1 },
});
