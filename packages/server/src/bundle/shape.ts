/** What a bundle holds: every row of a job, as JSON in a ZIP, with what people read beside it. */
import { ONE_LINE, isOneLine, listOf } from '@zygostat/core/validation';
import * as yup from 'yup';
import { JOB_STATES } from '../db/schema';
import { body, newReadingSchema } from '../schemas';

export const BUNDLE_FORMAT = 'zygostat-bundle';
export const BUNDLE_VERSION = 1;

/** More than any site has jobs, and any job has revisions, readings or entries. */
const MOST_JOBS = 500;
const MOST_ROWS = 20_000;

const text = (most: number) => yup.string().strict().max(most, `must be at most ${most} characters`);
const word = (most: number) =>
  text(most)
    .min(1, 'must not be empty')
    .required('is required')
    .test('line', ONE_LINE, (given) => isOneLine(given));
const id = () =>
  yup
    .string()
    .strict()
    .matches(/^[\w-]{1,60}$/, 'must be 1 to 60 letters, digits, - or _')
    .required('is required');
/** As it is written in a bundle; a `Date` in the database. */
const time = () =>
  yup
    .string()
    .strict()
    .required('is required')
    .test('time', 'must be an ISO time in UTC', (given) => {
      const at = new Date(given ?? '');
      return !Number.isNaN(at.getTime()) && at.toISOString() === given;
    });
/** Whoever wrote it; earlier versions left it out. */
const writer = () => text(80).notRequired();
const whole = (least = 0) =>
  yup
    .number()
    .strict()
    .integer('must be a whole number')
    .min(least, `must be at least ${least}`)
    .required('is required');

export const documentsSchema = () =>
  listOf(
    body({
      name: word(40),
      number: whole(1),
      value: yup.mixed().nullable(),
      by: writer(),
      updatedAt: time(),
    }),
    20,
  );

export const manifestSchema = body({
  format: yup.string().strict().oneOf([BUNDLE_FORMAT], `must be ${BUNDLE_FORMAT}`).required('is required'),
  version: yup.number().strict().oneOf([BUNDLE_VERSION], `must be ${BUNDLE_VERSION}`).required('is required'),
  written: time(),
  jobs: listOf(id(), MOST_JOBS).min(1, 'must name a job').required('is required'),
});

export const jobFileSchema = body({
  // Left out by earlier versions.
  site: body({
    id: id(),
    name: word(80),
    address: text(300),
    createdAt: time(),
    documents: documentsSchema().notRequired(),
  }),
  job: body({
    id: id(),
    name: word(80),
    system: word(200),
    notes: text(2000).defined('is required'),
    state: yup
      .string()
      .strict()
      .oneOf([...JOB_STATES], `must be one of ${JOB_STATES.join(', ')}`)
      .required('is required'),
    // Bundles of earlier versions have none.
    isAway: yup.boolean().strict(),
    createdAt: time(),
    updatedAt: time(),
  }),
});

export const revisionsSchema = listOf(
  body({
    number: whole(1),
    circuit: yup.mixed().required('is required'),
    note: text(200).defined('is required'),
    by: writer(),
    createdAt: time(),
  }),
  MOST_ROWS,
)
  .min(1, 'must hold a revision')
  .required('is required')
  .test('order', 'must be numbered 1, 2, 3 …', (rows) =>
    rows.every((row, i) => (row as { number?: unknown } | null)?.number === i + 1),
  );

export const readingsSchema = listOf(
  newReadingSchema.concat(
    body({
      verdict: yup.string().strict().oneOf(['agrees', 'low', 'high']).required('is required'),
      unit: yup.string().strict().oneOf(['V', 'Ω', 'A']).required('is required'),
      by: writer(),
      createdAt: time(),
    }),
  ),
  MOST_ROWS,
).required('is required');

/** The entries themselves are checked by the core. */
export const entriesSchema = listOf(
  body({
    id: id(),
    at: word(60),
    by: word(80),
    body: yup.mixed().required('is required'),
    number: whole(1),
    link: yup
      .string()
      .strict()
      .matches(/^[0-9a-f]{64}$/, 'must be a SHA-256 in hexadecimal')
      .required('is required'),
    createdAt: time(),
  }),
  MOST_ROWS,
).required('is required');

const share = () => yup.number().strict().min(0).max(1).required('is required');
export const photographsSchema = listOf(
  body({
    id: id(),
    station: word(60),
    width: whole(1),
    height: whole(1),
    pins: listOf(body({ x: share(), y: share(), terminal: word(80) }), 60).required('is required'),
    by: writer(),
    createdAt: time(),
  }),
  200,
  'must be at most 200 photographs',
).required('is required');
