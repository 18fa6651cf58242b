/** The indoor halves: a gas furnace on 120 V, an electric air handler on 240 V. */
import type { Device } from '../circuit';
import { cable, device } from './build';
import type { Part } from './outdoor';
import { PANEL, PLANT } from './outdoor';

/** A furnace with its board, fuse, transformer of so many VA, door switch and feed. */
export function furnace(params: Device['params'] = {}, va = 40): Part {
  return {
    stations: [PLANT, PANEL],
    devices: [
      device('board', 'furnace-board', 'plant', 'Furnace board', params),
      device('fuse', 'blade-fuse', 'plant', 'Board fuse'),
      device('xfmr', 'control-transformer', 'plant', 'Transformer', va === 40 ? {} : { va }),
      device('door', 'door-switch', 'plant', 'Door switch'),
      device('switch', 'service-switch', 'plant', 'Furnace switch'),
      device('furnaceBreaker', 'breaker', 'panel', 'Furnace breaker', { poles: 'one', rating: 15 }),
    ],
    cables: [
      cable('boardLeads', 'Furnace leads', 18, 0.6, [
        ['leadHot', 'RD', 'xfmr.R', 'fuse.1'],
        ['leadFused', 'RD', 'fuse.2', 'board.R'],
        ['leadCommon', 'BU', 'xfmr.C', 'board.C'],
        ['leadPrimary', 'BK', 'board.L1', 'xfmr.P120'],
        ['leadNeutral', 'WH', 'board.N', 'xfmr.PC'],
        ['leadDoor', 'BK', 'door.LOAD', 'board.L1'],
        ['leadSwitch', 'BK', 'switch.LOAD', 'door.LINE'],
      ]),
      cable('furnaceFeed', 'Furnace feed', 14, 8, [
        ['feedHot', 'BK', 'furnaceBreaker.L1', 'switch.LINE'],
        ['feedNeutral', 'WH', 'furnaceBreaker.N', 'board.N'],
      ]),
    ],
  };
}

/** An electric air handler with its board, fuse, transformer on the 240 V tap, and feed. */
export function airHandler(): Part {
  return {
    stations: [PLANT, PANEL],
    devices: [
      device('board', 'air-handler-board', 'plant', 'Air handler board'),
      device('fuse', 'blade-fuse', 'plant', 'Board fuse'),
      device('xfmr', 'control-transformer', 'plant', 'Transformer', { va: 75 }),
      device('switch', 'service-switch', 'plant', 'Air handler switch', { poles: 'two' }),
      device('handlerBreaker', 'breaker', 'panel', 'Air handler breaker', { poles: 'two', rating: 60 }),
    ],
    cables: [
      cable('boardLeads', 'Air handler leads', 18, 0.6, [
        ['leadHot', 'RD', 'xfmr.R', 'fuse.1'],
        ['leadFused', 'RD', 'fuse.2', 'board.R'],
        ['leadCommon', 'BU', 'xfmr.C', 'board.C'],
        ['leadPrimary', 'BK', 'board.L1', 'xfmr.P240'],
        ['leadSecondLeg', 'RD', 'board.L2', 'xfmr.PC'],
      ]),
      cable('handlerFeed', 'Air handler feed', 8, 10, [
        ['feedHandler1', 'BK', 'handlerBreaker.L1', 'switch.LINE1'],
        ['feedHandler2', 'RD', 'handlerBreaker.L2', 'switch.LINE2'],
      ]),
      cable('handlerWhip', 'Air handler whip', 8, 1.5, [
        ['whipHandler1', 'BK', 'switch.LOAD1', 'board.L1'],
        ['whipHandler2', 'RD', 'switch.LOAD2', 'board.L2'],
      ]),
    ],
  };
}
