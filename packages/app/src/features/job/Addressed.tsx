import { useGlobalSearchParams, usePathname } from 'expo-router';
import type { PropsWithChildren } from 'react';
import { useDeferredValue, useMemo, useState } from 'react';
import type { Address } from './address';
import { AddressContext } from './address';

/** Where one is below one path. While something else lies over the page, such as the settings, that is where one was. */
export function useAddress(base: string): Address {
  const path = usePathname();
  const { view } = useGlobalSearchParams<{ view?: string }>();
  const isInside = path === base || path.startsWith(`${base}/`);
  const [held, setHeld] = useState<Address>({ path: base, view: undefined });
  if (isInside && (held.path !== path || held.view !== view)) setHeld({ path, view });
  return useMemo(() => (isInside ? { path, view } : held), [isInside, path, view, held]);
}

/** Tells what is inside where it is, below one path. */
export function Addressed({ base, children }: PropsWithChildren<{ base: string }>) {
  // What is shown stays until what the new address names is drawn, which is done a little at a time.
  const shown = useDeferredValue(useAddress(base));
  return <AddressContext.Provider value={shown}>{children}</AddressContext.Provider>;
}
