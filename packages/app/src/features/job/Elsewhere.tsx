import type { Job } from '../jobs/api';
import { useListBypassesQuery, useListPanelsQuery } from '../jobs/api';
import { plural } from '../jobs/JobRow';
import { wasResumed } from '../../store/resume';
import { useAppStore } from '../../store';
import { useTokens } from '../../theme';
import { HeadBanner } from './HeadBanner';
import { useLeave } from './useLeave';

/** What stands open on other jobs, for whoever was led straight into this one: nobody opens the app without seeing it. */
export function Elsewhere({ job: { id, siteId } }: { job: Job }) {
  const t = useTokens();
  const { leave, question } = useLeave(id);
  const store = useAppStore();
  const asked = { skip: !wasResumed(store) };
  const { data: bypasses = [] } = useListBypassesQuery(undefined, asked);
  const { data: panels = [] } = useListPanelsQuery(undefined, asked);
  const bypassed = bypasses.filter(({ job }) => job !== id).length;
  const onTest = panels.filter((panel) => panel.id !== siteId && panel.onTestUntil !== null).length;
  const words = [
    bypassed > 0 ? `${plural(bypassed, 'safety')} bypassed` : '',
    onTest > 0 ? `${plural(onTest, 'fire panel')} on test` : '',
  ].filter((one) => one !== '');
  if (words.length === 0) return null;
  return (
    <>
      <HeadBanner
        onPress={leave}
        icon="alert"
        words={`On other jobs: ${words.join(', ')}`}
        ink={t.red}
        fill={t.redSoft}
      />
      {question}
    </>
  );
}
