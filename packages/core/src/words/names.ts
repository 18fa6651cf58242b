/** What things of a circuit are called on the job: by their labels, colours and marks. */
import { inSentence, listed } from './phrases';
import type { Circuit } from '../circuit';
import { findCable, findConductor, findDevice, nodeName } from '../circuit';
import type { Load } from '../devices';
import { loadsOf } from '../devices';
import { colourName } from '../standards';

export interface Names {
  circuit: Circuit;
  device(id: string): string;
  node(name: string): string;
  cable(id: string): string;
  /** "yellow of Outdoor cable" */
  conductor(id: string): string;
  /** "red and white of Outdoor cable", of conductors that share a cable. */
  conductors(ids: readonly string[]): string;
  /** What an element of a device is called: "Contactor: contactor coil". */
  element(device: string, element: string): string;
}

const cableOf = ({ cables }: Circuit, conductor: string) =>
  cables.find(({ conductors }) => conductors.some(({ id }) => id === conductor))!;

const colourOf = (circuit: Circuit, conductor: string) =>
  colourName(findConductor(circuit, conductor)!.colour);

/** What an element is called by itself, if it is a load with a name. */
export const loadTitle = (circuit: Circuit, id: string, element: string): string | undefined =>
  loadOf(circuit, id, element)?.title;

/** Every load of a device. */
export const loadsAt = (circuit: Circuit, id: string): readonly Load[] =>
  loadsOf(findDevice(circuit, id)!, circuit.mains);

const loadOf = (circuit: Circuit, id: string, element: string) =>
  loadsAt(circuit, id).find((entry) => entry.element === element);

function elementName(circuit: Circuit, id: string, element: string): string {
  const { label } = findDevice(circuit, id)!;
  const load = loadOf(circuit, id, element);
  if (load?.title) return `${label}: ${inSentence(load.title)}`;
  return load ? label : `${label}: ${element.replace(/-/g, ' ')}`;
}

export const namesIn = (circuit: Circuit): Names => ({
  circuit,
  // Something that was taken away while it is still told of goes by its id.
  device: (id) => findDevice(circuit, id)?.label ?? id,
  node: (name) => nodeName(circuit, name),
  cable: (id) => findCable(circuit, id)?.label ?? id,
  conductor: (id) => `${colourOf(circuit, id)} of ${cableOf(circuit, id).label}`,
  conductors: (ids) =>
    `${listed(ids.map((id) => colourOf(circuit, id)))} of ${cableOf(circuit, ids[0]!).label}`,
  element: (id, element) => elementName(circuit, id, element),
});
