/** What a job has besides its circuit, and what a site has: each a document, declared once. */
import type { Building } from '@zygostat/core/building';
import { EMPTY_BUILDING, buildingProblems } from '@zygostat/core/building';
import type { Problem } from '@zygostat/core/circuit';
import type { Survey } from '@zygostat/core/survey';
import { EMPTY_SURVEY, surveyProblems } from '@zygostat/core/survey';
import { findTemplate } from '@zygostat/core/systems';
import type { Plan } from '@zygostat/core/wire';
import { planProblems } from '@zygostat/core/wire';
import type { Diagnosis } from '@zygostat/core/diagnose';
import { diagnosisProblems } from '@zygostat/core/diagnose';

/** Whose it is. */
export type Owner = 'jobs' | 'sites';

export interface StoredDocument<T> {
  of: Owner;
  /** In the address, in the body and in the table. */
  name: string;
  /** What it is before the first save. */
  empty: T;
  /** What is wrong with something given as one, field by field. */
  problemsOf(given: unknown): readonly Problem[];
  /** What it says about its job, where it is of one and does. */
  about?(value: T): { system: string } | undefined;
}

export const surveyDocument: StoredDocument<Survey> = {
  of: 'jobs',
  name: 'survey',
  empty: EMPTY_SURVEY,
  problemsOf: (given) => {
    const problems = surveyProblems(given);
    if (problems.length > 0) return problems;
    const { system } = given as Survey;
    return system === null || findTemplate(system)
      ? []
      : [{ path: 'system', message: 'must be one of the ready systems, or null' }];
  },
  about: ({ system }) => {
    const template = system === null ? undefined : findTemplate(system);
    return template && { system: template.title };
  },
};

/** `null` when nothing is looked for. */
export const diagnosisDocument: StoredDocument<Diagnosis | null> = {
  of: 'jobs',
  name: 'diagnosis',
  empty: null,
  problemsOf: (given) => (given === null ? [] : diagnosisProblems(given)),
};

/** `null` when there is none, or it was taken back. */
export const planDocument: StoredDocument<Plan | null> = {
  of: 'jobs',
  name: 'plan',
  empty: null,
  problemsOf: (given) => (given === null ? [] : planProblems(given)),
};

/** A site's units, detectors and what moves its air. */
export const buildingDocument: StoredDocument<Building> = {
  of: 'sites',
  name: 'building',
  empty: EMPTY_BUILDING,
  problemsOf: buildingProblems,
};

/** All of them, by what is the same of each. */
export const DOCUMENTS: readonly Pick<StoredDocument<unknown>, 'of' | 'name' | 'problemsOf'>[] = [
  surveyDocument,
  planDocument,
  diagnosisDocument,
  buildingDocument,
];
