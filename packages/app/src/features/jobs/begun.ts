/** A job begun without signal: kept here whole, opened from here until the server has it. */
import { nanoid } from '@reduxjs/toolkit';
import { beginJob } from '@zygostat/core/systems';
import type { Beginning } from '@zygostat/core/systems';
import { outbox } from '../../documents/outbox';
import { BEGUN, waitingAs } from '../../documents/slice';
import type { Waiting } from '@zygostat/core/sync';
import type { Job, NewJob, OpenedJob } from './api';
import { jobsApi } from './api';

type Source = Omit<Beginning, 'name'> & { survey?: true };

interface Begun {
  /** What is sent. */
  job: NewJob;
  /** ISO time by this device's clock. */
  at: string;
}

const isBegun = (given: unknown): given is Begun => {
  const { job, at } = (given ?? {}) as Partial<Begun>;
  return typeof at === 'string' && typeof job === 'object' && typeof job.id === 'string';
};

export const jobsOutbox = outbox<Begun>({
  name: BEGUN,
  ownerOf: ({ job }) => job.id!,
  read: (given) => (isBegun(given) ? given : undefined),
  send: (dispatch, { job }) => dispatch(jobsApi.endpoints.createJob.initiate(job)),
});

/** A job about to be sent, under ids made here. The site's counts where there is none of that name. */
export const newJob = (named: { name: string; site: string }, source: Source): Begun => ({
  job: { id: nanoid(), siteId: nanoid(), ...named, ...source },
  at: new Date().toISOString(),
});

/** A job that waits, as the server would show it. */
export function jobOf({ value }: Waiting): OpenedJob | null {
  if (!isBegun(value)) return null;
  const { job, at } = value;
  const { id, siteId, name, site } = job;
  const shown: Job = {
    ...{ id, siteId, name, site, notes: '', state: 'open', isAway: false, createdAt: at, updatedAt: at },
    ...{ address: '', broughtBy: null, broughtAt: null },
    ...{ revision: 1, readings: 0, disagreeing: 0, bypasses: 0, system: '' },
  };
  return { ...shown, ...beginJob(job) };
}

const JOB = /^jobs\/([^/]+)(?:\/(.+))?$/;

/** What is answered here of a job that the server does not have: what it began with, and that nothing else is there. */
export function answerHere(path: string, state: unknown): unknown {
  const [, id, rest] = JOB.exec(path) ?? [];
  const waiting = id && waitingAs(state, BEGUN, decodeURIComponent(id));
  const job = waiting && jobOf(waiting);
  if (!job) return undefined;
  if (rest === undefined) return job;
  if (rest === 'revisions/1') return { number: 1, circuit: job.circuit };
  return ['record', 'readings', 'photos'].includes(rest) ? [] : undefined;
}
