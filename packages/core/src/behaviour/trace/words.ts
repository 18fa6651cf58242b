/** Causes in a technician's words: what it is, and what to do. */
import type { Circuit } from '../../circuit';
import { findConductor, nodeName, splitTerminal } from '../../circuit';
import type { Face } from '../../devices';
import { kindOf } from '../../devices';
import type { Network } from '../../network';
import { colourName } from '../../standards';
import { listed } from '../scene';
import type { Cause } from './cause';
import type { Stretch } from './short';

interface Sentence {
  text: string;
  next: string;
}

/** "yellow of Thermostat cable" */
function wireName(circuit: Circuit, conductor: string): string {
  const cable = circuit.cables.find(({ conductors }) => conductors.some(({ id }) => id === conductor))!;
  return `${colourName(findConductor(circuit, conductor)!.colour)} of ${cable.label}`;
}

/** "red and white of Outdoor cable", of conductors that share a cable. */
function wiresOfCable(circuit: Circuit, conductors: readonly string[]): string {
  const colours = conductors.map((id) => colourName(findConductor(circuit, id)!.colour));
  const { label } = circuit.cables.find((cable) => cable.conductors.some(({ id }) => id === conductors[0]))!;
  return `${listed(colours)} of ${label}`;
}

const labelOf = ({ circuit }: Network, id: string) =>
  circuit.devices.find((device) => device.id === id)!.label;

function titleOf(network: Network, device: string, element: string): string {
  const { kind, context } = network.devices.find((entry) => entry.device.id === device)!;
  const load = kind.loads(context).find((entry) => entry.element === element);
  const label = labelOf(network, device);
  if (load?.title) return `${label}: ${load.title.charAt(0).toLowerCase()}${load.title.slice(1)}`;
  return load ? label : `${label}: ${element.replace(/-/g, ' ')}`;
}

function wiring({ circuit }: Network, { disagreement }: Extract<Cause, { type: 'wiring' }>): Sentence {
  switch (disagreement.type) {
    case 'loose': {
      const name = wireName(circuit, disagreement.conductor.id);
      return {
        text: `${name} is landed at one end only, on ${nodeName(circuit, disagreement.landed)}`,
        next: 'Land its other end where its mark is, or take it off and insulate both ends.',
      };
    }
    case 'conductor': {
      const { conductor, from, to } = disagreement;
      return {
        text: `${wireName(circuit, conductor.id)} lies between ${nodeName(circuit, from)} and ${nodeName(circuit, to)}`,
        next: `${splitTerminal(from).mark} and ${splitTerminal(to).mark} do not belong together: check both its ends.`,
      };
    }
    case 'link':
      return {
        text: `a jumper joins ${disagreement.link.joins.map((terminal) => nodeName(circuit, terminal)).join(' and ')}`,
        next: 'Take it off, unless the equipment’s own diagram shows it.',
      };
    case 'empty':
      return {
        text: `nothing is landed on ${nodeName(circuit, disagreement.terminal)}`,
        next: 'Find the conductor that belongs there.',
      };
  }
}

function inside(network: Network, device: string, element: string): Sentence {
  const label = labelOf(network, device);
  const { kind } = network.circuit.devices.find(({ id }) => id === device)!;
  if (kindOf(kind).inline)
    return {
      text: `${label} does not pass current`,
      next: `Read across ${label}: volts there mean it is open.`,
    };
  const gives = network.secondaries.some(({ branch }) => {
    const { origin } = network.branches[branch]!;
    return origin.type === 'device' && origin.device === device && origin.element === element;
  });
  if (gives)
    return {
      text: `${label} has its primary and gives nothing`,
      next: 'Read its secondary with everything off it, then replace it.',
    };
  return {
    text: `${label} has what it needs and does not act on it (${element.replace(/-/g, ' ')})`,
    next: `Read in and out of ${label} before replacing it.`,
  };
}

/** A cause as a sentence without its full stop, and what to do. */
export function tell(network: Network, faces: ReadonlyMap<string, Face>, cause: Cause | Stretch): Sentence {
  const { circuit } = network;
  switch (cause.type) {
    case 'wiring':
      return wiring(network, cause);
    case 'broken':
      return {
        text: `${wireName(circuit, cause.conductor)} is broken`,
        next: 'Read both its ends, then take it out of use or pull a new one.',
      };
    case 'touching':
      return {
        text: `${cause.conductors.map((id) => wireName(circuit, id)).join(' and ')} touch`,
        next: 'Find where they touch before anything is reset: a staple, a nail, a stripped end.',
      };
    case 'inside':
      return inside(network, cause.device, cause.element);
    case 'dead':
      return {
        text: `${titleOf(network, cause.device, cause.element)} has its volts and takes no current`,
        next: 'Prove it dead, then read its ohms: an open winding reads none.',
      };
    case 'shorted':
      return {
        text: `${titleOf(network, cause.device, cause.element)} is shorted`,
        next: 'Take a lead off it and read its ohms before fitting another fuse.',
      };
    case 'stuck':
      return {
        text: `${labelOf(network, cause.device)} passes current though it should be open (${cause.element.replace(/-/g, ' ')})`,
        next: 'Take its call away: a contact that still passes is welded.',
      };
    case 'opened': {
      const face = faces.get(cause.device);
      return {
        text: `stopped at ${labelOf(network, cause.device)}${face ? ` (${face.text})` : ''}`,
        next: face?.detail ?? 'See what opened it.',
      };
    }
    case 'weak':
      return {
        text: `too few volts reach ${labelOf(network, cause.device)}: ${cause.volts.toFixed(1)} V`,
        next: 'Follow the volts along its path under load.',
      };
    case 'lossy':
      return {
        text: `${cause.volts.toFixed(1)} V are lost on ${wiresOfCable(circuit, cause.conductors)}`,
        next: 'Read along it under load: a bad joint, or too long a run for its gauge.',
      };
    case 'waiting':
      return { text: `${labelOf(network, cause.device)} is timing`, next: 'Wait, it is not a fault.' };
    case 'set-up':
      return {
        text: `${labelOf(network, cause.device)} asks for it as it is set up`,
        next: 'Check its set-up against what the unit is.',
      };
    case 'between':
      return {
        text: `the short is somewhere between ${cause.from} and ${cause.to}`,
        next: 'Part it in the middle and see on which side it stays.',
      };
    case 'astray':
      return {
        text: `what is landed on ${nodeName(circuit, cause.from)} leads to ${nodeName(circuit, cause.to)}`,
        next: `Check the landings of ${cause.conductors.map((id) => wireName(circuit, id)).join(', ')} at both ends.`,
      };
    case 'unwired':
      return { text: 'no wiring leads there and back', next: 'Compare the landings with the diagram.' };
    case 'unasked':
      return { text: 'nothing asks for it', next: 'Make its call.' };
  }
}
