/** Ready-made circuits for each kind of system, wired right. */
import type { Circuit } from '../circuit';
import { emptyCircuit } from './build';
import { rooftopUnit, unitHeater } from './commercial';
import { rooftopOnLoop } from './fire-loop';
import { furnaceAirConditionerByWire, heatPumpWithStripsByWire } from './by-wire';
import { communicatingHeatPump } from './communicating';
import { ductless } from './ductless';
import { electricHeat, electricHeatAirConditioner } from './electric-heat';
import {
  furnaceAirConditioner,
  parallelThermostats,
  twoStageFurnace,
  twoTransformerSplit,
} from './furnace-air-conditioner';
import { dualFuel, heatPumpWithStrips } from './heat-pump';
import { boilerTwoWire, boilerZoneValve, fourPipeFanCoil } from './hydronic';
import { furnaceWithLeakController } from './leak';
import { heatPumpOverLink } from './link';
import { fourZoneFurnace, threeZoneHeatPump, twoZoneFurnace } from './zoned';

export { emptyCircuit };
export * from './by-wire';
export * from './commercial';
export * from './communicating';
export * from './ductless';
export * from './electric-heat';
export * from './fire-loop';
export * from './furnace-air-conditioner';
export * from './heat-pump';
export * from './hydronic';
export * from './leak';
export * from './link';
export * from './zoned';

export interface Template {
  id: string;
  title: string;
  summary: string;
  /** How often it is met against the others, from memory. */
  commonness: number;
  build(name: string): Circuit;
}

export const TEMPLATES: readonly Template[] = [
  {
    id: 'furnace-ac',
    title: 'Furnace with air conditioner',
    summary: 'One 40 VA transformer, single stage, C at the thermostat.',
    commonness: 12,
    build: (name) => furnaceAirConditioner(name),
  },
  {
    id: 'furnace-ac-no-c',
    title: 'Furnace with air conditioner, no C',
    summary: 'The same with a battery thermostat; the blue conductor is spare.',
    commonness: 6,
    build: (name) => furnaceAirConditioner(name, false),
  },
  {
    id: 'furnace-ac-mechanical',
    title: 'Furnace with air conditioner, mechanical thermostat',
    summary: 'A thermostat with no power of its own and no C.',
    commonness: 2,
    build: (name) => furnaceAirConditioner(name, false, 'none'),
  },
  {
    id: 'furnace-ac-stealing',
    title: 'Furnace with air conditioner, power-stealing thermostat',
    summary: 'No C: the thermostat lives on what leaks through its own calls.',
    commonness: 2,
    build: (name) => furnaceAirConditioner(name, false, 'stealing'),
  },
  {
    id: 'furnace-ac-two-stage',
    title: 'Two-stage furnace with air conditioner',
    summary: 'Y2 and W2 on a second cable, C at the thermostat.',
    commonness: 3,
    build: (name) => twoStageFurnace(name),
  },
  {
    id: 'furnace-ac-two-stage-no-c',
    title: 'Two-stage furnace with air conditioner, no C',
    summary: 'The same with a battery thermostat.',
    commonness: 2,
    build: (name) => twoStageFurnace(name, false),
  },
  {
    id: 'two-transformers',
    title: 'Split system with two transformers',
    summary: 'RH from the furnace, RC from the air conditioner, joiner out.',
    commonness: 2,
    build: (name) => twoTransformerSplit(name),
  },
  {
    id: 'electric-heat',
    title: 'Electric air handler, heat only',
    summary: 'Four loose leads, 5 kW contactor, fan run by the thermostat.',
    commonness: 3,
    build: (name) => electricHeat(name),
  },
  {
    id: 'electric-heat-sequencer',
    title: 'Electric air handler, heat only, sequencer',
    summary: 'Four loose leads; the unit’s sequencer runs the fan.',
    commonness: 3,
    build: (name) => electricHeat(name, 'unit'),
  },
  {
    id: 'electric-heat-ac',
    title: 'Electric air handler with air conditioner',
    summary: 'Loose leads, contactor for the strips, pan float in Y.',
    commonness: 3,
    build: (name) => electricHeatAirConditioner(name),
  },
  {
    id: 'heat-pump',
    title: 'Heat pump with strips',
    summary: 'One stage, O, AUX and E, defrost calls the strips.',
    commonness: 8,
    build: (name) => heatPumpWithStrips(name),
  },
  {
    id: 'heat-pump-b',
    title: 'Heat pump with strips, valve on B',
    summary: 'The reversing valve is energised in heating.',
    commonness: 2,
    build: (name) => heatPumpWithStrips(name, { valve: 'B' }),
  },
  {
    id: 'heat-pump-two-stage',
    title: 'Two-stage heat pump with strips',
    summary: 'Y2 outdoors, O, AUX and E.',
    commonness: 3,
    build: (name) => heatPumpWithStrips(name, { stages: 'two' }),
  },
  {
    id: 'dual-fuel',
    title: 'Dual fuel: heat pump over a furnace',
    summary: 'Compressor or burner, locked out by the outdoor temperature.',
    commonness: 2,
    build: (name) => dualFuel(name),
  },
  {
    id: 'boiler',
    title: 'Boiler, two wires',
    summary: 'R and W on the boiler’s own 24 V.',
    commonness: 5,
    build: (name) => boilerTwoWire(name),
  },
  {
    id: 'boiler-zone',
    title: 'Radiant zone, three wires',
    summary: 'Zone valve whose end switch calls the boiler.',
    commonness: 4,
    build: (name) => boilerZoneValve(name),
  },
  {
    id: 'unit-heater',
    title: 'Gas unit heater',
    summary: 'C, R, G and W1 on a 24 V thermostat.',
    commonness: 3,
    build: (name) => unitHeater(name),
  },
  {
    id: 'fan-coil',
    title: 'Four-pipe fan coil',
    summary: 'Fan relay and two water valves, float in R.',
    commonness: 3,
    build: (name) => fourPipeFanCoil(name),
  },
  {
    id: 'rooftop',
    title: 'Packaged rooftop unit',
    summary: 'Two compressors, electric heat, smoke detector in its input.',
    commonness: 4,
    build: (name) => rooftopUnit(name),
  },
  {
    id: 'rooftop-loop',
    title: 'Rooftop unit on a fire panel’s loop',
    summary: 'Two tied duct detectors, a station with a key, a supervised loop.',
    commonness: 1,
    build: (name) => rooftopOnLoop(name),
  },
  {
    id: 'parallel-thermostats',
    title: 'Two thermostats on one furnace',
    summary: 'Terminal to terminal: either may call.',
    commonness: 2,
    build: (name) => parallelThermostats(name),
  },
  {
    id: 'furnace-ac-leak',
    title: 'Furnace with air conditioner and leak controller',
    summary: 'Flammable refrigerant: a controller between thermostat and board, its sensor in the coil.',
    commonness: 3,
    build: (name) => furnaceWithLeakController(name),
  },
  {
    id: 'ductless',
    title: 'Ductless unit, fed outdoors',
    summary: 'Two halves on line voltage, four conductors between them; 3 carries a signal.',
    commonness: 4,
    build: (name) => ductless(name),
  },
  {
    id: 'ductless-fed-indoors',
    title: 'Ductless unit, fed indoors',
    summary: 'The same with the supply at the indoor half.',
    commonness: 1,
    build: (name) => ductless(name, 'indoors'),
  },
  {
    id: 'heat-pump-link',
    title: 'Heat pump over a wireless link',
    summary: 'No cable outdoors: two modules, and a transformer at the outdoor unit.',
    commonness: 1,
    build: (name) => heatPumpOverLink(name),
  },
  {
    id: 'communicating',
    title: 'Communicating heat pump',
    summary: 'R, C and a data pair to the thermostat and outdoors; no Y, no W, no G.',
    commonness: 2,
    build: (name) => communicatingHeatPump(name),
  },
  {
    id: 'zones-two',
    title: 'Furnace with air conditioner in two zones',
    summary: 'Zone panel on its own transformer, three-wire dampers, powered bypass.',
    commonness: 2,
    build: (name) => twoZoneFurnace(name),
  },
  {
    id: 'zones-three-pump',
    title: 'Heat pump with strips in three zones',
    summary: 'The panel makes O, a sensor watches the supply air, no bypass.',
    commonness: 1,
    build: (name) => threeZoneHeatPump(name),
  },
  {
    id: 'zones-four-spring',
    title: 'Furnace with air conditioner in four zones',
    summary: 'Spring-open dampers, thermostats on the panel’s own 24 V, no bypass.',
    commonness: 1,
    build: (name) => fourZoneFurnace(name),
  },
  {
    id: 'furnace-ac-by-wire',
    title: 'Furnace with air conditioner, outdoor unit opened',
    summary: 'Compressor, fan, capacitor and contactor wire by wire, each with its number.',
    commonness: 1,
    build: furnaceAirConditionerByWire,
  },
  {
    id: 'heat-pump-by-wire',
    title: 'Heat pump with strips, outdoor unit opened',
    summary: 'Defrost board, valve, sensor, compressor and fan wire by wire, each with its number.',
    commonness: 1,
    build: heatPumpWithStripsByWire,
  },
];

export function findTemplate(id: string): Template | undefined {
  return TEMPLATES.find((template) => template.id === id);
}

/** What a job begins with: a ready system, a circuit, or nothing yet, to be surveyed. */
export interface Beginning {
  name: string;
  template?: string | undefined;
  circuit?: Circuit | undefined;
}

/** The first circuit of a job, and what is said to stand there. */
export function beginJob({ name, template, circuit }: Beginning): { circuit: Circuit; system: string } {
  const found = template === undefined ? undefined : findTemplate(template);
  if (found) return { circuit: found.build(name), system: found.title };
  return circuit
    ? { circuit, system: circuit.name }
    : { circuit: emptyCircuit(name), system: 'To be surveyed' };
}
