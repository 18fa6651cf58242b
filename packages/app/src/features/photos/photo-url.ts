/** Where the bytes of a photograph are. */
import { useAppStore } from '../../store';

/** Those of a page: what was taken on it, or left here by an earlier visit, is shown from here. */
export function photoUrls() {
  const here = new Map<string, string>();
  return {
    /** Has a photograph shown from bytes that are here. */
    showFrom: (photo: string, file: Blob): void => {
      if (!here.has(photo)) here.set(photo, URL.createObjectURL(file));
    },
    /** Where a photograph of a job is. */
    of: (jobId: string, photo: string): string =>
      here.get(photo) ?? `/api/jobs/${encodeURIComponent(jobId)}/photos/${encodeURIComponent(photo)}`,
  };
}

export type PhotoUrls = ReturnType<typeof photoUrls>;

export const usePhotoUrls = (): PhotoUrls => useAppStore().own(photoUrls);
