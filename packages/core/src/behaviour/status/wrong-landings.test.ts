/**
 * What the status line says of conductors on the wrong terminals and of thermostats set up wrong. What each does and where a
 * technician would look first is common practice in the trade.
 */
import { exchange, land, lift, setValue } from '../../circuit';
import type { Row } from '../../testing/said';
import { expectSaid, fault, ready, said, strap } from '../../testing/said';

const good = ready('furnace-ac');
const pump = ready('heat-pump-two-stage');
const two = ready('two-transformers');
const roof = ready('rooftop');
const boiler = ready('boiler');

const mixed: Row[] = [
  [
    'Y and AUX exchanged, heating',
    exchange(pump, ['statY', 'to'], ['statAux', 'to']),
    'heat',
    {},
    'Heating called, second strip bank stays off: yellow of Thermostat cable lies between Thermostat Y and Air handler board W1',
    ['statY'],
  ],
  [
    'Y and AUX exchanged, cooling',
    exchange(pump, ['statY', 'to'], ['statAux', 'to']),
    'cool',
    {},
    'Cooling called, but heating runs (first strip bank): yellow of Thermostat cable lies between Thermostat Y and Air handler board W1',
    ['statY'],
  ],
  [
    'R and C exchanged outdoors',
    exchange(pump, ['yardR', 'to'], ['yardC', 'to']),
    'heat',
    {},
    'Heating called: red of Outdoor cable lies between Air handler board R and Outdoor board C',
    ['yardR'],
  ],
  [
    'C on CC',
    land(pump, 'yardC', 'to', 'pump.CC'),
    'heat',
    {},
    'Fuse blown: black of Outdoor cable lies between Air handler board C and Outdoor board CC',
    ['yardC'],
  ],
  [
    'R on Y2',
    land(pump, 'statR', 'from', 'stat.Y2'),
    'cool',
    {},
    'Cooling called: red of Thermostat cable lies between Thermostat Y2 and Air handler board R',
    ['statR'],
  ],
  [
    'E on O',
    land(pump, 'statE', 'to', 'board.O'),
    'emergency',
    {},
    'Heating called, second strip bank stays off: brown of Thermostat cable lies between Thermostat E and Air handler board O',
    ['statE'],
  ],
  [
    'Y2 and E exchanged, heating',
    exchange(pump, ['statY2', 'from'], ['statE', 'from']),
    'heat-far',
    {},
    'Heating called, second stage solenoid stays off: blue of Thermostat cable lies between Thermostat E and Air handler board Y2',
    ['statY2'],
  ],
  [
    'Y2 and W1 exchanged at the board',
    exchange(pump, ['yardY2', 'from'], ['yardD', 'from']),
    'cool-far',
    {},
    'Cooling called, second stage solenoid stays off: blue of Outdoor cable lies between Air handler board W1 and Outdoor board Y2',
    ['yardY2'],
  ],
  [
    'a boiler’s T terminals joined',
    strap(boiler, 'boiler.T1', 'boiler.T2'),
    'off',
    {},
    'Boiler relay, circulator and burner on without a call: a jumper joins Boiler control T1 and Boiler control T2',
    ['strap'],
  ],
  [
    'Y2 on C',
    land(ready('furnace-ac-two-stage'), 'yardY2', 'from', 'board.C'),
    'cool-far',
    {},
    'Cooling called, second stage stays off: orange of Outdoor cable lies between Furnace board C and Y2',
    ['yardY2'],
  ],
  [
    'a loose Y before an open coil',
    lift(good, 'yardY', 'to'),
    'cool',
    fault('contactor', 'coil-open'),
    'Cooling called: red of Outdoor cable is landed at one end only, on Pan float NC',
    ['yardY'],
  ],
  [
    'a broken W, Y broken too',
    good,
    'heat',
    {
      faults: [
        { target: 'statW', mode: 'open' },
        { target: 'statY', mode: 'open' },
      ],
    },
    'Heating called: white of Thermostat cable is broken',
    ['statW'],
  ],
  [
    'two breaks in a row, the first',
    good,
    'cool',
    {
      faults: [
        { target: 'statY', mode: 'open' },
        { target: 'yardY', mode: 'open' },
      ],
    },
    'Cooling called: yellow of Thermostat cable is broken',
    ['statY'],
  ],
  [
    'a wet float before an open coil',
    good,
    'cool',
    { ...fault('contactor', 'coil-open'), controls: { float: { level: 'wet' } } },
    'Cooling called: stopped at Pan float (wet)',
    ['float'],
  ],
  [
    'a shorted coil on a rooftop',
    roof,
    'cool-far',
    fault('cc2', 'coil-shorted'),
    'Fuse blown: Compressor contactor 2: contactor coil is shorted',
    ['cc2'],
  ],
  [
    'a shorted coil on a limited transformer',
    two,
    'cool',
    fault('contactor', 'coil-shorted'),
    'The transformer has opened by itself: Contactor: contactor coil is shorted',
    ['contactor'],
  ],
  [
    'G and W touching',
    good,
    'fan',
    fault('statG', 'short:statW'),
    'Inducer and gas valve on without a call: green of Thermostat cable and white of Thermostat cable touch',
    ['statG', 'statW'],
  ],
];

const setUps: Row[] = [
  [
    'O/B set to B, cooling',
    setValue(pump, 'stat', 'settings', 'valve', 'B'),
    'cool',
    {},
    'Cooling called, but heating runs (contactor coil, compressor and outdoor fan): Thermostat asks for it as it is set up',
    ['stat'],
  ],
  [
    'O/B set to B, heating',
    setValue(pump, 'stat', 'settings', 'valve', 'B'),
    'heat',
    {},
    'Heating called, but cooling runs (contactor coil, compressor and outdoor fan): Thermostat asks for it as it is set up',
    ['stat'],
  ],
  [
    'a heat pump set conventional',
    setValue(pump, 'stat', 'settings', 'system', 'conventional'),
    'heat',
    {},
    'Heating called, but Thermostat closes nothing that brings it here',
    ['stat'],
  ],
  [
    'a furnace set to heat pump',
    setValue(good, 'stat', 'settings', 'system', 'heat-pump'),
    'heat',
    {},
    'Heating called, but cooling runs (contactor coil, compressor and outdoor fan): Thermostat asks for it as it is set up',
    ['stat'],
  ],
];

test.each([...mixed, ...setUps])('%s', (...row) => expectSaid(row));

test('one thermostat of two minds that gets its way is not told as both running', () => {
  const two = ready('parallel-thermostats');
  const status = said(two, 'off', {
    faults: [{ target: 'contactor', mode: 'coil-open' }],
    controls: {
      stat: { mode: 'heat', fan: 'auto', setC: 25 },
      stat2: { mode: 'cool', fan: 'auto', setC: 18 },
    },
  });
  expect(status.text).toMatch(/^Cooling called.*contactor coil has its volts and takes no current$/);
});
