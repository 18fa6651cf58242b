import { useCallback, useEffect, useState } from 'react';
import type { Building } from '@zygostat/core/building';
import { EMPTY_BUILDING } from '@zygostat/core/building';
import { useAppDispatch, useAppSelector, useAppStore } from '../../store';
import { startJobs } from '../job/start';
import { useOpenDocument } from '../job/useOpenDocument';
import { buildingDocument } from './document';

/** Whether the store holds what lies beyond the list of jobs. */
function useStarted(): boolean {
  const store = useAppStore();
  const [started, setStarted] = useState(false);
  useEffect(() => {
    let wanted = true;
    void startJobs(store).then(() => wanted && setStarted(true));
    return () => {
      wanted = false;
    };
  }, [store]);
  return started;
}

/** The building of a site, and how it is changed. */
export function useBuilding(siteId: string): {
  building: Building;
  ready: boolean;
  /** Changes it by what it is when it is changed. */
  change: (to: (building: Building) => Building) => void;
} {
  const dispatch = useAppDispatch();
  const started = useStarted();
  const opened = useOpenDocument('building', buildingDocument, siteId);
  const building = useAppSelector((state) => state.building?.value) ?? EMPTY_BUILDING;
  const change = useCallback(
    (to: (building: Building) => Building) =>
      // As it is by now: two changes in one breath are both in it.
      void dispatch((send, getState) => send(buildingDocument.changed(to(getState().building.value)))),
    [dispatch],
  );
  return { building, ready: started && opened, change };
}
