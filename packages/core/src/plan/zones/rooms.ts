/** Rooms for zones nobody has described yet: as many storeys of a usual house, the sun on its roof. */
import type { Circuit } from '../../circuit';
import { addDevice, freeDeviceId } from '../../circuit';
import { PARTS, kindOf } from '../../devices';

const COUNT = ['two', 'three', 'four'] as const;
/** What the highest storey loses and what the sun brings it; from memory, and coarse. */
const ROOF_LOSES = 140;
const ROOF_SUN_W = 1500;

/** A circuit with rooms for so many zones, where it has none. */
export function withRooms(circuit: Circuit, zones: number, station: string): Circuit {
  if (circuit.devices.some(({ kind }) => kindOf(kind).houses)) return circuit;
  return addDevice(circuit, {
    id: freeDeviceId(circuit, 'rooms'),
    kind: PARTS.rooms,
    station,
    label: 'Rooms',
    params: {
      zones: COUNT[zones - 2]!,
      [`zone${zones}Loses`]: ROOF_LOSES,
      [`zone${zones}Sun`]: ROOF_SUN_W,
    },
    settings: {},
  });
}
