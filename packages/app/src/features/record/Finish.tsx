import { useState } from 'react';
import { View } from 'react-native';
import type { Body, Standing } from '@zygostat/core/record';
import { unsettledOf } from '@zygostat/core/record';
import type { Names } from '@zygostat/core/words';
import { unsettledText } from '@zygostat/core/words';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, Field } from '../../basics';
import { whenInYearText } from '../../basics/when';

interface FinishProps {
  names: Names;
  standing: Standing;
  onWrite: (body: Body) => Promise<boolean>;
}

/** The end of a job: what has to be settled first, what was done in the customer's words, and that it is finished. */
export function Finish({ names, standing, onWrite }: FinishProps) {
  const t = useTokens();
  const [text, setText] = useState('');
  if (standing.finished)
    return <AppText kind="strong">The job is finished. A new entry opens it again.</AppText>;
  const unsettled = unsettledOf(standing);
  const finish = async () => {
    if (await onWrite({ type: 'finished', text: text.trim() })) setText('');
  };
  return (
    <View role="region" aria-label="Finish the job" style={styles.column}>
      {unsettled.length > 0 ? (
        <>
          <AppText kind="strong">Before you finish the job</AppText>
          <View role="list" aria-label="To settle first" style={styles.column}>
            {unsettled.map((one) => (
              <View key={one.type} role="listitem">
                <AppText color={t.red}>{unsettledText(names, one, whenInYearText)}</AppText>
              </View>
            ))}
          </View>
        </>
      ) : (
        <Field
          label="What was done, for the customer"
          value={text}
          most={2000}
          multiline
          onChange={setText}
        />
      )}
      <ActionButton label="Finish the job" disabled={unsettled.length > 0} onPress={() => void finish()} />
    </View>
  );
}

const styles = sheet({ column: { gap: 8 } });
