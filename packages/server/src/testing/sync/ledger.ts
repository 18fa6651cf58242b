/**
 * What was written, kept separately from the engine: every single thing somebody wrote, what they saw when they wrote over it, and what
 * was decided. From it alone follows what may have gone and what may not have.
 */
import type { Clash } from '@zygostat/core/merge';
import type { ListEvent, Plan } from '@zygostat/core/wire';
import { ticksOf } from '@zygostat/core/wire';
import { STEPS } from './edits';

/** Every single thing a document holds, by path; items of lists by their id. */
function leavesOf(value: unknown, path = ''): Map<string, string> {
  const leaves = new Map<string, string>();
  const walk = (one: unknown, at: string): void => {
    if (Array.isArray(one))
      for (const item of one as unknown[]) {
        const { id, cable } = (typeof item === 'object' && item !== null ? item : {}) as {
          id?: string;
          cable?: string;
        };
        walk(item, `${at}/${id ?? cable ?? JSON.stringify(item)}`);
      }
    else if (typeof one === 'object' && one !== null)
      for (const [name, inner] of Object.entries(one)) walk(inner, `${at}/${name}`);
    else leaves.set(at, JSON.stringify(one));
  };
  walk(value, path);
  return leaves;
}

/** Whether something referred to what is not there any more: it refers to nothing then. */
function isDangling(path: string, to: string | undefined, is: ReadonlyMap<string, string>): boolean {
  if (to === undefined || !/\/(unit|detector|held|tied)$/.test(path)) return false;
  const id = JSON.parse(to) as string | null;
  return id !== null && !['units', 'detectors'].some((list) => is.has(`/${list}/${id}/id`));
}

/** Texts that nobody else wrote, as `edits.ts` makes them. */
const isUnique = (leaf: string | undefined): boolean => leaf !== undefined && /^"t\d+-/.test(leaf);

interface Written {
  document: string;
  path: string;
  from: string | undefined;
  /** `undefined` where something was taken away. */
  to: string | undefined;
  /** Somebody saw it and wrote over it, or it was put to a person who decided. */
  isSettled: boolean;
  /** It reached the disk of whoever wrote it, or the server. */
  isKept: boolean;
}

export class Ledger {
  private readonly written: Written[] = [];
  /** When each event of a landing list came about, in the order of the real world. */
  private readonly order = new Map<string, number>();
  private count = 0;
  reticked = 0;

  /** Notes what a change wrote; call what comes back when it is kept. */
  wrote(document: string, before: unknown, after: unknown): () => void {
    for (const event of document === 'plan' ? ((after as Plan | null)?.events ?? []) : [])
      if (!this.order.has(event.id)) this.order.set(event.id, this.count++);
    const [was, is] = [leavesOf(before), leavesOf(after)];
    const fresh: Written[] = [];
    for (const path of new Set([...was.keys(), ...is.keys()])) {
      const [from, to] = [was.get(path), is.get(path)];
      if (from === to) continue;
      for (const one of this.written)
        if (one.document === document && one.path === path && one.to === from) one.isSettled = true;
      // What others may have written alike cannot be told apart: only texts unlike any other are looked for.
      if (isUnique(to) || (to === undefined && isUnique(from)))
        fresh.push({ document, path, from, to, isSettled: false, isKept: false });
    }
    this.written.push(...fresh);
    return () => {
      for (const one of fresh) one.isKept = true;
    };
  }

  /** A clash was put to a person: whatever it is about is settled by what they say. */
  decided(document: string, { path }: Pick<Clash, 'path'>): void {
    const under = path.length === 0 ? '' : `/${path.join('/')}`;
    for (const one of this.written)
      if (one.document === document && `${one.path}/`.startsWith(`${under}/`)) one.isSettled = true;
  }

  /** A page with things in it that were not kept was closed: what rests on them may be missing. */
  forgot(document: string): void {
    for (const one of this.written) if (one.document === document && !one.isKept) one.isSettled = true;
  }

  /** What was kept, and neither written over by somebody who saw it nor decided, and is not there. */
  lostFrom(document: string, value: unknown): string[] {
    const is = leavesOf(value);
    const last = new Map<string, Written[]>();
    for (const one of this.written)
      if (one.document === document && one.isKept && !one.isSettled)
        last.set(one.path, [...(last.get(one.path) ?? []), one]);
    return [...last].flatMap(([path, ones]) =>
      // Of several who wrote the same, one is enough.
      ones.some(
        ({ from, to }) =>
          to === is.get(path) || (to === undefined && is.get(path) !== from) || isDangling(path, to, is),
      )
        ? []
        : [`${document}${path}: ${String(ones[0]!.to)}`],
    );
  }

  /** Looks whether a step of the gate stands that somebody took back after it was ticked. */
  watch(plan: Plan | null, now: string): void {
    if (!plan) return;
    const { standing } = ticksOf(STEPS, plan.events, now);
    const when = ({ id }: ListEvent) => this.order.get(id) ?? -1;
    for (const { id, kind, after } of STEPS) {
      const tick = standing.get(id);
      if (!tick || (kind !== 'off' && kind !== 'dead')) continue;
      const takenBack = plan.events.some(
        (event) =>
          event.type === 'taken-back' &&
          (event.step === id || after.includes(event.step)) &&
          when(event) > when(tick),
      );
      if (takenBack) this.reticked++;
    }
  }
}
