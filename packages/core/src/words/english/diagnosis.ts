/** What may be wrong, and what is done about it. */
import type { End } from '../../circuit';
import { findConductor, findDevice } from '../../circuit';
import { contextOf, kindOf, said } from '../../devices';
import type { Failure, Remedy } from '../../diagnose';
import type { Names } from '../names';
import { inSentence } from '../phrases';
import { wrongLandingText } from './change';

const kindAt = ({ circuit }: Names, device: string) => kindOf(findDevice(circuit, device)!.kind);

/** The place a conductor's end is at, as it is recorded. */
export const endText = ({ circuit, node }: Names, conductor: string, end: End) => {
  const terminal = findConductor(circuit, conductor)![end];
  return terminal === null ? 'its free end' : node(terminal);
};

/** A conductor by its colour, and by its ends too where another of the same name is about. */
export function conductorText(names: Names, id: string): string {
  const name = names.conductor(id);
  const alike = names.circuit.cables.some(({ conductors }) =>
    conductors.some((other) => other.id !== id && names.conductor(other.id) === name),
  );
  return alike ? `${name} (${endText(names, id, 'from')} to ${endText(names, id, 'to')})` : name;
}

/** What is wrong, in a few words: a name for a bar in a list. */
export function failureText(names: Names, failure: Failure): string {
  const often = 'nowAndThen' in failure && failure.nowAndThen ? ', now and then' : '';
  const phrase = `${failurePhrase(names, failure)}${often}`;
  return phrase.charAt(0).toUpperCase() + phrase.slice(1);
}

function failurePhrase(names: Names, failure: Failure): string {
  const { device, cable, node } = names;
  const conductor = (id: string) => conductorText(names, id);
  switch (failure.type) {
    case 'none':
      return 'Nothing is wrong with the controls: look at the equipment';
    case 'waiting':
      return 'It is only waiting: a delay is running';
    case 'part': {
      const { title } = kindAt(names, failure.device).faults.find(({ mode }) => mode === failure.mode)!;
      return `${device(failure.device)}: ${inSentence(title)}`;
    }
    case 'element':
      return `${device(failure.device)}: ${elementFaultText(names, failure)}`;
    case 'tripped':
      return `${device(failure.device)} has tripped`;
    case 'off':
      return `${device(failure.device)} is off`;
    case 'setting': {
      const field = kindAt(names, failure.device).settings[failure.name]!;
      return `${device(failure.device)} is set to ${field.label}: ${said(field, failure.value)}`;
    }
    case 'broken':
      return `${conductor(failure.conductor)} is broken`;
    case 'loose':
      return `${conductor(failure.conductor)} is loose at ${endText(names, failure.conductor, failure.end)}`;
    case 'poor-joint':
      return `${conductor(failure.conductor)} makes a poor joint at ${endText(names, failure.conductor, failure.end)}`;
    case 'touching':
      return `${conductor(failure.conductor)} touches ${conductor(failure.other)}`;
    case 'grounded':
      return `${conductor(failure.conductor)} touches metal`;
    case 'cut-through':
      return `${cable(failure.cable)} is cut through`;
    case 'landing':
      return wrongLandingText(names, failure.wrong);
    case 'strand':
      return `A strand reaches from ${node(failure.terminals[0])} to ${node(failure.terminals[1])}`;
    case 'no-jumper': {
      const link = names.circuit.links.find(({ id }) => id === failure.link)!;
      return `The jumper ${link.joins.map(node).join(' to ')} is missing`;
    }
    case 'both':
      return failure.failures.map((one) => failurePhrase(names, one)).join(', and ');
    case 'line-voltage':
      return `Line voltage is ${failure.share > 1 ? 'high' : 'low'}: about ${Math.round(failure.share * names.circuit.mains.volts)} V to neutral`;
    case 'overloaded':
      return `${device(failure.device)} is overloaded`;
    case 'jumper-left':
      return `A jumper lies from ${node(failure.terminals[0])} to ${node(failure.terminals[1])}`;
    case 'otherwise':
      return `${device(failure.device)}: wired in some other way`;
    case 'unlisted':
      return 'Something that is not on this list';
    case 'fighting':
      return `${device(failure.device)} asks for ${CALL[failure.call]} by itself`;
  }
}

const CALL = { heat: 'heat', cool: 'cooling' } as const;

const MEND = {
  replace: 'Replace',
  reset: 'Find what opened it, put that right, then reset',
  refit: 'Seat it properly:',
  clear: 'Clear',
  defer: 'For who may work on it:',
} as const;

/** What stands over the end of a search, and under it. */
export const settledText = (
  names: Names,
  remedy: Remedy,
  failure: Failure,
): { title: string; text: string } =>
  remedy.type === 'none'
    ? {
        title: 'Every call for heat and cooling runs. Stop here.',
        text: 'No fault shows in these calls. A fault that comes and goes may show later. This does not test the safeties.',
      }
    : { title: remedyText(names, remedy), text: failureText(names, failure) };

/** What is done about it. */
export function remedyText(names: Names, remedy: Remedy): string {
  const { device, cable, node } = names;
  const conductor = (id: string) => conductorText(names, id);
  switch (remedy.type) {
    case 'none':
      return 'Leave the controls as they are';
    case 'wait':
      return 'Wait until nothing is counting any more, then look again';
    case 'part':
      // What opened on overload had a reason: a new one alone would open too, or worse be made bigger.
      if (remedy.mend === 'replace' && remedy.part === null && kindAt(names, remedy.device).protects)
        return `Find what opened ${device(remedy.device)}, put that right, then replace it with the same rating`;
      return remedy.part === null
        ? `${MEND[remedy.mend]} ${device(remedy.device)}`
        : `${MEND[remedy.mend]} the ${inSentence(remedy.part)} of ${device(remedy.device)}`;
    case 'clear':
      return `Find why ${device(remedy.device)} has tripped, put that right, then reset it`;
    case 'switch-on':
      return `Find why ${device(remedy.device)} is off, then switch it on`;
    case 'set':
      return `Set ${device(remedy.device)}: ${kindAt(names, remedy.device).settings[remedy.name]!.label}`;
    case 'land':
      return `Land ${conductor(remedy.conductor)} anew on ${endText(names, remedy.conductor, remedy.end)}`;
    case 'replace-conductor':
      return `Give the work of ${conductor(remedy.conductor)} to a spare, or pull a new cable`;
    case 'replace-cable':
      return `Pull a new cable in place of ${cable(remedy.cable)}`;
    case 'tidy':
      return `Strip and land anew ${node(remedy.terminals[0])} and ${node(remedy.terminals[1])}`;
    case 'jumper':
      return 'Fit the jumper';
    case 'both':
      return remedy.remedies.map((one) => remedyText(names, one)).join('; and ');
    case 'take-out-jumper':
      return `Take out the jumper from ${node(remedy.terminals[0])} to ${node(remedy.terminals[1])}`;
    case 'relieve':
      return `Take off what overloads ${device(remedy.device)}, or fit one with more VA, its protection and Class 2 limits kept`;
    case 'compare':
      return `Compare what is landed at ${device(remedy.device)} with the record, end by end, and write down what is there`;
    case 'ask':
      return 'Nothing known fits: look for two faults at once, or ask who knows this system';
    case 'line-voltage':
      return 'Line voltage is out of range. Leave it to a licensed electrician or the power company';
    case 'agree':
      return `Set ${device(remedy.device)} to ask for what the others ask for`;
  }
}

/** Which contact does not close, by its terminals; or which coil is shorted, by what it is for. */
function elementFaultText(
  { circuit }: Names,
  { device: id, element, fault }: Extract<Failure, { type: 'element' }>,
): string {
  const device = findDevice(circuit, id)!;
  const context = contextOf(device, circuit.mains);
  if (fault === 'shorted') {
    const title = kindOf(device.kind)
      .loads(context)
      .find((load) => load.element === element)?.title;
    return title === undefined ? 'its coil is shorted' : `${inSentence(title)} is shorted`;
  }
  const elements = kindOf(device.kind).elements(context);
  const at = elements.findIndex((one) => one.id === element);
  const found = elements[at];
  const marks = found?.kind === 'branch' ? [found.a, found.b].filter((point) => !point.startsWith('#')) : [];
  const [one, other] = marks;
  if (other !== undefined) return `the contact from ${one} to ${other} does not close`;
  return one === undefined
    ? `contact ${at + 1} inside does not close`
    : `contact ${at + 1}, to ${one}, does not close`;
}

/** Failures that have a name whatever device or conductor they are of. */
const CLASSES: Readonly<Partial<Record<Failure['type'], string>>> = {
  none: 'Nothing wrong with the controls',
  waiting: 'Only waiting',
  broken: 'A conductor broken',
  loose: 'A conductor loose under its screw',
  'poor-joint': 'A poor joint',
  touching: 'Two conductors touching',
  grounded: 'A conductor touching metal',
  'cut-through': 'A cable cut through',
  landing: 'A conductor on the wrong terminal',
  strand: 'A stray strand',
  'no-jumper': 'A jumper missing',
  'jumper-left': 'A jumper left behind',
  otherwise: 'A block landed in some other way',
  'line-voltage': 'Line voltage too low or too high',
  unlisted: 'Something that is on no list',
  fighting: 'Two thermostats against each other',
};

/** The class a failure is of: "Contactor: coil open", "A conductor broken". */
export function faultClassText(names: Names, failure: Failure): string {
  const named = CLASSES[failure.type];
  if (named !== undefined || !('device' in failure)) return named ?? failureText(names, failure);
  const { title, faults, settings } = kindAt(names, failure.device);
  switch (failure.type) {
    case 'part':
      return `${title}: ${inSentence(faults.find(({ mode }) => mode === failure.mode)!.title)}`;
    case 'element':
      return `${title}: ${elementFaultText(names, failure)}`;
    case 'setting':
      return `${title} set wrong: ${inSentence(settings[failure.name]!.label)}`;
    case 'tripped':
      return `${title} tripped`;
    case 'off':
      return `${title} off`;
    default:
      return `${title} overloaded`;
  }
}
