import type { Circuit } from '../circuit';
import { cable, circuit, device, station } from './build';
import { HALL, PANEL, join } from './outdoor';

const WORKSHOP = station('workshop', 'room', 'Workshop wall', 1);
const CEILING = station('plant', 'plant', 'Under the roof', 5);
const ROOF = station('roof', 'outdoor', 'Roof', 8);

/**
 * Gas unit heater on a 24 V thermostat.
 *
 * @param switched - `line` wires it the wrong way: the thermostat's relay breaks the heater's line supply.
 */
export function unitHeater(name: string, switched: '24 V' | 'line' = '24 V'): Circuit {
  const line = switched === 'line';
  return circuit(
    name,
    join({
      stations: [WORKSHOP, CEILING, PANEL],
      devices: [
        device('stat', 'thermostat', 'workshop', 'Thermostat', { supply: line ? 'none' : 'both' }),
        device('board', 'unit-heater-board', 'plant', 'Unit heater board'),
        device('xfmr', 'control-transformer', 'plant', 'Transformer'),
        device('fuse', 'blade-fuse', 'plant', 'Board fuse'),
        device('switch', 'service-switch', 'plant', 'Heater switch'),
        ...(line
          ? [
              device('lineRelay', 'relay', 'plant', 'Line relay', { serves: 'heat' }),
              device('xfmr2', 'control-transformer', 'plant', 'Relay transformer'),
            ]
          : []),
        device('heaterBreaker', 'breaker', 'panel', 'Heater breaker', { poles: 'one', rating: 15 }),
      ],
      cables: [
        cable('heaterFeed', 'Heater feed', 14, 18, [
          ['feedHot', 'BK', 'heaterBreaker.L1', 'switch.LINE'],
          ['feedNeutral', 'WH', 'heaterBreaker.N', 'board.N'],
        ]),
        cable('boardLeads', 'Heater leads', 16, 0.6, [
          ['leadHot', 'RD', 'xfmr.R', 'fuse.1'],
          ['leadFused', 'RD', 'fuse.2', 'board.R'],
          ['leadCommon', 'BU', 'xfmr.C', 'board.C'],
          ['leadPrimary', 'BK', 'board.L1', 'xfmr.P120'],
          ['leadNeutral', 'WH', 'board.N', 'xfmr.PC'],
          ...(line
            ? ([
                ['leadRelayFeed', 'BK', 'switch.LOAD', 'lineRelay.COM'],
                ['leadRelayed', 'BK', 'lineRelay.NO', 'board.L1'],
                ['leadPrimary2', 'BK', 'switch.LOAD', 'xfmr2.P120'],
                ['leadNeutral2', 'WH', 'board.N', 'xfmr2.PC'],
                ['leadRelayC', 'BU', 'lineRelay.A2', 'xfmr2.C'],
                // Always calling: the heater runs whenever it has line voltage.
                ['leadAlways', 'WH', 'board.R', 'board.W1'],
              ] as const)
            : ([['leadSwitch', 'BK', 'switch.LOAD', 'board.L1']] as const)),
        ]),
        cable(
          'statCable',
          'Thermostat cable',
          18,
          12,
          line
            ? [
                ['statR', 'RD', 'stat.R', 'xfmr2.R'],
                ['statW', 'WH', 'stat.W', 'lineRelay.A1'],
              ]
            : [
                ['statR', 'RD', 'stat.R', 'board.R'],
                ['statG', 'GN', 'stat.G', 'board.G'],
                ['statW', 'WH', 'stat.W', 'board.W1'],
                ['statC', 'BU', 'stat.C', 'board.C'],
              ],
        ),
      ],
    }),
  );
}

/** One compressor of the rooftop unit with its contactor. */
const compressor = (n: '1' | '2') => [
  device(`cc${n}`, 'contactor', 'roof', `Compressor contactor ${n}`),
  device(`unit${n}`, 'outdoor-unit', 'roof', `Compressor ${n}`, { compressorAmps: 12 }),
];

/**
 * Packaged rooftop unit, electric heat, two compressors, with a unit controller and a duct smoke detector
 * in its smoke input; the thermostat is downstairs. The economiser is left out.
 */
export function rooftopUnit(name: string): Circuit {
  return circuit(
    name,
    join({
      stations: [HALL, ROOF, PANEL],
      devices: [
        device(
          'stat',
          'thermostat',
          'hall',
          'Thermostat',
          { terminals: 'stages', supply: 'both' },
          { fanWithHeat: 'thermostat' },
        ),
        device('controller', 'rooftop-controller', 'roof', 'Unit controller'),
        device('smoke', 'smoke-detector', 'roof', 'Duct detector'),
        device('xfmr', 'control-transformer', 'roof', 'Transformer', { va: 75 }),
        device('fuse', 'blade-fuse', 'roof', 'Board fuse', { rating: 5 }),
        ...compressor('1'),
        ...compressor('2'),
        device('fanRelay', 'contactor', 'roof', 'Fan contactor', {
          serves: 'fan',
          sealedVa: 6,
          inrushVa: 30,
        }),
        device('fan', 'line-load', 'roof', 'Indoor fan', { type: 'motor', serves: 'fan', va: 1200 }),
        device('heatRelay', 'contactor', 'roof', 'Heater contactor', {
          serves: 'heat',
          sealedVa: 8,
          inrushVa: 40,
        }),
        device('strips', 'line-load', 'roof', '9 kW heater', { type: 'strips', serves: 'heat', va: 9000 }),
        device('disconnect', 'service-switch', 'roof', 'Disconnect', { poles: 'two' }),
        device('roofBreaker', 'breaker', 'panel', 'Rooftop breaker', { poles: 'two', rating: 100 }),
      ],
      cables: [
        cable('roofFeed', 'Rooftop feed', 8, 30, [
          ['feedL1', 'BK', 'roofBreaker.L1', 'disconnect.LINE1'],
          ['feedL2', 'RD', 'roofBreaker.L2', 'disconnect.LINE2'],
        ]),
        cable('lineLeads', 'Line leads', 8, 1, [
          ['leadPrimary', 'BK', 'disconnect.LOAD1', 'xfmr.P240'],
          ['leadSecondLeg', 'RD', 'disconnect.LOAD2', 'xfmr.PC'],
          ...(['cc1', 'cc2', 'fanRelay', 'heatRelay'] as const).flatMap((id) => [
            [`${id}L1`, 'BK', 'disconnect.LOAD1', `${id}.L1`] as const,
            [`${id}L2`, 'RD', 'disconnect.LOAD2', `${id}.L2`] as const,
          ]),
          ['unit1C', 'BK', 'cc1.T1', 'unit1.C'],
          ['unit1R', 'RD', 'cc1.T2', 'unit1.R'],
          ['unit2C', 'BK', 'cc2.T1', 'unit2.C'],
          ['unit2R', 'RD', 'cc2.T2', 'unit2.R'],
          ['fanT1', 'BK', 'fanRelay.T1', 'fan.1'],
          ['fanT2', 'RD', 'fanRelay.T2', 'fan.2'],
          ['stripsT1', 'BK', 'heatRelay.T1', 'strips.1'],
          ['stripsT2', 'RD', 'heatRelay.T2', 'strips.2'],
        ]),
        cable('controlLeads', 'Control leads', 18, 1, [
          ['leadHot', 'RD', 'xfmr.R', 'fuse.1'],
          ['leadFused', 'RD', 'fuse.2', 'controller.R'],
          ['leadCommon', 'BU', 'xfmr.C', 'controller.C'],
          ['leadSmokeR', 'RD', 'controller.R', 'smoke.R'],
          ['leadSmokeC', 'BU', 'controller.C', 'smoke.C'],
          ['leadSmokeOut', 'VT', 'controller.SD1', 'smoke.COM'],
          ['leadSmokeBack', 'VT', 'smoke.NC', 'controller.SD2'],
          ['leadCC1', 'YE', 'controller.CC1', 'cc1.A1'],
          ['leadCC2', 'OG', 'controller.CC2', 'cc2.A1'],
          ['leadIFC', 'GN', 'controller.IFC', 'fanRelay.A1'],
          ['leadHC', 'WH', 'controller.HC', 'heatRelay.A1'],
          ...(['cc1', 'cc2', 'fanRelay', 'heatRelay'] as const).map(
            (id) => [`${id}A2`, 'BU', `${id}.A2`, 'controller.C'] as const,
          ),
        ]),
        cable('statCable', 'Thermostat cable', 18, 40, [
          ['statR', 'RD', 'stat.R', 'controller.R'],
          ['statY', 'YE', 'stat.Y', 'controller.Y1'],
          ['statY2', 'OG', 'stat.Y2', 'controller.Y2'],
          ['statG', 'GN', 'stat.G', 'controller.G'],
          ['statW', 'WH', 'stat.W', 'controller.W1'],
          ['statC', 'BU', 'stat.C', 'controller.C'],
        ]),
      ],
    }),
  );
}
