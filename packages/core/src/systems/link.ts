import type { Circuit } from '../circuit';
import { cable, device } from './build';
import { heatPumpWithStrips } from './heat-pump';

/**
 * A heat pump whose outdoor cable is dead: its calls go over a wireless link, and the outdoor module lives on a transformer of its
 * own, fed from the line side of the contactor.
 */
export function heatPumpOverLink(name: string): Circuit {
  const wired = heatPumpWithStrips(name);
  return {
    ...wired,
    devices: [
      ...wired.devices,
      device('linkIn', 'link-indoor', 'plant', 'Indoor module'),
      device('linkOut', 'link-outdoor', 'yard', 'Outdoor module'),
      device('linkXfmr', 'control-transformer', 'yard', 'Outdoor transformer'),
      device('linkFuse', 'blade-fuse', 'yard', 'Outdoor fuse'),
    ],
    cables: [
      ...wired.cables.filter(({ id }) => id !== 'yardCable'),
      cable('linkInLeads', 'Indoor module leads', 18, 0.3, [
        ['linkInR', 'RD', 'linkIn.R', 'board.R'],
        ['linkInC', 'BU', 'linkIn.C', 'board.C'],
        ['linkInY', 'YE', 'linkIn.Y', 'board.Y'],
        ['linkInO', 'OG', 'linkIn.O', 'board.O'],
        ['linkInW', 'WH', 'linkIn.W', 'board.W1'],
      ]),
      cable('linkFeed', 'Outdoor transformer feed', 14, 0.5, [
        ['linkFeed1', 'BK', 'contactor.L1', 'linkXfmr.P240'],
        ['linkFeed2', 'RD', 'contactor.L2', 'linkXfmr.PC'],
      ]),
      cable('linkOutLeads', 'Outdoor module leads', 18, 0.3, [
        ['linkOutHot', 'RD', 'linkXfmr.R', 'linkFuse.1'],
        ['linkOutFused', 'RD', 'linkFuse.2', 'linkOut.R'],
        ['linkOutCommon', 'BU', 'linkXfmr.C', 'linkOut.C'],
        ['linkOutR', 'RD', 'linkOut.R', 'pump.R'],
        ['linkOutC', 'BU', 'linkOut.C', 'pump.C'],
        ['linkOutY', 'YE', 'linkOut.Y', 'pump.Y'],
        ['linkOutO', 'OG', 'linkOut.O', 'pump.O'],
        ['linkOutW', 'WH', 'linkOut.W', 'pump.D'],
      ]),
    ],
    links: [...wired.links, { id: 'linkJumper', kind: 'jumper', joins: ['linkOut.R', 'linkOut.K'] }],
  };
}
