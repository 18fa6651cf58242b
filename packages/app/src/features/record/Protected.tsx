import { useCallback } from 'react';
import type { Remote } from 'comlink';
import type { Circuit } from '@zygostat/core/circuit';
import type { Protection } from '@zygostat/core/prove';
import type { Names } from '@zygostat/core/words';
import { protectionText } from '@zygostat/core/words';
import type { Model } from '../../model/answers';
import { useModel } from '../../model/useModel';
import { useTokens } from '../../theme';
import { AppText, Waiting } from '../../basics';
import { useBypassed } from './useRecord';

/** What still protects while a safety is bypassed: run in the model, call by call. */
export function Protected({ circuit, names, device }: { circuit: Circuit; names: Names; device: string }) {
  const t = useTokens();
  // One that is bypassed itself protects nothing.
  const others = useBypassed();
  const ask = useCallback(
    async (model: Remote<Model>) => ({ protection: await model.protection(circuit, device, others) }),
    [circuit, device, others],
  );
  const answer = useModel<{ protection: Protection | null }>(ask);
  if (!answer) return <Waiting label="Seeing what still protects" />;
  const { protection } = answer;
  const isGuarded = protection !== null && protection.still.length > 0;
  return <AppText color={isGuarded ? t.teal : t.red}>{protectionText(names, protection)}</AppText>;
}
