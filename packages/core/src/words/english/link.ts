/** What is said of the air between two modules. */
import type { AirPath } from '../../standards';
import { linkMargin } from '../../standards';

/** Less than this to spare is gone on a wet day, dB; from memory. */
const LITTLE_DB = 10;

/** Whether a link would reach, before anything is bought: an estimate, and what to do about it. */
export function reachText(path: AirPath): string {
  const margin = linkMargin(path);
  const about = `${Math.round(Math.abs(margin))} dB ${margin < 0 ? 'short' : 'to spare'}, an estimate`;
  if (margin < 0) return `It would not reach (${about}): nearer, through fewer walls, or a cable.`;
  return margin < LITTLE_DB
    ? `It may just reach (${about}): try it with the doors shut, on a wet day too.`
    : `It should reach (${about}). Try it with the doors shut before anything is screwed on.`;
}

/** What a module hears now over a path. */
export function airText(
  path: AirPath,
  hears: { from: string; says: readonly string[]; marginDb: number } | null,
): string {
  if (!hears) return `It hears nothing. ${reachText(path)}`;
  const said = hears.says.length === 0 ? 'no call' : hears.says.join(' and ');
  return `It hears the other module: ${said}, ${Math.round(hears.marginDb)} dB to spare.`;
}
