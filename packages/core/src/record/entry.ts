/**
 * The record of a job: entries that are only ever added. What is open, what was proven and what was bypassed follows from
 * them, so that two people who write at once lose nothing. Ids are made where an entry is written.
 */
import * as yup from 'yup';
import { ALL_FAULTS, PLAIN_TEXT, hasUnseen, isPlainText, listOf } from '../validation';
import type { Problem } from '../circuit';
import type { JacketFunction, Landed } from '../fire';
import { JACKET_FUNCTIONS } from '../fire';
import type { PanelStep } from './panel-steps';
import { PANEL_STEPS } from './panel-steps';

/** How it was shown that a safety works again. */
export const PROOFS = ['tripped', 'read'] as const;
export type ProofKind = (typeof PROOFS)[number];

/** How a test went: as it should, not so, or it could not be made today. */
export const OUTCOMES = ['as-it-should', 'not-so', 'not-today'] as const;
export type Outcome = (typeof OUTCOMES)[number];

export type Body =
  | { type: 'note'; text: string }
  /** A photograph that was taken, by its id; the picture is the job's. */
  | { type: 'photographed'; photo: string; station: string; text: string }
  /** Something lies across a safety: why, until when, and who watches meanwhile. */
  | { type: 'bypassed'; bypass: string; device: string; why: string; until: string; watch: string }
  /** It is out, and the safety was shown to work. */
  | { type: 'restored'; bypass: string; proof: ProofKind; text: string }
  /** It stays in: somebody named takes it over, until a date. */
  | { type: 'handed-over'; bypass: string; to: string; until: string }
  /** Noticed and left, or to be brought. */
  | { type: 'noticed'; item: string; text: string; until: string | null }
  | { type: 'dealt-with'; item: string; text: string }
  /** A test of the commissioning, by its id: how it went, what was read, and until when it is put off. */
  | {
      type: 'tested';
      test: string;
      title: string;
      outcome: Outcome;
      text: string;
      until: string | null;
      readings?: TestReading[];
      /** The meter was tried on something live before and after. */
      meter?: typeof LIVE_DEAD_LIVE;
      /** Mark of the wiring it was made on (`wiringMark`); without one it is not known whether that is what is there. */
      wiring?: string;
    }
  /** A test that failed stays so: somebody named takes it over, until a date. */
  | { type: 'test-handed-over'; test: string; to: string; until: string }
  /** A step with the fire panel: who was spoken to, and until when it is on test. */
  | { type: 'panel'; step: PanelStep; who: string; text: string; until: string | null }
  /** A jacket was taken off a device, under a mark of its own, and where each of its ends had been. */
  | {
      type: 'unlanded';
      jacket: string;
      mark: string;
      cable: string;
      device: string;
      landed: Landed[];
    }
  /** What was found to go with it. */
  | { type: 'identified'; jacket: string; does: JacketFunction; text: string }
  /** What became of it. */
  | { type: 'settled'; jacket: string; as: JacketEnd; text: string }
  /** Nothing is open: what follows is a new entry after it. */
  | { type: 'finished'; text: string };

/** A jacket goes back where it was, onto another device, or out of use: every conductor insulated at both ends. */
export const JACKET_ENDS = ['back', 'moved', 'retired'] as const;
export type JacketEnd = (typeof JACKET_ENDS)[number];

/** A figure a test asked for. */
export interface TestReading {
  red: string;
  black: string;
  volts: number;
}

export interface Entry {
  id: string;
  /** When it was written, ISO with an offset or Z. */
  at: string;
  by: string;
  body: Body;
  /** Who brought it in from elsewhere, empty where nobody was signed in; left out, or `null`, where it was written here. */
  broughtBy?: string | null;
}

/** How a place is proven dead: a known live point, the place, the live point again (NFPA 70E 120.5, from memory). */
export const LIVE_DEAD_LIVE = 'live-dead-live';

const MOST_TEXT = 2000;
const MOST_WORD = 80;
const MOST_READINGS = 60;
const MOST_VOLTS = 1000;
const MOST_LANDED = 80;

const word = (most = MOST_WORD) =>
  yup
    .string()
    .strict()
    .required('is required')
    .matches(/\S/, 'is required')
    .max(most, `must be at most ${most} characters`)
    .test('text', PLAIN_TEXT, (given) => isPlainText(given ?? ''));
/** Made where an entry is written; a bundle names rows by it. */
const entryId = () =>
  yup
    .string()
    .strict()
    .required('is required')
    .matches(/^[\w-]{1,60}$/, 'must be 1 to 60 letters, digits, hyphens or underscores');
/** Whoever wrote it, in characters that can be seen. */
const writer = () =>
  word().test('seen', 'must not have characters that cannot be seen', (given) => !hasUnseen(given ?? ''));
/** A day that the calendar has: 31 February is parsed as a day in March. */
function isDay(given: string): boolean {
  const day = given.slice(0, 10);
  return !Number.isNaN(Date.parse(given)) && new Date(`${day}T00:00:00Z`).toISOString().startsWith(day);
}

const moment = () =>
  yup
    .string()
    .strict()
    .matches(/^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d+)?)?(Z|[+-]\d\d:\d\d)$/, 'must be an ISO time')
    .test('date', 'must be a day and a time that there is', (given) => given == null || isDay(given));
const time = () => moment().required('is required');
const unknown = ({ unknown: fields }: { unknown: string }) => `has unknown field ${fields}`;
const shape = <S extends yup.ObjectShape>(fields: S) => yup.object(fields).strict().noUnknown(unknown);
const text = () =>
  yup
    .string()
    .strict()
    .defined()
    .max(MOST_TEXT, `must be at most ${MOST_TEXT} characters`)
    .test('text', PLAIN_TEXT, (given) => isPlainText(given));

const among = (options: readonly string[]) =>
  word().oneOf([...options], `must be one of ${options.join(', ')}`);

/** By type, the fields an entry of it has besides. */
const SHAPES: Readonly<Record<Body['type'], () => yup.Schema>> = {
  note: () => shape({ type: word(), text: word(MOST_TEXT) }),
  photographed: () => shape({ type: word(), photo: word(), station: word(), text: text() }),
  bypassed: () =>
    shape({
      type: word(),
      bypass: word(),
      device: word(),
      why: word(MOST_TEXT),
      until: time(),
      watch: word(),
    }),
  restored: () =>
    shape({
      type: word(),
      bypass: word(),
      proof: among(PROOFS),
      text: word(MOST_TEXT),
    }),
  'handed-over': () => shape({ type: word(), bypass: word(), to: word(), until: time() }),
  noticed: () =>
    shape({
      type: word(),
      item: word(),
      text: word(MOST_TEXT),
      until: moment().nullable().defined('is required, or null'),
    }),
  'dealt-with': () => shape({ type: word(), item: word(), text: text() }),
  tested: () =>
    shape({
      type: word(),
      test: word(200),
      title: word(300),
      outcome: among(OUTCOMES),
      text: text(),
      until: moment().nullable().defined('is required, or null'),
      meter: yup.string().strict().oneOf([LIVE_DEAD_LIVE], `must be ${LIVE_DEAD_LIVE}`),
      wiring: yup
        .string()
        .strict()
        .matches(/^[0-9a-f]{16}$/, 'must be 16 hexadecimal digits'),
      readings: listOf(
        shape({
          red: word(),
          black: word(),
          volts: yup
            .number()
            .strict()
            .required('is required')
            .min(0, 'must not be negative')
            .max(MOST_VOLTS, `must be at most ${MOST_VOLTS}`),
        }),
        MOST_READINGS,
        `must be at most ${MOST_READINGS} readings`,
      ),
    }),
  'test-handed-over': () => shape({ type: word(), test: word(200), to: word(), until: time() }),
  panel: () =>
    shape({
      type: word(),
      step: among(PANEL_STEPS),
      who: word(),
      text: text(),
      until: moment()
        .nullable()
        .defined('is required, or null')
        .test('until', 'must be a time for “on-test”, and null for any other step', (given, { parent }) => {
          const { step } = parent as { step: unknown };
          return (step === 'on-test') === (given !== null);
        }),
    }),
  unlanded: () =>
    shape({
      type: word(),
      jacket: word(),
      mark: word(),
      cable: word(),
      device: word(),
      landed: listOf(
        shape({ conductor: word(), end: among(['from', 'to']), terminal: word() }),
        MOST_LANDED,
        `must be at most ${MOST_LANDED} ends`,
      )
        .required('is required')
        .min(1, 'must not be empty'),
    }),
  identified: () => shape({ type: word(), jacket: word(), does: among(JACKET_FUNCTIONS), text: text() }),
  settled: () => shape({ type: word(), jacket: word(), as: among(JACKET_ENDS), text: text() }),
  finished: () => shape({ type: word(), text: text() }),
};

const isType = (type: unknown): type is Body['type'] =>
  typeof type === 'string' && Object.hasOwn(SHAPES, type);

const entrySchema = shape({
  id: entryId(),
  at: time(),
  by: writer(),
  body: yup.lazy((given: unknown) => {
    const type = (given as { type?: unknown } | null)?.type;
    return isType(type)
      ? SHAPES[type]()
      : yup.mixed().test('type', `must be an entry of type ${Object.keys(SHAPES).join(', ')}`, () => false);
  }),
});

/** Problems of what should be an entry; none when it is one. */
export function entryProblems(given: unknown): Problem[] {
  try {
    entrySchema.required('must be an entry').validateSync(given, ALL_FAULTS);
    return [];
  } catch (error) {
    if (!(error instanceof yup.ValidationError)) throw error;
    const all = error.inner.length > 0 ? error.inner : [error];
    return all.map(({ path, message }) => ({ path: path ?? '', message }));
  }
}
