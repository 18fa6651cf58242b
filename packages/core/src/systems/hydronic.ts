import type { Circuit } from '../circuit';
import { cable, circuit, device, station } from './build';
import type { Part } from './outdoor';
import { HALL, PANEL, join } from './outdoor';

const BOILER_ROOM = station('plant', 'plant', 'Boiler room', 3);

/** A boiler with its control on its own breaker. */
function boiler(): Part {
  return {
    stations: [BOILER_ROOM, PANEL],
    devices: [
      device('boiler', 'boiler-control', 'plant', 'Boiler control'),
      device('switch', 'service-switch', 'plant', 'Boiler switch'),
      device('boilerBreaker', 'breaker', 'panel', 'Boiler breaker', { poles: 'one', rating: 15 }),
    ],
    cables: [
      cable('boilerFeed', 'Boiler feed', 14, 8, [
        ['feedHot', 'BK', 'boilerBreaker.L1', 'switch.LINE'],
        ['feedNeutral', 'WH', 'boilerBreaker.N', 'boiler.N'],
      ]),
      cable('boilerLeads', 'Boiler leads', 14, 0.6, [['leadHot', 'BK', 'switch.LOAD', 'boiler.L1']]),
    ],
  };
}

/** Boiler with two wires to the thermostat: R and W only, no G, no C. */
export function boilerTwoWire(name: string): Circuit {
  return circuit(
    name,
    join(boiler(), {
      stations: [HALL],
      devices: [device('stat', 'thermostat', 'hall', 'Thermostat', { terminals: 'heat', supply: 'battery' })],
      cables: [
        cable('statCable', 'Thermostat cable', 18, 12, [
          ['statR', 'RD', 'stat.R', 'boiler.T1'],
          ['statW', 'WH', 'stat.W', 'boiler.T2'],
        ]),
      ],
    }),
  );
}

/**
 * Radiant zone with three wires to the thermostat (R, W, C) on a transformer of its own: W opens
 * the zone valve, and its end switch, once open, calls the boiler.
 */
export function boilerZoneValve(name: string): Circuit {
  return circuit(
    name,
    join(boiler(), {
      stations: [BOILER_ROOM, HALL],
      devices: [
        device('stat', 'thermostat', 'hall', 'Thermostat', { terminals: 'heat', supply: 'wired' }),
        device('valve', 'travelling-valve', 'plant', 'Zone valve', { endSwitch: 'yes', serves: 'heat' }),
        device('xfmr', 'control-transformer', 'plant', 'Zone transformer'),
        device('fuse', 'blade-fuse', 'plant', 'Zone fuse'),
        device('nutR', 'wire-nut', 'plant', 'R splice'),
        device('nutC', 'wire-nut', 'plant', 'C splice'),
      ],
      cables: [
        cable('zoneLeads', 'Zone leads', 18, 0.8, [
          ['leadPrimary', 'BK', 'boiler.L1', 'xfmr.P120'],
          ['leadNeutral', 'WH', 'boiler.N', 'xfmr.PC'],
          ['leadZoneHot', 'RD', 'xfmr.R', 'fuse.1'],
          ['leadZoneFused', 'RD', 'fuse.2', 'nutR.NUT'],
          ['leadZoneCommon', 'BU', 'xfmr.C', 'nutC.NUT'],
          ['leadValveC', 'BU', 'valve.COM', 'nutC.NUT'],
          ['leadEnd1', 'YE', 'valve.E1', 'boiler.T1'],
          ['leadEnd2', 'YE', 'valve.E2', 'boiler.T2'],
        ]),
        cable('statCable', 'Thermostat cable', 18, 12, [
          ['statR', 'RD', 'stat.R', 'nutR.NUT'],
          ['statW', 'WH', 'stat.W', 'valve.OPEN'],
          ['statC', 'BU', 'stat.C', 'nutC.NUT'],
        ]),
      ],
    }),
  );
}

/**
 * Four-pipe fan coil: the thermostat drives a fan relay and two water valves that take their time and
 * close when power is lost.
 */
export function fourPipeFanCoil(name: string): Circuit {
  const ceiling = station('ceiling', 'plant', 'Corridor ceiling', 5);
  return circuit(
    name,
    join({
      stations: [HALL, ceiling, PANEL],
      devices: [
        device(
          'stat',
          'thermostat',
          'hall',
          'Thermostat',
          { supply: 'both' },
          { protectionS: 0, fanWithHeat: 'thermostat' },
        ),
        device('fanRelay', 'relay', 'ceiling', 'Fan relay', { serves: 'fan' }),
        device('fan', 'line-load', 'ceiling', 'Fan', { volts: 120, va: 120 }),
        device('hot', 'travelling-valve', 'ceiling', 'Heating valve', { serves: 'heat' }),
        device('chilled', 'travelling-valve', 'ceiling', 'Cooling valve', { serves: 'cool' }),
        device('float', 'float-switch', 'ceiling', 'Pan float'),
        device('xfmr', 'control-transformer', 'ceiling', 'Transformer'),
        device('fuse', 'blade-fuse', 'ceiling', 'Low-voltage fuse'),
        device('nutR', 'wire-nut', 'ceiling', 'R splice'),
        device('nutC', 'wire-nut', 'ceiling', 'C splice'),
        device('switch', 'service-switch', 'ceiling', 'Fan coil switch'),
        device('coilBreaker', 'breaker', 'panel', 'Fan coil breaker', { poles: 'one', rating: 15 }),
      ],
      cables: [
        cable('coilFeed', 'Fan coil feed', 14, 16, [
          ['feedHot', 'BK', 'coilBreaker.L1', 'switch.LINE'],
          ['feedNeutral', 'WH', 'coilBreaker.N', 'fan.2'],
        ]),
        cable('lineLeads', 'Line leads', 14, 0.8, [
          ['leadPrimary', 'BK', 'switch.LOAD', 'xfmr.P120'],
          ['leadNeutral', 'WH', 'fan.2', 'xfmr.PC'],
          ['leadFanFeed', 'BK', 'switch.LOAD', 'fanRelay.COM'],
          ['leadFan', 'BU', 'fanRelay.NO', 'fan.1'],
        ]),
        cable('controlLeads', 'Control leads', 18, 0.8, [
          ['leadHot', 'RD', 'xfmr.R', 'fuse.1'],
          // The float breaks R: with no power both valves close.
          ['leadFused', 'RD', 'fuse.2', 'float.COM'],
          ['leadFloat', 'RD', 'float.NC', 'nutR.NUT'],
          ['leadCommon', 'BU', 'xfmr.C', 'nutC.NUT'],
          ['leadFanC', 'BU', 'fanRelay.A2', 'nutC.NUT'],
          ['leadHotC', 'BU', 'hot.COM', 'nutC.NUT'],
          ['leadChilledC', 'BU', 'chilled.COM', 'nutC.NUT'],
        ]),
        cable('statCable', 'Thermostat cable', 18, 10, [
          ['statR', 'RD', 'stat.R', 'nutR.NUT'],
          ['statY', 'YE', 'stat.Y', 'chilled.OPEN'],
          ['statG', 'GN', 'stat.G', 'fanRelay.A1'],
          ['statW', 'WH', 'stat.W', 'hot.OPEN'],
          ['statC', 'BU', 'stat.C', 'nutC.NUT'],
        ]),
      ],
    }),
  );
}
