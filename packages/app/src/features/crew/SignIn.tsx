import { useState } from 'react';
import { ScrollView } from 'react-native';
import { ActionButton, AppText, Column, Field } from '../../basics';
import { useMeQuery, useSignInByPasskeyMutation, useSignInMutation } from './api';
import { ByPasskey } from './ByPasskey';
import { Refusal } from './Refusal';
import { useEnter } from './useEnter';
import { sheet } from '../../theme';

/** Stands before everything else on a device that is not signed in. */
export function SignIn() {
  const enter = useEnter();
  const { data: me } = useMeQuery(undefined);
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const [signIn, byPassword] = useSignInMutation();
  const [prove, byPasskey] = useSignInByPasskeyMutation();
  const withPassword = async () => {
    const { data } = await signIn({ name: name.trim(), password });
    if (data) enter(data.person);
  };
  return (
    <Column>
      <ScrollView contentContainerStyle={styles.form}>
        <AppText kind="title" heading={1}>
          Sign in
        </AppText>
        <AppText>This server belongs to a crew.</AppText>
        <Field label="Name" value={name} most={60} fills="username" onChange={setName} />
        <Field
          label="Password"
          value={password}
          most={128}
          secret="current-password"
          onChange={setPassword}
        />
        <Refusal error={byPassword.error} />
        <ActionButton
          label={byPassword.isLoading ? 'Signing in…' : 'Sign in'}
          look="filled"
          disabled={name.trim() === '' || password === '' || byPassword.isLoading}
          onPress={() => void withPassword()}
        />
        <ByPasskey
          label="Sign in with this device’s passkey"
          error={byPasskey.error}
          onAnswer={async (answer) => {
            const { data } = await prove(answer);
            if (data) enter(data.person);
          }}
        />
        <AppText kind="small">
          {me?.empty
            ? 'Nobody is here yet: open the address that the server’s terminal shows, with its code.'
            : 'New here, or the password forgotten? Whoever leads the crew makes you a code: Settings, Crew.'}
        </AppText>
      </ScrollView>
    </Column>
  );
}

const styles = sheet({ form: { padding: 16, gap: 12 } });
