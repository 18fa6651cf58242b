import type { Circuit, Device } from '../circuit';
import { setValue } from '../circuit';
import type { ConductorSpec } from './build';
import { cable, circuit, device } from './build';
import { furnace } from './indoor';
import type { Part } from './outdoor';
import { HALL, PANEL, PLANT, YARD, airConditioner, join } from './outdoor';

/** A float between the board's Y and the outdoor unit, which stops the compressor and leaves the fan. */
const panFloat = () => ({
  stations: [PLANT],
  devices: [device('float', 'float-switch', 'plant', 'Pan float')],
  cables: [cable('floatLead', 'Float lead', 18, 0.6, [['leadFloat', 'YE', 'board.Y', 'float.COM']])],
});

/** The usual two conductors outdoors: red is Y, white is C (common practice). */
const yardCable = () =>
  cable('yardCable', 'Outdoor cable', 18, 12, [
    ['yardY', 'RD', 'float.NC', 'nutY.NUT'],
    ['yardC', 'WH', 'board.C', 'nutC.NUT'],
  ]);

const thermostat = (
  params: Device['params'],
  conductors: readonly ConductorSpec[],
  settings: Device['settings'] = {},
): Part => ({
  stations: [HALL],
  devices: [device('stat', 'thermostat', 'hall', 'Thermostat', params, settings)],
  cables: [cable('statCable', 'Thermostat cable', 18, 15, conductors)],
});

const outdoor = (unit = airConditioner()) =>
  join(unit, { stations: [YARD], devices: [], cables: [yardCable()] });

/**
 * Gas furnace with a single-stage air conditioner on the furnace's own 40 VA
 * transformer. The thermostat sends R back on Y, G and W; Y passes through the board
 * and a pan float to the contactor outdoors.
 *
 * @param commonAtThermostat - false leaves the blue conductor spare.
 * @param supply - what powers the thermostat when there is no common.
 * @param unit - the outdoor unit, with its two control conductors under nuts.
 */
export function furnaceAirConditioner(
  name: string,
  commonAtThermostat = true,
  supply: 'battery' | 'stealing' | 'none' = 'battery',
  unit: Part = airConditioner(),
): Circuit {
  return circuit(
    name,
    join(
      thermostat({ supply: commonAtThermostat ? 'both' : supply }, [
        ['statR', 'RD', 'stat.R', 'board.R'],
        ['statY', 'YE', 'stat.Y', 'board.Y'],
        ['statG', 'GN', 'stat.G', 'board.G'],
        ['statW', 'WH', 'stat.W', 'board.W'],
        commonAtThermostat ? ['statC', 'BU', 'stat.C', 'board.C'] : ['statC', 'BU', null, null],
      ]),
      furnace(),
      panFloat(),
      outdoor(unit),
    ),
  );
}

/** Two stages of heat and of cooling; the second stage outdoors is a solenoid on Y2. */
export function twoStageFurnace(name: string, commonAtThermostat = true): Circuit {
  return circuit(
    name,
    join(
      thermostat({ terminals: 'stages', supply: commonAtThermostat ? 'both' : 'battery' }, [
        ['statR', 'RD', 'stat.R', 'board.R'],
        ['statY', 'YE', 'stat.Y', 'board.Y'],
        ['statY2', 'OG', 'stat.Y2', 'board.Y2'],
        ['statG', 'GN', 'stat.G', 'board.G'],
        ['statW', 'WH', 'stat.W', 'board.W'],
        ['statW2', 'BN', 'stat.W2', 'board.W2'],
        commonAtThermostat ? ['statC', 'BU', 'stat.C', 'board.C'] : ['statC', 'BU', null, null],
      ]),
      furnace({ stages: 'two' }, 75),
      panFloat(),
      airConditioner(),
      {
        stations: [YARD],
        devices: [
          device('nutY2', 'wire-nut', 'yard', 'Y2'),
          device('solenoid', 'relay', 'yard', 'Second stage', { serves: 'cool', sealedVa: 6, inrushVa: 10 }),
        ],
        cables: [
          cable('yardCable', 'Outdoor cable', 18, 12, [
            ['yardY', 'YE', 'float.NC', 'nutY.NUT'],
            ['yardY2', 'OG', 'board.Y2', 'nutY2.NUT'],
            ['yardC', 'BU', 'board.C', 'nutC.NUT'],
          ]),
          cable('stageLeads', 'Stage leads', 18, 0.6, [
            ['leadStage', 'OG', 'nutY2.NUT', 'solenoid.A1'],
            ['leadStageC', 'BU', 'solenoid.A2', 'nutC.NUT'],
          ]),
        ],
      },
    ),
  );
}

/**
 * Furnace transformer on RH, a second transformer for the air conditioner on RC. Both
 * commons are bonded to the cabinet, so the thermostat's joiner must be out.
 */
export function twoTransformerSplit(name: string, joiner: 'in' | 'out' = 'out'): Circuit {
  return circuit(
    name,
    join(
      thermostat(
        { terminals: 'two', supply: 'both' },
        [
          ['statRC', 'RD', 'stat.RC', 'xfmr2.R'],
          ['statRH', 'BN', 'stat.RH', 'board.R'],
          ['statY', 'YE', 'stat.Y', 'nutYIn.NUT'],
          ['statG', 'GN', 'stat.G', 'blowerRelay.A1'],
          ['statW', 'WH', 'stat.W', 'board.W'],
          ['statC', 'BU', 'stat.C', 'xfmr2.C'],
        ],
        { joiner },
      ),
      furnace(),
      airConditioner(),
      {
        stations: [PLANT, PANEL, HALL],
        devices: [
          device('xfmr2', 'control-transformer', 'plant', 'Cooling transformer', { protection: 'limited' }),
          device('blowerRelay', 'relay', 'plant', 'Fan relay', { serves: 'fan' }),
          device('nutYIn', 'wire-nut', 'plant', 'Y splice'),
        ],
        cables: [
          cable('coolingLeads', 'Cooling leads', 18, 0.6, [
            ['leadPrimary2', 'BK', 'board.L1', 'xfmr2.P120'],
            ['leadNeutral2', 'WH', 'board.N', 'xfmr2.PC'],
            ['leadRelayC', 'BU', 'blowerRelay.A2', 'xfmr2.C'],
            // The relay's dry contact repeats the fan call on the furnace's own transformer.
            ['leadRelayR', 'RD', 'board.R', 'blowerRelay.COM'],
            ['leadRelayG', 'GN', 'blowerRelay.NO', 'board.G'],
          ]),
          cable('yardCable', 'Outdoor cable', 18, 12, [
            ['yardY', 'RD', 'nutYIn.NUT', 'nutY.NUT'],
            ['yardC', 'WH', 'xfmr2.C', 'nutC.NUT'],
          ]),
        ],
      },
    ),
  );
}

/** Two thermostats, terminal to terminal on one unit: either may call, neither knows of the other. */
export function parallelThermostats(name: string): Circuit {
  const one = setValue(furnaceAirConditioner(name), 'stat', 'params', 'zone', '1');
  const second = join(one, {
    stations: [{ ...HALL, id: 'den', name: 'Den' }],
    devices: [
      device('stat2', 'thermostat', 'den', 'Second thermostat', { supply: 'both', zone: '2' }),
      // On one floor; the den has the sun.
      device('rooms', 'house', 'hall', 'Rooms', { zone2Height: 1.5, zone2Loses: 160, zone2Sun: 1500 }),
    ],
    cables: [
      cable('stat2Cable', 'Second thermostat cable', 18, 9, [
        ['stat2R', 'RD', 'stat2.R', 'board.R'],
        ['stat2Y', 'YE', 'stat2.Y', 'board.Y'],
        ['stat2G', 'GN', 'stat2.G', 'board.G'],
        ['stat2W', 'WH', 'stat2.W', 'board.W'],
        ['stat2C', 'BU', 'stat2.C', 'board.C'],
      ]),
    ],
  });
  return { ...one, ...second };
}
