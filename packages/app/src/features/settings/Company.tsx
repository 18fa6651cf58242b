import { useState } from 'react';
import { View } from 'react-native';
import type { Firm } from '@zygostat/core/record';
import { ActionButton, AppText, Field } from '../../basics';
import { problemOf } from '../../store/api';
import { sheet, useTokens } from '../../theme';
import { useFirmQuery, useSetFirmMutation } from '../jobs/api';

/** Name and contact, to be changed. */
function Form({ firm }: { firm: Firm }) {
  const t = useTokens();
  const [name, setName] = useState(firm.name);
  const [contact, setContact] = useState(firm.contact);
  const [save, { error, isLoading }] = useSetFirmMutation();
  const changed = { name: name.trim(), contact: contact.trim() };
  const isChanged = changed.name !== firm.name || changed.contact !== firm.contact;
  return (
    <>
      <Field label="Company, for reports" value={name} most={120} onChange={setName} />
      <Field label="Phone, license, address" value={contact} most={300} onChange={setContact} />
      {error ? (
        <View role="alert">
          <AppText color={t.red}>{problemOf(error).detail}</AppText>
        </View>
      ) : null}
      {isChanged ? (
        <ActionButton
          label="Save company"
          disabled={isLoading}
          onPress={() => void save({ ...changed, was: firm })}
        />
      ) : null}
    </>
  );
}

/** Who does the work, as it stands on every report of this server. */
export function Company() {
  const { data } = useFirmQuery(undefined);
  return (
    <View role="region" aria-label="Company" style={styles.column}>
      {data ? (
        <Form firm={data} />
      ) : (
        <AppText kind="small">Your company is read when there is signal.</AppText>
      )}
    </View>
  );
}

const styles = sheet({ column: { gap: 8 } });
