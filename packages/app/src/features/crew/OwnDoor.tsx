import { startRegistration } from '@simplewebauthn/browser';
import { useState } from 'react';
import { View } from 'react-native';
import { ActionButton, AppText, Field } from '../../basics';
import {
  useChangePasswordMutation,
  useKeepPasskeyMutation,
  useOfferPasskeyMutation,
  usePasskeysQuery,
  useRemovePasskeyMutation,
} from './api';
import { canKeepPasskeys } from './canKeepPasskeys';
import { Refused } from './Refused';
import { StrengthMeter } from './StrengthMeter';
import { sheet } from '../../theme';

/** Passkeys of whoever is signed in. */
function Passkeys() {
  const { data = [] } = usePasskeysQuery(undefined);
  const [offer, offered] = useOfferPasskeyMutation();
  const [keep, kept] = useKeepPasskeyMutation();
  const [remove, removed] = useRemovePasskeyMutation();
  const add = async () => {
    const { data: optionsJSON } = await offer(undefined);
    const answer = optionsJSON && (await startRegistration({ optionsJSON }).catch(() => null));
    if (answer) await keep(answer);
  };
  return (
    <>
      {data.map(({ id, device }) => (
        <View key={id} style={styles.row}>
          <AppText style={styles.grow}>{`Passkey of ${device}`}</AppText>
          <ActionButton
            label="Remove"
            hint={`Remove the passkey of ${device}`}
            onPress={() => void remove(id)}
          />
        </View>
      ))}
      {canKeepPasskeys() ? (
        <ActionButton label="Sign in with this device from now on (passkey)" onPress={() => void add()} />
      ) : null}
      <Refused act={offered} again={() => void add()} />
      <Refused act={kept} again={() => void add()} />
      <Refused act={removed} again={() => void (removed.originalArgs && remove(removed.originalArgs))} />
    </>
  );
}

/** How a person signs in: passkeys and password. */
export function OwnDoor({ name }: { name: string }) {
  const [old, setOld] = useState('');
  const [password, setPassword] = useState('');
  const [change, changed] = useChangePasswordMutation();
  const go = async () => {
    const { error: refused } = await change({ old, password });
    if (refused) return;
    setOld('');
    setPassword('');
  };
  return (
    <View role="region" aria-label="How you sign in" style={styles.group}>
      <AppText kind="strong" heading={2}>
        How you sign in
      </AppText>
      <Passkeys />
      <Field label="Password now" value={old} most={128} secret="current-password" onChange={setOld} />
      <Field label="New password" value={password} most={128} secret="new-password" onChange={setPassword} />
      <StrengthMeter password={password} name={name} />
      <Refused act={changed} again={() => void go()} />
      {changed.isSuccess ? <AppText>Changed. Your other devices were signed out.</AppText> : null}
      <ActionButton
        label="Change the password"
        disabled={old === '' || password === ''}
        onPress={() => void go()}
      />
    </View>
  );
}

const styles = sheet({
  group: { gap: 8 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  grow: { flex: 1 },
});
