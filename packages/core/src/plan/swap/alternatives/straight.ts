import type { SwapContext, Alternative, Method } from './context';
import { plain } from './context';

/** Every need has a conductor: as they are, or with spares taken into use. */
export function straight(ground: SwapContext): Alternative[] {
  const { allocation } = ground;
  if (allocation.missing.length > 0) return [];
  const spares = allocation.given
    .filter(({ need, to }) => need.now !== to.conductor.id)
    .map(({ need, to }) => ({ colour: to.conductor.colour, mark: need.screw }));
  const method: Method = spares.length > 0 ? { id: 'spare', spares } : { id: 'as-is' };
  return [{ ...plain(ground), method, parts: [], extraMinutes: 0, lost: [] }];
}
