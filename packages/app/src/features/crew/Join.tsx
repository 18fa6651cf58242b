import { router } from 'expo-router';
import { useState } from 'react';
import { ScrollView } from 'react-native';
import { ActionButton, AppText, Column, Field } from '../../basics';
import { useJoinMutation } from './api';
import { Refusal } from './Refusal';
import { StrengthMeter } from './StrengthMeter';
import { useEnter } from './useEnter';
import { sheet } from '../../theme';

/** The code an address came with. It stands after the #, which is sent to nobody. */
const codeHere = () => window.location.hash.slice(1);

/** A person joins the crew by a code. */
export function Join() {
  const enter = useEnter();
  const [code, setCode] = useState(codeHere);
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const [join, { error, isLoading }] = useJoinMutation();
  const go = async () => {
    const { data } = await join({ code: code.trim(), name: name.trim(), password });
    if (!data) return;
    enter(data.person);
    router.replace('/');
  };
  return (
    <Column>
      <ScrollView contentContainerStyle={styles.form}>
        <AppText kind="title" heading={1}>
          Join the crew
        </AppText>
        <AppText>What you write goes under your name from now on.</AppText>
        <Field label="Code" value={code} most={40} fills="one-time-code" onChange={setCode} />
        <Field label="Your name" value={name} most={60} fills="username" onChange={setName} />
        <Field label="A password" value={password} most={128} secret="new-password" onChange={setPassword} />
        <StrengthMeter password={password} name={name.trim()} code={code.trim()} />
        <AppText kind="small">12 characters or more: a few words in a row are easy to remember.</AppText>
        <AppText kind="small">
          If the code was made for you because you are here already: your own name. The password you have lets
          this device in; another one takes its place.
        </AppText>
        <Refusal error={error} />
        <ActionButton
          label={isLoading ? 'Joining…' : 'Join'}
          look="filled"
          disabled={code.trim() === '' || name.trim() === '' || password === '' || isLoading}
          onPress={() => void go()}
        />
      </ScrollView>
    </Column>
  );
}

const styles = sheet({ form: { padding: 16, gap: 12 } });
