/** What is done on a device and not with the server yet. */

/** A change of a document: what it builds on, and what it comes to. */
export interface Draft {
  /** Number of the save it builds on; 0 for none. */
  base: number;
  /** The document as that save has it; left out where that is not known. */
  before?: unknown;
  value: unknown;
  /** A word about the change, where its sort has one. */
  note?: string;
  /** The id it is saved under: sent again, it is the same save. */
  save: string;
  /** What is on its way, or was when the page was closed: it is sent again as it is until it is known what became of it. */
  sent?: Omit<Draft, 'before' | 'sent'>;
}

export interface Waiting {
  /** What sort of thing it is: the name of a document, or of what is told once. */
  name: string;
  id: string;
  /** The job or site it is of. */
  owner: string;
  /** What is told; of a document its `Draft`. */
  value: unknown;
  /** By this device's clock, ms. */
  since: number;
  /** Later is higher, whatever the clock says. */
  order: number;
  /** Of all that was ever put here, which: an answer about anything earlier under this name and id says nothing of it. */
  version: number;
  /** The newest of these that was written to the disk, or could not be. */
  written: number;
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
  /** Somebody waits to hear what becomes of it. */
  isAsked?: boolean;
  /** A person has to decide before it is sent. */
  isHeld?: boolean;
}

/** What of it lies on the disk. */
export type Lying = Pick<Waiting, 'name' | 'id' | 'owner' | 'value' | 'since' | 'order' | 'refused'>;

/** A document as the server has it, as far as is known here. */
export interface Saved {
  number: number;
  value: unknown;
}

/** Things that go one after another: everything told of one job, or the saves of one document. */
export interface Lane {
  /** What is on its way, with the version that is. */
  sending?: readonly { key: string; version: number }[];
  /** Nothing answered: how often in a row, and whether it is left alone for now. */
  tries: number;
  isWaiting?: boolean;
  /** Something was changed a moment ago, and more may come. */
  isSettling?: boolean;
}

/** All of it. Changed by `step` alone. */
export interface Sync {
  items: Readonly<Record<string, Waiting>>;
  saved: Readonly<Record<string, Saved>>;
  /** Newest save of a document that was heard of while one from here was on its way. */
  heard: Readonly<Record<string, number>>;
  lanes: Readonly<Record<string, Lane>>;
  lastOrder: number;
  /** Counts everything that was put: no number comes twice, also not under a name that was dropped and put anew. */
  lastVersion: number;
}

export const NOTHING_WAITS: Sync = {
  items: {},
  saved: {},
  heard: {},
  lanes: {},
  lastOrder: 0,
  lastVersion: 0,
};

export const keyOf = ({ name, id }: { name: string; id: string }): string => `${name}/${id}`;

/** How things of a name are sent. */
export type Sort =
  | {
      type: 'document';
      /** Puts a change and what was saved meanwhile together. */
      merge: (
        before: unknown,
        mine: unknown,
        theirs: unknown,
      ) => { value: unknown; clashes: readonly unknown[] };
      /** Where it clashes nothing is sent before a person has decided; otherwise the rest is, and the clashes are asked about. */
      holds: boolean;
    }
  | {
      type: 'told';
      isReadable: (value: unknown) => boolean;
      /** Most that is sent at once. */
      most: number;
    };

export type Sorts = Readonly<Record<string, Sort>>;

/** All that waits, in the order it came about. */
export const allOf = ({ items }: Pick<Sync, 'items'>): Waiting[] =>
  Object.values(items)
    .filter(({ isSent }) => !isSent)
    .sort((one, other) => one.order - other.order);

/** What is to be sent by itself. */
export const isOpen = ({ refused, isSent, isHeld }: Waiting): boolean =>
  refused === undefined && !isSent && !isHeld;
