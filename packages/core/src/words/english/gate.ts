/** Why a power-off gate that was passed has to be passed again. */
import type { Shut } from '../../wire';

const ACT = 'Treat every wire as live. Turn the power off again and verify dead before you touch anything.';

/**
 * What happened, and what to do about it.
 *
 * @param when - the day and time of it, told in the person's way.
 */
export function shutText({ why, by }: Shut, when: string): { what: string; act: string } {
  const who = by === '' ? 'Somebody' : by;
  const what: Readonly<Record<Shut['why'], string>> = {
    'taken-back': `${who} took the power-off steps back on ${when}.`,
    powered: `Power was turned on again on ${when}.`,
    left: `${who} left the site on ${when}.`,
    resumed: `This list was put away and taken up again on ${when}.`,
    day: `The power-off steps are from another day: ${who}, ${when}.`,
  };
  return { what: what[why], act: ACT };
}
