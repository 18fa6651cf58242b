import { useState } from 'react';
import { ActionButton, AppText, BottomSheet, Field } from '../../basics';
import { problemOf } from '../../store/api';
import { useConfirmDeviceMutation, useProveByPasskeyMutation, useProveMutation } from './api';
import { ByPasskey } from './ByPasskey';
import { Refusal } from './Refusal';

interface AskedProps {
  why: string;
  onAnswered: () => void;
  onClose: () => void;
}

/** A passkey answers either question: it is more than a password, and shows that somebody is there. */
function OrPasskey({ onAnswered }: Pick<AskedProps, 'onAnswered'>) {
  const [prove, { error }] = useProveByPasskeyMutation();
  return (
    <ByPasskey
      label="Go on with this device’s passkey"
      error={error}
      onAnswer={async (answer) => {
        if (!(await prove(answer)).error) onAnswered();
      }}
    />
  );
}

/** Asks whoever is signed in to say once more that it is them, and goes on with what they were about to do. */
function Prove({ why, onAnswered, onClose }: AskedProps) {
  const [password, setPassword] = useState('');
  const [prove, { error, isLoading }] = useProveMutation();
  const go = async () => {
    if (!(await prove({ password })).error) onAnswered();
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
      <Refusal error={error} />
      <ActionButton
        label="It is me: go on"
        look="filled"
        disabled={password === '' || isLoading}
        onPress={() => void go()}
      />
      <OrPasskey onAnswered={onAnswered} />
    </BottomSheet>
  );
}

/** Asks for a code that shows that this device is theirs, and goes on with what they were about to do. */
function Confirm({ why, onAnswered, onClose }: AskedProps) {
  const [code, setCode] = useState('');
  const [confirm, { error, isLoading }] = useConfirmDeviceMutation();
  const go = async () => {
    if (!(await confirm({ code })).error) onAnswered();
  };
  return (
    <BottomSheet title="Is this device yours?" onClose={onClose}>
      <AppText>{why}</AppText>
      <AppText>
        Make a code on another device of yours, under Settings, Crew, Signed in. If there is none left,
        whoever leads makes you one, or whoever has the machine: npm run code -- and your name.
      </AppText>
      <Field label="Code" value={code} most={40} fills="one-time-code" onChange={setCode} />
      <Refusal error={error} />
      <ActionButton
        label="It is mine: go on"
        look="filled"
        disabled={code.trim() === '' || isLoading}
        onPress={() => void go()}
      />
      <OrPasskey onAnswered={onAnswered} />
    </BottomSheet>
  );
}

interface RefusedProps {
  /** What was asked of the server. */
  act: { error?: unknown; reset: () => void };
  /** Asks it once more. */
  again: () => void;
}

/** Why something was refused; where the person has only to show that it is them, or their device, that is asked, and it is done `again`. */
export function Refused({ act: { error, reset }, again }: RefusedProps) {
  const { prove, confirm, detail } = problemOf(error);
  const asked = { why: detail, onAnswered: again, onClose: reset };
  if (error && confirm) return <Confirm {...asked} />;
  if (error && prove) return <Prove {...asked} />;
  return <Refusal error={error} />;
}
