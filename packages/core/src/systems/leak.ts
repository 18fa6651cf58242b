import type { Circuit } from '../circuit';
import { land } from '../circuit';
import { cable, device } from './build';
import { furnaceAirConditioner } from './furnace-air-conditioner';

/** What of the thermostat's cable moves up to the controller's strip, and the leads of its harness in the colours they usually have. */
const MOVED = ['R', 'Y', 'G', 'W', 'C'] as const;
const HARNESS = [
  ['R', 'RD'],
  ['C', 'BU'],
  ['Y', 'YE'],
  ['W', 'WH'],
  ['G', 'GN'],
] as const;

/** A furnace with an air conditioner whose refrigerant burns: a leak controller between thermostat and board. */
export function furnaceWithLeakController(name: string): Circuit {
  const plain = furnaceAirConditioner(name);
  const withController: Circuit = {
    ...plain,
    devices: [...plain.devices, device('leak', 'leak-controller', 'plant', 'Leak controller')],
    cables: [
      ...plain.cables,
      cable(
        'leakLeads',
        'Harness',
        18,
        0.8,
        HARNESS.map(([mark, colour]) => [`leak${mark}`, colour, `leak.${mark}`, `board.${mark}`]),
      ),
    ],
  };
  return MOVED.reduce((now, mark) => land(now, `stat${mark}`, 'to', `leak.T${mark}`), withController);
}
