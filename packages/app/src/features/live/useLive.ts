/** Hears what others change of a job while it is open, and who they are. */
import type { Owner } from '@zygostat/core/documents';
import { useEffect, useState } from 'react';
import { useAppDispatch, useAppStore } from '../../store';
import { PAGE } from '../../store/api';
import { refresh, refreshAll } from './refresh';

/** Somebody else who has the job open. */
export interface Other {
  page: string;
  name: string;
}

const NOBODY: readonly Other[] = [];

/** @param owner - whether it is a job or a site. */
export function useLive(id: string, owner: Owner = 'jobs'): readonly Other[] {
  const dispatch = useAppDispatch();
  const store = useAppStore();
  const [others, setOthers] = useState(NOBODY);
  useEffect(() => {
    if (typeof EventSource === 'undefined') return;
    const asked = new URLSearchParams({ page: PAGE, name: store.getState().record?.by ?? '' });
    const source = new EventSource(`/api/${owner}/${encodeURIComponent(id)}/stream?${asked.toString()}`);
    let isLost = false;
    source.addEventListener('changed', ({ data }) => {
      const { what, page } = JSON.parse(data as string) as { what: string; page: string };
      if (page !== PAGE) dispatch(refresh(id, what));
    });
    source.addEventListener('here', ({ data }) => {
      setOthers((JSON.parse(data as string) as Other[]).filter(({ page }) => page !== PAGE));
      // What was changed while nothing was heard was told to nobody here.
      if (isLost) dispatch(refreshAll(id, owner));
      isLost = false;
    });
    source.onerror = () => {
      isLost = true;
      setOthers(NOBODY);
    };
    return () => source.close();
  }, [id, owner, store, dispatch]);
  return others;
}
