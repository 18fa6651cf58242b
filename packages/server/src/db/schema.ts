import {
  blob,
  index,
  integer,
  primaryKey,
  real,
  sqliteTable,
  text,
  uniqueIndex,
} from 'drizzle-orm/sqlite-core';
import type { Circuit } from '@zygostat/core/circuit';
import type { Owner } from '@zygostat/core/documents';
import type { MeterMode } from '@zygostat/core/network';
import type { Body } from '@zygostat/core/record';
import type { MeterKind } from '@zygostat/core/standards';
import type { Unit, Verdict } from '@zygostat/core/behaviour';

const createdAt = () => integer('created_at', { mode: 'timestamp_ms' }).notNull();
/** Name of whoever wrote it, signed in; empty where one person works alone. */
const writer = () => text('written_by').notNull().default('');

/** A place with equipment in it. */
export const sites = sqliteTable('sites', {
  id: text('id').primaryKey(),
  name: text('name').notNull().unique(),
  /** As it stands on a report; empty where nobody entered it. */
  address: text('address').notNull().default(''),
  createdAt: createdAt(),
});

/** Whoever does the work, as it stands on a report: one row. */
export const firm = sqliteTable('firm', {
  id: integer('id').primaryKey(),
  name: text('name').notNull(),
  contact: text('contact').notNull(),
});

export const JOB_STATES = ['open', 'done'] as const;

export const jobs = sqliteTable(
  'jobs',
  {
    id: text('id').primaryKey(),
    siteId: text('site_id')
      .notNull()
      .references(() => sites.id),
    name: text('name').notNull(),
    system: text('system').notNull(),
    notes: text('notes').notNull().default(''),
    state: text('state', { enum: JOB_STATES }).notNull().default('open'),
    /** Out of the list until it is searched for or brought back. */
    isAway: integer('is_away', { mode: 'boolean' }).notNull().default(false),
    /** Who brought it in as a file made elsewhere; empty where nobody was signed in, `null` where it was made here. */
    broughtBy: text('brought_by'),
    broughtAt: integer('brought_at', { mode: 'timestamp_ms' }),
    createdAt: createdAt(),
    updatedAt: integer('updated_at', { mode: 'timestamp_ms' }).notNull(),
  },
  (table) => [index('jobs_updated').on(table.updatedAt)],
);

/** Whole circuits, one row per saved edit. Rows are never changed or removed: triggers refuse it. */
export const revisions = sqliteTable(
  'revisions',
  {
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id),
    number: integer('number').notNull(),
    circuit: text('circuit', { mode: 'json' }).$type<Circuit>().notNull(),
    note: text('note').notNull().default(''),
    /** Made where it was saved: sent again, since its answer was lost, it is known by it. */
    saveId: text('save_id'),
    by: writer(),
    createdAt: createdAt(),
  },
  (table) => [
    primaryKey({ columns: [table.jobId, table.number] }),
    uniqueIndex('revisions_save').on(table.jobId, table.saveId),
  ],
);

/** What a person read, beside what the model expected. `null` ohms is an open loop. */
export const readings = sqliteTable(
  'readings',
  {
    id: text('id').primaryKey(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id),
    revision: integer('revision').notNull(),
    mode: text('mode').$type<MeterMode>().notNull(),
    meter: text('meter').$type<MeterKind>().notNull(),
    red: text('red').notNull(),
    black: text('black').notNull(),
    expected: real('expected'),
    actual: real('actual'),
    unit: text('unit').$type<Unit>().notNull(),
    verdict: text('verdict').$type<Verdict>().notNull(),
    situation: text('situation').notNull().default(''),
    /** The call it was taken in, where it was a plain one; a search counts it then. */
    state: text('state').notNull().default(''),
    by: writer(),
    createdAt: createdAt(),
  },
  (table) => [index('readings_job').on(table.jobId)],
);

/** A document of an owner, by its name. */
const documentColumns = () => ({
  name: text('name').notNull(),
  /** Counts the saves, so that two tabs notice each other. */
  number: integer('number').notNull(),
  value: text('value', { mode: 'json' }).$type<unknown>(),
  by: writer(),
  updatedAt: integer('updated_at', { mode: 'timestamp_ms' }).notNull(),
});

/** What a job has besides its circuit: its survey, its plan. */
export const documents = sqliteTable(
  'documents',
  {
    ownerId: text('job_id')
      .notNull()
      .references(() => jobs.id),
    ...documentColumns(),
  },
  (table) => [primaryKey({ columns: [table.ownerId, table.name] })],
);

/** What a site has: its building. */
export const siteDocuments = sqliteTable(
  'site_documents',
  {
    ownerId: text('site_id')
      .notNull()
      .references(() => sites.id),
    ...documentColumns(),
  },
  (table) => [primaryKey({ columns: [table.ownerId, table.name] })],
);

/** Saves by the id they were sent under: one that is sent again, since its answer was lost, is known. */
export const documentSaves = sqliteTable(
  'document_saves',
  {
    owner: text('owner').$type<Owner>().notNull(),
    ownerId: text('owner_id').notNull(),
    name: text('name').notNull(),
    id: text('id').notNull(),
    number: integer('number').notNull(),
    at: integer('at', { mode: 'timestamp_ms' }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.owner, table.ownerId, table.name, table.id] })],
);

/** What a stand-in for something outside remembers: a bench meter's site, a fire panel. It outlives the server. */
export const standIns = sqliteTable(
  'stand_ins',
  {
    id: text('id').notNull(),
    kind: text('kind').notNull(),
    value: text('value', { mode: 'json' }).$type<unknown>().notNull(),
    updatedAt: integer('updated_at', { mode: 'timestamp_ms' }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.kind, table.id] })],
);

/** A terminal pointed at on a photograph; x and y are shares of its width and height. */
export interface Pin {
  x: number;
  y: number;
  terminal: string;
}

/** Photographs of stations, scaled down, without what the camera wrote into them. */
export const photos = sqliteTable(
  'photos',
  {
    id: text('id').primaryKey(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id),
    station: text('station').notNull(),
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    pins: text('pins', { mode: 'json' }).$type<Pin[]>().notNull(),
    jpeg: blob('jpeg', { mode: 'buffer' }).notNull(),
    by: writer(),
    createdAt: createdAt(),
  },
  (table) => [index('photos_job').on(table.jobId)],
);

/** The record of a job, one row an entry, each with its link of the chain. Never changed or removed: triggers refuse it. */
export const recordEntries = sqliteTable(
  'record_entries',
  {
    /** Made where it was written: one that is sent twice is taken in once. */
    id: text('id').primaryKey(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id),
    /** In the order they were taken in, from 1. */
    number: integer('number').notNull(),
    at: text('at').notNull(),
    by: text('by').notNull(),
    body: text('body', { mode: 'json' }).$type<Body>().notNull(),
    /** SHA-256 over the link before it and the entry. */
    link: text('link').notNull(),
    /** Who brought it in from elsewhere; `null` where it was written here. */
    broughtBy: text('brought_by'),
    createdAt: createdAt(),
  },
  (table) => [uniqueIndex('record_entries_job').on(table.jobId, table.number)],
);

/** Bypasses that are in, across all jobs: what the first screen shows, kept in step with the record. */
export const openBypasses = sqliteTable(
  'open_bypasses',
  {
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id),
    bypass: text('bypass').notNull(),
    device: text('device').notNull(),
    label: text('label').notNull(),
    since: text('since').notNull(),
    until: text('until').notNull(),
    by: text('by').notNull(),
    /** Who took it over; `null` while who put it in has it. */
    to: text('to'),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.bypass] })],
);

/** How much likelier than judged whoever works here says a class of faults is; a class left out is as judged. */
export const faultFactors = sqliteTable('fault_factors', {
  name: text('name').primaryKey(),
  factor: real('factor').notNull(),
});

/** Faults confirmed by their repair, by class; later searches count them. */
export const foundFaults = sqliteTable(
  'found_faults',
  {
    /** Made where it was confirmed: one that is sent twice counts once. */
    id: text('id').primaryKey(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id),
    name: text('name').notNull(),
    createdAt: createdAt(),
  },
  (table) => [index('found_faults_name').on(table.name)],
);

/** What a person of the crew may do: all of it, the work, or only read. */
export const ROLES = ['lead', 'member', 'reader'] as const;

export type Role = (typeof ROLES)[number];

/** The crew. Whoever left stays, for what they did stays theirs. */
export const people = sqliteTable('people', {
  id: text('id').primaryKey(),
  name: text('name').notNull().unique(),
  role: text('role', { enum: ROLES }).notNull(),
  /** argon2id, in the PHC format. */
  passwordHash: text('password_hash').notNull(),
  createdAt: createdAt(),
  leftAt: integer('left_at', { mode: 'timestamp_ms' }),
});

const personId = () =>
  text('person_id')
    .notNull()
    .references(() => people.id);

/** Public keys of a person's devices (WebAuthn). */
export const passkeys = sqliteTable('passkeys', {
  /** The credential's id, base64url. */
  id: text('id').primaryKey(),
  personId: personId(),
  publicKey: blob('public_key', { mode: 'buffer' }).notNull(),
  counter: integer('counter').notNull(),
  device: text('device').notNull(),
  createdAt: createdAt(),
});

/**
 * Devices that proved to be a person's by more than a password: by a code, or a passkey. They stay known when they sign out, and
 * carry a token of their own, of which only the hash is kept.
 */
export const knownDevices = sqliteTable(
  'known_devices',
  {
    id: text('id').primaryKey(),
    personId: personId(),
    tokenHash: text('token_hash').notNull(),
    createdAt: createdAt(),
  },
  (table) => [uniqueIndex('known_devices_token').on(table.tokenHash, table.personId)],
);

/** Devices that are signed in. Of a token only its hash is kept. */
export const sessions = sqliteTable('sessions', {
  id: text('id').primaryKey(),
  tokenHash: text('token_hash').notNull().unique(),
  personId: personId(),
  device: text('device').notNull(),
  createdAt: createdAt(),
  seenAt: integer('seen_at', { mode: 'timestamp_ms' }).notNull(),
  /** When its person last proved on it that it is them; `null` where that was not noted yet. */
  provedAt: integer('proved_at', { mode: 'timestamp_ms' }),
  /** The known device it runs on; `null` where it was let in by a password alone. */
  knownId: text('known_id').references(() => knownDevices.id, { onDelete: 'set null' }),
  /** Up to when it was told what happened to how its person signs in; `null` for never. */
  toldAt: integer('told_at', { mode: 'timestamp_ms' }),
});

/** What can happen to how a person signs in. */
export const DOOR_EVENTS = [
  'signed-in',
  'known',
  'password',
  'passkey-added',
  'passkey-removed',
  'role',
] as const;

export type DoorEvent = (typeof DOOR_EVENTS)[number];

/** What happened to how a person signs in: told on their other devices, for it may have been somebody else. */
export const doorEvents = sqliteTable(
  'door_events',
  {
    id: text('id').primaryKey(),
    personId: personId(),
    what: text('what', { enum: DOOR_EVENTS }).notNull(),
    /** The session it came from; `null` where it was none of theirs. That session may have ended since. */
    sessionId: text('session_id'),
    /** The device it came from, or the new role. */
    detail: text('detail').notNull(),
    at: integer('at', { mode: 'timestamp_ms' }).notNull(),
  },
  (table) => [index('door_events_person').on(table.personId, table.at)],
);

/** Codes to come in by, good once and for minutes. Of a code only its hash is kept. */
export const invitations = sqliteTable('invitations', {
  codeHash: text('code_hash').primaryKey(),
  role: text('role', { enum: ROLES }).notNull(),
  /** Whose further device, or new password, it is for; `null` for somebody who is not here yet. */
  forId: text('for_id').references(() => people.id),
  /** Who made it; `null` for one that the terminal showed. */
  madeBy: text('made_by').references(() => people.id),
  expiresAt: integer('expires_at', { mode: 'timestamp_ms' }).notNull(),
  usedAt: integer('used_at', { mode: 'timestamp_ms' }),
});
