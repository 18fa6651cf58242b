/** The plan of a job as it is kept: what it was made from, what it comes to, what is done of it. */
import type { Circuit, Problem } from '../circuit';
import { CircuitError, parseCircuit } from '../circuit';
import * as yup from 'yup';

export const PLAN_VERSION = 1;

/** That a step is done, when, and what was read where it asks for a reading. Volts. */
export interface Done {
  at: string;
  volts?: number;
}

export interface Plan {
  version: typeof PLAN_VERSION;
  title: string;
  /** As found when it was planned, and as it shall be. */
  before: Circuit;
  after: Circuit;
  /** The swap it is, so that it can be planned again; `null` for any other change. */
  swap: { device: string; terminals: string; supply: string; way: string } | null;
  /** Reason by conductor, or by `set:` and the setting's name, where the plan gave one. */
  reasons: Readonly<Record<string, string>>;
  /** By step. */
  done: Readonly<Record<string, Done>>;
  /** What was done of it before it was taken up anew from a changed circuit, in order. */
  earlier?: readonly (Done & { text: string })[];
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

const doneSchema = yup
  .object({
    at: yup
      .string()
      .strict()
      .required()
      .matches(/^\d{4}-\d\d-\d\dT/),
    volts: yup.number().strict().min(0).max(1000),
  })
  .strict()
  .noUnknown(unknown);

const planSchema = yup
  .object({
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
    done: recordOf(doneSchema, 'steps done, each { at, volts }'),
    earlier: yup
      .array()
      .strict()
      .max(MOST_STEPS)
      .of(doneSchema.clone().shape({ text: text(600) })),
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
    const plan = planSchema.validateSync(found, { abortEarly: false, strict: true });
    return [...circuitProblems(plan.before, 'before'), ...circuitProblems(plan.after, 'after')];
  } catch (error) {
    if (!(error instanceof yup.ValidationError)) throw error;
    const all = error.inner.length > 0 ? error.inner : [error];
    return all.map(({ path, message }) => ({ path: path ?? '', message }));
  }
}
