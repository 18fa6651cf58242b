/** A proof with everything a screen says of it, so that the screen needs no core of its own for it. */
import { caseTitle } from './cases';
import type { Property } from './properties';
import { PROPERTIES, propertyOf } from './properties';
import type { Finding, Proof } from './prove';
import { isProven, proofInWords } from './prove';
import type { Mistake } from './sweep';

/** A finding with the state that shows it, in words, and why the property must hold. */
export interface ToldFinding extends Finding {
  shown: string;
  why: string;
}

export interface ToldProof {
  proven: boolean;
  /** "63 states, 14 properties: nothing found" */
  words: string;
  findings: readonly ToldFinding[];
}

/** A wrong landing without the circuit it makes. */
export type ToldMistake = Omit<Mistake, 'circuit' | 'shownBy'> & { shown: string | null };

export const tellProof = (proof: Proof): ToldProof => ({
  proven: isProven(proof),
  words: proofInWords(proof),
  findings: proof.findings.map((finding) => ({
    ...finding,
    shown: caseTitle(finding.shownBy),
    why: propertyOf(finding.property).why,
  })),
});

export const tellMistakes = (mistakes: readonly Mistake[]): ToldMistake[] =>
  mistakes.map(({ text, harm, does, shownBy }) => ({
    text,
    harm,
    does,
    shown: shownBy && caseTitle(shownBy),
  }));

/** Every property a proof looks at, and why it must hold. */
export const tellProperties = (): Pick<Property, 'id' | 'title' | 'why' | 'severity'>[] =>
  PROPERTIES.map(({ id, title, why, severity }) => ({ id, title, why, severity }));
