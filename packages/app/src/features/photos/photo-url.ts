/** Where the bytes of a photograph are. */

/** Those taken on this page, or left here by an earlier visit. */
const own = new Map<string, string>();

/** Has a photograph shown from bytes that are here. */
export function shownFrom(photo: string, file: Blob): void {
  if (!own.has(photo)) own.set(photo, URL.createObjectURL(file));
}

/** Where a photograph of a job is. */
export const photoUrl = (jobId: string, photo: string) =>
  own.get(photo) ?? `/api/jobs/${encodeURIComponent(jobId)}/photos/${encodeURIComponent(photo)}`;
