import type { Circuit, Device, Station } from '../circuit';
import type { ConductorSpec } from './build';
import { cable, circuit, device, station } from './build';
import { airHandler, furnace } from './indoor';
import type { Part } from './outdoor';
import { HALL, PLANT, YARD, airConditioner, heatPump, join } from './outdoor';

const UPSTAIRS = station('upstairs', 'room', 'Upstairs landing', 2);
const LOFT = station('loft', 'room', 'Loft', 3);
const ANNEXE = station('annexe', 'room', 'Annexe', 3);

const THERMOSTAT_LEADS = [
  ['R', 'RD'],
  ['Y', 'YE'],
  ['G', 'GN'],
  ['W', 'WH'],
  ['C', 'BU'],
] as const;

type Drive = 'power' | 'spring-open' | 'spring-closed';

/** A damper's own wires: three for a motor driven both ways, two beside a spring. */
const DAMPER_LEADS = [
  ['Com', 'BU', 'COM', ['power', 'spring-open', 'spring-closed']],
  ['Open', 'RD', 'OPEN', ['power', 'spring-closed']],
  ['Close', 'WH', 'CLOSE', ['power', 'spring-open']],
] as const;

interface Zone {
  at: Station;
  label: string;
  lengthM: number;
  drive?: Drive;
}

/** The thermostat of a zone; the first is named as the only one elsewhere is. */
const statOf = (n: number) => (n === 1 ? 'stat' : `stat${n}`);

/** A zone: its thermostat with its cable to the panel, and its damper. */
const zone = (n: number, { at, label, lengthM, drive = 'power' }: Zone): Part => ({
  stations: [at, PLANT],
  devices: [
    device(statOf(n), 'thermostat', at.id, label, { supply: 'wired', zone: `${n}` }),
    device(`damper${n}`, 'damper-motor', 'plant', `Damper ${n}`, {
      zone: `${n}`,
      ...(drive !== 'power' && { drive }),
    }),
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
        `${statOf(n)}.${mark}`,
        `panel.${n}${mark}`,
      ]),
    ),
    cable(
      `damperCable${n}`,
      `Damper cable ${n}`,
      18,
      4,
      DAMPER_LEADS.flatMap(([name, colour, mark, drives]): ConductorSpec[] =>
        (drives as readonly Drive[]).includes(drive)
          ? [[`damper${n}${name}`, colour, `panel.${n}${mark}`, `damper${n}.${mark}`]]
          : [],
      ),
    ),
  ],
});

/** Where the panel's transformer takes its primary: after the unit's service switch, so that one switch kills everything. */
const AFTER_FURNACE_SWITCH: readonly ConductorSpec[] = [
  ['zonePrimary', 'BK', 'switch.LOAD', 'zoneXfmr.P120'],
  ['zoneNeutral', 'WH', 'board.N', 'zoneXfmr.PC'],
];
const AFTER_HANDLER_SWITCH: readonly ConductorSpec[] = [
  ['zonePrimary', 'BK', 'switch.LOAD1', 'zoneXfmr.P240'],
  ['zoneSecondLeg', 'RD', 'switch.LOAD2', 'zoneXfmr.PC'],
];

const CONVENTIONAL: readonly ConductorSpec[] = [
  ['unitR', 'RD', 'panel.R', 'board.R'],
  ['unitC', 'BU', 'panel.C', 'board.C'],
  ['unitY', 'YE', 'panel.Y', 'board.Y'],
  ['unitG', 'GN', 'panel.G', 'board.G'],
  ['unitW', 'WH', 'panel.W', 'board.W'],
];
const PUMP: readonly ConductorSpec[] = [
  ['unitR', 'RD', 'panel.R', 'board.R'],
  ['unitC', 'BU', 'panel.C', 'board.C'],
  ['unitY', 'YE', 'panel.Y', 'board.Y'],
  ['unitG', 'GN', 'panel.G', 'board.G'],
  ['unitW', 'WH', 'panel.W', 'board.W1'],
  ['unitW2', 'BN', 'panel.W2', 'board.W2'],
  ['unitO', 'OG', 'panel.O', 'board.O'],
];

/** The panel with a transformer and a fuse of its own, and its cable to the unit. */
const panel = (
  given: Pick<Device, 'params' | 'settings'>,
  primary: readonly ConductorSpec[],
  unit: readonly ConductorSpec[],
  va = 40,
): Part => ({
  stations: [PLANT],
  devices: [
    device('panel', 'zone-panel', 'plant', 'Zone panel', given.params, given.settings),
    device('zoneXfmr', 'control-transformer', 'plant', 'Zone transformer', va === 40 ? {} : { va }),
    device('zoneFuse', 'blade-fuse', 'plant', 'Zone fuse'),
  ],
  cables: [
    cable('zoneLeads', 'Zone leads', 18, 1.2, [
      ...primary,
      ['zoneHot', 'RD', 'zoneXfmr.R', 'zoneFuse.1'],
      ['zoneFused', 'RD', 'zoneFuse.2', 'panel.24H'],
      ['zoneCommon', 'BU', 'zoneXfmr.C', 'panel.24C'],
    ]),
    cable('unitCable', 'Panel to unit', 18, 2, unit),
  ],
});

const ducts = (params: Device['params']): Part => ({
  stations: [PLANT],
  devices: [device('ducts', 'duct-system', 'plant', 'Ducts', params)],
  cables: [],
});

/** Rooms one over another, the sun on the roof of the highest. */
const rooms = (count: 'two' | 'three' | 'four', highest: number): Part => ({
  stations: [PLANT],
  devices: [
    device('rooms', 'house', 'plant', 'Rooms', {
      zones: count,
      [`zone${highest}Loses`]: 140,
      [`zone${highest}Sun`]: 1500,
    }),
  ],
  cables: [],
});

/** A bypass with a motor, on the panel's own supply. */
const poweredBypass = (): Part => ({
  stations: [PLANT],
  devices: [device('bypass', 'bypass-damper', 'plant', 'Bypass damper')],
  cables: [
    cable('bypassLeads', 'Bypass leads', 18, 2, [
      ['bypassHot', 'RD', 'panel.24H', 'bypass.R'],
      ['bypassCommon', 'BU', 'panel.24C', 'bypass.C'],
    ]),
  ],
});

const supplySensor = (): Part => ({
  stations: [PLANT],
  devices: [device('sensor', 'supply-sensor', 'plant', 'Supply sensor')],
  cables: [
    cable('sensorLeads', 'Sensor leads', 18, 3, [
      ['sensorOne', 'WH', 'panel.S1', 'sensor.1'],
      ['sensorOther', 'WH', 'panel.S2', 'sensor.2'],
    ]),
  ],
});

/** The float under the coil in Y, and the cable to the air conditioner. */
const toAirConditioner = (): Part => ({
  stations: [PLANT, YARD],
  devices: [device('float', 'float-switch', 'plant', 'Pan float')],
  cables: [
    cable('floatLead', 'Float lead', 18, 0.6, [['leadFloat', 'YE', 'board.Y', 'float.COM']]),
    cable('yardCable', 'Outdoor cable', 18, 12, [
      ['yardY', 'RD', 'float.NC', 'nutY.NUT'],
      ['yardC', 'WH', 'board.C', 'nutC.NUT'],
    ]),
  ],
});

/** Furnace with air conditioner in two zones: three-wire dampers, a powered bypass, and a transformer of their own. */
export const twoZoneFurnace = (name: string): Circuit =>
  circuit(
    name,
    join(
      zone(1, { at: HALL, label: 'Thermostat below', lengthM: 12 }),
      zone(2, { at: UPSTAIRS, label: 'Thermostat above', lengthM: 18 }),
      furnace(),
      panel({ params: {}, settings: {} }, AFTER_FURNACE_SWITCH, CONVENTIONAL),
      poweredBypass(),
      ducts({ zone1Mm: 300, zone2Mm: 250, bypassMm: 250 }),
      rooms('two', 2),
      toAirConditioner(),
      airConditioner(),
    ),
  );

/** Heat pump with strips in three zones: the panel makes O of what plain thermostats ask, a sensor watches the supply air. */
export const threeZoneHeatPump = (name: string): Circuit =>
  circuit(
    name,
    join(
      zone(1, { at: HALL, label: 'Thermostat below', lengthM: 10 }),
      zone(2, { at: UPSTAIRS, label: 'Thermostat above', lengthM: 16 }),
      zone(3, { at: LOFT, label: 'Thermostat in the loft', lengthM: 20 }),
      airHandler(),
      panel({ params: { zones: 'three' }, settings: { unit: 'pump' } }, AFTER_HANDLER_SWITCH, PUMP, 75),
      supplySensor(),
      ducts({ zones: 'three', bypassMm: 0, leastOpen: 30, heatKw: 12 }),
      rooms('three', 3),
      {
        stations: [PLANT, YARD],
        devices: [],
        cables: [
          cable('yardCable', 'Outdoor cable', 18, 14, [
            ['yardR', 'RD', 'board.R', 'pump.R'],
            ['yardY', 'YE', 'board.Y', 'pump.Y'],
            ['yardO', 'OG', 'board.O', 'pump.O'],
            ['yardD', 'WH', 'board.W1', 'pump.D'],
            ['yardC', 'BK', 'board.C', 'pump.C'],
          ]),
        ],
      },
      heatPump('O', false),
    ),
  );

/** Furnace with air conditioner in four zones: dampers that springs open, no bypass. */
export const fourZoneFurnace = (name: string): Circuit =>
  circuit(
    name,
    join(
      zone(1, { at: HALL, label: 'Thermostat below', lengthM: 12, drive: 'spring-open' }),
      zone(2, { at: UPSTAIRS, label: 'Thermostat above', lengthM: 18, drive: 'spring-open' }),
      zone(3, { at: LOFT, label: 'Thermostat in the loft', lengthM: 20, drive: 'spring-open' }),
      zone(4, { at: ANNEXE, label: 'Thermostat in the annexe', lengthM: 25, drive: 'spring-open' }),
      furnace(),
      panel(
        { params: { zones: 'four', hotFrom: 'own' }, settings: {} },
        AFTER_FURNACE_SWITCH,
        CONVENTIONAL,
        75,
      ),
      ducts({ zones: 'four', leastOpen: 30 }),
      rooms('four', 4),
      toAirConditioner(),
      airConditioner(),
    ),
  );
