import { StyleSheet, View } from 'react-native';
import type { Proof } from '@zygostat/core/prove';
import { useTokens } from '../../theme';
import { Icon } from '../../theme/icons';
import { AppText } from '../../basics';

/** What the proof of a proposed circuit says, in a line. */
export function ProofLine({ proof }: { proof: Proof }) {
  const t = useTokens();
  const clean = proof.findings.every(({ severity }) => severity === 'caution');
  const danger = proof.findings.some(({ severity }) => severity === 'danger');
  const ink = clean ? t.teal : danger ? t.red : t.amber;
  return (
    <View>
      <View style={styles.row}>
        <Icon name={clean ? 'check' : 'alert'} size={20} color={ink} />
        <AppText kind="strong" color={ink}>
          {clean ? `Proven in ${proof.states} states` : danger ? 'Dangerous as it is' : 'Works with losses'}
        </AppText>
      </View>
      {proof.findings.map(({ property, about, text }) => (
        <AppText key={`${property} ${about}`} color={ink}>{`• ${text}`}</AppText>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', alignItems: 'center', gap: 8 } });
