/** What of a merge does not fit together any more, though each side did by itself. */
import { kindOf, fill } from '../../devices';
import { designationAt } from '../terminals';
import type { Circuit, Device, TerminalId } from '../types';
import type { Clash, Side } from './clash';
import { sameValue } from './elements';

interface Sides {
  mine: Circuit;
  theirs: Circuit;
  decide: (clash: Clash) => Side | undefined;
}

/** A device whose params exclude one another goes by one side, and what the other chose is asked. */
function agreeing(device: Device, { mine, theirs, decide }: Sides): Device {
  const kind = kindOf(device.kind);
  if (!kind.conflict(fill(kind.params, device.params))) return device;
  const [own, other] = [mine, theirs].map(
    ({ devices }) => devices.find(({ id }) => id === device.id)?.params ?? {},
  );
  const differing = Object.keys({ ...own, ...other }).filter((name) => !sameValue(own![name], other![name]));
  const chosen = differing.map((name) =>
    decide({
      type: 'field',
      element: 'device',
      id: device.id,
      field: `params.${name}`,
      mine: own![name],
      theirs: other![name],
    }),
  );
  return { ...device, params: chosen.includes('mine') ? own! : other! };
}

/** Ends and joints that lead to nothing are lifted; what is in a place or a cable that went, goes. */
export function fitted(circuit: Circuit, sides: Sides): Circuit {
  const stations = new Set(circuit.stations.map(({ id }) => id));
  const devices = circuit.devices
    .filter(({ station }) => stations.has(station))
    .map((device) => agreeing(device, sides));
  const standing = { ...circuit, devices };
  const known = (terminal: TerminalId | null) =>
    terminal !== null && designationAt(standing, terminal) ? terminal : null;
  return {
    ...standing,
    cables: circuit.cables.map((cable) => ({
      ...cable,
      conductors: cable.conductors.map((conductor) => {
        const [from, to] = [known(conductor.from), known(conductor.to)];
        return { ...conductor, from, to: from === to ? null : to };
      }),
    })),
    links: circuit.links.filter(({ joins }) => joins.every((terminal) => known(terminal) !== null)),
  };
}
