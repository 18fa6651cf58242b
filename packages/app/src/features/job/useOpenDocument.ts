import type { DocumentName } from '@zygostat/core/documents';
import { useEffect } from 'react';
import { untilAskedAgain } from '../../documents/again';
import type { jobDocument } from '../../documents/jobDocument';
import type { RootState } from '../../store';
import { useAppDispatch, useAppSelector } from '../../store';

/** Opens a document of the job, or of the site, and says when the store holds it. */
export function useOpenDocument(
  name: DocumentName,
  document: Pick<ReturnType<typeof jobDocument>, 'open'>,
  ownerId: string,
): boolean {
  const dispatch = useAppDispatch();
  const ready = useAppSelector((state: RootState) => state[name]?.jobId === ownerId);
  useEffect(() => {
    if (ready) return;
    let wanted = true;
    const open = async () => {
      for (let tries = 0; wanted && !(await dispatch(document.open(ownerId, () => wanted))); tries++)
        await untilAskedAgain(tries);
    };
    void open();
    return () => {
      wanted = false;
    };
  }, [dispatch, document, ownerId, ready]);
  return ready;
}
