/** What a place is called: on its way in, as its heading, and in the title of the page. */
import { useEffect } from 'react';
import type { Job } from '../jobs/api';
import type { PlaceName } from './address';

export const PLACE_TITLES = {
  survey: 'Survey',
  plan: 'Plan',
  wire: 'Wire',
  trace: 'Trace',
  record: 'Record',
} as const satisfies Record<PlaceName, string>;

/** Names the page after what is shown of a job, until it is left. */
export function usePageTitle(shown: string, { name, site }: Pick<Job, 'name' | 'site'>): void {
  useEffect(() => {
    const before = document.title;
    document.title = `${shown} · ${name}, ${site}`;
    return () => {
      document.title = before;
    };
  }, [shown, name, site]);
}
