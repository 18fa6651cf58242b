/**
 * What the status line says of parts that have failed. What each does and where a
 * technician would look first is common practice in the trade.
 */
import type { Row } from '../../testing/said';
import { expectSaid, fault, ready } from '../../testing/said';

const good = ready('furnace-ac');
const pump = ready('heat-pump-two-stage');
const zone = ready('boiler-zone');
const roof = ready('rooftop');
const strips = ready('electric-heat-ac');
const sequenced = ready('electric-heat-sequencer');
const coil = ready('fan-coil');
const heater = ready('unit-heater');

const parts: Row[] = [
  [
    'a burnt disconnect',
    good,
    'cool',
    fault('disconnect', 'burnt'),
    'Cooling called, compressor stays off: Disconnect does not pass current',
    ['disconnect'],
  ],
  [
    'a contactor’s open pole',
    good,
    'cool',
    fault('contactor', 'pole-open'),
    'Cooling called, compressor stays off: Contactor has what it needs and does not act on it (pole1)',
    ['contactor'],
  ],
  [
    'a welded contactor',
    good,
    'off',
    fault('contactor', 'welded'),
    'Compressor and outdoor fan on without a call: Contactor passes current though it should be open (pole1)',
    ['contactor'],
  ],
  [
    'an open run winding',
    good,
    'cool',
    fault('unit', 'run-winding-open'),
    'Cooling called, compressor stays off: Compressor and fan: compressor has its volts and takes no current',
    ['unit'],
  ],
  [
    'an open outdoor fan',
    good,
    'cool',
    fault('unit', 'fan-open'),
    'Cooling called, outdoor fan stays off: Compressor and fan: outdoor fan has its volts and takes no current',
    ['unit'],
  ],
  [
    'a dead W input',
    good,
    'heat',
    fault('board', 'w-input-open'),
    'Heating called: Furnace board: input W has its volts and takes no current',
    ['board'],
  ],
  [
    'an open blower relay',
    good,
    'fan',
    fault('board', 'blower-relay-open'),
    'Fan called: Furnace board has what it needs and does not act on it (cool relay)',
    ['board'],
  ],
  [
    'a cracked igniter',
    good,
    'heat',
    fault('board', 'igniter-open'),
    'Heating called: stopped at Furnace board (lockout)',
    ['board'],
  ],
  [
    'an open secondary',
    good,
    'heat',
    fault('xfmr', 'secondary-open'),
    'Heating called: Transformer has its primary and gives nothing',
    ['xfmr'],
  ],
  [
    'a thermostat that does not close Y',
    good,
    'cool',
    fault('stat', 'y-contact-open'),
    'Cooling called: Thermostat has what it needs and does not act on it (Y)',
    ['stat'],
  ],
  [
    'a thermostat that does not open W',
    good,
    'off',
    fault('stat', 'w-contact-stuck'),
    'Inducer and gas valve on without a call: Thermostat passes current though it should be open (W)',
    ['stat'],
  ],
  [
    'a thermostat that does not open W, cooling',
    good,
    'cool',
    fault('stat', 'w-contact-stuck'),
    'Cooling called, but heating runs (inducer and gas valve): Thermostat passes current though it should be open (W)',
    ['stat'],
  ],
  [
    'an open reversing valve',
    pump,
    'cool',
    fault('pump', 'valve-open'),
    'Cooling called, but heating runs (contactor coil, compressor and outdoor fan): Outdoor board: reversing valve has its volts and takes no current',
    ['pump'],
  ],
  [
    'an outdoor timer',
    pump,
    'heat',
    fault('pump', 'timer-open'),
    'Heating called: Outdoor board has what it needs and does not act on it (timer)',
    ['pump'],
  ],
  [
    'an open strip bank',
    pump,
    'heat-far',
    fault('board', 'strip-open'),
    'Heating called, first strip bank stays off: Air handler board: first strip bank has its volts and takes no current',
    ['board'],
  ],
  [
    'a strip relay that sticks',
    pump,
    'off',
    fault('board', 'strip-stuck'),
    'First strip bank on without a call: Air handler board passes current though it should be open (strip 1 relay)',
    ['board'],
  ],
  [
    'an open circulator',
    zone,
    'heat',
    fault('boiler', 'circulator-open'),
    'Heating called, circulator stays off: Boiler control: circulator has its volts and takes no current',
    ['boiler'],
  ],
  [
    'a dead zone valve',
    zone,
    'heat',
    fault('valve', 'motor-open'),
    'Heating called: Zone valve has its volts and takes no current',
    ['valve'],
  ],
  [
    'the second contactor of a rooftop',
    roof,
    'cool-far',
    fault('cc2', 'coil-open'),
    'Cooling called, compressor contactor 2 stays off: Compressor contactor 2: contactor coil has its volts and takes no current',
    ['cc2'],
  ],
  [
    'the fan contactor of a rooftop',
    roof,
    'fan',
    fault('fanRelay', 'coil-open'),
    'Fan called: Fan contactor: contactor coil has its volts and takes no current',
    ['fanRelay'],
  ],
  [
    'a welded heat contactor',
    strips,
    'off',
    fault('heatRelay', 'welded'),
    '5 kW strips on without a call: Heat contactor passes current though it should be open (contact)',
    ['heatRelay'],
  ],
  [
    'an open blower',
    strips,
    'fan',
    fault('blower', 'open'),
    'Fan called, blower stays off: Blower has its volts and takes no current',
    ['blower'],
  ],
  [
    'a dead sequencer',
    sequenced,
    'heat',
    fault('heatRelay', 'heater-open'),
    'Heating called: Heat sequencer: sequencer heater has its volts and takes no current',
    ['heatRelay'],
  ],
  [
    'a unit heater’s fan',
    heater,
    'heat',
    fault('board', 'fan-open'),
    'Heating called, heater fan stays off: Unit heater board: heater fan has its volts and takes no current',
    ['board'],
  ],
  [
    'a chilled-water valve',
    coil,
    'cool',
    fault('chilled', 'motor-open'),
    'Cooling called: Cooling valve has its volts and takes no current',
    ['chilled'],
  ],
];

test.each([...parts])('%s', (...row) => expectSaid(row));
