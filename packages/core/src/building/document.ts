/** What a site holds: its units, the detectors, stations and thermostats that hang on one another, and what moves its air. */
import * as yup from 'yup';
import { ALL_FAULTS, listOf } from '../validation';
import type { Problem } from '../circuit';
import { problemsOf } from '../circuit';

/** What is looked at on every unit before anything is reset. */
export const LOOKS = ['display', 'belt', 'motor', 'coil', 'frost', 'drain'] as const;
export type Look = (typeof LOOKS)[number];

/** What was seen there: as it should be, not so, or there is no such thing. */
export const SEEN = ['fine', 'wrong', 'none'] as const;
export type Seen = (typeof SEEN)[number];

export interface Unit {
  id: string;
  /** What is written on it. */
  label: string;
  /** What the label says it serves, and what it was found to serve. */
  serves: string;
  found: string;
  /** The job whose circuit is its, if there is one. */
  job: string | null;
  looks: Partial<Record<Look, Seen>>;
}

export const PLACES = ['unit', 'duct'] as const;
export const CAPS = ['off', 'on'] as const;
export const LAMPS = ['green', 'red', 'dark'] as const;
export const HOUSINGS = ['sound', 'wet', 'cracked'] as const;
export const WAYS = ['key', 'button', 'magnet'] as const;

/** A duct smoke detector. What was not looked at is `null`. */
export interface Detector {
  id: string;
  label: string;
  unit: string | null;
  /** In the unit, or in its duct, where an earlier change-out may have left it. */
  place: (typeof PLACES)[number];
  caps: (typeof CAPS)[number] | null;
  lamp: (typeof LAMPS)[number] | null;
  housing: (typeof HOUSINGS)[number] | null;
  /** What kind of station it answers. */
  wants: (typeof WAYS)[number] | null;
  /** The detector it is tied to. */
  tied: string | null;
  /** Whether its alarm contact is on the fire panel's loop. */
  loop: boolean | null;
}

export interface WallStation {
  id: string;
  label: string;
  works: (typeof WAYS)[number] | null;
  lamp: (typeof LAMPS)[number] | null;
  /** The detector it was found to hang on. */
  detector: string | null;
}

export interface Thermostat {
  id: string;
  label: string;
  unit: string | null;
  screen: 'on' | 'blank' | null;
  /** The detector its circuit was found to pass through. */
  held: string | null;
}

export const AIR_KINDS = ['exhaust', 'make-up', 'outdoor-air'] as const;
export const RUNS = ['on', 'auto', 'off'] as const;

/** A fan or a damper that moves air into or out of the building. */
export interface AirPath {
  id: string;
  label: string;
  kind: (typeof AIR_KINDS)[number];
  /** m³/s while it runs. */
  flow: number;
  runs: (typeof RUNS)[number] | null;
}

export interface Building {
  units: readonly Unit[];
  detectors: readonly Detector[];
  stations: readonly WallStation[];
  thermostats: readonly Thermostat[];
  air: readonly AirPath[];
}

export const EMPTY_BUILDING: Building = { units: [], detectors: [], stations: [], thermostats: [], air: [] };

const MOST = 60;
const MOST_FLOW = 200;

const label = () =>
  yup
    .string()
    .strict()
    .required('is required')
    .matches(/\S/, 'is required')
    .max(80, 'must be at most 80 characters');
const text = () => yup.string().strict().defined('is required').max(120, 'must be at most 120 characters');
const id = () =>
  yup
    .string()
    .strict()
    .required('is required')
    .matches(/^[\w-]{1,40}$/, 'must be 1 to 40 letters, digits, hyphens or underscores');
const reference = () => id().nullable().notRequired().defined('is required, or null') as yup.Schema;
const among = (options: readonly string[]) =>
  yup
    .string()
    .strict()
    .nullable()
    .oneOf([...options, null], `must be one of ${options.join(', ')}, or null`)
    .defined('is required, or null');
const unknown = ({ unknown: fields }: { unknown: string }) => `has unknown field ${fields}`;
const shape = <S extends yup.ObjectShape>(fields: S) => yup.object(fields).strict().noUnknown(unknown);
const list = (fields: yup.ObjectShape) =>
  listOf(shape(fields), MOST)
    .required('is required')
    .test('ids', 'must each have an id of its own', (given) => {
      const ids = (given ?? []).map((one) => (one as { id?: unknown } | null)?.id);
      return new Set(ids).size === ids.length;
    });

const seen = () =>
  yup
    .string()
    .strict()
    .oneOf([...SEEN], `must be one of ${SEEN.join(', ')}`);

const buildingSchema = shape({
  units: list({
    id: id(),
    label: label(),
    serves: text(),
    found: text(),
    job: reference(),
    looks: shape(Object.fromEntries(LOOKS.map((look) => [look, seen()]))).required('is required'),
  }),
  detectors: list({
    id: id(),
    label: label(),
    unit: reference(),
    place: yup
      .string()
      .strict()
      .required('is required')
      .oneOf([...PLACES], `must be one of ${PLACES.join(', ')}`),
    caps: among(CAPS),
    lamp: among(LAMPS),
    housing: among(HOUSINGS),
    wants: among(WAYS),
    tied: reference(),
    loop: yup.boolean().strict().nullable().defined('is required, or null'),
  }),
  stations: list({
    id: id(),
    label: label(),
    works: among(WAYS),
    lamp: among(LAMPS),
    detector: reference(),
  }),
  thermostats: list({
    id: id(),
    label: label(),
    unit: reference(),
    screen: among(['on', 'blank']),
    held: reference(),
  }),
  air: list({
    id: id(),
    label: label(),
    kind: yup
      .string()
      .strict()
      .required('is required')
      .oneOf([...AIR_KINDS], `must be one of ${AIR_KINDS.join(', ')}`),
    flow: yup
      .number()
      .strict()
      .required('is required')
      .min(0, 'must not be negative')
      .max(MOST_FLOW, `must be at most ${MOST_FLOW} m³/s`),
    runs: among(RUNS),
  }),
});

/** What refers to something that is not there: where, and what would be valid. */
function dangling({ units, detectors, stations, thermostats }: Building): Problem[] {
  const [unitIds, detectorIds] = [units, detectors].map((list) => new Set(list.map((one) => one.id)));
  const miss = (path: string, given: string | null, known: Set<string>, what: string): Problem[] =>
    given === null || known.has(given)
      ? []
      : [{ path, message: `must be a ${what} of this building, or null` }];
  return [
    ...detectors.flatMap(({ unit, tied, id: own }, i) => [
      ...miss(`detectors[${i}].unit`, unit, unitIds!, 'unit'),
      ...(tied === own
        ? [{ path: `detectors[${i}].tied`, message: 'must be another detector, or null' }]
        : miss(`detectors[${i}].tied`, tied, detectorIds!, 'detector')),
    ]),
    ...stations.flatMap(({ detector }, i) =>
      miss(`stations[${i}].detector`, detector, detectorIds!, 'detector'),
    ),
    ...thermostats.flatMap(({ unit, held }, i) => [
      ...miss(`thermostats[${i}].unit`, unit, unitIds!, 'unit'),
      ...miss(`thermostats[${i}].held`, held, detectorIds!, 'detector'),
    ]),
  ];
}

/** Problems of what should be a building; none when it is one. */
export function buildingProblems(given: unknown): Problem[] {
  try {
    buildingSchema.validateSync(given, ALL_FAULTS);
    return dangling(given as Building);
  } catch (error) {
    if (!(error instanceof yup.ValidationError)) throw error;
    return problemsOf(error, 'the building');
  }
}

type Listed = { id: string };

/** A building in which nothing refers to what is not there: such a reference is not known any more. */
export function fitted(building: Building): Building {
  const [units, detectors] = [building.units, building.detectors].map(
    (list) => new Set((list as readonly Listed[]).map((one) => one.id)),
  ) as [Set<string>, Set<string>];
  const known = (ids: ReadonlySet<string>, reference: string | null) =>
    reference !== null && ids.has(reference) ? reference : null;
  return {
    ...building,
    detectors: building.detectors.map((one) => ({
      ...one,
      unit: known(units, one.unit),
      tied: one.tied === one.id ? null : known(detectors, one.tied),
    })),
    stations: building.stations.map((one) => ({ ...one, detector: known(detectors, one.detector) })),
    thermostats: building.thermostats.map((one) => ({
      ...one,
      unit: known(units, one.unit),
      held: known(detectors, one.held),
    })),
  };
}

/** A building without something, and nothing that still refers to it. */
export function without(building: Building, gone: string): Building {
  const stay = <T extends Listed>(list: readonly T[]) => list.filter(({ id: one }) => one !== gone);
  return fitted({
    units: stay(building.units),
    detectors: stay(building.detectors),
    stations: stay(building.stations),
    thermostats: stay(building.thermostats),
    air: stay(building.air),
  });
}
