/** What may never go from a document. */
import type { Part } from './part';

type Item = Readonly<Record<string, unknown>>;

/**
 * Paths of events that are stored and missing in what is to be stored in its place. None is ever to be: what a person did to a safety
 * is an event, and no save may make it undone. Another thing of the same name (another plan) has events of its own.
 */
export function lostEvents(part: Part, stored: unknown, given: unknown, path = ''): string[] {
  if (stored === null || stored === undefined || given === null || given === undefined) return [];
  if (part.type === 'events') {
    const kept = new Set((given as Item[]).map(({ id }) => id));
    return (stored as Item[]).flatMap(({ id }) => (kept.has(id) ? [] : [`${path}.${String(id)}`]));
  }
  if (part.type === 'nullable') {
    const { key, of } = part;
    const isSame = key === undefined || (stored as Item)[key] === (given as Item)[key];
    return isSame ? lostEvents(of, stored, given, path) : [];
  }
  if (part.type !== 'fields') return [];
  return Object.entries(part.of).flatMap(([name, of]) =>
    lostEvents(of, (stored as Item)[name], (given as Item)[name], path === '' ? name : `${path}.${name}`),
  );
}
