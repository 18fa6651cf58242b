/** Photographs the server did not answer for: kept here, and shown from here. */
import { nanoid } from '@reduxjs/toolkit';
import { outbox } from '../../documents/outbox';
import { whatWaits } from '../../documents/slice';
import type { Photo, Pin } from './api';
import { photosApi } from './api';
import type { Store } from '../../store';
import { photoUrls } from './photo-url';
import type { Shrunk } from './shrink';

interface Taken extends Shrunk {
  jobId: string;
  id: string;
  station: string;
  pins: Pin[];
  /** ISO time by this device's clock. */
  at: string;
}

const isTaken = (given: unknown): given is Taken => {
  const { jobId, id, file } = (given ?? {}) as Partial<Taken>;
  return typeof jobId === 'string' && typeof id === 'string' && file instanceof Blob;
};

export const photosOutbox = outbox<Taken>({
  name: 'photo',
  ownerOf: ({ jobId }) => jobId,
  read: (given) => (isTaken(given) ? given : undefined),
  send: async (dispatch, { jobId, id, station, file, pins }) => {
    const { addPhoto, pinPhoto } = photosApi.endpoints;
    const sent = await dispatch(addPhoto.initiate({ id: jobId, photo: id, station, file }));
    if (sent.error || pins.length === 0) return sent;
    return dispatch(pinPhoto.initiate({ id: jobId, photo: id, pins }));
  },
});

/** A photograph just taken, under an id made here. */
export function takenPhoto(jobId: string, station: string, shrunk: Shrunk, pins: Pin[] = []): Taken {
  return { ...shrunk, jobId, id: nanoid(), station, pins, at: new Date().toISOString() };
}

/** One that waits, as the server would show it. */
export const photoOf = ({ id, station, width, height, pins, at }: Taken): Photo => ({
  ...{ id, station, width, height, pins },
  createdAt: at,
});

/** Lets what an earlier visit left be seen. */
export function showWaitingPhotos({ own, getState }: Store): void {
  for (const { name, value } of whatWaits(getState()))
    if (name === photosOutbox.name && isTaken(value)) own(photoUrls).showFrom(value.id, value.file);
}

export const takenOf = (value: unknown): Taken | null => (isTaken(value) ? value : null);
