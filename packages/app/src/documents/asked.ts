/** What two people changed differently in a document: kept here with both, until a person decides. */
import type { Clash, Side } from '@zygostat/core/merge';
import { withDecision } from '@zygostat/core/merge';
import type { DocumentKind } from '@zygostat/core/documents';

/** The name it is kept under. */
export const askedOf = (name: string) => `${name}-asked`;

/** A document as it is by now, with one clash decided. */
export const withClashDecided = <T>({ part, fit }: DocumentKind<T>, now: T, clash: Clash, side: Side): T => {
  const decided = withDecision(part, now, clash, side);
  return fit ? fit(decided) : decided;
};
