/** By keys the loom is one stop: arrows go from what is on it to what lies beside it, Tab goes on to what comes after. */
import type { KeyboardEvent } from 'react';

const WAYS: Readonly<Record<string, readonly [x: number, y: number]>> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowDown: [0, 1],
  ArrowUp: [0, -1],
};

/** What lies aside of the way counts so many times as what lies ahead. */
const ASIDE = 2;

function middleOf(element: Element): readonly [number, number] {
  const { left, top, width, height } = element.getBoundingClientRect();
  return [left + width / 2, top + height / 2];
}

/** The nearest of some elements in a direction, or `null` where there is none. */
function nearest(all: readonly HTMLElement[], from: Element, [wx, wy]: readonly [number, number]) {
  const [x, y] = middleOf(from);
  const ranked = all.flatMap((element) => {
    const [at, down] = middleOf(element);
    const ahead = (at - x) * wx + (down - y) * wy;
    const aside = Math.abs((at - x) * wy) + Math.abs((down - y) * wx);
    return ahead > 1 ? [{ element, far: ahead + ASIDE * aside }] : [];
  });
  return ranked.sort((a, b) => a.far - b.far)[0]?.element ?? null;
}

function onKeyDown(event: KeyboardEvent<HTMLElement>): void {
  const way = WAYS[event.key];
  const loom = event.currentTarget;
  if (!way && !(event.key === 'Enter' && event.target === loom)) return;
  const all = [...loom.querySelectorAll<HTMLElement>('[role="button"], [role="switch"]')];
  const here = document.activeElement;
  const inside = here !== null && here !== loom && loom.contains(here);
  const next = inside && way ? nearest(all, here, way) : all[0];
  event.preventDefault();
  if (!next) return;
  next.focus({ preventScroll: true });
  next.scrollIntoView({ block: 'nearest', inline: 'nearest' });
}

/** What makes a view such a stop; everything in it that can be tapped has `OFF_TAB`. */
export const ARROW_STOP = { tabIndex: 0, onKeyDown } as { tabIndex: 0 };

export const OFF_TAB = { tabIndex: -1 } as const;
