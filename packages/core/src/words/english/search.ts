/** What to look at next, what was seen, and what to bring. */
import type { Circuit, End } from '../../circuit';
import { ENDS, findConductor } from '../../circuit';
import { kindOf } from '../../devices';
import type { Air, Choice, Failure, Item, Observation, Sight, Step } from '../../diagnose';
import { HELPED, OPEN_OHMS, triedIn } from '../../diagnose';
import { colourName } from '../../standards';
import type { Names } from '../names';
import { loadsAt } from '../names';
import { inSentence, listed } from '../phrases';
import { showAmps, showQuantity, showVolts } from '../show';
import { conductorText, endText, failureText } from './diagnosis';

/** Whose hands belong where line voltage is: one wording wherever a step comes near it. */
const LINE_HANDS = 'Only a person qualified for line voltage may work here, as local code says.';
const VERIFY_DEAD = 'Turn the power OFF, lock it, and verify dead before you touch anything here.';

/** How everything stands before such a step. */
const POWER_OFF = 'Power OFF and verified dead.';

/** What can hurt who does it, and what keeps them safe; empty where nothing of it can. */
export function stepCaution(step: Step): string {
  switch (step.type) {
    case 'reading':
      if (step.mode === 'ohms')
        return `${VERIFY_DEAD} Ohms on a live circuit are wrong and can harm you and the meter.`;
      return step.line
        ? `Line voltage. ${LINE_HANDS} Use a meter rated for it, and one hand.`
        : 'Live 24 V. Keep off the line side: it shares this compartment.';
    case 'clamp':
      return [
        ...(step.line ? [`Line voltage. ${LINE_HANDS}`] : []),
        'Put the jaws around one wire only, by its insulation. Keep off bare terminals.',
      ].join(' ');
    case 'jumper':
      return 'Hold the jumper by hand, for seconds only. Never put it across a safety. Never leave it. Let a compressor rest five minutes first.';
    case 'look':
      return step.line ? `Line voltage is landed here. ${VERIFY_DEAD} ${LINE_HANDS}` : '';
    case 'test':
    case 'wires':
      return `${VERIFY_DEAD} Capacitors hold a charge with the power OFF: discharge them.`;
    case 'swap':
      return VERIFY_DEAD;
    case 'face':
    case 'call':
      return '';
  }
}

/** What to do next. */
export function stepText(names: Names, step: Step): string {
  const { node, device } = names;
  switch (step.type) {
    case 'reading':
      return step.mode === 'ohms'
        ? `${POWER_OFF} Ohms: red on ${node(step.red)}, black on ${node(step.black)}`
        : `Red on ${node(step.red)}, black on ${node(step.black)}, ${stateText(names, step.state)}`;
    case 'clamp':
      return `Clamp about ${conductorText(names, step.conductor)}, ${stateText(names, step.state)}`;
    case 'jumper':
      return `Hold a jumper from ${node(step.jumper[0])} to ${node(step.jumper[1])} with nothing called: what runs?`;
    case 'face':
      return `What does ${device(step.device)} show with ${stateText(names, step.state)}?`;
    case 'look':
      return `${step.line ? `${POWER_OFF} ` : ''}Look at ${device(step.device)}: tug each conductor, compare each with the record`;
    case 'test':
      return `${POWER_OFF} Test the parts of ${device(step.device)} by themselves`;
    case 'swap':
      return `Put a thermostat that is known to be good in the place of ${device(step.device)}, landed and set alike`;
    case 'wires':
      return `${POWER_OFF} Both ends off. Test the conductors of ${step.cable.label} one by one, to each other and to metal`;
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

/** What runs, as it is seen and felt: "Cold air; compressor and blower on". */
export function runningText({ element, circuit }: Names, observed: readonly Observation[]): string {
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
    case 'swap':
      return value === HELPED ? 'It runs with that' : 'No better';
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
    case 'swapped':
      return `${device(observation.device)} swapped: ${observation.helped ? 'it runs' : 'no better'}`;
    case 'replaced':
      return `${device(observation.device)} was replaced lately`;
    case 'sight':
      return sightText(names, observation);
    case 'look':
      return `${device(observation.device)} ${observation.found === null ? 'looked at: sound' : 'looked at: not sound'}`;
    case 'test':
      return `${device(observation.device)} tested: ${observation.found === null ? 'good' : 'bad'}`;
    case 'wires':
      return `${cable(observation.cable)} tested: ${observation.found === null ? 'good' : 'bad'}`;
  }
}

export const SIGHT: Readonly<Record<Sight, string>> = { burnt: 'Burnt', wet: 'Wet', chewed: 'Chewed' };

const sightText = (
  { device, cable }: Names,
  { sight, target }: Extract<Observation, { type: 'sight' }>,
): string => `${SIGHT[sight]}: ${target.type === 'device' ? device(target.id) : cable(target.id)}`;

/** What calls are said to be. */
const STATES: Readonly<Record<string, string>> = {
  off: 'nothing called',
  fan: 'fan called',
  heat: 'heat called',
  cool: 'cooling called',
};

function stateText(names: Names, state: string): string {
  const { node } = names;
  const { call, powerOff, jumper, lifted } = triedIn(state)!;
  return [
    powerOff ? 'power off' : (STATES[call] ?? call),
    ...(jumper ? [`jumper from ${node(jumper[0])} to ${node(jumper[1])}`] : []),
    ...lifted.map(
      ({ conductor, end }) =>
        `${conductorText(names, conductor)} lifted at ${endText(names, conductor, end)}`,
    ),
  ].join(', ');
}

/** A conductor's end, for a list to choose from: "Yellow at Furnace board Y", with its cable where there are two alike. */
export function conductorAtText(names: Names, id: string, end: End): string {
  const { circuit } = names;
  const { colour, [end]: terminal } = findConductor(circuit, id)!;
  const alike = circuit.cables
    .flatMap(({ conductors }) => conductors)
    .filter((one) => one.colour === colour && ENDS.some((other) => one[other] === terminal));
  const phrase = alike.length > 1 ? names.conductor(id) : colourName(colour);
  return `${phrase.charAt(0).toUpperCase()}${phrase.slice(1)} at ${endText(names, id, end)}`;
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
