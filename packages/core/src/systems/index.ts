/** Ready-made circuits for each kind of system, wired right. */
import type { Circuit } from '../circuit';
import { furnaceAirConditioner } from './furnace-air-conditioner';

export { furnaceAirConditioner };

export interface Template {
  id: string;
  title: string;
  summary: string;
  build(name: string): Circuit;
}

export const TEMPLATES: readonly Template[] = [
  {
    id: 'furnace-ac',
    title: 'Furnace with air conditioner',
    summary: 'One 40 VA transformer, single stage, C at the thermostat.',
    build: (name) => furnaceAirConditioner(name),
  },
  {
    id: 'furnace-ac-no-c',
    title: 'Furnace with air conditioner, no C',
    summary: 'The same with a battery thermostat; the blue conductor is spare.',
    build: (name) => furnaceAirConditioner(name, false),
  },
];

export function findTemplate(id: string): Template | undefined {
  return TEMPLATES.find((template) => template.id === id);
}
