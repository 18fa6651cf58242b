/** Where the keyboard goes when what it rested on is done with. */
import { useEffect, useRef } from 'react';
import type { View } from 'react-native';

/** Can be gone to by the page, not by Tab. */
export const GOAL = { tabIndex: -1 } as const;

let last: Element | null = null;

/** Remembers where the focus was; gives back what ends it. */
export function followFocus(): () => void {
  const note = ({ target }: FocusEvent) => {
    last = target instanceof Element ? target : null;
  };
  document.addEventListener('focusin', note);
  return () => document.removeEventListener('focusin', note);
}

/** Whether what had the focus is gone, and the page took it. */
const isLost = () =>
  last !== null && !last.isConnected && (document.activeElement ?? document.body) === document.body;

/**
 * For what takes the place of something done, such as the next step: it is gone to when it comes, or its `key` changes,
 * and the focus was on what is gone. Who is elsewhere is left there.
 */
export function useFocusNext(key: unknown) {
  const goal = useRef<View>(null);
  useEffect(() => {
    if (isLost()) (goal.current as unknown as HTMLElement | null)?.focus({ preventScroll: true });
  }, [key]);
  return goal;
}
