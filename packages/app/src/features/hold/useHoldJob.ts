import { useEffect } from 'react';
import { isBegunHere } from '../../documents/slice';
import { useAppStore } from '../../store';
import { photoUrls } from '../photos/photo-url';
import { holdJob, holdSite, untilItCan } from './hold';

/** What is opened has the line to itself for so long, ms. */
const SETTLED_MS = 2500;

/** A job that is open is taken along whole, quietly: the record, the readings, photographs, places not looked at yet. */
export function useHoldJob(jobId: string, siteId: string | undefined): void {
  const store = useAppStore();
  useEffect(() => {
    if (siteId === undefined || isBegunHere(store.getState(), jobId)) return;
    const asked = new AbortController();
    const timer = setTimeout(() => {
      // What is not answered now is taken along the next time it is opened.
      void untilItCan()
        .then(() => holdJob(store.own(photoUrls), jobId, asked.signal))
        .then(() => holdSite(siteId, asked.signal))
        .catch(() => undefined);
    }, SETTLED_MS);
    return () => {
      clearTimeout(timer);
      asked.abort();
    };
  }, [store, jobId, siteId]);
}
