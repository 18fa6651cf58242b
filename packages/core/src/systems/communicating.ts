import type { Circuit } from '../circuit';
import type { Part } from './outdoor';
import { HALL, PANEL, YARD, join } from './outdoor';
import { airHandler } from './indoor';
import { cable, circuit, device } from './build';

/** The heat pump's outdoor half, with its own feed. */
const outdoor = (): Part => ({
  stations: [YARD, PANEL],
  devices: [
    device('pump', 'data-outdoor', 'yard', 'Outdoor board'),
    device('disconnect', 'service-switch', 'yard', 'Disconnect', { poles: 'two' }),
    device('pumpBreaker', 'breaker', 'panel', 'Heat pump breaker', { poles: 'two', rating: 25 }),
  ],
  cables: [
    cable('pumpFeed', 'Outdoor feed', 10, 14, [
      ['feedL1', 'BK', 'pumpBreaker.L1', 'disconnect.LINE1'],
      ['feedL2', 'RD', 'pumpBreaker.L2', 'disconnect.LINE2'],
    ]),
    cable('pumpWhip', 'Unit whip', 10, 1.5, [
      ['whipL1', 'BK', 'disconnect.LOAD1', 'pump.L1'],
      ['whipL2', 'RD', 'disconnect.LOAD2', 'pump.L2'],
    ]),
  ],
});

/** An air handler whose board talks: the ready one with another board on the same leads. */
function talkingHandler(): Part {
  const handler = airHandler();
  return {
    ...handler,
    devices: handler.devices.map((one) =>
      one.id === 'board' ? device('board', 'data-indoor', one.station, one.label) : one,
    ),
  };
}

/** A communicating heat pump: R, C and a data pair from board to thermostat and to the outdoor board. */
export const communicatingHeatPump = (name: string): Circuit =>
  circuit(
    name,
    join(talkingHandler(), outdoor(), {
      stations: [HALL, YARD],
      devices: [device('stat', 'data-control', 'hall', 'Thermostat')],
      cables: [
        cable('statCable', 'Thermostat cable', 18, 15, [
          ['statR', 'RD', 'stat.R', 'board.R'],
          ['statC', 'BU', 'stat.C', 'board.C'],
          ['statD1', 'GN', 'stat.D1', 'board.D1'],
          ['statD2', 'YE', 'stat.D2', 'board.D2'],
        ]),
        cable('yardCable', 'Outdoor cable', 18, 14, [
          ['yardR', 'RD', 'board.R', 'pump.R'],
          ['yardC', 'BU', 'board.C', 'pump.C'],
          ['yardD1', 'GN', 'board.D1', 'pump.D1'],
          ['yardD2', 'YE', 'board.D2', 'pump.D2'],
        ]),
      ],
    }),
  );
