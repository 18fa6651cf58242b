/** Every document there is. A new one is a file beside this and a line here; storing, merging, sending and bundling go by the list. */
import { buildingKind } from './building';
import type { DocumentKind } from './declare';
import { diagnosisKind } from './diagnosis';
import { planKind } from './plan';
import { surveyKind } from './survey';

/** By name, with the type of each. */
export const DOCUMENTS = {
  survey: surveyKind,
  plan: planKind,
  diagnosis: diagnosisKind,
  building: buildingKind,
} as const;

export type DocumentName = keyof typeof DOCUMENTS;

export type DocumentOf<Name extends DocumentName> =
  (typeof DOCUMENTS)[Name] extends DocumentKind<infer T> ? T : never;

/** All of them, where the type of each makes no difference. */
export const documentKinds = (): readonly DocumentKind[] =>
  Object.values(DOCUMENTS) as unknown as DocumentKind[];
