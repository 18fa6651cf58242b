import { View } from 'react-native';
import { SaveForm } from '../../basics';
import { problemOf } from '../../store/api';
import { sheet } from '../../theme';
import { useSetAddressMutation } from '../jobs/api';

const FIELDS = { address: { label: 'Address, for reports', most: 300 } } as const;

/** The site's address, as it stands on its reports. */
export function Address({ siteId, address }: { siteId: string; address: string }) {
  const [save, { error, isLoading }] = useSetAddressMutation();
  return (
    <View role="region" aria-label="Address" style={styles.column}>
      <SaveForm
        fields={FIELDS}
        saved={{ address }}
        saveLabel="Save address"
        busy={isLoading}
        trouble={error ? problemOf(error).detail : null}
        onSave={(changed) => void save({ id: siteId, ...changed, was: address })}
      />
    </View>
  );
}

const styles = sheet({ column: { gap: 8 } });
