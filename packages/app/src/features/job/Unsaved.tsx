import { View } from 'react-native';
import { AppText } from '../../basics';
import type { Progress } from '../../documents/sync';
import { useTokens } from '../../theme';

/** Says when a document of the job is not with the server, and why. */
export function Unsaved({ what, state, detail }: { what: string } & Pick<Progress, 'state' | 'detail'>) {
  const t = useTokens();
  if (state !== 'waiting' && state !== 'refused') return null;
  return (
    <View role="alert">
      <AppText color={state === 'refused' ? t.red : t.amber}>
        {state === 'refused'
          ? `${what} not saved: the server refused it. ${detail} It is kept here.`
          : `${what} not saved yet: the server does not answer. It is kept here.`}
      </AppText>
    </View>
  );
}
