import type { Circuit } from '../circuit';
import { cable, circuit, device, station } from './build';

/**
 * Gas furnace with a single-stage air conditioner on the furnace's own 40 VA
 * transformer. The thermostat sends R back on Y, G and W; Y passes through the board
 * and a pan float to the contactor outdoors.
 *
 * @param commonAtThermostat - false leaves the blue conductor spare and the thermostat on batteries.
 */
export function furnaceAirConditioner(name: string, commonAtThermostat = true): Circuit {
  return circuit(name, {
    stations: [
      station('hall', 'room', 'Hall', 1),
      station('plant', 'plant', 'Plant room', 3),
      station('yard', 'outdoor', 'North wall', 4),
      station('panel', 'panel', 'Panel', 3),
    ],
    devices: [
      device('stat', 'thermostat', 'hall', 'Thermostat', { supply: commonAtThermostat ? 'both' : 'battery' }),
      device('board', 'furnace-board', 'plant', 'Furnace board'),
      device('fuse', 'blade-fuse', 'plant', 'Board fuse'),
      device('xfmr', 'control-transformer', 'plant', 'Transformer'),
      device('door', 'door-switch', 'plant', 'Door switch'),
      device('switch', 'service-switch', 'plant', 'Furnace switch'),
      device('float', 'float-switch', 'plant', 'Pan float'),
      device('nutY', 'wire-nut', 'yard', 'Y'),
      device('nutC', 'wire-nut', 'yard', 'C'),
      device('low', 'pressure-switch', 'yard', 'Low pressure', { range: 'low' }),
      device('high', 'pressure-switch', 'yard', 'High pressure', { range: 'high' }),
      device('contactor', 'contactor', 'yard', 'Contactor'),
      device('unit', 'outdoor-unit', 'yard', 'Compressor and fan'),
      device('disconnect', 'service-switch', 'yard', 'Disconnect', { poles: 'two' }),
      device('acBreaker', 'breaker', 'panel', 'AC breaker', { poles: 'two', rating: 25 }),
      device('furnaceBreaker', 'breaker', 'panel', 'Furnace breaker', { poles: 'one', rating: 15 }),
    ],
    cables: [
      cable('statCable', 'Thermostat cable', 18, 15, [
        ['statR', 'RD', 'stat.R', 'board.R'],
        ['statY', 'YE', 'stat.Y', 'board.Y'],
        ['statG', 'GN', 'stat.G', 'board.G'],
        ['statW', 'WH', 'stat.W', 'board.W'],
        commonAtThermostat ? ['statC', 'BU', 'stat.C', 'board.C'] : ['statC', 'BU', null, null],
      ]),
      cable('yardCable', 'Outdoor cable', 18, 12, [
        ['yardY', 'RD', 'float.NC', 'nutY.NUT'],
        ['yardC', 'WH', 'board.C', 'nutC.NUT'],
      ]),
      cable('boardLeads', 'Furnace leads', 18, 0.6, [
        ['leadHot', 'RD', 'xfmr.R', 'fuse.1'],
        ['leadFused', 'RD', 'fuse.2', 'board.R'],
        ['leadCommon', 'BU', 'xfmr.C', 'board.C'],
        ['leadFloat', 'YE', 'board.Y', 'float.COM'],
        ['leadPrimary', 'BK', 'board.L1', 'xfmr.P120'],
        ['leadNeutral', 'WH', 'board.N', 'xfmr.PC'],
        ['leadDoor', 'BK', 'door.LOAD', 'board.L1'],
        ['leadSwitch', 'BK', 'switch.LOAD', 'door.LINE'],
      ]),
      cable('unitLeads', 'Unit leads', 18, 0.6, [
        ['leadLow', 'YE', 'nutY.NUT', 'low.1'],
        ['leadHigh', 'YE', 'low.2', 'high.1'],
        ['leadCoil', 'YE', 'high.2', 'contactor.A1'],
        ['leadReturn', 'BU', 'contactor.A2', 'nutC.NUT'],
      ]),
      cable('furnaceFeed', 'Furnace feed', 14, 8, [
        ['feedHot', 'BK', 'furnaceBreaker.L1', 'switch.LINE'],
        ['feedNeutral', 'WH', 'furnaceBreaker.N', 'board.N'],
      ]),
      cable('acFeed', 'AC feed', 10, 14, [
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
  });
}
