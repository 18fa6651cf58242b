import { useState } from 'react';
import { View } from 'react-native';
import { ActionButton, AppText, Field } from '../../basics';
import { problemOf } from '../../store/api';
import { sheet, useTokens } from '../../theme';
import { useSetAddressMutation } from '../jobs/api';

/** The site's address, as it stands on its reports. */
export function Address({ siteId, address }: { siteId: string; address: string }) {
  const t = useTokens();
  const [text, setText] = useState(address);
  const [save, { error, isLoading }] = useSetAddressMutation();
  const isChanged = text.trim() !== address;
  return (
    <View role="region" aria-label="Address" style={styles.column}>
      <Field label="Address, for reports" value={text} most={300} onChange={setText} />
      {error ? (
        <View role="alert">
          <AppText color={t.red}>{problemOf(error).detail}</AppText>
        </View>
      ) : null}
      {isChanged ? (
        <ActionButton
          label="Save address"
          disabled={isLoading}
          onPress={() => void save({ id: siteId, address: text.trim(), was: address })}
        />
      ) : null}
    </View>
  );
}

const styles = sheet({ column: { gap: 8 } });
