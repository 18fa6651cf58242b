import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { Proof } from '@zygostat/core/prove';
import { namesIn, violationText } from '@zygostat/core/words';
import { sheet, useTokens } from '../../theme';
import { Icon } from '../../theme/icons';
import { AppText } from '../../basics';

/** What the proof of a proposed circuit says, in a line. */
export function ProofLine({ circuit, proof }: { circuit: Circuit; proof: Proof }) {
  const t = useTokens();
  const names = namesIn(circuit);
  const clean = proof.findings.every(({ severity }) => severity === 'caution');
  const danger = proof.findings.some(({ severity }) => severity === 'danger');
  const ink = clean ? t.teal : danger ? t.red : t.amber;
  return (
    <View>
      <View style={styles.row}>
        <Icon name={clean ? 'check' : 'alert'} size={20} color={ink} />
        <AppText kind="strong" color={ink}>
          {clean
            ? `Proven in ${proof.states} states`
            : danger
              ? 'Dangerous as it is'
              : 'Does not do all it should'}
        </AppText>
      </View>
      {proof.findings.map((finding) => (
        <AppText key={`${finding.property} ${finding.about}`} color={ink}>
          {`• ${violationText(names, finding)}`}
        </AppText>
      ))}
    </View>
  );
}

const styles = sheet({ row: { flexDirection: 'row', alignItems: 'center', gap: 8 } });
