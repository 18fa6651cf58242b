import type { BenchView } from '@zygostat/core/behaviour';

/**
 * What stands otherwise than it did: terminals whose standing is another, devices whose tone is; figures that only moved are not
 * among them.
 */
export function changedBetween(before: BenchView, now: BenchView): ReadonlySet<string> {
  const nodes = Object.keys(now.nodes).filter((id) => {
    const was = before.nodes[id];
    return was !== undefined && was.standing !== now.nodes[id]!.standing;
  });
  const faces = Object.keys(now.faces).filter((id) => {
    const was = before.faces[id];
    return was !== undefined && was.tone !== now.faces[id]!.tone;
  });
  return new Set([...nodes, ...faces]);
}
