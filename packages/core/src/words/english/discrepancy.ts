import { splitTerminal } from '../../circuit';
import type { Discrepancy } from '../../survey';
import type { Names } from '../names';

/** What of a record does not agree. */
export function discrepancyText({ device, node, conductor }: Names, found: Discrepancy): string {
  switch (found.type) {
    case 'ends':
      return `The two ends of ${conductor(found.about)} do not agree: ${node(found.from)} and ${node(found.to)}.`;
    case 'one-ended':
      return found.isSpare
        ? `${conductor(found.about)} is on ${node(found.landed)} and landed nowhere at the other end.`
        : `${conductor(found.about)} is on ${node(found.landed)}; at the other end it is landed nowhere or not yet seen.`;
    case 'unusual-colour':
      return `${conductor(found.about)} is unusual on ${splitTerminal(found.terminal).mark}; trust the terminal, not the colour.`;
    case 'valve':
      return `A wire on ${found.mark} at ${device(found.about)}, but it is set conventional: O or B means a heat pump.`;
    case 'joined-hots':
      return `Two hot wires at ${device(found.about)} and the joiner in: find out whether there really are two transformers before you leave it in.`;
    case 'no-hot':
      return `One hot wire at ${device(found.about)} and the joiner out: ${found.call === 'heat' ? 'heating' : 'cooling'} has no hot.`;
  }
}
