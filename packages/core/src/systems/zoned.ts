import type { Circuit } from '../circuit';
import { cable, circuit, device, station } from './build';
import { furnace } from './indoor';
import type { Part } from './outdoor';
import { HALL, PLANT, YARD, airConditioner, join } from './outdoor';

const UPSTAIRS = station('upstairs', 'room', 'Upstairs landing', 2);

const THERMOSTAT_LEADS = [
  ['R', 'RD'],
  ['Y', 'YE'],
  ['G', 'GN'],
  ['W', 'WH'],
  ['C', 'BU'],
] as const;

/** A zone: its thermostat with its cable to the panel, its damper with three wires. */
const zone = (n: '1' | '2', at: typeof HALL, label: string, lengthM: number): Part => ({
  stations: [at, PLANT],
  devices: [
    device(`stat${n}`, 'thermostat', at.id, label, { supply: 'wired' }),
    device(`damper${n}`, 'damper-motor', 'plant', `Damper ${n}`),
  ],
  cables: [
    cable(
      `statCable${n}`,
      `Thermostat cable ${n}`,
      18,
      lengthM,
      THERMOSTAT_LEADS.map(([mark, colour]) => [
        `stat${n}${mark}`,
        colour,
        `stat${n}.${mark}`,
        `panel.${n}${mark}`,
      ]),
    ),
    cable(`damperCable${n}`, `Damper cable ${n}`, 18, 4, [
      [`damper${n}Com`, 'BU', `panel.${n}COM`, `damper${n}.COM`],
      [`damper${n}Open`, 'RD', `panel.${n}OPEN`, `damper${n}.OPEN`],
      [`damper${n}Close`, 'WH', `panel.${n}CLOSE`, `damper${n}.CLOSE`],
    ]),
  ],
});

/** The panel with a transformer of its own, fed after the unit's service switch: one switch kills everything. */
const panel = (): Part => ({
  stations: [PLANT],
  devices: [
    device('panel', 'zone-panel', 'plant', 'Zone panel'),
    device('zoneXfmr', 'control-transformer', 'plant', 'Zone transformer'),
    device('zoneFuse', 'blade-fuse', 'plant', 'Zone fuse'),
  ],
  cables: [
    cable('zoneLeads', 'Zone leads', 18, 1.2, [
      ['zonePrimary', 'BK', 'switch.LOAD', 'zoneXfmr.P120'],
      ['zoneNeutral', 'WH', 'board.N', 'zoneXfmr.PC'],
      ['zoneHot', 'RD', 'zoneXfmr.R', 'zoneFuse.1'],
      ['zoneFused', 'RD', 'zoneFuse.2', 'panel.24H'],
      ['zoneCommon', 'BU', 'zoneXfmr.C', 'panel.24C'],
    ]),
    cable('unitCable', 'Panel to unit', 18, 2, [
      ['unitR', 'RD', 'panel.R', 'board.R'],
      ['unitC', 'BU', 'panel.C', 'board.C'],
      ['unitY', 'YE', 'panel.Y', 'board.Y'],
      ['unitG', 'GN', 'panel.G', 'board.G'],
      ['unitW', 'WH', 'panel.W', 'board.W'],
    ]),
  ],
});

/** Furnace with air conditioner in two zones: panel, three-wire dampers, and a transformer of their own. */
export function twoZoneFurnace(name: string): Circuit {
  return circuit(
    name,
    join(
      zone('1', HALL, 'Thermostat below', 12),
      zone('2', UPSTAIRS, 'Thermostat above', 18),
      furnace(),
      panel(),
      {
        stations: [PLANT, YARD],
        devices: [device('float', 'float-switch', 'plant', 'Pan float')],
        cables: [
          cable('floatLead', 'Float lead', 18, 0.6, [['leadFloat', 'YE', 'board.Y', 'float.COM']]),
          cable('yardCable', 'Outdoor cable', 18, 12, [
            ['yardY', 'RD', 'float.NC', 'nutY.NUT'],
            ['yardC', 'WH', 'board.C', 'nutC.NUT'],
          ]),
        ],
      },
      airConditioner(),
    ),
  );
}
