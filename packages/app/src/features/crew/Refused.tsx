import { useState } from 'react';
import { ActionButton, AppText, BottomSheet, Field } from '../../basics';
import { problemOf } from '../../store/api';
import { useProveByPasskeyMutation, useProveMutation } from './api';
import { canKeepPasskeys } from './canKeepPasskeys';
import { Refusal } from './Refusal';
import { usePasskey } from './usePasskey';

/** Asks whoever is signed in to say once more that it is them, and goes on with what they were about to do. */
function Prove({ why, onProven, onClose }: { why: string; onProven: () => void; onClose: () => void }) {
  const [password, setPassword] = useState('');
  const [prove, byPassword] = useProveMutation();
  const [proveByPasskey, byPasskey] = useProveByPasskeyMutation();
  const passkey = usePasskey();
  const withPassword = async () => {
    if (!(await prove({ password })).error) onProven();
  };
  const withPasskey = async () => {
    const answer = await passkey.answer();
    if (answer && !(await proveByPasskey(answer)).error) onProven();
  };
  return (
    <BottomSheet title="Is it you?" onClose={onClose}>
      <AppText>{why}</AppText>
      <Field
        label="Your password"
        value={password}
        most={128}
        secret="current-password"
        onChange={setPassword}
      />
      <Refusal error={byPassword.error ?? byPasskey.error ?? passkey.error} />
      <ActionButton
        label="It is me: go on"
        look="filled"
        disabled={password === '' || byPassword.isLoading}
        onPress={() => void withPassword()}
      />
      {canKeepPasskeys() ? (
        <ActionButton label="Go on with this device’s passkey" onPress={() => void withPasskey()} />
      ) : null}
    </BottomSheet>
  );
}

interface RefusedProps {
  /** What was asked of the server. */
  act: { error?: unknown; reset: () => void };
  /** Asks it once more. */
  again: () => void;
}

/** Why something was refused; where the person has only to prove that it is them, that is asked, and it is done `again`. */
export function Refused({ act: { error, reset }, again }: RefusedProps) {
  const { prove, detail } = problemOf(error);
  if (error && prove) return <Prove why={detail} onProven={again} onClose={reset} />;
  return <Refusal error={error} />;
}
