import { View } from 'react-native';
import { AppText } from '../../basics';
import { problemOf } from '../../store/api';
import { useTokens } from '../../theme';

/** Why something was refused, field by field where it was a field. */
export function Refusal({ error }: { error: unknown }) {
  const t = useTokens();
  if (!error) return null;
  const { detail, problems } = problemOf(error);
  const lines = problems?.map(
    ({ path, message }) => `${path.charAt(0).toUpperCase()}${path.slice(1)} ${message}.`,
  );
  return (
    <View role="alert">
      {(lines ?? [detail]).map((line) => (
        <AppText key={line} color={t.red}>
          {line}
        </AppText>
      ))}
    </View>
  );
}
