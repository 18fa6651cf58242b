/** What each link of the chain over a job's entries is made from: whoever has the entries can make it again. */
import type { Entry } from './entry';

/** The chain begins with this. */
export const CHAIN_START = '0'.repeat(64);

/** Keys in order, so that the same entry is the same text wherever it was written. */
export function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`;
  if (typeof value !== 'object' || value === null) return JSON.stringify(value);
  const fields = Object.entries(value).sort(([one], [other]) => (one < other ? -1 : 1));
  return `{${fields.map(([name, field]) => `${JSON.stringify(name)}:${canonical(field)}`).join(',')}}`;
}

/** The text whose SHA-256, in hexadecimal, is the link of an entry after the link before it. */
export const linkText = (before: string, { id, at, by, body }: Entry): string =>
  `${before}\n${canonical({ id, at, by, body })}`;
