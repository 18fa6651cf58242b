/** A phone in the sync model: the real reducer, over a disk and a network that do what the model lets them. */
import type { Circuit } from '@zygostat/core/circuit';
import { mergeCircuits } from '@zygostat/core/circuit';
import type { DocumentKind } from '@zygostat/core/documents';
import { documentKinds, mergeDocuments } from '@zygostat/core/documents';
import type { Clash } from '@zygostat/core/merge';
import type { Effect, Lying, Saved, Sorts, Sync, SyncEvent, Waiting } from '@zygostat/core/sync';
import { NOTHING_WAITS, keyOf, step } from '@zygostat/core/sync';
import { CIRCUIT, COMMON, ENTRY } from './server';

export const DOCUMENT_NAMES = [...documentKinds().map(({ name }) => name), CIRCUIT];

export const KINDS = Object.fromEntries(documentKinds().map((kind) => [kind.name, kind])) as Readonly<
  Record<string, DocumentKind>
>;

/** As the app sends them. */
const SORTS: Sorts = {
  ...Object.fromEntries(
    documentKinds().map((kind) => [
      kind.name,
      {
        type: 'document' as const,
        holds: false,
        merge: (before: unknown, mine: unknown, theirs: unknown) =>
          mergeDocuments(kind, before, mine, theirs),
      },
    ]),
  ),
  [CIRCUIT]: {
    type: 'document',
    holds: true,
    merge: (before, mine, theirs) => {
      const merged = mergeCircuits((before ?? COMMON) as Circuit, mine as Circuit, theirs as Circuit);
      return { value: merged.circuit, clashes: merged.clashes };
    },
  },
  [ENTRY]: { type: 'told', most: 3, isReadable: () => true },
};

/** Something under way: for the disk, a request, a timer. */
export type Pending = Extract<Effect, { type: 'write' | 'erase' | 'save' | 'tell' | 'wait' }>;

/** A disk takes what it is given in its order, as IndexedDB does with transactions on one store. */
export const isForDisk = ({ type }: Pending): boolean => type === 'write' || type === 'erase';

/** As `documents/asked.ts` of the app calls them. */
const ASKED = '-asked';

export class Client {
  sync: Sync = NOTHING_WAITS;
  /** What lies on its disk, by key. */
  disk = new Map<string, Lying>();
  pending: Pending[] = [];
  /** What it shows of each document; missing until it was read. */
  shown = new Map<string, unknown>();
  isOnline = true;
  /** Documents whose newest save is to be read. */
  toRead = new Set<string>();
  /** Told of each show and each write that reached the disk. */
  onShown: (name: string, value: unknown) => void = () => undefined;
  onKept: (item: Waiting) => void = () => undefined;
  private ids = 0;

  constructor(
    readonly name: string,
    /** Its clock is off by so much, ms. */
    readonly skew: number,
    private readonly ownerOf: (name: string) => string,
    private readonly now: () => number,
  ) {}

  fresh = (): string => `${this.name}-${this.now()}-${this.ids++}`;
  clock = (): number => this.now() + this.skew;

  send(event: SyncEvent): void {
    const { state, effects } = step(SORTS, this.sync, event);
    this.sync = state;
    for (const effect of effects) this.take(effect);
  }

  private take(effect: Effect): void {
    switch (effect.type) {
      case 'write':
      case 'erase':
      case 'save':
      case 'tell':
      case 'wait':
        this.pending.push(effect);
        break;
      case 'show':
        this.show(effect.name, effect.saved.value);
        break;
      case 'ask':
        this.setAsked(effect.name, [...this.askedAbout(effect.name), ...(effect.clashes as Clash[])]);
        break;
      case 'read':
        this.toRead.add(effect.name);
        break;
    }
  }

  private show(name: string, value: unknown): void {
    this.shown.set(name, value);
    this.onShown(name, value);
  }

  private askedAbout(name: string): readonly Clash[] {
    const item = this.sync.items[keyOf({ name: name + ASKED, id: this.ownerOf(name) })];
    return (item?.value ?? []) as readonly Clash[];
  }

  /** What a person has to decide waits on the disk like everything else. */
  private setAsked(name: string, clashes: readonly Clash[]): void {
    const id = this.ownerOf(name);
    const named = { name: name + ASKED, id };
    this.send(
      clashes.length > 0
        ? { type: 'put', ...named, owner: id, value: clashes, at: this.clock() }
        : { type: 'let-go', key: keyOf(named) },
    );
  }

  /** What the person has to decide of documents that are shown. */
  get asked(): readonly { name: string; clash: Clash }[] {
    return DOCUMENT_NAMES.filter((name) => this.shown.has(name)).flatMap((name) =>
      this.askedAbout(name).map((clash) => ({ name, clash })),
    );
  }

  decided({ name, clash }: { name: string; clash: Clash }): void {
    this.setAsked(
      name,
      this.askedAbout(name).filter((one) => one !== clash),
    );
  }

  /** The person changes a document. */
  change(name: string, value: unknown): void {
    this.show(name, value);
    this.send({ type: 'changed', name, id: this.ownerOf(name), value, save: this.fresh(), at: this.clock() });
  }

  read(name: string, newest: Saved | null): void {
    this.toRead.delete(name);
    this.send({ type: 'read', name, id: this.ownerOf(name), newest, save: this.fresh() });
  }

  written({ item }: Extract<Effect, { type: 'write' }>): void {
    const { name, id, owner, value, since, order, refused } = item;
    this.disk.set(keyOf(item), {
      name,
      id,
      owner,
      value,
      since,
      order,
      ...(refused !== undefined && { refused }),
    });
    this.onKept(item);
    this.send({ type: 'written', key: keyOf(item), version: item.version, isKept: true });
  }

  /** The page is closed in whatever moment it is in, and opened anew. */
  restart(): void {
    this.sync = NOTHING_WAITS;
    this.pending = [];
    this.shown = new Map();
    this.send({ type: 'loaded', items: [...this.disk.values()] });
    for (const name of DOCUMENT_NAMES) this.toRead.add(name);
  }
}
