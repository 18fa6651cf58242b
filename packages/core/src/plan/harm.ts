/** What keeps a change from being proposed: what it would violate that is not violated now. */
import type { Finding, Proof, PropertyId } from '../prove';

/** What no longer runs is told as lost; it is no harm. */
const LOSSES: ReadonlySet<PropertyId> = new Set(['never', 'unanswered']);

/** What a change would violate that is not violated now, cautions and what only stays off apart. */
export function harmOf(before: Proof, after: Proof): Finding[] {
  const known = new Set(before.findings.map(({ property }) => property));
  return after.findings.filter(
    ({ property, severity }) => severity !== 'caution' && !known.has(property) && !LOSSES.has(property),
  );
}
