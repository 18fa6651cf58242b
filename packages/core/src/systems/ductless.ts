import type { Circuit } from '../circuit';
import { FORMAT, VERSION } from '../circuit';
import { cable, device } from './build';
import { HALL, PANEL, YARD } from './outdoor';

/**
 * A ductless unit on 230 V, 50 Hz: fed at one of its halves, the run number to number and earth to earth.
 *
 * @param fed - the half its supply comes in at.
 */
export function ductless(name: string, fed: 'outdoors' | 'indoors' = 'outdoors'): Circuit {
  const at = fed === 'outdoors' ? 'outdoor' : 'indoor';
  return {
    format: FORMAT,
    version: VERSION,
    name,
    mains: { volts: 230, hertz: 50 },
    links: [],
    stations: [HALL, YARD, PANEL],
    devices: [
      device('stat', 'ductless-remote', 'hall', 'Remote'),
      device('indoor', 'ductless-indoor', 'hall', 'Indoor unit'),
      device('outdoor', 'ductless-outdoor', 'yard', 'Outdoor unit'),
      device('breaker', 'breaker', 'panel', 'Unit breaker', { rating: 16 }),
    ],
    cables: [
      cable('feed', 'Supply', 14, 12, [
        ['feedL', 'BN', 'breaker.L1', `${at}.L`],
        ['feedN', 'BU', 'breaker.N', `${at}.N`],
        ['feedE', 'GNYE', 'breaker.PE', `${at}.PE`],
      ]),
      cable('run', 'Interconnect', 14, 8, [
        ['run1', 'BN', 'outdoor.1', 'indoor.1'],
        ['run2', 'BU', 'outdoor.2', 'indoor.2'],
        ['run3', 'BK', 'outdoor.3', 'indoor.3'],
        ['runE', 'GNYE', 'outdoor.PE', 'indoor.PE'],
      ]),
    ],
  };
}
