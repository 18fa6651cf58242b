import { colourName } from '../../../standards';
import type { SwapContext, Alternative } from './context';
import { plain } from './context';

/** Every need has a conductor: as they are, or with spares taken into use. */
export function straight(ground: SwapContext): Alternative[] {
  const { allocation } = ground;
  if (allocation.missing.length > 0) return [];
  const moved = allocation.given.filter(({ need, to }) => need.now !== to.conductor.id);
  const spare = moved.length > 0;
  const names = moved
    .map(({ need, to }) => `${colourName(to.conductor.colour)} for ${need.screw}`)
    .join(', ');
  return [
    {
      ...plain(ground),
      id: spare ? 'spare' : 'as-is',
      title: spare ? `Use a spare: ${names}` : 'Every conductor has its place',
      parts: [],
      extraMinutes: 0,
      lost: [],
      lookOut: spare
        ? ['Prove the spare first: ends joined at one place, ohms at the other.', 'Land it at both ends.']
        : [],
    },
  ];
}
