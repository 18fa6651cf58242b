/** What a page has one of, such as the runner of its bench. */

/** Makes it when first asked for, and gives the same ever after, for as long as the store lives. */
export type Own<Of = unknown> = <T>(make: (of: Of) => T) => T;

export function ownedBy<Of>(of: () => Of): Own<Of> {
  const made = new Map<unknown, unknown>();
  return <T>(make: (of: Of) => T): T => {
    if (!made.has(make)) made.set(make, make(of()));
    return made.get(make) as T;
  };
}
