/**
 * What stands of the ticks on a list. A step stands when all that must come before it does. The power-off gate
 * is about the circuit as it is now: once power is on again and something is to be done after all, both
 * gates come back, and what was done before stays done.
 */
import type { Step } from './step';

type Ids = ReadonlySet<string>;

const isGate = ({ kind }: Step) => kind === 'off' || kind === 'dead';

/** Steps whose every earlier step stands. For work that is done its gate has done its duty. */
function upheld(steps: readonly Step[], done: Ids): Ids {
  const known = new Map(steps.map((step) => [step.id, step]));
  let kept: Ids = new Set([...done].filter((id) => known.has(id)));
  for (;;) {
    const stands = ({ id, kind, after }: Step) =>
      kept.has(id) &&
      after.every((other) => {
        const earlier = known.get(other);
        return !earlier || kept.has(other) || (isGate(earlier) && kind !== 'dead' && kind !== 'on');
      });
    const next = new Set(steps.filter(stands).map(({ id }) => id));
    if (next.size === kept.size) return next;
    kept = next;
  }
}

/**
 * What stands after a change of the ticks, or of the list under them.
 *
 * @param was - ticks before the change.
 * @param wanted - ticks after it, before anything falls away.
 */
export function standing(steps: readonly Step[], wanted: Ids, was: Ids = wanted): Ids {
  const kept = upheld(steps, wanted);
  // An "on" is known by its id: the list it was ticked on may have been another.
  const powered = [...was].filter((id) => id === 'on' || id.startsWith('on:'));
  if (powered.every((id) => kept.has(id))) return kept;
  const open = steps.filter((step) => isGate(step) || step.kind === 'on').map(({ id }) => id);
  return upheld(steps, new Set([...kept].filter((id) => !open.includes(id))));
}

/** Whether a step may be done now. */
export const isReady = (steps: readonly Step[], done: Ids, { after }: Step): boolean =>
  after.every((id) => done.has(id) || !steps.some((step) => step.id === id));

/** Ticks a step that may be done, or takes its tick back; a step that must wait stays as it is. */
export function toggled(steps: readonly Step[], done: Ids, id: string): Ids {
  const step = steps.find((one) => one.id === id);
  if (!step) return done;
  if (done.has(id)) return standing(steps, new Set([...done].filter((other) => other !== id)), done);
  return isReady(steps, done, step) ? standing(steps, new Set([...done, id]), done) : done;
}

/** Whether the power is off at a place, as far as its ticks say. */
export const isOpenAt = (steps: readonly Step[], done: Ids, station: string): boolean => {
  const ticked = (kind: 'off' | 'on') =>
    steps.some((step) => step.kind === kind && step.station === station && done.has(step.id));
  return ticked('off') && !ticked('on');
};
