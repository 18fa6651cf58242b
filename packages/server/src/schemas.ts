/** What the API takes in. Circuits are checked by the core's own schema. */
import { SYMBOL_STYLES } from '@zygostat/core/drawing';
import type { ScheduleMode } from '@zygostat/core/formats';
import { METER_MODES } from '@zygostat/core/network';
import { METER_OHMS } from '@zygostat/core/standards';
import { TEMPLATES } from '@zygostat/core/systems';
import { ONE_LINE, PLAIN_TEXT, isOneLine, isPlainText, listOf } from '@zygostat/core/validation';
import * as yup from 'yup';
import { MOST_NOTES } from './db/jobs';
import { JOB_STATES } from './db/schema';
import { Problem, invalid } from './problem';

const text = (max: number) =>
  yup
    .string()
    .strict()
    .trim('must not begin or end with spaces')
    .max(max, `must be at most ${max} characters`)
    .test('text', PLAIN_TEXT, (given) => isPlainText(given ?? ''));
/** One line: a name, an address. */
const line = (max: number) => text(max).test('line', ONE_LINE, (given) => isOneLine(given ?? ''));
export const required = (max: number) => line(max).min(1, 'must not be empty').required('is required');

const NAME = /^[\w-]{1,60}$/;

/**
 * A name that came as part of an address.
 *
 * @throws Problem when it is no such name.
 */
export const named = (path: string, name: string): string => {
  if (NAME.test(name)) return name;
  throw new Problem(invalid([{ path, message: 'must be 1 to 60 letters, digits, hyphens or underscores' }]));
};

export const body = <Fields extends yup.ObjectShape>(fields: Fields) =>
  yup
    .object(fields)
    .strict()
    .noUnknown(({ unknown }: { unknown: string }) => `has unknown field ${unknown}`)
    .required('must be a JSON object');

const templateIds = TEMPLATES.map(({ id }) => id);

/** An id made where something was written: one that is sent twice is taken in once. */
const madeThere = () =>
  yup
    .string()
    .strict()
    .matches(/^[\w-]{8,60}$/, 'must be 8 to 60 letters, digits, - or _');

export const newJobSchema = body({
  id: madeThere(),
  /** Of its site, where there is none of that name yet. */
  siteId: madeThere(),
  name: required(80),
  site: required(80),
  notes: text(2000),
  template: yup
    .string()
    .strict()
    .oneOf(templateIds, `must be one of ${templateIds.join(', ')}`),
  circuit: yup.mixed(),
  survey: yup.boolean().strict().oneOf([true], 'must be true, or left out'),
}).test(
  'source',
  'one of template, circuit and survey is required, and only one of them',
  ({ template, circuit, survey }) =>
    [template, circuit, survey].filter((source) => source !== undefined).length === 1,
);

export const jobChangeSchema = body({
  name: line(80).min(1, 'must not be empty'),
  notes: text(MOST_NOTES),
  /** A line more, under whatever is there by then. */
  addNote: text(MOST_NOTES),
  /** Name and notes as they were when they were changed: what somebody else wrote meanwhile is not written over. */
  was: body({ name: text(80), notes: text(MOST_NOTES) })
    .default(undefined)
    .notRequired(),
  state: yup
    .string()
    .strict()
    .oneOf([...JOB_STATES], `must be one of ${JOB_STATES.join(', ')}`),
  isAway: yup.boolean().strict(),
});

export const newRevisionSchema = body({
  base: yup
    .number()
    .strict()
    .integer('must be a whole number')
    .min(1, 'must be at least 1')
    .required('is required'),
  save: madeThere(),
  circuit: yup.mixed().required('is required'),
  note: text(200),
});

const quantity = () =>
  yup
    .number()
    .strict()
    .nullable()
    .defined('is required, or null for an open loop')
    .test('finite', 'must be a finite number', (value) => value === null || Number.isFinite(value))
    .min(0, 'must not be negative')
    .max(1e9, 'must be at most 1000000000');
const point = () =>
  yup
    .string()
    .strict()
    .matches(/^(earth|[A-Za-z0-9_-]{1,40}[.~][A-Za-z0-9/+-]{1,12})$/, 'must be a terminal or a free end')
    .required('is required');
const meters = Object.keys(METER_OHMS) as (keyof typeof METER_OHMS)[];

export const newReadingSchema = body({
  id: madeThere(),
  revision: yup
    .number()
    .strict()
    .integer('must be a whole number')
    .min(1, 'must be at least 1')
    .required('is required'),
  mode: yup
    .string()
    .strict()
    .oneOf([...METER_MODES], `must be one of ${METER_MODES.join(', ')}`)
    .required('is required'),
  meter: yup
    .string()
    .strict()
    .oneOf(meters, `must be one of ${meters.join(', ')}`)
    .required('is required'),
  red: point(),
  black: point(),
  expected: quantity(),
  actual: quantity(),
  situation: text(200),
  state: text(20),
});

/** A document of a job by its name, with the save it builds on. */
export const documentSaveSchema = (name: string) =>
  body({
    base: yup
      .number()
      .strict()
      .integer('must be a whole number')
      .min(0, 'must be at least 0')
      .required('is required'),
    save: madeThere(),
    [name]: yup.mixed().nullable().defined('is required'),
  }) as yup.ObjectSchema<Record<string, unknown>>;

export const scheduleQuerySchema = yup.object({
  mode: yup
    .string<ScheduleMode>()
    .oneOf(['merge', 'replace'], 'must be merge or replace')
    .required('is required'),
});

const oneOf = <const Option extends string>(options: readonly Option[], fallback: Option) =>
  yup
    .mixed<Option>()
    .oneOf(options, `must be one of ${options.join(', ')}`)
    .default(() => fallback)
    .required();

export const paperQuerySchema = yup.object({
  symbols: oneOf(SYMBOL_STYLES, SYMBOL_STYLES[0]),
  length: oneOf(['ft', 'm'], 'ft'),
  locale: yup.lazy(() => locale()),
});

export const photoQuerySchema = yup.object({ station: required(40), id: madeThere() });

const share = () =>
  yup.number().strict().min(0, 'must be at least 0').max(1, 'must be at most 1').required('is required');

export const pinsSchema = body({
  pins: listOf(body({ x: share(), y: share(), terminal: point() }), 60).required('is required'),
});

export const listQuerySchema = yup.object({
  search: yup.string().trim().max(100, 'must be at most 100 characters').default(''),
  away: yup.boolean().default(false),
});

/** What of a site may be changed. */
export const siteChangeSchema = body({
  address: line(300).defined('is required'),
  /** As it was when it was changed: what somebody else wrote meanwhile is not written over. */
  was: text(300).defined('is required'),
});

const firmFields = () => ({
  name: line(120).defined('is required'),
  contact: line(300).defined('is required'),
});

/** Whoever does the work, as it stands on a report, and as it stood when it was changed. */
export const firmSchema = body({
  ...firmFields(),
  was: body(firmFields()),
});

const LEAST_FACTOR = 0.1;
const MOST_FACTOR = 10;

/** How much likelier than judged a class of faults is. */
export const factorSchema = body({
  name: required(120),
  factor: yup
    .number()
    .strict()
    .required('is required')
    .min(LEAST_FACTOR, `must be at least ${LEAST_FACTOR}`)
    .max(MOST_FACTOR, `must be at most ${MOST_FACTOR}`),
});

/** A confirmed fault: its class, and an id made where it was confirmed. */
export const foundSchema = body({ id: required(40), name: required(120) });

/** A zone the runtime knows the rules of. */
function isZone(zone: string): boolean {
  try {
    return Boolean(new Intl.DateTimeFormat('en', { timeZone: zone }));
  } catch {
    return false;
  }
}

// The first one reads the rules of every zone, some 30 ms: while the server starts nobody waits for it.
isZone('UTC');

function isLocale(locale: string): boolean {
  try {
    return new Intl.Locale(locale).language !== '';
  } catch {
    return false;
  }
}

/** Where a person is: how dates are written, and what size paper has. */
const locale = () =>
  yup
    .string()
    .default('en-US')
    .max(40, 'must be at most 40 characters')
    .test('locale', 'must be a language tag, like en-US', (given) => isLocale(given));

/** In which units and time zone a report is told. */
export const reportQuerySchema = yup
  .object({
    locale: locale(),
    zone: yup
      .string()
      .default('UTC')
      .test('zone', 'must be a time zone, like Europe/Berlin', (zone) => isZone(zone)),
    temperature: oneOf(['F', 'C'], 'F'),
    length: oneOf(['ft', 'm'], 'ft'),
    gauge: oneOf(['awg', 'mm2'], 'awg'),
  })
  .noUnknown(({ unknown }: { unknown: string }) => `has unknown field ${unknown}`);
