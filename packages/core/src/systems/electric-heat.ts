import type { Circuit } from '../circuit';
import { cable, circuit, device } from './build';
import type { Part } from './outdoor';
import { HALL, PANEL, PLANT, YARD, airConditioner, join } from './outdoor';

/** Who starts the blower with heat: the thermostat's G, or the unit's own sequencer. */
type FanBy = 'unit' | 'thermostat';

/** Line side: breaker, transformer on the 240 V tap, blower and strips; and the four loose control leads. */
function electricUnit(fanBy: FanBy): Part {
  const byUnit = fanBy === 'unit';
  return {
    stations: [PLANT, PANEL],
    devices: [
      device('xfmr', 'control-transformer', 'plant', 'Transformer'),
      device('fuse', 'blade-fuse', 'plant', 'Low-voltage fuse'),
      device('leadR', 'wire-nut', 'plant', 'R lead'),
      device('leadC', 'wire-nut', 'plant', 'C lead'),
      device('leadG', 'wire-nut', 'plant', 'G lead'),
      device('leadW', 'wire-nut', 'plant', 'W lead'),
      device('fanRelay', 'relay', 'plant', 'Fan relay', { serves: 'fan' }, { offS: 60 }),
      byUnit
        ? device('heatRelay', 'sequencer', 'plant', 'Heat sequencer')
        : device('heatRelay', 'relay', 'plant', 'Heat contactor', {
            serves: 'heat',
            sealedVa: 8,
            inrushVa: 40,
            ratedAmps: 30,
          }),
      device('blower', 'line-load', 'plant', 'Blower', { type: 'motor', serves: 'fan', va: 450 }),
      device('strips', 'line-load', 'plant', '5 kW strips', { type: 'strips', serves: 'heat', va: 5000 }),
      device('switch', 'service-switch', 'plant', 'Air handler switch', { poles: 'two' }),
      device('handlerBreaker', 'breaker', 'panel', 'Air handler breaker', { poles: 'two', rating: 30 }),
    ],
    cables: [
      cable('handlerFeed', 'Air handler feed', 10, 10, [
        ['feedHandler1', 'BK', 'handlerBreaker.L1', 'switch.LINE1'],
        ['feedHandler2', 'RD', 'handlerBreaker.L2', 'switch.LINE2'],
      ]),
      cable('lineLeads', 'Line leads', 10, 0.8, [
        ['leadPrimary', 'BK', 'switch.LOAD1', 'xfmr.P240'],
        ['leadSecondLeg', 'RD', 'switch.LOAD2', 'xfmr.PC'],
        ['leadFanFeed', 'BK', 'switch.LOAD1', 'fanRelay.COM'],
        ['leadBlower', 'BU', 'fanRelay.NO', 'blower.1'],
        ['leadBlowerReturn', 'RD', 'blower.2', 'switch.LOAD2'],
        ['leadHeatFeed', 'BK', 'switch.LOAD1', byUnit ? 'heatRelay.M1' : 'heatRelay.COM'],
        ['leadStrips', 'BU', byUnit ? 'heatRelay.M2' : 'heatRelay.NO', 'strips.1'],
        ['leadStripsReturn', 'RD', 'strips.2', 'switch.LOAD2'],
        ...(byUnit
          ? ([
              ['leadAuxFeed', 'BK', 'heatRelay.A1', 'fanRelay.COM'],
              ['leadAux', 'BU', 'heatRelay.A2', 'fanRelay.NO'],
            ] as const)
          : []),
      ]),
      cable('controlLeads', 'Control leads', 18, 0.6, [
        ['leadHot', 'RD', 'xfmr.R', 'fuse.1'],
        ['leadFused', 'RD', 'fuse.2', 'leadR.NUT'],
        ['leadCommon', 'BU', 'xfmr.C', 'leadC.NUT'],
        ['wireG', 'GN', 'leadG.NUT', 'fanRelay.A1'],
        ['leadGReturn', 'BU', 'fanRelay.A2', 'leadC.NUT'],
        ['wireW', 'WH', 'leadW.NUT', byUnit ? 'heatRelay.H1' : 'heatRelay.A1'],
        ['leadWReturn', 'BU', byUnit ? 'heatRelay.H2' : 'heatRelay.A2', 'leadC.NUT'],
      ]),
    ],
  };
}

/**
 * Electric air handler, heat only, joined lead for lead: hot, common, G and W. No line set, no
 * condensate. With the fan by the thermostat it must be set up for electric heat.
 */
export function electricHeat(name: string, fanBy: FanBy = 'thermostat'): Circuit {
  return circuit(
    name,
    join(
      {
        stations: [HALL],
        devices: [
          device('stat', 'thermostat', 'hall', 'Thermostat', { supply: 'both' }, { fanWithHeat: fanBy }),
        ],
        cables: [
          cable('statCable', 'Thermostat cable', 18, 15, [
            ['statR', 'RD', 'stat.R', 'leadR.NUT'],
            ['statG', 'GN', 'stat.G', 'leadG.NUT'],
            ['statW', 'WH', 'stat.W', 'leadW.NUT'],
            ['statC', 'BU', 'stat.C', 'leadC.NUT'],
          ]),
        ],
      },
      electricUnit(fanBy),
    ),
  );
}

/** The same with an air conditioner, Y joined through a pan float. */
export function electricHeatAirConditioner(name: string): Circuit {
  const heat = electricHeat(name);
  const withY = heat.cables.map((entry) =>
    entry.id === 'statCable'
      ? {
          ...entry,
          conductors: [
            ...entry.conductors,
            { id: 'statY', colour: 'YE' as const, from: 'stat.Y', to: 'nutYIn.NUT' },
          ],
        }
      : entry,
  );
  const parts = join({ ...heat, cables: withY }, airConditioner(), {
    stations: [PLANT, YARD],
    devices: [
      device('float', 'float-switch', 'plant', 'Pan float'),
      device('nutYIn', 'wire-nut', 'plant', 'Y splice'),
    ],
    cables: [
      cable('floatLead', 'Float lead', 18, 0.6, [['leadFloat', 'YE', 'nutYIn.NUT', 'float.COM']]),
      cable('yardCable', 'Outdoor cable', 18, 12, [
        ['yardY', 'RD', 'float.NC', 'nutY.NUT'],
        ['yardC', 'WH', 'leadC.NUT', 'nutC.NUT'],
      ]),
    ],
  });
  return { ...heat, ...parts };
}
