/** The survey of a job: what was answered and which runs there are to record. */
import type { TerminalId } from '../circuit';
import type { Problem } from '../circuit';
import * as yup from 'yup';
import { ALL_FAULTS, listOf } from '../validation';
import { FEATURES } from './features';
import type { Answers } from './identify';
import { COLOUR_CODES } from '../standards';
import type { UnitDiagram } from '../unit';

export const SURVEY_VERSION = 1;

export interface RunEnd {
  station: string;
  /** Terminals to look at, in order; others may be recorded too. */
  terminals: readonly TerminalId[];
  /** Those looked at with nothing on them. */
  bare?: readonly TerminalId[];
}

/** A run of control cable from one station to another. */
export interface Run {
  cable: string;
  from: RunEnd;
  to: RunEnd;
}

export interface Survey {
  version: typeof SURVEY_VERSION;
  answers: Answers;
  /** The ready system taken as what stands here. */
  system: string | null;
  runs: readonly Run[];
  /** Devices whose landings were looked at and are as recorded. */
  seen?: readonly string[];
  /** The diagram of an outdoor unit that is traced wire by wire. */
  unit?: UnitDiagram;
}

export const EMPTY_SURVEY: Survey = { version: SURVEY_VERSION, answers: {}, system: null, runs: [] };

const MOST_RUNS = 60;
const MOST_TERMINALS = 60;
const MOST_SEEN = 200;
const MOST_WIRES = 200;
const ANSWERS = ['yes', 'no', 'unsure'];

const word = () => yup.string().strict().min(1, 'must not be empty').max(60, 'must be at most 60 characters');
const runEnd = yup
  .object({
    station: word().required('is required'),
    terminals: listOf(word().required('is required'), MOST_TERMINALS).required('is required'),
    bare: listOf(word().required('is required'), MOST_TERMINALS),
  })
  .strict()
  .noUnknown(({ unknown }: { unknown: string }) => `has unknown field ${unknown}`);

const wire = yup
  .object({
    id: word().required('is required'),
    colour: yup
      .string()
      .strict()
      .oneOf(COLOUR_CODES, `must be one of ${COLOUR_CODES.join(', ')}`)
      .required('is required'),
    number: word(),
    from: word().required('is required'),
    to: word().required('is required'),
  })
  .strict()
  .noUnknown(({ unknown }: { unknown: string }) => `has unknown field ${unknown}`);

const unitSchema = yup
  .object({
    wires: listOf(wire, MOST_WIRES).required('is required'),
    walked: listOf(word().required('is required'), MOST_WIRES).required('is required'),
  })
  .strict()
  .noUnknown(({ unknown }: { unknown: string }) => `has unknown field ${unknown}`)
  .default(undefined);

const surveySchema = yup
  .object({
    version: yup
      .number()
      .strict()
      .oneOf([SURVEY_VERSION], `must be ${SURVEY_VERSION}`)
      .required('is required'),
    answers: yup
      .object(
        Object.fromEntries(
          FEATURES.map((feature) => [
            feature,
            yup
              .string()
              .strict()
              .oneOf(ANSWERS, `must be one of ${ANSWERS.join(', ')}`),
          ]),
        ),
      )
      .strict()
      .noUnknown(({ unknown }: { unknown: string }) => `has unknown question ${unknown}`)
      .required('is required'),
    system: word().nullable().defined('is required, or null'),
    runs: listOf(
      yup
        .object({ cable: word().required('is required'), from: runEnd, to: runEnd })
        .strict()
        .noUnknown(({ unknown }: { unknown: string }) => `has unknown field ${unknown}`),
      MOST_RUNS,
    ).required('is required'),
    seen: listOf(word().required('is required'), MOST_SEEN),
    unit: unitSchema,
  })
  .strict()
  .noUnknown(({ unknown }: { unknown: string }) => `has unknown field ${unknown}`);

/** Problems of what should be a survey; none when it is one. */
export function surveyProblems(found: unknown): Problem[] {
  try {
    surveySchema.validateSync(found, ALL_FAULTS);
    return [];
  } catch (error) {
    if (!(error instanceof yup.ValidationError)) throw error;
    const all = error.inner.length > 0 ? error.inner : [error];
    return all.map(({ path, message }) => ({ path: path ?? '', message }));
  }
}
