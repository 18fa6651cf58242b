/** What has to be known of the water before a safety is put in, and is asked once. */
import type { Circuit, Device } from '../../circuit';
import { addDevice, freeDeviceId, setValue } from '../../circuit';
import { PARTS, kindOf, loadsOf } from '../../devices';

/** What is asked once about the water. */
export interface WaterFacts {
  /** Params of the pan and its drain; `null` where the circuit has one. */
  pan: Device['params'] | null;
  /** Whether what heats makes water too; `null` where nothing that heats could, or it has been said. */
  condensing: boolean | null;
}

/** Devices of which it has not been said whether they make water while they heat. */
const unsaid = ({ devices }: Circuit): Device[] =>
  devices.filter(({ kind, params }) => {
    const { condenses } = kindOf(kind);
    return condenses !== undefined && params[condenses.param] === undefined;
  });

/** What a circuit does not say yet. */
export const askedOfWater = (circuit: Circuit): { pan: boolean; condensing: boolean } => ({
  pan: !circuit.devices.some(({ kind }) => kind === PARTS.pan),
  condensing: unsaid(circuit).length > 0,
});

/** Where the coil is: with the indoor fan. */
function coilStation({ devices, mains }: Circuit): string | undefined {
  const blower = devices.find((device) =>
    loadsOf(device, mains).some(({ serves, nature }) => serves === 'fan' && nature === 'motor'),
  );
  return (blower ?? devices[0])?.station;
}

/** The circuit with what was answered in it: a pan and its drain, and what heats as it was said to be. */
export function knowingWater(circuit: Circuit, { pan, condensing }: WaterFacts): Circuit {
  const said = unsaid(circuit).reduce((now, { id, kind }) => {
    const { param, yes, no } = kindOf(kind).condenses!;
    return condensing === null ? now : setValue(now, id, 'params', param, condensing ? yes : no);
  }, circuit);
  const station = coilStation(said);
  if (!pan || station === undefined || !askedOfWater(said).pan) return said;
  const id = freeDeviceId(said, PARTS.pan);
  return addDevice(said, { id, kind: PARTS.pan, station, label: 'Pan and drain', params: pan, settings: {} });
}
