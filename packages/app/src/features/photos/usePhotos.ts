/** Photographs of a job: what the server has, and what waits here. */
import { useCallback, useMemo, useState } from 'react';
import { pickFile } from '../../basics/pickFile';
import { useKept } from '../../documents/slice';
import { useAppDispatch } from '../../store';
import { problemOf } from '../../store/api';
import type { Photo, Pin } from './api';
import { useListPhotosQuery, usePinPhotoMutation, useRemovePhotoMutation } from './api';
import { photoOf, photosOutbox, takenOf, takenPhoto } from './outbox';
import { usePhotoUrls } from './photo-url';
import { shrink } from './shrink';

/** Largest file sent, bytes: the server takes no more. */
const LARGEST = 15 * 1024 * 1024;

const NONE: readonly Photo[] = [];

/** Photographs of this browser by id, of those a job has here. */
function useWaitingPhotos(jobId: string) {
  const kept = useKept();
  return useMemo(
    () =>
      kept.flatMap(({ name, value, isSent }) => {
        const taken = name === photosOutbox.name ? takenOf(value) : null;
        return taken?.jobId === jobId ? [{ taken, isSent: isSent ?? false }] : [];
      }),
    [kept, jobId],
  );
}

/** Every photograph of a job, those that wait to be sent last. */
export function usePhotos(jobId: string): readonly Photo[] {
  const { data = NONE, isSuccess } = useListPhotosQuery(jobId);
  const waiting = useWaitingPhotos(jobId);
  return useMemo(() => {
    const known = new Set(data.map(({ id }) => id));
    const own = waiting.filter(({ taken, isSent }) => !known.has(taken.id) && !(isSent && isSuccess));
    return [...data, ...own.map(({ taken }) => photoOf(taken))];
  }, [data, isSuccess, waiting]);
}

/** Lets the person take one: `take` answers with its id once it is taken in or kept. */
export function useTakePhoto(jobId: string) {
  const dispatch = useAppDispatch();
  const urls = usePhotoUrls();
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const take = useCallback(
    async (station: string, pins: Pin[] = []): Promise<string | null> => {
      const file = await pickFile('image/*', true);
      if (!file) return null;
      setBusy(true);
      setTrouble(null);
      const shrunk = await shrink(file);
      if (shrunk.file.size > LARGEST) {
        setBusy(false);
        setTrouble(
          `${file.name} is ${Math.round(shrunk.file.size / 1024 / 1024)} MB; at most 15 MB are taken.`,
        );
        return null;
      }
      const taken = takenPhoto(jobId, station, shrunk, pins);
      urls.showFrom(taken.id, taken.file);
      const done = await dispatch(photosOutbox.deliver(taken.id, taken));
      setBusy(false);
      if (done.type !== 'refused') return taken.id;
      setTrouble(done.detail);
      return null;
    },
    [dispatch, urls, jobId],
  );
  return { take, busy, trouble };
}

/** Pins and removes one, wherever it is by now. */
export function useChangePhoto(jobId: string) {
  const dispatch = useAppDispatch();
  const waiting = useWaitingPhotos(jobId);
  const [pinPhoto, { error }] = usePinPhotoMutation();
  const [removePhoto] = useRemovePhotoMutation();
  const hereOf = (id: string) => waiting.find(({ taken, isSent }) => taken.id === id && !isSent)?.taken;
  const pin = (id: string, pins: Pin[]) => {
    const here = hereOf(id);
    if (here) dispatch(photosOutbox.post(id, { ...here, pins }));
    else void pinPhoto({ id: jobId, photo: id, pins });
  };
  const remove = (id: string) => {
    const here = hereOf(id);
    if (here) dispatch(photosOutbox.letGo(id));
    else void removePhoto({ id: jobId, photo: id });
  };
  return { pin, remove, trouble: error ? problemOf(error).detail : null };
}
