/** Who is on which job, and what they are told: that something of it was changed, and who else is there. */
interface Listener {
  /** Made by the page that listens, so that it knows its own. */
  page: string;
  /** Whose it is; empty where nobody said. */
  name: string;
  tell(event: 'changed' | 'here', data: unknown): void;
}

/** What of a job was changed, by its name in the address; `job` is the job itself. */
interface Changed {
  what: string;
  /** The page it was changed on; empty where it did not say. */
  page: string;
}

export class Hub {
  private readonly jobs = new Map<string, Set<Listener>>();

  /** @returns what to call when they leave. */
  join(jobId: string, listener: Listener): () => void {
    const there = this.jobs.get(jobId) ?? new Set();
    this.jobs.set(jobId, there.add(listener));
    this.tellWhoIsHere(jobId);
    return () => {
      there.delete(listener);
      if (there.size === 0) this.jobs.delete(jobId);
      this.tellWhoIsHere(jobId);
    };
  }

  changed(jobId: string, changed: Changed): void {
    for (const listener of this.jobs.get(jobId) ?? []) listener.tell('changed', changed);
  }

  private tellWhoIsHere(jobId: string): void {
    const there = [...(this.jobs.get(jobId) ?? [])];
    const here = there.map(({ page, name }) => ({ page, name }));
    for (const listener of there) listener.tell('here', here);
  }
}
