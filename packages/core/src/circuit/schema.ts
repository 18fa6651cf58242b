import * as yup from 'yup';
import { ONE_LINE, isOneLine, listOf } from '../validation';
import { COLOUR_CODES, GAUGES } from '../standards';
import { CONDUCTOR_STATES, FORMAT, LINK_KINDS, STATION_KINDS, VERSION } from './types';

/** Limits of a document, so that no file can make the product stumble. */
export const LIMITS = {
  stations: 30,
  devices: 200,
  cables: 200,
  conductors: 40,
  links: 200,
  text: 120,
} as const;

/** How long a cable may be, metres. */
export const CABLE_METRES = { least: 0.01, most: 2000 } as const;

const name = () =>
  yup
    .string()
    .strict()
    .trim('must not begin or end with spaces')
    .min(1, 'must not be empty')
    .max(LIMITS.text)
    .test('line', ONE_LINE, (given) => isOneLine(given ?? ''));
/** Something written on a wire. */
const mark = () =>
  yup
    .string()
    .strict()
    .max(LIMITS.text)
    .test('line', ONE_LINE, (given) => isOneLine(given ?? ''));
const id = () =>
  yup
    .string()
    .strict()
    .matches(/^[A-Za-z0-9_-]{1,40}$/, 'must be 1 to 40 letters, digits, hyphens or underscores');
const terminal = () =>
  yup
    .string()
    .strict()
    .matches(/^[A-Za-z0-9_-]{1,40}\.[A-Za-z0-9/+-]{1,12}$/, 'must be a terminal such as "board.R"');
const number = (min: number, max: number, unit: string) =>
  yup
    .number()
    .strict()
    .test(
      'finite',
      `must be a finite number of ${unit}`,
      (value) => value === undefined || Number.isFinite(value),
    )
    .min(min, `must be at least ${min} ${unit}`)
    .max(max, `must be at most ${max} ${unit}`)
    .required('is required');

const record = <Fields extends yup.ObjectShape>(fields: Fields) =>
  yup
    .object(fields)
    .strict()
    .noUnknown(({ unknown }: { unknown: string }) => `has unknown field ${unknown}`)
    .required('is required');
const list = <T>(of: yup.Schema<T>, max: number) => listOf(of, max).required('is required');

/** Values of params and settings: checked against the device kind afterwards. */
const values = () =>
  yup
    .object()
    .strict()
    .required('is required')
    .test('plain', 'must hold only numbers and text', (value) =>
      Object.values(value ?? {}).every((entry) => typeof entry === 'number' || typeof entry === 'string'),
    );

const ends = () => ({
  from: terminal().nullable().defined('is required, or null for a free end'),
  to: terminal().nullable().defined('is required, or null for a free end'),
});

const conductor = record({
  id: id().required('is required'),
  colour: yup
    .string()
    .strict()
    .oneOf(COLOUR_CODES, `must be one of ${COLOUR_CODES.join(', ')}`)
    .required('is required'),
  tag: mark(),
  number: mark(),
  state: yup
    .string()
    .strict()
    .oneOf([...CONDUCTOR_STATES], `must be one of ${CONDUCTOR_STATES.join(', ')}`),
  found: yup
    .object(ends())
    .strict()
    .noUnknown(({ unknown }: { unknown: string }) => `has unknown field ${unknown}`)
    .default(undefined),
  ...ends(),
});

/** The shape of a device by itself. */
export const deviceSchema = record({
  id: id().required('is required'),
  kind: yup.string().strict().required('is required'),
  station: id().required('is required'),
  label: name().required('is required'),
  params: values(),
  settings: values(),
});

/** The shape of a circuit document; references between its parts are checked by `parseCircuit`. */
export const circuitSchema = record({
  format: yup.string().strict().oneOf([FORMAT], `must be "${FORMAT}"`).required('is required'),
  version: yup
    .number()
    .strict()
    .oneOf([VERSION], `must be 1 to ${VERSION}, the versions this program reads`)
    .required('is required'),
  name: name().required('is required'),
  mains: record({ volts: number(90, 300, 'V'), hertz: number(45, 65, 'Hz') }),
  stations: list(
    record({
      id: id().required('is required'),
      kind: yup
        .string()
        .strict()
        .oneOf([...STATION_KINDS], `must be one of ${STATION_KINDS.join(', ')}`)
        .required('is required'),
      name: name().required('is required'),
      access: number(0, 240, 'minutes'),
    }),
    LIMITS.stations,
  ),
  devices: list(deviceSchema, LIMITS.devices),
  cables: list(
    record({
      id: id().required('is required'),
      label: name().required('is required'),
      gauge: yup
        .number()
        .strict()
        .oneOf([...GAUGES], `must be one of ${GAUGES.join(', ')} AWG`)
        .required('is required'),
      lengthM: number(CABLE_METRES.least, CABLE_METRES.most, 'm'),
      conductors: list(conductor, LIMITS.conductors),
    }),
    LIMITS.cables,
  ),
  links: list(
    record({
      id: id().required('is required'),
      kind: yup
        .string()
        .strict()
        .oneOf([...LINK_KINDS], `must be one of ${LINK_KINDS.join(', ')}`)
        .required('is required'),
      joins: list(terminal().required('is required'), 12).min(2, 'must join at least two terminals'),
    }),
    LIMITS.links,
  ),
});
