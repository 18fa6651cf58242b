/** Steps of a landing list. */
import { listed } from '../phrases';
import { findDevice, marksOf, splitTerminal } from '../../circuit';
import { kindOf, said } from '../../devices';
import type { Task } from '../../wire';
import type { Names } from '../names';
import { counted, showGauge, showLength } from '../show';
import type { Units } from '../units';

/** A circuit as it is and as it shall be: what goes has its name from the first, what comes from the second. */
interface ChangeNames {
  before: Names;
  after: Names;
}

const handles = ({ before }: ChangeNames, devices: readonly string[]) =>
  devices.length === 0 ? 'the breaker or switch that feeds it' : listed(devices.map(before.device));

function setText({ after }: ChangeNames, { device, group, name, value }: Extract<Task, { type: 'set' }>) {
  const { kind, label } = findDevice(after.circuit, device)!;
  const field = kindOf(kind)[group][name]!;
  return `${label}: ${field.label}: ${said(field, value)}`;
}

/** Where several pairs of one device are proven dead, which. */
const pairText = ({ circuit }: Names, { supply, probes }: Extract<Task, { type: 'prove-dead' }>): string =>
  kindOf(findDevice(circuit, supply)!.kind).interconnect
    ? `, ${probes.map((terminal) => splitTerminal(terminal).mark).join(' to ')}`
    : '';

const lower = (label: string) => label.charAt(0).toLowerCase() + label.slice(1);

export function taskText(names: ChangeNames, task: Task, units: Units): string {
  const { before, after } = names;
  const owner = (conductor: string) =>
    before.circuit.cables.some(({ conductors }) => conductors.some(({ id }) => id === conductor))
      ? before.conductor(conductor)
      : after.conductor(conductor);
  switch (task.type) {
    case 'open':
      return `Open ${handles(names, task.devices)}, lock it and hang your tag`;
    case 'close':
      return `Covers on, everybody clear: close ${handles(names, task.devices)}`;
    case 'prove-dead':
      return `Prove ${lower(before.device(task.supply))} dead${pairText(before, task)}: meter on a known live point, then here, then the live point again`;
    case 'take-off':
      return `Tag the ${counted(task.conductors, 'conductor')} of ${before.device(task.device)}, lift them and take it off`;
    case 'mount':
      // What has no screw is there already: it only has to be known.
      return marksOf(findDevice(after.circuit, task.device)!).length === 0
        ? `Take down ${lower(after.device(task.device))} as you find it: sizes and figures, on its sheet`
        : `Mount ${after.device(task.device)}`;
    case 'carry': {
      const place = before.circuit.stations.find(({ id }) => id === task.from)?.name ?? task.from;
      return `Mount ${lower(after.device(task.device))} here; it was at ${place}`;
    }
    case 'retire':
      return `Take ${before.cable(task.cable)} out of use, insulate what stays in the wall`;
    case 'pull':
      return `Pull ${after.cable(task.cable)}: ${counted(task.conductors, 'conductor')}, ${showGauge(task.gauge, units.gauge)}, ${showLength(Math.ceil(task.lengthM), units.length)}; mark both ends before it is pulled`;
    case 'cut':
      return `Cut ${after.cable(task.cable)}: ${counted(task.leads, 'lead')}, ${showGauge(task.gauge, units.gauge)}`;
    case 'insulate':
      return `Insulate ${owner(task.conductor)}: it goes nowhere`;
    case 'lift':
      return `Take ${owner(task.conductor)} off ${before.node(task.from)} and insulate it`;
    case 'land':
      return `Land ${owner(task.conductor)} on ${after.node(task.on)}`;
    case 'move':
      return `Move ${owner(task.conductor)} from ${before.node(task.from)} to ${after.node(task.to)}`;
    case 'link':
      return `Fit a jumper ${task.joins.map(after.node).join(' to ')}`;
    case 'unlink':
      return `Take away the jumper ${task.joins.map(before.node).join(' to ')}`;
    case 'set':
      return setText(names, task);
    case 'discharge':
      return `Discharge ${before.device(task.device)} through a resistor with insulated leads, ${task.pairs.map(([one, other]) => `${splitTerminal(one).mark} to ${splitTerminal(other).mark}`).join(' and ')}, then read each under 1 V: it can kill with the power off`;
    case 'insulate-spares':
      return `Insulate the spares, each by itself: ${task.conductors.map(after.conductor).join(', ')}`;
    case 'tug': {
      const landings = task.landings > 0 ? ` (${task.landings} new)` : '';
      const nuts = task.nuts > 0 ? ` and ${task.nuts} wire nut${task.nuts > 1 ? 's' : ''}` : '';
      return `Tug every landing${landings}${nuts}; leave slack so that the door closes without pulling`;
    }
  }
}
