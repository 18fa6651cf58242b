/** Every view of a place has an address of its own: it can be gone back to, opened again as it was left, and sent to another. */
import type { Href } from 'expo-router';
import { router } from 'expo-router';
import { createContext, useCallback, useContext, useEffect } from 'react';
import { useAppStore } from '../../store';

const PATHS = { survey: '/survey', plan: '/plan', wire: '/wire', trace: '', record: '/record' };

export type PlaceName = keyof typeof PATHS;

/** The view each place was last left in, by its path, while the page is open. */
const viewsLeft = () => new Map<string, string>();

/** The address of a path, in a view. */
export const addressOf = (path: string, view?: string): string =>
  view === undefined ? path : `${path}?view=${encodeURIComponent(view)}`;

const pathOf = (jobId: string, place: PlaceName) => `/job/${encodeURIComponent(jobId)}${PATHS[place]}`;

/** Goes to a place of a job, in a view. */
export const goTo = (jobId: string, place: PlaceName, view: string): void =>
  router.push(addressOf(pathOf(jobId, place), view) as Href);

/** The way to a place of a job, in the view it was last left in. */
export function useGoBackTo(jobId: string): (place: PlaceName) => void {
  const { own } = useAppStore();
  return (place) => {
    const path = pathOf(jobId, place);
    router.push(addressOf(path, own(viewsLeft).get(path)) as Href);
  };
}

/** The place a path within a job leads to. */
export function placeAt(path: string): PlaceName {
  const found = Object.entries(PATHS).find(([, ending]) => ending !== '' && path.endsWith(ending));
  return (found?.[0] ?? 'trace') as PlaceName;
}

export interface Address {
  path: string;
  view: string | undefined;
}

/** Where one is within a job or a site; what is shown of them stands through every step, and is not made anew. */
export const AddressContext = createContext<Address>({ path: '/', view: undefined });

/** The view a place shows by its address, and the way to another; `undefined` where its address names none of them. */
export function useView<Name extends string>(
  titles: Readonly<Partial<Record<Name, unknown>>>,
): [Name | undefined, (name: Name) => void] {
  const { path, view } = useContext(AddressContext);
  const { own } = useAppStore();
  useEffect(() => {
    if (view !== undefined) own(viewsLeft).set(path, view);
  }, [own, path, view]);
  const go = useCallback((name: Name) => router.push(addressOf(path, name) as Href), [path]);
  return [view !== undefined && Object.hasOwn(titles, view) ? (view as Name) : undefined, go];
}
