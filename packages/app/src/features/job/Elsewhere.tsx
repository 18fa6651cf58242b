import { router } from 'expo-router';
import { useListBypassesQuery, useListPanelsQuery } from '../jobs/api';
import { plural } from '../jobs/JobRow';
import { wasResumed } from '../../store/resume';
import { useTokens } from '../../theme';
import { HeadBanner } from './HeadBanner';

/** What stands open on other jobs, for whoever was led straight into this one: nobody opens the app without seeing it. */
export function Elsewhere({ jobId }: { jobId: string }) {
  const t = useTokens();
  const asked = { skip: !wasResumed() };
  const { data: bypasses = [] } = useListBypassesQuery(undefined, asked);
  const { data: panels = [] } = useListPanelsQuery(undefined, asked);
  const bypassed = bypasses.filter(({ job }) => job !== jobId).length;
  const onTest = panels.filter(({ onTestUntil }) => onTestUntil !== null).length;
  const words = [
    bypassed > 0 ? `${plural(bypassed, 'safety')} bypassed` : '',
    onTest > 0 ? `${plural(onTest, 'fire panel')} on test` : '',
  ].filter((one) => one !== '');
  if (words.length === 0) return null;
  return (
    <HeadBanner
      onPress={() => router.dismissTo('/')}
      icon="alert"
      words={`On other jobs: ${words.join(', ')}`}
      ink={t.red}
      fill={t.redSoft}
    />
  );
}
