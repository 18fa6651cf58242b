import { api } from '../../store/api';

export interface Pin {
  /** Shares of the picture’s width and height. */
  x: number;
  y: number;
  terminal: string;
}

export interface Photo {
  id: string;
  station: string;
  width: number;
  height: number;
  pins: Pin[];
  createdAt: string;
}

export const photosApi = api.injectEndpoints({
  endpoints: (build) => ({
    listPhotos: build.query<Photo[], string>({
      query: (id) => `jobs/${encodeURIComponent(id)}/photos`,
      providesTags: (_result, _error, id) => [{ type: 'Photos', id }],
    }),
    addPhoto: build.mutation<Photo, { id: string; photo: string; station: string; file: Blob }>({
      query: ({ id, photo, station, file }) => ({
        url: `jobs/${encodeURIComponent(id)}/photos`,
        method: 'POST',
        // An id made here: one that is sent twice is taken in once.
        params: { station, id: photo },
        headers: { 'Content-Type': file.type.startsWith('image/') ? file.type : 'application/octet-stream' },
        body: file,
      }),
      invalidatesTags: (_result, _error, { id }) => [{ type: 'Photos', id }],
    }),
    pinPhoto: build.mutation<Photo, { id: string; photo: string; pins: Pin[] }>({
      query: ({ id, photo, pins }) => ({
        url: `jobs/${encodeURIComponent(id)}/photos/${encodeURIComponent(photo)}`,
        method: 'PATCH',
        body: { pins },
      }),
      invalidatesTags: (_result, _error, { id }) => [{ type: 'Photos', id }],
    }),
    removePhoto: build.mutation<null, { id: string; photo: string }>({
      query: ({ id, photo }) => ({
        url: `jobs/${encodeURIComponent(id)}/photos/${encodeURIComponent(photo)}`,
        method: 'DELETE',
      }),
      invalidatesTags: (_result, _error, { id }) => [{ type: 'Photos', id }],
    }),
  }),
});

export const { useListPhotosQuery, usePinPhotoMutation, useRemovePhotoMutation } = photosApi;
