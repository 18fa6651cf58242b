/**
 * What the status line says of ends that are loose, missing or broken, one or two at once. What each does and where a
 * technician would look first is common practice in the trade.
 */
import type { Circuit } from '../../circuit';
import { exchange, land, lift } from '../../circuit';
import type { Row } from '../../testing/said';
import { expectSaid, fault, held, ready, strap } from '../../testing/said';

const good = ready('furnace-ac');
const pump = ready('heat-pump-two-stage');
const two = ready('two-transformers');
const zone = ready('boiler-zone');
const both = (circuit: Circuit, conductor: string) => lift(lift(circuit, conductor, 'to'), conductor, 'from');

const looseEnds: Row[] = [
  [
    'Y outdoors and W at the board, cooling',
    lift(lift(good, 'yardY', 'to'), 'statW', 'to'),
    'cool',
    {},
    'Cooling called: red of Outdoor cable is landed at one end only, on Pan float NC',
    ['yardY'],
  ],
  [
    'Y outdoors and W at the board, heating',
    lift(lift(good, 'yardY', 'to'), 'statW', 'to'),
    'heat',
    {},
    'Heating called: white of Thermostat cable is landed at one end only, on Thermostat W',
    ['statW'],
  ],
  [
    'Y outdoors and W at the board, nothing called',
    lift(lift(good, 'yardY', 'to'), 'statW', 'to'),
    'off',
    {},
    '24 V present, no call',
    [],
  ],
  [
    'Y outdoors and G at the board',
    lift(lift(good, 'yardY', 'to'), 'statG', 'to'),
    'cool',
    {},
    'Cooling called: red of Outdoor cable is landed at one end only, on Pan float NC',
    ['yardY'],
  ],
  [
    'the common outdoors',
    lift(good, 'yardC', 'to'),
    'cool',
    {},
    'Cooling called: white of Outdoor cable is landed at one end only, on Furnace board C',
    ['yardC'],
  ],
  [
    'the common at the board',
    lift(good, 'yardC', 'from'),
    'cool',
    {},
    'Cooling called: white of Outdoor cable is landed at one end only, on C',
    ['yardC'],
  ],
  [
    'R at the board',
    lift(good, 'statR', 'to'),
    'cool',
    {},
    'Cooling called: red of Thermostat cable is landed at one end only, on Thermostat R',
    ['statR'],
  ],
  [
    'Y at the board and a wet float',
    lift(good, 'statY', 'to'),
    'cool',
    held('float', { level: 'wet' }),
    'Cooling called: yellow of Thermostat cable is landed at one end only, on Thermostat Y',
    ['statY'],
  ],
  [
    'RC of two transformers',
    lift(two, 'statRC', 'to'),
    'cool',
    {},
    'Cooling called: red of Thermostat cable is landed at one end only, on Thermostat RC',
    ['statRC'],
  ],
  [
    'O of a heat pump',
    lift(pump, 'yardO', 'to'),
    'cool',
    {},
    'Cooling called, but heating runs (contactor coil, compressor and outdoor fan): orange of Outdoor cable is landed at one end only, on Air handler board O',
    ['yardO'],
  ],
  [
    'R of a heat pump outdoors',
    lift(pump, 'yardR', 'to'),
    'heat',
    {},
    'Heating called: red of Outdoor cable is landed at one end only, on Air handler board R',
    ['yardR'],
  ],
  [
    'AUX of a heat pump',
    lift(pump, 'statAux', 'to'),
    'heat-far',
    {},
    'Heating called, first strip bank stays off: white of Thermostat cable is landed at one end only, on Thermostat AUX',
    ['statAux'],
  ],
  [
    'the end switch of a zone valve',
    lift(zone, 'leadEnd1', 'to'),
    'heat',
    {},
    'Heating called, boiler relay stays off: yellow of Zone leads is landed at one end only, on Zone valve E1',
    ['leadEnd1'],
  ],
];

const empties: Row[] = [
  [
    'nothing on the float',
    both(good, 'yardY'),
    'cool',
    {},
    'Cooling called: nothing is landed on Pan float NC',
    ['float.NC'],
  ],
  ['no W at all', both(good, 'statW'), 'heat', {}, 'Heating called: no wiring leads there and back', []],
  [
    'no R at all',
    both(good, 'statR'),
    'cool',
    {},
    'Cooling called: nothing is landed on Thermostat R',
    ['stat.R'],
  ],
  [
    'no RC at all',
    both(two, 'statRC'),
    'cool',
    {},
    'Cooling called: nothing is landed on Thermostat RC',
    ['stat.RC'],
  ],
  [
    'no RH at all',
    both(two, 'statRH'),
    'heat',
    {},
    'Heating called: nothing is landed on Thermostat RH',
    ['stat.RH'],
  ],
];

const swapped = exchange(pump, ['yardY', 'to'], ['yardO', 'to']);

const wires: Row[] = [
  [
    'a broken common',
    good,
    'cool',
    fault('yardC', 'open'),
    'Cooling called: white of Outdoor cable is broken',
    ['yardC'],
  ],
  [
    'a broken R',
    good,
    'heat',
    fault('statR', 'open'),
    'Heating called: red of Thermostat cable is broken',
    ['statR'],
  ],
  [
    'Y and W touching',
    good,
    'heat',
    fault('statY', 'short:statW'),
    'Heating called, but cooling runs (contactor coil, compressor and outdoor fan): yellow of Thermostat cable and white of Thermostat cable touch',
    ['statY', 'statW'],
  ],
  [
    'R and G touching',
    good,
    'off',
    fault('statR', 'short:statG'),
    'Blower (cooling speed) on without a call: red of Thermostat cable and green of Thermostat cable touch',
    ['statR', 'statG'],
  ],
  [
    'Y and O exchanged outdoors, heating',
    swapped,
    'heat',
    {},
    'Heating called: yellow of Outdoor cable lies between Air handler board Y and Outdoor board O',
    ['yardY'],
  ],
  [
    'Y and O exchanged outdoors, cooling',
    swapped,
    'cool',
    {},
    'Contactor coil is fed astray: orange of Outdoor cable lies between Air handler board O and Outdoor board Y',
    ['yardO'],
  ],
  [
    // Either conductor of the row may be the one that is wrong: neither is blamed before the other.
    'the lead of a float on G, fan',
    land(good, 'leadFloat', 'from', 'board.G'),
    'fan',
    {},
    'Contactor coil, compressor and outdoor fan on without a call: what is landed on Furnace board G leads to Y',
    ['leadFloat', 'yardY'],
  ],
  [
    'the lead of a float on C, cooling',
    land(good, 'leadFloat', 'from', 'board.C'),
    'cool',
    {},
    'Cooling called: what is landed on Furnace board C leads to Y',
    ['leadFloat', 'yardY'],
  ],
  [
    // What belongs where its end is missed is plain.
    'beyond a float Y on C outdoors, cooling',
    land(good, 'yardY', 'to', 'nutC.NUT'),
    'cool',
    {},
    'Fuse blown: red of Outdoor cable lies between Pan float NC and C',
    ['yardY'],
  ],
  [
    'a jumper from R to C',
    strap(good, 'stat.R', 'stat.C'),
    'off',
    {},
    'Fuse blown: a jumper joins Thermostat R and Thermostat C',
    ['strap'],
  ],
  [
    'a jumper from Y to C, called',
    strap(good, 'board.Y', 'board.C'),
    'cool',
    {},
    'Fuse blown: a jumper joins Furnace board Y and Furnace board C',
    ['strap'],
  ],
];

/** Nothing is missing for the call, and a hand may still meet what hangs there. */
const forgotten: Row[] = [
  [
    'a leg of the feed outdoors, heating',
    lift(good, 'feedL1', 'to'),
    'heat',
    {},
    'Black of Outdoor feed is loose with 120 V on it; its other end is on AC breaker L1',
    ['feedL1'],
  ],
  [
    'the same with its breaker off',
    lift(good, 'feedL1', 'to'),
    'heat',
    held('acBreaker', { handle: 'off' }),
    'Heating: blower (heating speed), inducer and gas valve on',
    [],
  ],
  [
    'G at the board, cooling, which moves the air all the same',
    lift(good, 'statG', 'to'),
    'cool',
    {},
    'Green of Thermostat cable is loose with 26 V on it; its other end is on Thermostat G',
    ['statG'],
  ],
  [
    'both of them: the most volts are said',
    lift(lift(good, 'statC', 'to'), 'feedL2', 'to'),
    'heat',
    {},
    'Red of Outdoor feed is loose with 120 V on it; its other end is on AC breaker L2',
    ['feedL2'],
  ],
  [
    'an end that nothing stands on',
    lift(good, 'statY', 'from'),
    'heat',
    {},
    'Heating: blower (heating speed), inducer and gas valve on',
    [],
  ],
];

test.each([...looseEnds, ...empties, ...wires, ...forgotten])('%s', (...row) => expectSaid(row));
