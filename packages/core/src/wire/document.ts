/** The plan of a job as it is kept: what it was made from, what it comes to, what is done of it. */
import type { Circuit, Problem } from '../circuit';
import { CircuitError, circuitReadIn, parseCircuit } from '../circuit';
import * as yup from 'yup';
import { ALL_FAULTS, listOf } from '../validation';
import type { ListEvent } from './list-event';
import { END_REASONS } from './list-event';

export const PLAN_VERSION = 2;

/** A step that was done before the plan was taken up anew from a changed circuit, as it read then. Volts. */
export interface DoneEarlier {
  /** Of its tick. */
  id: string;
  at: string;
  text: string;
  volts?: number;
}

export interface Plan {
  version: typeof PLAN_VERSION;
  /** Made where it was taken: what happened to a list belongs to this plan and no other. */
  id: string;
  title: string;
  /** As found when it was planned, and as it shall be. */
  before: Circuit;
  after: Circuit;
  /** The swap it is, so that it can be planned again; `null` for any other change. */
  swap: { device: string; terminals: string; supply: string; way: string } | null;
  /** Reason by conductor, or by `set:` and the setting's name, where the plan gave one. */
  reasons: Readonly<Record<string, string>>;
  /** What happened to its list, of everybody; only ever added to. */
  events: readonly ListEvent[];
  earlier?: readonly DoneEarlier[];
}

const MOST_STEPS = 600;

const text = (most: number) =>
  yup.string().strict().max(most, `must be at most ${most} characters`).required('is required');
const unknown = ({ unknown: fields }: { unknown: string }) => `has unknown field ${fields}`;

/** A record whose values are all of one schema. */
const recordOf = (of: yup.Schema, what: string) =>
  yup
    .mixed()
    .required('is required')
    .test('record', `must be an object of ${what}, at most ${MOST_STEPS}`, (value) => {
      if (typeof value !== 'object' || value === null || Array.isArray(value)) return false;
      const entries = Object.entries(value);
      return (
        entries.length <= MOST_STEPS &&
        entries.every(([key, entry]) => key.length <= 120 && of.isValidSync(entry, { strict: true }))
      );
    });

const MOST_EVENTS = 5000;

const id = () => text(140);
const time = () => text(40).matches(/^\d{4}-\d\d-\d\dT/, 'must be an ISO time');
const ids = () => listOf(id(), MOST_EVENTS).required('is required');
const volts = () => yup.number().strict().min(0, 'must be 0 or more').max(1000, 'must be at most 1000');
const shape = <S extends yup.ObjectShape>(fields: S) => yup.object(fields).strict().noUnknown(unknown);
const stamp = {
  id: id(),
  by: yup.string().strict().max(80, 'must be at most 80 characters').defined('is required'),
  at: time(),
};

const EVENTS: Readonly<Record<ListEvent['type'], yup.Schema>> = {
  ticked: shape({
    ...stamp,
    type: text(20),
    step: text(120),
    volts: volts(),
    knows: yup.lazy((given: unknown) => (given === undefined ? yup.mixed() : ids())),
  } as yup.ObjectShape),
  'taken-back': shape({ ...stamp, type: text(20), step: text(120), ticks: ids() }),
  ended: shape({
    ...stamp,
    type: text(20),
    why: text(20).oneOf([...END_REASONS], `must be one of ${END_REASONS.join(', ')}`),
  }),
};

const isType = (type: unknown): type is ListEvent['type'] =>
  typeof type === 'string' && Object.hasOwn(EVENTS, type);

const eventSchema = yup.lazy((given: unknown) => {
  const type = (given as { type?: unknown } | null)?.type;
  return isType(type)
    ? EVENTS[type]
    : yup.mixed().test('type', `must be an event of type ${Object.keys(EVENTS).join(', ')}`, () => false);
});

/** Items with an id of their own each. */
const withIds = (of: yup.Schema | typeof eventSchema) =>
  listOf(of, MOST_EVENTS).test('ids', 'must each have an id of its own', (given) => {
    const known = (given ?? []).map((one) => (one as { id?: unknown } | null)?.id);
    return new Set(known).size === known.length;
  });

const planSchema = yup
  .object({
    id: id(),
    version: yup.number().strict().oneOf([PLAN_VERSION], `must be ${PLAN_VERSION}`).required('is required'),
    title: text(200),
    before: yup.mixed().required('is required'),
    after: yup.mixed().required('is required'),
    swap: yup
      .object({ device: text(40), terminals: text(60), supply: text(20), way: text(30) })
      .strict()
      .noUnknown(unknown)
      .nullable()
      .defined('is required, or null'),
    reasons: recordOf(yup.string().strict().max(600), 'sentences by conductor'),
    events: withIds(eventSchema).required('is required'),
    earlier: withIds(shape({ id: id(), at: time(), text: text(600), volts: volts() })),
  })
  .strict()
  .noUnknown(unknown);

/** Problems of a circuit inside a plan, with the path it is under. */
function circuitProblems(found: unknown, under: string): Problem[] {
  try {
    parseCircuit(found);
    return [];
  } catch (error) {
    if (!(error instanceof CircuitError)) throw error;
    return error.problems.map(({ path, message }) => ({ path: `${under}.${path}`, message }));
  }
}

/** Problems of what should be a plan; none when it is one. */
export function planProblems(found: unknown): Problem[] {
  try {
    const plan = planSchema.validateSync(found, ALL_FAULTS);
    return [...circuitProblems(plan.before, 'before'), ...circuitProblems(plan.after, 'after')];
  } catch (error) {
    if (!(error instanceof yup.ValidationError)) throw error;
    const all = error.inner.length > 0 ? error.inner : [error];
    return all.map(({ path, message }) => ({ path: path ?? '', message }));
  }
}

/** A plan as version 1 kept it: what was done by step, without who did it. */
interface PlanOne extends Omit<Plan, 'version' | 'id' | 'events' | 'earlier'> {
  version: 1;
  done: Readonly<Record<string, { at: string; volts?: number }>>;
  earlier?: readonly { at: string; volts?: number; text: string }[];
}

const isOne = (given: unknown): given is PlanOne => {
  const { version, done } = (given ?? {}) as Partial<PlanOne>;
  return version === 1 && typeof done === 'object' && done !== null;
};

/** A plan's circuits, those of an older version as this one has them. */
function withCircuitsReadIn(given: unknown): unknown {
  if (typeof given !== 'object' || given === null || !('before' in given && 'after' in given)) return given;
  const [before, after] = [circuitReadIn(given.before), circuitReadIn(given.after)];
  return before === given.before && after === given.after ? given : { ...given, before, after };
}

/** A plan of an earlier version as this one keeps it: the same whoever reads it. Anything else comes back as it is. */
export function planReadIn(found: unknown): unknown {
  const given = withCircuitsReadIn(found);
  if (!isOne(given)) return given;
  const { done, earlier, ...plan } = given;
  return {
    ...plan,
    version: PLAN_VERSION,
    id: 'first',
    events: Object.entries(done).map(([step, entry]) => ({
      ...entry,
      id: `first ${step}`,
      type: 'ticked',
      step,
      by: '',
    })),
    ...(earlier && { earlier: earlier.map((entry, i) => ({ ...entry, id: `first ${i}` })) }),
  };
}
