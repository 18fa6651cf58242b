/** Causes in a technician's words: what it is, and what to do. */
import type { Cause, Stretch } from '../../behaviour';
import { splitTerminal } from '../../circuit';
import type { Face } from '../../devices';
import { kindOf } from '../../devices';
import type { Names } from '../names';
import { listed } from '../phrases';

/** A sentence without its full stop, and what to do. */
export interface Told {
  text: string;
  next: string;
}

export type Faces = Readonly<Record<string, Face>>;

const plain = (element: string) => element.replace(/-/g, ' ');

function wiring({ node, conductor }: Names, { disagreement }: Extract<Cause, { type: 'wiring' }>): Told {
  switch (disagreement.type) {
    case 'loose':
      return {
        text: `${conductor(disagreement.conductor.id)} is landed at one end only, on ${node(disagreement.landed)}`,
        next: 'Land its other end where its mark is, or take it off and insulate both ends.',
      };
    case 'conductor': {
      const { from, to } = disagreement;
      return {
        text: `${conductor(disagreement.conductor.id)} lies between ${node(from)} and ${node(to)}`,
        next: `${splitTerminal(from).mark} and ${splitTerminal(to).mark} do not belong together: check both its ends.`,
      };
    }
    case 'link':
      return {
        text: `a jumper joins ${disagreement.link.joins.map(node).join(' and ')}`,
        next: 'Take it off, unless the equipment’s own diagram shows it.',
      };
    case 'empty':
      return {
        text: `nothing is landed on ${node(disagreement.terminal)}`,
        next: 'Find the conductor that belongs there.',
      };
  }
}

function inside(
  { circuit, device }: Names,
  { device: id, element }: Extract<Cause, { type: 'inside' }>,
): Told {
  const label = device(id);
  const kind = kindOf(circuit.devices.find((one) => one.id === id)!.kind);
  if (kind.inline)
    return {
      text: `${label} does not pass current`,
      next: `Read across ${label}: volts there mean it is open.`,
    };
  if (kind.primary)
    return {
      text: `${label} has its primary and gives nothing`,
      next: 'Read its secondary with everything off it, then replace it.',
    };
  return {
    text: `${label} has what it needs and does not act on it (${plain(element)})`,
    next: `Read in and out of ${label} before replacing it.`,
  };
}

function opened({ device }: Names, face: Face | undefined, id: string): Told {
  return {
    text: `stopped at ${device(id)}${face ? ` (${face.text})` : ''}`,
    next: face?.detail ?? 'See what opened it.',
  };
}

/** What explains a fault. */
export function causeText(names: Names, faces: Faces, cause: Cause | Stretch): Told {
  const { device, node, conductor, conductors, element } = names;
  switch (cause.type) {
    case 'wiring':
      return wiring(names, cause);
    case 'broken':
      return {
        text: `${conductor(cause.conductor)} is broken`,
        next: 'Read both its ends, then take it out of use or pull a new one.',
      };
    case 'touching':
      return {
        text: `${cause.conductors.map(conductor).join(' and ')} touch`,
        next: 'Find where they touch before anything is reset: a staple, a nail, a stripped end.',
      };
    case 'inside':
      return inside(names, cause);
    case 'dead':
      return {
        text: `${element(cause.device, cause.element)} has its volts and takes no current`,
        next: 'Prove it dead, then read its ohms: an open winding reads none.',
      };
    case 'capacity':
      return {
        text: `${device(cause.device)} has ${cause.share < 0.05 ? 'nothing' : `about ${Math.round(cause.share * 100)} % of its label`} left on ${cause.mark}`,
        next: 'Power off, proven, discharged, then measure it; replace it if it is out of its tolerance.',
      };
    case 'stalled':
      return {
        text: `${device(cause.device)} is fed and does not turn`,
        next: 'Power off, discharge its capacitor, then check it, the leads by the diagram, and the windings.',
      };
    case 'shorted':
      return {
        text: `${element(cause.device, cause.element)} is shorted`,
        next: 'Take a lead off it and read its ohms before fitting another fuse.',
      };
    case 'stuck':
      return {
        text: `${device(cause.device)} passes current though it should be open (${plain(cause.element)})`,
        next: 'Take its call away: a contact that still passes is welded.',
      };
    case 'opened':
      return opened(names, faces[cause.device], cause.device);
    case 'weak':
      return {
        text: `too few volts reach ${device(cause.device)}: ${cause.volts.toFixed(1)} V`,
        next: 'Follow the volts along its path under load.',
      };
    case 'lossy':
      return {
        text: `${cause.volts.toFixed(1)} V are lost on ${conductors(cause.conductors)}`,
        next: 'Read along it under load: a bad joint, or too long a run for its gauge.',
      };
    case 'waiting':
      return { text: `${device(cause.device)} is timing`, next: 'Wait, it is not a fault.' };
    case 'held':
      return {
        text: `${device(cause.device)} serves others first`,
        next: 'Wait until they are satisfied, it is not a fault.',
      };
    case 'set-up':
      return {
        text: `${device(cause.device)} asks for it as it is set up`,
        next: 'Check its set-up against what the unit is.',
      };
    case 'between':
      return {
        text: `the short is somewhere between ${node(cause.from)} and ${node(cause.to)}`,
        next: 'Part it in the middle and see on which side it stays.',
      };
    case 'astray':
      return {
        text: `what is landed on ${node(cause.from)} leads to ${node(cause.to)}`,
        next: `Check the landings of ${listed([...new Set(cause.conductors.map(conductor))])} at both ends.`,
      };
    case 'silent':
      return {
        text:
          cause.devices.length > 1
            ? 'the air, the pairing or a radio'
            : `nothing is paired with ${device(cause.devices[0]!)}`,
        next: 'Both have their 24 V: look at the pairing, then bring them nearer to one another. What works near and not far is the air.',
      };
    case 'unwired':
      return cause.terminal === undefined
        ? { text: 'no wiring leads there and back', next: 'Compare the landings with the diagram.' }
        : {
            text: `nothing joins ${node(cause.terminal)} to a supply`,
            next: `Compare what is landed on ${node(cause.terminal)} with the diagram.`,
          };
    case 'unasked':
      return { text: 'nothing asks for it', next: 'Make its call.' };
  }
}
