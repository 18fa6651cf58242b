/** Systems whose outdoor unit is there wire by wire: opened, traced, taken apart and put together. */
import type { Circuit } from '../circuit';
import { furnaceAirConditioner } from './furnace-air-conditioner';
import { heatPumpWithStrips } from './heat-pump';
import { airConditionerByWire, heatPumpByWire } from './outdoor';

export const furnaceAirConditionerByWire = (name: string): Circuit =>
  furnaceAirConditioner(name, true, 'battery', airConditionerByWire());

export const heatPumpWithStripsByWire = (name: string): Circuit =>
  heatPumpWithStrips(name, { unit: heatPumpByWire('O') });
