import { View } from 'react-native';
import { AppText, SaveForm } from '../../basics';
import { problemOf } from '../../store/api';
import { sheet } from '../../theme';
import { useFirmQuery, useSetFirmMutation } from '../jobs/api';

const FIELDS = {
  name: { label: 'Company, for reports', most: 120 },
  contact: { label: 'Phone, license, address', most: 300 },
} as const;

/** Who does the work, as it stands on every report of this server. */
export function Company() {
  const { data: firm } = useFirmQuery(undefined);
  const [save, { error, isLoading }] = useSetFirmMutation();
  return (
    <View role="region" aria-label="Company" style={styles.column}>
      {firm ? (
        <SaveForm
          fields={FIELDS}
          saved={firm}
          saveLabel="Save company"
          busy={isLoading}
          trouble={error ? problemOf(error).detail : null}
          onSave={(changed) => void save({ ...changed, was: firm })}
        />
      ) : (
        <AppText kind="small">Your company is read when there is signal.</AppText>
      )}
    </View>
  );
}

const styles = sheet({ column: { gap: 8 } });
