/** What keeps a change from being proposed: what it would violate that is not violated now. */
import type { Finding, Proof, PropertyId } from '../prove';

/** What no longer runs is told as lost; it is no harm. That nothing heats or cools any more is. */
const isLoss = ({ property, about }: Finding) =>
  property === 'never' || (property === 'unanswered' && about === 'fan');

/** What a change would violate that is not violated now, or not as often; cautions and losses apart. */
export function harmOf(before: Proof, after: Proof): Finding[] {
  const count = ({ findings }: Proof, property: PropertyId) =>
    findings.filter((finding) => finding.property === property).length;
  return after.findings.filter(
    (finding) =>
      finding.severity !== 'caution' &&
      !isLoss(finding) &&
      count(after, finding.property) > count(before, finding.property),
  );
}
