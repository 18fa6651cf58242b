/** The way to a load, stop by stop. */
import type { PathPart, PathStop } from '../../behaviour';
import { findConductor, findDevice } from '../../circuit';
import { kindOf } from '../../devices';
import type { Names } from '../names';
import { loadTitle } from '../names';

export const stopText = ({ node, device }: Names, stop: Pick<PathStop, 'node' | 'inside'>): string =>
  stop.inside === null ? node(stop.node) : `Supply of ${device(stop.inside)}`;

function partText({ circuit }: Names, part: PathPart): string {
  switch (part.type) {
    case 'conductor':
      return `${findConductor(circuit, part.conductor)!.colour} ${part.loose ? 'loose conductor' : 'conductor'}`;
    case 'jumper':
      return 'jumper';
    case 'jumper-lead':
      return 'jumper lead';
    case 'device':
      return loadTitle(circuit, part.device, part.element) ?? findDevice(circuit, part.device)!.label;
  }
}

/** What is open: "valve relay in Furnace board". */
function openText({ circuit, device }: Names, part: PathPart): string {
  if (part.type !== 'device') return 'conductor';
  const { kind } = findDevice(circuit, part.device)!;
  const label = device(part.device);
  return kindOf(kind).inline ? label : `${part.element.replace(/-/g, ' ')} in ${label}`;
}

/** What leads on from a stop, and what is open there if anything is. */
export function onwardText(names: Names, onward: NonNullable<PathStop['onward']>): string {
  const { part, closed, load, opening } = onward;
  if (closed) return partText(names, part);
  const open = `open: ${opening ? openText(names, opening) : partText(names, part)}`;
  return load ? `${partText(names, part)}, ${open}` : open;
}
