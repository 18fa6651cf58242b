import { View } from 'react-native';
import { AppText } from '../../basics';
import type { Held } from '../../documents/jobDocument';
import { useTokens } from '../../theme';

/** Says when the server refused a document of the job, and why. */
export function Unsaved({ what, state, detail }: { what: string } & Pick<Held<unknown>, 'state' | 'detail'>) {
  const t = useTokens();
  if (state !== 'refused') return null;
  return (
    <View role="alert">
      <AppText
        color={t.red}
      >{`${what} not saved: the server refused it. ${detail} It is kept here.`}</AppText>
    </View>
  );
}
