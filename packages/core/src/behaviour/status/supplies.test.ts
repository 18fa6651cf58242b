/**
 * What the status line says of supplies: dead, low, too high, lost on the way, thermostats that go blank. What each does and where a
 * technician would look first is common practice in the trade.
 */
import type { Circuit } from '../../circuit';
import { exchange, lift, setCable, setValue } from '../../circuit';
import type { Row } from '../../testing/said';
import { expectSaid, fault, ready, said, strap } from '../../testing/said';

const good = ready('furnace-ac');
const two = ready('two-transformers');
const zone = ready('boiler-zone');
const bareStat = ready('furnace-ac-no-c');
const both = (circuit: Circuit, conductor: string) => lift(lift(circuit, conductor, 'to'), conductor, 'from');
const flat = { mode: 'cool', fan: 'auto', setC: 15, batteries: 'flat' };
const mains = (volts: number): Circuit => ({ ...good, mains: { ...good.mains, volts } });
const longRun = (lengthM: number) => setCable(good, 'yardCable', { gauge: 22, lengthM });

const supplies: Row[] = [
  ['a brown-out', mains(70), 'cool', {}, 'Transformer has 70 V on its 120 V tap and gives 14 V', []],
  [
    'the 120 V tap on 208 V',
    mains(208),
    'off',
    {},
    'Transformer has 208 V on its 120 V tap and gives 46 V',
    ['xfmr'],
  ],
  [
    'a jumper from R to C that nothing opens',
    strap(setValue(two, 'xfmr2', 'params', 'protection', 'none'), 'stat.RC', 'stat.C'),
    'off',
    {},
    'Cooling transformer burns: 10.9 A, 6.6 times what it is rated for, and nothing opens: a jumper joins Thermostat RC and Thermostat C',
    ['strap'],
  ],
];

const transformers: Row[] = [
  [
    'the cooling transformer’s primary',
    lift(two, 'leadPrimary2', 'to'),
    'cool',
    {},
    'Cooling called: black of Cooling leads is landed at one end only, on Furnace board L1',
    ['leadPrimary2'],
  ],
  [
    'the furnace transformer’s primary, heating',
    lift(two, 'leadPrimary', 'to'),
    'heat',
    {},
    'Heating called: black of Furnace leads is landed at one end only, on Furnace board L1',
    ['leadPrimary'],
  ],
  [
    'the furnace transformer’s primary, cooling',
    lift(two, 'leadPrimary', 'to'),
    'cool',
    {},
    'Cooling called, blower (cooling speed) stays off: black of Furnace leads is landed at one end only, on Furnace board L1',
    ['leadPrimary'],
  ],
  [
    'its secondary open',
    two,
    'heat',
    fault('xfmr', 'secondary-open'),
    'Heating called: Transformer has its primary and gives nothing',
    ['xfmr'],
  ],
  [
    'the other’s primary open',
    two,
    'cool',
    fault('xfmr2', 'primary-open'),
    'Cooling called: Cooling transformer has its primary and gives nothing',
    ['xfmr2'],
  ],
  [
    'no primary at all',
    both(good, 'leadPrimary'),
    'heat',
    {},
    'Heating called: no wiring leads there and back',
    [],
  ],
  [
    '10 VA behind a 20 A fuse',
    setValue(setValue(good, 'xfmr', 'params', 'va', 10), 'fuse', 'params', 'rating', 20),
    'cool',
    {},
    'Transformer burns: 1.4 A, 3.3 times what it is rated for, and nothing opens',
    ['xfmr'],
  ],
];

const blanks: Row[] = [
  [
    'flat batteries and no C',
    bareStat,
    'cool',
    { controls: { stat: flat } },
    'Thermostat is blank: no good batteries, and no C to live on',
    ['stat'],
  ],
  [
    'flat batteries and C lifted',
    lift(good, 'statC', 'to'),
    'cool',
    { controls: { stat: flat } },
    'Thermostat is blank: blue of Thermostat cable is landed at one end only, on Thermostat C',
    ['statC'],
  ],
  [
    'flat batteries and R lifted',
    lift(good, 'statR', 'to'),
    'cool',
    { controls: { stat: flat } },
    'Thermostat is blank: red of Thermostat cable is landed at one end only, on Thermostat R',
    ['statR'],
  ],
  [
    'flat batteries and the breaker off',
    good,
    'cool',
    { controls: { stat: flat, furnaceBreaker: { handle: 'off' } } },
    'Thermostat is blank: stopped at Furnace breaker (off)',
    ['furnaceBreaker'],
  ],
  [
    'R and W exchanged at a zone’s thermostat',
    exchange(zone, ['statR', 'from'], ['statW', 'from']),
    'off',
    {},
    'Thermostat is blank: red of Thermostat cable lies between Thermostat W and R splice',
    ['statR'],
  ],
];

const lost: Row[] = [
  [
    'a run so long and thin that its contactor stays out',
    longRun(120),
    'cool',
    {},
    'Cooling called, compressor stays off: 12.4 V are lost on red and white of Outdoor cable',
    ['yardY', 'yardC'],
  ],
  [
    'one that starves it',
    longRun(300),
    'cool',
    {},
    'Cooling called, compressor stays off: 18.5 V are lost on red and white of Outdoor cable',
    ['yardY', 'yardC'],
  ],
];

test.each([...supplies, ...transformers, ...blanks, ...lost])('%s', (...row) => expectSaid(row));

test.each([
  ['a supply that is low', 70, /the supply is low\. Read it at the breaker/],
  ['a supply too high for every tap', 300, /No tap of it is made for that: open the breaker/],
  ['a supply made for another tap', 208, /move its supply to the tap made for it: 208 V/],
  ['a supply between two taps, nearer to the higher', 226, /move its supply to the tap made for it: 240 V/],
])('%s: what to do', (_what, volts, next) => {
  expect(said(mains(volts), 'off').next).toMatch(next);
});
