/** The diagnosis of a job as it is kept: what was observed, and where the person stands. */
import type { Problem } from '../circuit';
import * as yup from 'yup';
import { ALL_FAULTS, listOf } from '../validation';
import type { Whereabouts } from './costs';
import type { Observation } from './observation';
import { SIGHTS } from './observation';

export const DIAGNOSIS_VERSION = 2;

/** An observation with when it was made, and an id made where it was: one that comes twice counts once. */
export interface Observed {
  id: string;
  at: string;
  observation: Observation;
}

/** What one person goes by: what everybody observed, and where that person is. */
export interface Diagnosis {
  observed: readonly Observed[];
  /** What was observed before something was put right: kept, and no more of what the circuit is now. */
  before?: readonly Observed[];
  /** Readings logged elsewhere in the job that are not to count, by id. */
  ignored?: readonly string[];
  /** No single fault fits: two at once are looked for too. */
  pairs?: boolean;
  /** Nobody has compared the landings with the record. */
  unsurveyed?: boolean;
  /** A call with something tried in it that is being asked about: a jumper held, a conductor lifted; a state's id. */
  trying?: string;
  /** The person is not there yet: what a customer can be asked, and what to bring. */
  telephone?: boolean;
  whereabouts: Whereabouts;
}

/** A diagnosis as it is kept, of everybody who works on it. */
export interface KeptDiagnosis extends Omit<Diagnosis, 'whereabouts'> {
  version: typeof DIAGNOSIS_VERSION;
  /** Where each person is, by name; empty for whoever gave none. */
  whereabouts: Readonly<Record<string, Whereabouts>>;
}

/** What a person goes by. Whoever has only just joined begins where somebody else is. */
export function diagnosisFor({ version, whereabouts, ...kept }: KeptDiagnosis, person: string): Diagnosis {
  const own = Object.hasOwn(whereabouts, person) ? whereabouts[person] : undefined;
  return { ...kept, whereabouts: own ?? Object.values(whereabouts)[0] ?? NOWHERE };
}

/** What a person makes of a diagnosis, as it is kept. */
export const keptFor = (
  { whereabouts }: Pick<KeptDiagnosis, 'whereabouts'>,
  person: string,
  { whereabouts: own, ...diagnosis }: Diagnosis,
): KeptDiagnosis => ({
  ...diagnosis,
  version: DIAGNOSIS_VERSION,
  whereabouts: { ...whereabouts, [person]: own },
});

const NOWHERE: Whereabouts = { station: '', open: [], state: 'off' };

const MOST_OBSERVED = 2000;
/** More than any meter of the trade shows, V, Ω, A. */
const MOST_VOLTS = 1000;
const MOST_OHMS = 40e6;
const MOST_AMPS = 600;

const text = (most: number) =>
  yup.string().strict().required('is required').max(most, `must be at most ${most} characters`);
const word = () => text(80);
const unknown = ({ unknown: fields }: { unknown: string }) => `has unknown field ${fields}`;
const shape = <S extends yup.ObjectShape>(fields: S) => yup.object(fields).strict().noUnknown(unknown);
const found = () =>
  yup.string().strict().max(200, 'must be at most 200 characters').nullable().defined('is required, or null');
const flag = () => yup.boolean().strict().required('must be true or false');
const node = () =>
  yup
    .string()
    .strict()
    .required('is required')
    .matches(/^[\w-]+(\.[\w/+-]+|~(from|to))$|^earth$/, 'must name a terminal');

const MODES = ['ac-volts', 'ohms'];

const probes = () =>
  shape({
    mode: word().oneOf(MODES, `must be one of ${MODES.join(', ')}`),
    red: node(),
    black: node(),
    meter: yup
      .string()
      .strict()
      .oneOf(['high-z', 'low-z'], 'must be high-z or low-z')
      .required('is required'),
  }).required('is required');

const AIRS = ['warm', 'cold', 'mixed', 'plain', 'still'];

/** A state's id may tell of what is tried in it. */
const state = () => text(200);

const figure = (most: number, unit: string) =>
  yup
    .number()
    .strict()
    .min(0, 'must be 0 or more')
    .max(most, `must be at most ${most} ${unit}`)
    .required('is required');

/** Volts, or ohms; beyond a meter's range it is open. */
const reading = () =>
  yup.lazy((given: unknown) => {
    const { value, probes: at } = given as { value?: unknown; probes?: { mode?: unknown } };
    const inOhms = at?.mode === 'ohms';
    const shown = inOhms ? figure(MOST_OHMS, 'Ω, or "open"') : figure(MOST_VOLTS, 'V');
    return shape({
      type: word(),
      state: state(),
      probes: probes(),
      value: inOhms && value === 'open' ? word() : shown,
    });
  });

/** By type, the fields an observation of it has besides. */
const SHAPES: Readonly<Record<Observation['type'], () => yup.Schema | ReturnType<typeof reading>>> = {
  runs: () => shape({ type: word(), state: state(), device: word(), load: word(), on: flag() }),
  air: () =>
    shape({
      type: word(),
      state: state(),
      air: word().oneOf(AIRS, `must be one of ${AIRS.join(', ')}`),
    }),
  screen: () => shape({ type: word(), state: state(), device: word(), lit: flag() }),
  face: () =>
    shape({ type: word(), state: state(), device: word(), text: yup.string().strict().max(80).defined() }),
  reading,
  clamp: () => shape({ type: word(), state: state(), conductor: word(), amps: figure(MOST_AMPS, 'A') }),
  look: () => shape({ type: word(), device: word(), found: found() }),
  test: () => shape({ type: word(), device: word(), found: found() }),
  wires: () => shape({ type: word(), cable: word(), found: found() }),
  swapped: () => shape({ type: word(), device: word(), helped: flag() }),
  replaced: () => shape({ type: word(), device: word() }),
  sight: () =>
    shape({
      type: word(),
      sight: word().oneOf([...SIGHTS], `must be one of ${SIGHTS.join(', ')}`),
      target: shape({
        type: word().oneOf(['device', 'cable'], 'must be device or cable'),
        id: word(),
      }).required('is required'),
    }),
  repaired: () => shape({ type: word(), remedy: text(300), helped: flag() }),
};

const isType = (type: unknown): type is Observation['type'] =>
  typeof type === 'string' && Object.hasOwn(SHAPES, type);

const observationSchema = yup.lazy((given: unknown) => {
  const type = (given as { type?: unknown } | null)?.type;
  return isType(type)
    ? SHAPES[type]()
    : yup
        .mixed()
        .test('type', `must be an observation of type ${Object.keys(SHAPES).join(', ')}`, () => false);
});

const observations = () =>
  listOf(
    shape({
      id: word(),
      at: yup
        .string()
        .strict()
        .required('is required')
        .matches(/^\d{4}-\d\d-\d\dT/, 'must be an ISO time'),
      observation: observationSchema,
    }),
    MOST_OBSERVED,
  );

const MOST_PEOPLE = 50;

/** A record by a person's name. */
const byPerson = (of: yup.Schema) =>
  yup
    .mixed()
    .required('is required')
    .test('people', `must be { station, open, state } by person, of at most ${MOST_PEOPLE}`, (given) => {
      if (typeof given !== 'object' || given === null || Array.isArray(given)) return false;
      const entries = Object.entries(given);
      return (
        entries.length <= MOST_PEOPLE &&
        entries.every(([name, entry]) => name.length <= 80 && of.isValidSync(entry, { strict: true }))
      );
    });

const diagnosisSchema = shape({
  version: yup
    .number()
    .strict()
    .oneOf([DIAGNOSIS_VERSION], `must be ${DIAGNOSIS_VERSION}`)
    .required('is required'),
  observed: observations().required('is required'),
  before: observations(),
  ignored: listOf(word(), MOST_OBSERVED),
  pairs: yup.boolean().strict(),
  unsurveyed: yup.boolean().strict(),
  telephone: yup.boolean().strict(),
  trying: yup.string().strict().max(200, 'must be at most 200 characters'),
  whereabouts: byPerson(
    shape({
      station: word(),
      open: listOf(word(), 100).required('is required'),
      state: state(),
      dark: yup.boolean().strict(),
    }),
  ),
});

/** Problems of what should be a diagnosis; none when it is one. */
export function diagnosisProblems(given: unknown): Problem[] {
  try {
    diagnosisSchema.validateSync(given, ALL_FAULTS);
    return [];
  } catch (error) {
    if (!(error instanceof yup.ValidationError)) throw error;
    const all = error.inner.length > 0 ? error.inner : [error];
    return all.map(({ path, message }) => ({ path: path ?? '', message }));
  }
}

/** A diagnosis of version 1, which knew where one person is, as this one keeps it. Anything else comes back as it is. */
export function diagnosisReadIn(given: unknown): unknown {
  const { version, whereabouts } = (given ?? {}) as { version?: unknown; whereabouts?: unknown };
  return version === 1
    ? { ...(given as object), version: DIAGNOSIS_VERSION, whereabouts: { '': whereabouts } }
    : given;
}
