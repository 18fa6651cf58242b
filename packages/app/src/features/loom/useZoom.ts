/** How large the loom is shown: pinched with two fingers, fitted whole into what is seen of it, and back. */
import { useCallback, useEffect, useRef, useState } from 'react';
import type { View } from 'react-native';

const LEAST = 0.2;
const MOST = 3;

const within = (zoom: number) => Math.min(MOST, Math.max(LEAST, zoom));

const gapOf = ([one, other]: TouchList) =>
  one && other ? Math.hypot(one.clientX - other.clientX, one.clientY - other.clientY) : 0;

/** Height that is left for an element in what it scrolls in, so that all that stands there with it is seen at once, too. */
function roomFor(element: HTMLElement): number {
  for (let at = element.parentElement; at; at = at.parentElement)
    if (/auto|scroll/.test(getComputedStyle(at).overflowY))
      return at.clientHeight - (at.scrollHeight - element.offsetHeight);
  return window.innerHeight;
}

/** @param whole - height of the loom at its own size, px. */
export function useZoom(whole: number) {
  const frame = useRef<View>(null);
  const [zoom, setZoom] = useState(1);
  const now = useRef(zoom);
  useEffect(() => {
    now.current = zoom;
  }, [zoom]);
  useEffect(() => {
    const element = frame.current as unknown as HTMLElement | null;
    if (!element?.addEventListener) return;
    let from: { gap: number; zoom: number } | null = null;
    const begin = ({ touches }: TouchEvent) => {
      from = touches.length === 2 ? { gap: gapOf(touches), zoom: now.current } : null;
    };
    const move = (event: TouchEvent) => {
      if (!from || event.touches.length !== 2 || from.gap === 0) return;
      // Two fingers mean the circuit, not the page around it.
      event.preventDefault();
      setZoom(within((from.zoom * gapOf(event.touches)) / from.gap));
    };
    element.addEventListener('touchstart', begin, { passive: true });
    element.addEventListener('touchmove', move, { passive: false });
    return () => {
      element.removeEventListener('touchstart', begin);
      element.removeEventListener('touchmove', move);
    };
  }, []);
  const fit = useCallback(() => {
    const element = frame.current as unknown as HTMLElement | null;
    if (element && whole > 0) setZoom(within(Math.min(1, roomFor(element) / whole)));
  }, [whole]);
  const back = useCallback(() => setZoom(1), []);
  return { frame, zoom, fit, back };
}
