/** The contacts of a circuit and what a person calls them. */
import type { Installed, Network } from '../network';

/** A contact: a branch of a device that is either open or closed. */
export interface Contact {
  id: string;
  device: string;
  branch: number;
  title: string;
  /** Index of the position in which it passes current. */
  closed: number;
}

/** Elements that are all a device's switching there is to name: "Furnace breaker", not "Furnace breaker pole1". */
const PLAIN = /^(pole\d|switch)$/;

/** "Contactor L1–T1", or the device alone when it is nothing but the contact. */
function titleOf({ device, kind }: Installed, network: Network, branch: number, element: string): string {
  if (kind.inline || PLAIN.test(element)) return device.label;
  const ends = network.branches[branch]!.nodes.map((node) => (node < 0 ? '#' : network.nodes[node]!));
  const marks = ends.map((end) => end.slice(device.id.length + 1));
  return ends.every((end) => !end.includes('#'))
    ? `${device.label} ${marks.join('–')}`
    : `${device.label} ${element.replace(/-/g, ' ')}`;
}

/** Every contact of a network, in the order of the devices. */
export function contactsOf(network: Network): Contact[] {
  return network.devices.flatMap((installed) =>
    [...installed.branches].flatMap(([element, branch]) => {
      const { nature, ac } = network.branches[branch]!;
      if (nature !== 'path' || ac.length !== 2) return [];
      const passing = ac.flatMap(({ re, im }, position) => (re !== 0 || im !== 0 ? [position] : []));
      if (passing.length !== 1) return [];
      const [closed] = passing as [number];
      const title = titleOf(installed, network, branch, element);
      return [
        { id: `${installed.device.id}:${element}`, device: installed.device.id, branch, title, closed },
      ];
    }),
  );
}
