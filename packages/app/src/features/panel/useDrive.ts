import { useNewest } from '../../basics/newest';
import { useAppSelector } from '../../store';
import type { Job } from '../jobs/api';
import { useDriveLoopMutation, useMakePanelMutation } from './api';

/** Gives the building's panel what the loops of the open job read, whenever that changes. */
export function useDrive({ id: jobId, site, siteId }: Pick<Job, 'id' | 'site' | 'siteId'>): void {
  const loops = useAppSelector(({ bench }) => bench.view?.loops);
  const [makePanel] = useMakePanelMutation();
  const [driveLoop] = useDriveLoopMutation();
  // What is sent, as one word: it is sent again only when it is another.
  const said = (loops ?? [])
    .map(({ device, reads, amps }) => [device, reads, (amps * 1000).toFixed(2)].join(' '))
    .join('\n');
  useNewest(said, async (lines, isWanted) => {
    if ((await makePanel({ id: siteId, name: site })).error) return;
    for (const line of lines.split('\n')) {
      if (!isWanted()) return;
      const [device, reads, milliamps] = line.split(' ') as [string, 'normal' | 'alarm' | 'trouble', string];
      await driveLoop({ id: siteId, loop: `${jobId}-${device}`, reads, milliamps: Number(milliamps) });
    }
  });
}
