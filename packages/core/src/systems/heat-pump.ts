import type { Circuit } from '../circuit';
import type { ConductorSpec } from './build';
import { cable, circuit, device } from './build';
import { airHandler, furnace } from './indoor';
import type { Part } from './outdoor';
import { HALL, YARD, heatPump, join } from './outdoor';

interface HeatPumpOptions {
  stages?: 'one' | 'two';
  /** What the reversing valve is energised in. */
  valve?: 'O' | 'B';
  /** The outdoor unit, its board among it. */
  unit?: Part;
}

const only = (wanted: boolean, ...conductors: ConductorSpec[]) => (wanted ? conductors : []);

/**
 * Heat pump with an electric air handler: Y and G run it both ways, O/B picks the way, AUX and E
 * bring the strips, and the outdoor board asks for them on D in defrost. Nothing lands on a
 * conventional W.
 */
export function heatPumpWithStrips(name: string, options: HeatPumpOptions = {}): Circuit {
  const { stages = 'one', valve = 'O' } = options;
  const twoStage = stages === 'two';
  const { unit = heatPump(valve, twoStage) } = options;
  return circuit(
    name,
    join(airHandler(), unit, {
      stations: [HALL, YARD],
      devices: [
        device(
          'stat',
          'thermostat',
          'hall',
          'Thermostat',
          { terminals: 'pump', supply: 'both' },
          { system: 'heat-pump', valve, fanWithHeat: 'thermostat' },
        ),
      ],
      cables: [
        cable('statCable', 'Thermostat cable', 18, 15, [
          ['statR', 'RD', 'stat.R', 'board.R'],
          ['statY', 'YE', 'stat.Y', 'board.Y'],
          ...only(twoStage, ['statY2', 'BU', 'stat.Y2', 'board.Y2']),
          ['statO', 'OG', 'stat.OB', 'board.O'],
          ['statG', 'GN', 'stat.G', 'board.G'],
          ['statAux', 'WH', 'stat.AUX', 'board.W1'],
          ['statE', 'BN', 'stat.E', 'board.W2'],
          ['statC', 'BK', 'stat.C', 'board.C'],
        ]),
        cable('yardCable', 'Outdoor cable', 18, 14, [
          ['yardR', 'RD', 'board.R', 'pump.R'],
          ['yardY', 'YE', 'board.Y', 'pump.Y'],
          ...only(twoStage, ['yardY2', 'BU', 'board.Y2', 'pump.Y2']),
          ['yardO', 'OG', 'board.O', 'pump.O'],
          ['yardD', 'WH', 'board.W1', 'pump.D'],
          ['yardC', 'BK', 'board.C', 'pump.C'],
        ]),
      ],
    }),
  );
}

/**
 * Dual fuel: a heat pump over a gas furnace. The thermostat sees to it that compressor and burner never
 * run together; the defrost call is the exception the controls allow.
 */
export function dualFuel(name: string): Circuit {
  return circuit(
    name,
    join(furnace({}, 75), heatPump('O', false), {
      stations: [HALL, YARD],
      devices: [
        device(
          'stat',
          'thermostat',
          'hall',
          'Thermostat',
          { terminals: 'pump', supply: 'both' },
          { system: 'heat-pump', backUp: 'furnace', fanWithHeat: 'unit' },
        ),
        device('nutO', 'wire-nut', 'plant', 'O splice'),
      ],
      cables: [
        cable('statCable', 'Thermostat cable', 18, 15, [
          ['statR', 'RD', 'stat.R', 'board.R'],
          ['statY', 'YE', 'stat.Y', 'board.Y'],
          ['statO', 'OG', 'stat.OB', 'nutO.NUT'],
          ['statG', 'GN', 'stat.G', 'board.G'],
          ['statAux', 'WH', 'stat.AUX', 'board.W'],
          ['statC', 'BK', 'stat.C', 'board.C'],
        ]),
        cable('yardCable', 'Outdoor cable', 18, 14, [
          ['yardR', 'RD', 'board.R', 'pump.R'],
          ['yardY', 'YE', 'board.Y', 'pump.Y'],
          ['yardO', 'OG', 'nutO.NUT', 'pump.O'],
          ['yardD', 'WH', 'board.W', 'pump.D'],
          ['yardC', 'BK', 'board.C', 'pump.C'],
        ]),
      ],
    }),
  );
}
