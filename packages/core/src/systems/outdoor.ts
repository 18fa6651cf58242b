/** The outdoor half of a split system: disconnect, contactor, compressor and fan, with their feed. */
import type { Cable, Device, Station } from '../circuit';
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

/** Feed, disconnect, contactor and cooling compressor; the coil is left to be wired. */
function condenser(coil: { serves: 'cool' | 'pump'; fan: 'together' | 'apart' }): Part {
  return {
    stations: [YARD, PANEL],
    devices: [
      device('contactor', 'contactor', 'yard', 'Contactor', { serves: coil.serves }),
      device('unit', 'outdoor-unit', 'yard', 'Compressor and fan', coil),
      device('disconnect', 'service-switch', 'yard', 'Disconnect', { poles: 'two' }),
      device('acBreaker', 'breaker', 'panel', coil.serves === 'pump' ? 'Heat pump breaker' : 'AC breaker', {
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
      cable('motorLeads', 'Compressor leads', 12, 0.5, [
        ['leadT1', 'BK', 'contactor.T1', 'unit.C'],
        ['leadT2', 'RD', 'contactor.T2', 'unit.R'],
      ]),
    ],
  };
}

/** An air conditioner's outdoor unit: the two control conductors end under wire nuts, Y through two pressure switches. */
export function airConditioner(): Part {
  return join(condenser({ serves: 'cool', fan: 'together' }), {
    stations: [YARD],
    devices: [
      device('nutY', 'wire-nut', 'yard', 'Y'),
      device('nutC', 'wire-nut', 'yard', 'C'),
      device('low', 'pressure-switch', 'yard', 'Low pressure', { range: 'low' }),
      device('high', 'pressure-switch', 'yard', 'High pressure', { range: 'high' }),
    ],
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
      device('low', 'pressure-switch', 'yard', 'Low pressure', { range: 'low' }),
      device('high', 'pressure-switch', 'yard', 'High pressure', { range: 'high' }),
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
