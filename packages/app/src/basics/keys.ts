/** Keys as a person used to a keyboard expects them, for every page: Enter follows a link, Space presses what it rests on, arrows go through a group. */

/** What Enter presses and Space does not by itself. */
const PRESSED_BY_SPACE = new Set(['radio', 'checkbox', 'switch']);
const ONWARD = new Set(['ArrowRight', 'ArrowDown']);
const BACKWARD = new Set(['ArrowLeft', 'ArrowUp']);
const MEMBERS = '[role="radio"], [role="button"][aria-pressed]';

/** The next of a group of choices, round its end. */
function neighbour(here: HTMLElement, step: 1 | -1): HTMLElement | undefined {
  const group = here.closest('[role="radiogroup"], [role="group"]');
  const all = [...(group?.querySelectorAll<HTMLElement>(MEMBERS) ?? [])];
  const at = all.indexOf(here);
  return at < 0 || all.length < 2 ? undefined : all[(at + step + all.length) % all.length];
}

function onKey(event: KeyboardEvent): void {
  const { target, key } = event;
  if (!(target instanceof HTMLElement) || event.altKey || event.ctrlKey || event.metaKey) return;
  const role = target.getAttribute('role');
  // Links here are no anchors, which alone the browser follows by itself.
  const isFollowed = key === 'Enter' && role === 'link' && target.tagName !== 'A';
  if (isFollowed || (key === ' ' && role !== null && PRESSED_BY_SPACE.has(role))) {
    event.preventDefault();
    target.click();
    return;
  }
  if ((!ONWARD.has(key) && !BACKWARD.has(key)) || !target.matches(MEMBERS)) return;
  const next = neighbour(target, ONWARD.has(key) ? 1 : -1);
  if (!next) return;
  event.preventDefault();
  next.focus();
  // One of several is chosen by going to it; what is pressed does something of its own, and waits for it.
  if (role === 'radio') next.click();
}

/** Hears keys for as long as the page is there; gives back what ends it. */
export function hearKeys(): () => void {
  // On its way down: what is pressed tells nobody above it.
  document.addEventListener('keydown', onKey, true);
  return () => document.removeEventListener('keydown', onKey, true);
}
