import { router } from 'expo-router';
import { View } from 'react-native';
import { ActionButton, AppText } from '../../basics';
import { pickFile } from '../../basics/pickFile';
import { problemOf } from '../../store/api';
import { useTokens } from '../../theme';
import { useReadBundleMutation } from './api';

/** A whole job, or a site with its jobs, read in from the file it went out as. */
export function ReadBundle() {
  const t = useTokens();
  const [readIn, { isLoading, error }] = useReadBundleMutation();
  const read = async () => {
    const file = await pickFile('.zip,application/zip');
    if (!file) return;
    const { data } = await readIn(file);
    if (data) router.replace({ pathname: '/job/[id]/record', params: { id: data.jobs[0]!.id } });
  };
  const problem = error ? problemOf(error) : null;
  return (
    <>
      <ActionButton
        label={isLoading ? 'Reading…' : 'Read a whole job in (ZIP)'}
        icon="import"
        disabled={isLoading}
        onPress={() => void read()}
      />
      {problem ? (
        <View role="alert">
          <AppText kind="strong" color={t.red}>
            Nothing was changed
          </AppText>
          <AppText>{problem.detail}</AppText>
        </View>
      ) : null}
    </>
  );
}
