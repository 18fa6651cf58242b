/** What may be wrong, what is done about it, and what to look at next. */
import type { Circuit, End } from '../../circuit';
import { findConductor, findDevice } from '../../circuit';
import { kindOf, said } from '../../devices';
import type { Air, Choice, Failure, Item, Observation, Remedy, Step } from '../../diagnose';
import { OPEN_OHMS, triedIn } from '../../diagnose';
import type { Names } from '../names';
import { loadsAt } from '../names';
import { inSentence, listed } from '../phrases';
import { showAmps, showQuantity, showVolts } from '../show';
import { wrongLandingText } from './change';

const kindAt = ({ circuit }: Names, device: string) => kindOf(findDevice(circuit, device)!.kind);

/** The place a conductor's end is at, as it is recorded. */
const endText = ({ circuit, node }: Names, conductor: string, end: End) => {
  const terminal = findConductor(circuit, conductor)![end];
  return terminal === null ? 'its free end' : node(terminal);
};

/** A conductor by its colour, and by its ends too where another of the same name is about. */
function conductorText(names: Names, id: string): string {
  const name = names.conductor(id);
  const alike = names.circuit.cables.some(({ conductors }) =>
    conductors.some((other) => other.id !== id && names.conductor(other.id) === name),
  );
  return alike ? `${name} (${endText(names, id, 'from')} to ${endText(names, id, 'to')})` : name;
}

/** What is wrong, in a few words: a name for a bar in a list. */
export function failureText(names: Names, failure: Failure): string {
  const phrase = failurePhrase(names, failure);
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
    case 'overloaded':
      return `${device(failure.device)} is overloaded`;
    case 'jumper-left':
      return `A jumper lies from ${node(failure.terminals[0])} to ${node(failure.terminals[1])}`;
    case 'otherwise':
      return `What is landed at ${device(failure.device)} is not as recorded, in some other way`;
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
    case 'agree':
      return `Set ${device(remedy.device)} to ask for what the others ask for`;
  }
}

/** What to do next. */
export function stepText(names: Names, step: Step): string {
  const { node, device } = names;
  switch (step.type) {
    case 'reading':
      return step.mode === 'ohms'
        ? `Power off and proven dead. Ohms: red on ${node(step.red)}, black on ${node(step.black)}`
        : `Red on ${node(step.red)}, black on ${node(step.black)}, ${stateText(names, step.state)}`;
    case 'clamp':
      return `Clamp about ${conductorText(names, step.conductor)}, ${stateText(names, step.state)}`;
    case 'jumper':
      return `Hold a jumper from ${node(step.jumper[0])} to ${node(step.jumper[1])} with nothing called: what runs?`;
    case 'face':
      return `What does ${device(step.device)} show with ${stateText(names, step.state)}?`;
    case 'look':
      return `Look at ${device(step.device)}: tug each conductor, compare each with the record`;
    case 'test':
      return `Power off and proven dead: test the parts of ${device(step.device)} by themselves`;
    case 'wires':
      return `Power off, both ends off: test the conductors of ${step.cable.label} one by one, to each other and to metal`;
    case 'call':
      return `See what runs with ${stateText(names, step.state)}`;
  }
}

const AIR: Readonly<Record<Air, string>> = {
  warm: 'Warm air',
  cold: 'Cold air',
  mixed: 'Lukewarm air',
  plain: 'Air, neither warm nor cold',
  still: 'No air',
};

/** What runs, as it is seen and felt. */
function runningText({ element, circuit }: Names, observed: readonly Observation[]): string {
  const air = observed.flatMap((one) => (one.type === 'air' ? [AIR[one.air]] : []));
  const running = observed.flatMap((one) =>
    one.type === 'runs' && one.on ? [element(one.device, elementOf(circuit, one))] : [],
  );
  return [...air, running.length > 0 ? `${listed(running)} on` : 'nothing runs'].join('; ');
}

const elementOf = (circuit: Circuit, { device, load }: { device: string; load: string }) =>
  loadsAt(circuit, device).find(({ id }) => id === load)!.element;

/** An answer to a step, as who answers would say it. */
export function choiceText(names: Names, step: Step, { value, observed, failures }: Choice): string {
  switch (step.type) {
    case 'reading':
      return step.mode === 'ohms' ? ohmsText(Number(value)) : `about ${showVolts(Number(value))} V`;
    case 'clamp':
      return `about ${showAmps(Number(value))}`;
    case 'face':
      return value === '' ? 'nothing' : String(value);
    case 'look':
      return value === '' ? 'All sound' : failureText(names, failures[0]!);
    case 'test':
    case 'wires':
      return value === '' ? 'All good' : failureText(names, failures[0]!);
    case 'call':
    case 'jumper':
      return runningText(names, observed);
  }
}

/** What an answer would mean: "Pan float has tripped, yellow of Outdoor cable is broken". */
export const meaningText = (names: Names, failures: readonly Failure[]): string =>
  failures.map((failure) => failureText(names, failure)).join(', ');

/** What was observed, shortly, for a chip or a line of a strip. */
export function observationText(names: Names, observation: Observation): string {
  const { device, cable, node, element, circuit } = names;
  switch (observation.type) {
    case 'air':
      return AIR[observation.air];
    case 'screen':
      return `${device(observation.device)}: screen ${observation.lit ? 'lit' : 'blank'}`;
    case 'runs':
      return `${element(observation.device, elementOf(circuit, observation))} ${observation.on ? 'runs' : 'does not run'}`;
    case 'face':
      return `${device(observation.device)}: ${observation.text || 'nothing'}`;
    case 'reading': {
      const { probes, value } = observation;
      const at = `${node(probes.red)} to ${node(probes.black)}`;
      if (value === 'open') return `${at}: open`;
      return probes.mode === 'ohms' ? `${at}: ${ohmsText(value)}` : `${at}: ${showVolts(value)} V`;
    }
    case 'clamp':
      return `${conductorText(names, observation.conductor)}: ${showAmps(observation.amps)}`;
    case 'repaired':
      return observation.helped ? 'Repaired: it runs' : 'Repaired: no better';
    case 'look':
      return `${device(observation.device)} ${observation.found === null ? 'looked at: sound' : 'looked at: not sound'}`;
    case 'test':
      return `${device(observation.device)} tested: ${observation.found === null ? 'good' : 'bad'}`;
    case 'wires':
      return `${cable(observation.cable)} tested: ${observation.found === null ? 'good' : 'bad'}`;
  }
}

/** What calls are said to be. */
const STATES: Readonly<Record<string, string>> = {
  off: 'nothing called',
  fan: 'fan called',
  heat: 'heat called',
  cool: 'cooling called',
};

function stateText({ node }: Names, state: string): string {
  const { call, powerOff, jumper } = triedIn(state)!;
  if (powerOff) return 'power off';
  const called = STATES[call] ?? call;
  return jumper ? `${called}, jumper from ${node(jumper[0])} to ${node(jumper[1])}` : called;
}

/** As a meter shows them: "about 58 Ω". */
function ohmsText(ohms: number): string {
  if (ohms >= OPEN_OHMS) return 'open, no reading';
  const { figure, unit } = showQuantity(ohms, 'Ω');
  return `about ${figure} ${unit}`;
}

/** A share of all that it can be: "62 %", "< 1 %". */
export function percentText(share: number): string {
  const whole = Math.round(share * 100);
  return whole === 0 ? '< 1 %' : `${whole} %`;
}

/** Something to bring. */
export function itemText(item: Item): string {
  switch (item.type) {
    case 'part': {
      const { title } = kindOf(item.kind);
      return item.part === null ? title : `${item.part} (${inSentence(title)})`;
    }
    case 'cable':
      return `Control cable, ${item.conductors} conductors or more`;
    case 'jumper':
      return 'Jumpers and connectors';
  }
}
