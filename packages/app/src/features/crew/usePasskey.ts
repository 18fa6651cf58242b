import type { AuthenticationResponseJSON } from '@simplewebauthn/browser';
import { startAuthentication } from '@simplewebauthn/browser';
import { useAskPasskeyMutation } from './api';

/** Asks this device for a passkey of the person before it; `null` where they gave none. */
export function usePasskey(): { answer: () => Promise<AuthenticationResponseJSON | null>; error: unknown } {
  const [ask, { error }] = useAskPasskeyMutation();
  const answer = async () => {
    const { data: optionsJSON } = await ask(undefined);
    // Whoever closes the device's own question has answered: nothing happens.
    return optionsJSON ? startAuthentication({ optionsJSON }).catch(() => null) : null;
  };
  return { answer, error };
}
