/** Where a photograph of a job is. */
export const photoUrl = (jobId: string, photo: string) =>
  `/api/jobs/${encodeURIComponent(jobId)}/photos/${encodeURIComponent(photo)}`;
