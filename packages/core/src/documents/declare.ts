/** What a document of a job, or of a site, is: said once, and everything that handles documents goes by it. */
import type { Problem } from '../circuit';
import type { Part } from '../merge';

/** Whose it is, as its address says. */
export type Owner = 'jobs' | 'sites';

export interface DocumentKind<T = unknown> {
  owner: Owner;
  /** In its address, in bodies, in tables, and in what is kept on a phone. */
  name: string;
  /** What it is before the first save. */
  empty: T;
  /** What it is made of: how two changes of it are put together follows from that. */
  part: Part;
  /** An older one as this version keeps it; anything else as it is. */
  readIn: (given: unknown) => unknown;
  /** What is wrong with something given as one, field by field. */
  problems: (given: unknown) => readonly Problem[];
  /** Whatever does not fit together any more after two changes were put together, mended. */
  fit?: (value: T) => T;
  /** What it says about its job. */
  about?: (value: T) => { system: string } | undefined;
}

/** Reads one, of this version or an older; `undefined` where it is none. */
export function readAs<T>(
  { readIn, problems }: Pick<DocumentKind<T>, 'readIn' | 'problems'>,
  given: unknown,
): T | undefined {
  const value = readIn(given);
  return problems(value).length > 0 ? undefined : (value as T);
}

/** For documents of which there is one version so far. */
export const asIs = (given: unknown): unknown => given;
