/** What waits to be sent, as this page knows it: for whoever sends it, shows it among what the server has, or counts it. */
import { useSyncExternalStore } from 'react';

export interface Waiting {
  /** What sort of thing it is: a document's or an outbox's name. */
  name: string;
  id: string;
  value: unknown;
  /** By this device's clock, ms; 0 where an earlier version kept it. */
  since: number;
  /** Later is higher, whatever the clock says. */
  order: number;
  /** `false` where this browser has no room for it: it is in this page alone. */
  isKept: boolean;
  /** It is on its way to the disk for the first time: nobody sees it before it lies there. */
  isNew?: boolean;
  /** Nothing answered when it was tried, or when something before it of its job was. */
  isSilent?: boolean;
  /** What the server, or this version of the app, has against it. */
  refused?: string;
  /** The server has it: it is shown until the server's own list has it too. */
  isSent?: boolean;
}

const all = new Map<string, Waiting>();
let listed: readonly Waiting[] = [];
/** What can be seen of it. */
let shown: readonly Waiting[] = [];
const listeners = new Set<() => void>();

function changed(): void {
  listed = [...all.values()].sort((a, b) => a.order - b.order);
  shown = listed.filter(({ isNew }) => !isNew);
  for (const listener of listeners) listener();
}

const keyOf = (name: string, id: string) => `${name}/${id}`;

/** Whether two values are the same to whoever keeps them. */
export const isSame = (one: unknown, other: unknown): boolean =>
  one === other || JSON.stringify(one) === JSON.stringify(other);

export function putWaiting(waiting: Waiting): void {
  all.set(keyOf(waiting.name, waiting.id), waiting);
  changed();
}

/** What waits under a name and id, if anything does. */
export function waitingAs(name: string, id: string): Waiting | undefined {
  const found = all.get(keyOf(name, id));
  return found?.isSent ? undefined : found;
}

/** Whether this page has known it, be it that the server has it by now. */
export const isKnown = (name: string, id: string): boolean => all.has(keyOf(name, id));

export function waitsNoMore(name: string, id: string, value: unknown): void {
  const found = waitingAs(name, id);
  if (found && isSame(found.value, value) && all.delete(keyOf(name, id))) changed();
}

/** Says of something whether it lies in this browser now: it can be seen from here on. */
export function written(name: string, id: string, value: unknown, isKept: boolean): void {
  const found = all.get(keyOf(name, id));
  if (found && found.value === value && (found.isNew || found.isKept !== isKept))
    putWaiting({ ...found, isKept, isNew: false });
}

/** Says of something that it was tried in vain, or waits behind what was. */
export function missed(name: string, id: string): void {
  const found = waitingAs(name, id);
  if (found && !found.isSilent) putWaiting({ ...found, isSilent: true });
}

/** Says of something that the server has it now. */
export function arrived(waiting: Waiting): void {
  putWaiting({ ...waiting, isSent: true });
}

/** What waits, in the order it came about. */
export const whatWaits = (): readonly Waiting[] => listed.filter(({ isSent }) => !isSent);

/** Of which job, or site, it is. */
export function ownerOf({ id, value }: Pick<Waiting, 'id' | 'value'>): string {
  const given = value as { jobId?: unknown; id?: unknown } | null;
  const named = [given?.jobId, given?.id].find((one) => typeof one === 'string');
  return (named as string | undefined) ?? id;
}

/** What else of the same job is still on its way. */
const othersOf = (waiting: Waiting): readonly Waiting[] =>
  whatWaits().filter((one) => one.refused === undefined && ownerOf(one) === ownerOf(waiting));

/**
 * Whether anything of the same job that came before it is still on its way: what is refused until then may be right after it.
 *
 * @param alongside - what is sent with it in one go, and is not counted
 */
export const isOvertaking = (waiting: Waiting, alongside: readonly Waiting[] = []): boolean =>
  othersOf(waiting).some(
    (one) =>
      one.order < waiting.order && !alongside.some(({ id, name }) => id === one.id && name === one.name),
  );

/** Whether another of its sort and job is sent right after it. */
export const isMoreBehind = (waiting: Waiting): boolean =>
  othersOf(waiting).some((one) => one.order > waiting.order && one.name === waiting.name);

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Everything this page knows of and can be sure of, what has arrived among it. */
export const useKept = (): readonly Waiting[] => useSyncExternalStore(subscribe, () => shown);

/** Forgets all of it, as a new page would. For tests. */
export function forgetWaiting(): void {
  all.clear();
  changed();
}
