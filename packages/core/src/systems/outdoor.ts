/** The outdoor half of a split system: disconnect, contactor, compressor and fan, with their feed. */
import type { Cable, Device, Station } from '../circuit';
import type { ColourCode } from '../standards';
import type { ConductorSpec } from './build';
import { cable, device, station } from './build';

/** A part of a circuit, to be put together with others. */
export interface Part {
  stations: Station[];
  devices: Device[];
  cables: Cable[];
}

/** Stations in the order a person meets them. */
const ORDER: readonly Station['kind'][] = ['room', 'plant', 'attic', 'outdoor', 'panel'];

/** Puts parts together; a station that several share comes once. */
export const join = (...parts: readonly Part[]): Part => ({
  stations: parts
    .flatMap(({ stations }) => stations)
    .filter(({ id }, i, all) => all.findIndex((other) => other.id === id) === i)
    .map((shared) => ({ ...shared }))
    .sort((one, other) => ORDER.indexOf(one.kind) - ORDER.indexOf(other.kind)),
  devices: parts.flatMap(({ devices }) => devices),
  cables: parts.flatMap(({ cables }) => cables),
});

export const YARD = station('yard', 'outdoor', 'North wall', 4);
export const PANEL = station('panel', 'panel', 'Panel', 3);
export const HALL = station('hall', 'room', 'Hall', 1);
export const PLANT = station('plant', 'plant', 'Plant room', 3);

/** Feed, disconnect and contactor; the coil is left to be wired. */
function switched(serves: 'cool' | 'pump'): Part {
  return {
    stations: [YARD, PANEL],
    devices: [
      device('contactor', 'contactor', 'yard', 'Contactor', { serves }),
      device('disconnect', 'service-switch', 'yard', 'Disconnect', { poles: 'two' }),
      device('acBreaker', 'breaker', 'panel', serves === 'pump' ? 'Heat pump breaker' : 'AC breaker', {
        poles: 'two',
        rating: 25,
      }),
    ],
    cables: [
      cable('acFeed', 'Outdoor feed', 10, 14, [
        ['feedL1', 'BK', 'acBreaker.L1', 'disconnect.LINE1'],
        ['feedL2', 'RD', 'acBreaker.L2', 'disconnect.LINE2'],
      ]),
      cable('unitFeed', 'Unit whip', 10, 1.5, [
        ['whipL1', 'BK', 'disconnect.LOAD1', 'contactor.L1'],
        ['whipL2', 'RD', 'disconnect.LOAD2', 'contactor.L2'],
      ]),
    ],
  };
}

/** The same with its compressor and fan as one. */
function condenser(coil: { serves: 'cool' | 'pump'; fan: 'together' | 'apart' }): Part {
  const { stations, devices, cables } = switched(coil.serves);
  const [contactor, ...others] = devices;
  return {
    stations,
    devices: [contactor!, device('unit', 'outdoor-unit', 'yard', 'Compressor and fan', coil), ...others],
    cables: [
      ...cables,
      cable('motorLeads', 'Compressor leads', 12, 0.5, [
        ['leadT1', 'BK', 'contactor.T1', 'unit.C'],
        ['leadT2', 'RD', 'contactor.T2', 'unit.R'],
      ]),
    ],
  };
}

/** The two control conductors end under wire nuts; Y goes through two pressure switches. */
const spliced = (): Device[] => [
  device('nutY', 'wire-nut', 'yard', 'Y'),
  device('nutC', 'wire-nut', 'yard', 'C'),
  ...pressureSwitches(),
];

const pressureSwitches = (): Device[] => [
  device('low', 'pressure-switch', 'yard', 'Low pressure', { range: 'low' }),
  device('high', 'pressure-switch', 'yard', 'High pressure', { range: 'high' }),
];

/** An air conditioner's outdoor unit: the two control conductors end under wire nuts, Y through two pressure switches. */
export function airConditioner(): Part {
  return join(condenser({ serves: 'cool', fan: 'together' }), {
    stations: [YARD],
    devices: spliced(),
    cables: [
      cable('unitLeads', 'Unit leads', 18, 0.6, [
        ['leadLow', 'YE', 'nutY.NUT', 'low.1'],
        ['leadHigh', 'YE', 'low.2', 'high.1'],
        ['leadCoil', 'YE', 'high.2', 'contactor.A1'],
        ['leadReturn', 'BU', 'contactor.A2', 'nutC.NUT'],
      ]),
    ],
  });
}

/** A heat pump's outdoor unit with its board; `twoStage` adds Y2. */
export function heatPump(valve: 'O' | 'B', twoStage: boolean): Part {
  return join(condenser({ serves: 'pump', fan: 'apart' }), {
    stations: [YARD],
    devices: [
      device('pump', 'heat-pump-board', 'yard', 'Outdoor board', { valve, stages: twoStage ? 'two' : 'one' }),
      ...pressureSwitches(),
    ],
    cables: [
      cable('unitLeads', 'Unit leads', 18, 0.6, [
        ['leadLow', 'YE', 'pump.CC', 'low.1'],
        ['leadHigh', 'YE', 'low.2', 'high.1'],
        ['leadCoil', 'YE', 'high.2', 'contactor.A1'],
        ['leadReturn', 'BU', 'contactor.A2', 'pump.C'],
        ['leadFanFeed', 'RD', 'contactor.T2', 'pump.F1'],
        ['leadFan', 'BK', 'pump.F2', 'unit.F'],
      ]),
    ],
  });
}

const motors = (serves: 'cool' | 'pump'): Device[] => [
  device('compressor', 'hermetic-compressor', 'yard', 'Compressor', { serves }),
  device('fan', 'fan-motor', 'yard', 'Fan motor', { serves }),
  device('capacitor', 'run-capacitor', 'yard', 'Capacitor'),
  device('heater', 'crankcase-heater', 'yard', 'Crankcase heater'),
];

/** A wire of a unit by the number its diagram gives it. */
const numbered = (number: number, colour: ColourCode, from: string, to: string): ConductorSpec => [
  `w${number}`,
  colour,
  from,
  to,
  String(number),
];

/** An air conditioner's outdoor unit, every wire of it as on its diagram. */
export function airConditionerByWire(): Part {
  return join(switched('cool'), {
    stations: [YARD],
    devices: [...motors('cool'), ...spliced()],
    cables: [
      cable('unitPower', 'Unit power wires', 12, 0.6, [
        numbered(1, 'BK', 'contactor.T1', 'compressor.C'),
        numbered(2, 'RD', 'contactor.T2', 'capacitor.C'),
        numbered(3, 'RD', 'capacitor.C', 'compressor.R'),
        numbered(4, 'BU', 'capacitor.HERM', 'compressor.S'),
        numbered(5, 'BK', 'contactor.T1', 'fan.C'),
        numbered(6, 'WH', 'capacitor.C', 'fan.R'),
        numbered(7, 'BN', 'capacitor.FAN', 'fan.S'),
        numbered(8, 'BK', 'contactor.L1', 'heater.1'),
        numbered(9, 'RD', 'contactor.L2', 'heater.2'),
      ]),
      cable('unitLeads', 'Unit control wires', 18, 0.6, [
        numbered(11, 'YE', 'nutY.NUT', 'low.1'),
        numbered(12, 'YE', 'low.2', 'high.1'),
        numbered(13, 'YE', 'high.2', 'contactor.A1'),
        numbered(14, 'BU', 'contactor.A2', 'nutC.NUT'),
      ]),
    ],
  });
}

/** A heat pump's outdoor unit with its defrost board, every wire of it as on its diagram. */
export function heatPumpByWire(valve: 'O' | 'B'): Part {
  const board = { valve, valveCoil: 'leads', coilSensor: 'leads' };
  return join(switched('pump'), {
    stations: [YARD],
    devices: [
      device('pump', 'heat-pump-board', 'yard', 'Defrost board', board),
      ...motors('pump'),
      device('valve', 'reversing-valve', 'yard', 'Reversing valve'),
      device('sensor', 'coil-sensor', 'yard', 'Coil sensor'),
      ...pressureSwitches(),
    ],
    cables: [
      cable('unitPower', 'Unit power wires', 12, 0.6, [
        numbered(1, 'BK', 'contactor.T1', 'compressor.C'),
        numbered(2, 'RD', 'contactor.T2', 'capacitor.C'),
        numbered(3, 'RD', 'capacitor.C', 'compressor.R'),
        numbered(4, 'BU', 'capacitor.HERM', 'compressor.S'),
        numbered(5, 'BK', 'contactor.T1', 'pump.F1'),
        numbered(6, 'BK', 'pump.F2', 'fan.C'),
        numbered(7, 'WH', 'capacitor.C', 'fan.R'),
        numbered(8, 'BN', 'capacitor.FAN', 'fan.S'),
        numbered(9, 'BK', 'contactor.L1', 'heater.1'),
        numbered(10, 'RD', 'contactor.L2', 'heater.2'),
      ]),
      cable('unitLeads', 'Unit control wires', 18, 0.6, [
        numbered(11, 'YE', 'pump.CC', 'low.1'),
        numbered(12, 'YE', 'low.2', 'high.1'),
        numbered(13, 'YE', 'high.2', 'contactor.A1'),
        numbered(14, 'BU', 'contactor.A2', 'pump.C'),
        numbered(15, 'OG', 'pump.RV1', 'valve.1'),
        numbered(16, 'BK', 'valve.2', 'pump.RV2'),
        numbered(17, 'GY', 'pump.TS1', 'sensor.1'),
        numbered(18, 'GY', 'sensor.2', 'pump.TS2'),
      ]),
    ],
  });
}
