import type { AuthenticationResponseJSON } from '@simplewebauthn/browser';
import { ActionButton } from '../../basics';
import { canKeepPasskeys } from './canKeepPasskeys';
import { Refusal } from './Refusal';
import { usePasskey } from './usePasskey';

interface ByPasskeyProps {
  label: string;
  /** What was made of the answer before. */
  error: unknown;
  onAnswer: (answer: AuthenticationResponseJSON) => Promise<void>;
}

/** Says by a passkey of this device who one is; nothing where it can keep none. */
export function ByPasskey({ label, error, onAnswer }: ByPasskeyProps) {
  const passkey = usePasskey();
  if (!canKeepPasskeys()) return null;
  const go = async () => {
    const answer = await passkey.answer();
    if (answer) await onAnswer(answer);
  };
  return (
    <>
      <Refusal error={passkey.error ?? error} />
      <ActionButton label={label} onPress={() => void go()} />
    </>
  );
}
