/** Back closes what lies over the work before it leaves the work: an entry of its own in the browser's history. */
import { useEffect, useRef } from 'react';

/** What the browser's entry says of a sheet over it. An entry whose sheet was closed by hand is used for the next one. */
type Lies = 'open' | 'closed' | undefined;

interface Entry {
  id?: unknown;
  sheet?: Lies;
}

const entryNow = (): Entry => (window.history.state as Entry | null) ?? {};

const over: (() => void)[] = [];
let last: Entry = {};

function mark(sheet: Lies, how: 'pushState' | 'replaceState'): void {
  last = { ...entryNow(), sheet };
  window.history[how](last, '');
}

function wentBack(): void {
  const before = last;
  last = entryNow();
  // A step within the same page: whatever navigates sees no change in it.
  if (before.sheet === undefined || before.id !== last.id) return;
  if (before.sheet === 'closed') window.history.back();
  else over[over.length - 1]?.();
}

let listens = false;

/** Closes what is shown when the browser goes back. */
export function useBackCloses(onClose: () => void): void {
  const close = useRef(onClose);
  useEffect(() => {
    close.current = onClose;
  });
  useEffect(() => {
    if (!listens) window.addEventListener('popstate', wentBack);
    listens = true;
    const mine = () => close.current();
    over.push(mine);
    mark('open', entryNow().sheet === 'closed' ? 'replaceState' : 'pushState');
    return () => {
      over.splice(over.indexOf(mine), 1);
      if (entryNow().sheet === 'open') mark('closed', 'replaceState');
    };
  }, []);
}
