import { findConductor, findDevice, splitTerminal } from '../../circuit';
import { kindOf } from '../../devices';
import type { Change, WrongLanding } from '../../prove';
import type { Names } from '../names';

/** "Mode: heat pump" */
function settingText({ circuit }: Names, id: string, name: string, value: number | string): string {
  const { kind } = findDevice(circuit, id)!;
  const field = kindOf(kind).settings[name]!;
  if (field.type === 'choice') return `${field.label}: ${field.options[value]}`;
  return `${field.label}: ${value} ${field.type === 'number' ? field.unit : ''}`.trim();
}

/** What is to be done, without a full stop. */
function changeText(names: Names, change: Change): string {
  const { device, node, conductor, cable } = names;
  switch (change.type) {
    case 'set':
      return `Set ${device(change.device)}: ${settingText(names, change.device, change.setting, change.value)}`;
    case 'jumper-off':
      return `Take the jumper off ${change.joins.map(node).join(' and ')}`;
    case 'jumper-on': {
      const [one, other] = change.joins;
      return `Set a jumper between ${node(one)} and ${splitTerminal(other).mark}`;
    }
    case 'tap':
      return `Move the supply of ${device(change.transformer)} to its ${change.volts} V tap`;
    case 'fuse':
      return `Fit a ${change.amps} A fuse for ${device(change.device)}`;
    case 'move':
      return `Move ${conductor(change.conductor)} from ${node(change.from)} to ${node(change.to)}`;
    case 'exchange':
      return `Exchange ${change.conductors.map(conductor).join(' and ')} between ${change.between.map(node).join(' and ')}`;
    case 'exchange-cables':
      return `Exchange ${change.cables.map(cable).join(' and ')} at ${device(change.device)}, terminal for terminal`;
    case 'land':
      return `Land ${conductor(change.conductor)} on ${node(change.on)}`;
    case 'take-off':
      return `Take ${conductor(change.conductor)} off ${node(change.from)} and insulate both ends`;
    case 'transformer':
      return `Fit a ${change.va} VA transformer for ${device(change.device)}`;
    case 'cable':
      return `Pull ${cable(change.cable)} in ${change.gauge} AWG`;
  }
}

/** What a repair asks for, one change after another. */
export const changesText = (names: Names, changes: readonly Change[]): string =>
  `${changes
    .map((change) => changeText(names, change))
    .map((text, i) => (i === 0 ? text : `${text.charAt(0).toLowerCase()}${text.slice(1)}`))
    .join('; then ')}.`;

/** A conductor with the number printed on it, where it has one: in a unit several have one colour. */
function numbered({ circuit, conductor }: Names, id: string): string {
  const number = findConductor(circuit, id)?.number;
  const name = conductor(id);
  return number === undefined ? name : name.replace(' of ', ` ${number} of `);
}

/** A wrong landing, as what was done. */
export function wrongLandingText(names: Names, wrong: WrongLanding): string {
  const { node } = names;
  if (wrong.type === 'moved') {
    const { landed, on } = wrong;
    return `${numbered(names, landed.conductor)} on ${node(on)} instead of ${splitTerminal(landed.terminal).mark}`;
  }
  const { one, other } = wrong;
  return `${numbered(names, one.conductor)} and ${numbered(names, other.conductor)} exchanged, on ${node(one.terminal)} and ${node(other.terminal)}`;
}
