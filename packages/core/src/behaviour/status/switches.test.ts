/**
 * What the status line says when a hand, a safety or the weather holds something open, and while something is counting. What each does and where a
 * technician would look first is common practice in the trade.
 */
import type { Circuit } from '../../circuit';
import { lift, removeDevice, setValue } from '../../circuit';
import type { Had, Row } from '../../testing/said';
import { expectSaid, fault, held, ready, said, strap } from '../../testing/said';

const good = ready('furnace-ac');
const pump = ready('heat-pump-two-stage');
const two = ready('two-transformers');
const zone = ready('boiler-zone');
const roof = ready('rooftop');
const strips = ready('electric-heat-ac');
const sequenced = ready('electric-heat-sequencer');
const coil = ready('fan-coil');
const heatOnly = ready('electric-heat');

const hands: Row[] = [
  [
    'a wet float',
    good,
    'cool',
    held('float', { level: 'wet' }),
    'Cooling called: stopped at Pan float (wet)',
    ['float'],
  ],
  ['a wet float while heating', good, 'heat', held('float', { level: 'wet' }), 'Pan float: wet', ['float']],
  [
    'high pressure',
    good,
    'cool',
    held('high', { pressure: 'outside' }),
    'Cooling called: stopped at High pressure (open)',
    ['high'],
  ],
  [
    'a door that is off',
    good,
    'heat',
    held('door', { door: 'open' }),
    'Heating called: stopped at Door switch (door off)',
    ['door'],
  ],
  [
    'an open limit',
    good,
    'heat',
    held('board', { limit: 'tripped' }),
    'Heating called, gas valve stays off: stopped at Furnace board (limit open)',
    ['board'],
  ],
  [
    'no draft',
    good,
    'heat',
    held('board', { pressure: 'stuck' }),
    'Heating called: stopped at Furnace board (lockout)',
    ['board'],
  ],
  [
    'no gas',
    good,
    'heat',
    held('board', { gas: 'off' }),
    'Heating called: stopped at Furnace board (lockout)',
    ['board'],
  ],
  [
    'a pulled fuse',
    good,
    'heat',
    held('fuse', { holder: 'empty' }),
    'Heating called: stopped at Board fuse (pulled)',
    ['fuse'],
  ],
  [
    'the furnace breaker off',
    good,
    'heat',
    held('furnaceBreaker', { handle: 'off' }),
    'Heating called: stopped at Furnace breaker (off)',
    ['furnaceBreaker'],
  ],
  [
    'the outdoor breaker off',
    good,
    'cool',
    held('acBreaker', { handle: 'off' }),
    'Cooling called, compressor stays off: stopped at AC breaker (off)',
    ['acBreaker'],
  ],
  [
    'the disconnect off',
    good,
    'cool',
    held('disconnect', { handle: 'off' }),
    'Cooling called, compressor stays off: stopped at Disconnect (off)',
    ['disconnect'],
  ],
  [
    'smoke, cooling',
    roof,
    'cool',
    held('smoke', { duct: 'smoke' }),
    'Cooling called: stopped at Duct detector (alarm)',
    ['smoke'],
  ],
  ['smoke, nothing called', roof, 'off', held('smoke', { duct: 'smoke' }), 'Duct detector: alarm', ['smoke']],
  [
    'the limit of strips',
    strips,
    'heat',
    held('strips', { limit: 'tripped' }),
    'Heating called, 5 kW strips stays off: stopped at 5 kW strips (limit open)',
    ['strips'],
  ],
  [
    'the float of a fan coil',
    coil,
    'cool',
    held('float', { level: 'wet' }),
    'Fan called: stopped at Pan float (wet)',
    ['float'],
  ],
];

const withoutHeat = lift(lift(removeDevice(coil, 'hot'), 'leadHotC', 'to'), 'statW', 'from');

const asIs: Row[] = [
  ['heat asked of what only cools', withoutHeat, 'heat', {}, 'Heating called, but nothing here heats', []],
  [
    'heat asked of what only cools, its Y loose',
    lift(withoutHeat, 'statY', 'to'),
    'heat',
    {},
    'Heating called, and nothing heats: yellow of Thermostat cable is landed at one end only, on Thermostat Y',
    ['statY'],
  ],
  ['cooling asked of strips alone', heatOnly, 'cool', {}, 'Cooling called, but nothing here cools', []],
  [
    'cooling asked of strips alone, G loose',
    lift(heatOnly, 'statG', 'to'),
    'cool',
    {},
    'Fan called: green of Thermostat cable is landed at one end only, on Thermostat G',
    ['statG'],
  ],
  [
    'emergency heat, warm enough',
    pump,
    'emergency',
    held('stat', { mode: 'emergency', fan: 'auto', setC: 5 }),
    'Set to heat, no call: 21 °C indoors is not below 5 °C',
    [],
  ],
  [
    'heat, warm enough',
    good,
    'heat',
    held('stat', { mode: 'heat', fan: 'auto', setC: 5 }),
    'Set to heat, no call: 21 °C indoors is not below 5 °C',
    [],
  ],
  [
    'cooling, cool enough',
    good,
    'cool',
    held('stat', { mode: 'cool', fan: 'auto', setC: 35 }),
    'Set to cool, no call: 23 °C indoors is not above 35 °C',
    [],
  ],
  [
    'one of two transformers dead',
    two,
    'off',
    fault('leadPrimary2', 'open'),
    '24 V at the transformer, no call; Cooling transformer gives nothing',
    [],
  ],
  ['pre-purge', good, 'heat', { after: 5 }, 'Heating called; Furnace board: pre-purge', []],
  ['warm-up', good, 'heat', { after: 30 }, 'Heating called; Furnace board: igniter warming up', []],
  ['a zone valve on its way', zone, 'heat', { after: 20 }, 'Heating called; Zone valve: valve opens', []],
  [
    'a sequencer counting',
    sequenced,
    'heat',
    { after: 10 },
    'Heating called; Heat sequencer: heat closes 30 s after W',
    [],
  ],
];

test.each([...hands, ...asIs])('%s', (...row) => expectSaid(row));

test.each<[string, Circuit, string, Had, RegExp]>([
  [
    'an open limit is never to be bypassed',
    good,
    'heat',
    held('board', { limit: 'tripped' }),
    /Never bypass it/,
  ],
  ['a wet float is drained', good, 'cool', held('float', { level: 'wet' }), /clear the drain/],
  [
    'smoke is looked at before a reset',
    roof,
    'cool',
    held('smoke', { duct: 'smoke' }),
    /Look before you reset/,
  ],
  [
    'high pressure is not a wiring fault',
    good,
    'cool',
    held('high', { pressure: 'outside' }),
    /refrigeration fault, not a wiring one/,
  ],
  ['a short is cleared before a fuse', strap(good, 'stat.R', 'stat.C'), 'off', {}, /^Clear the short before/],
  [
    'a short that burns has its breaker opened',
    strap(setValue(two, 'xfmr2', 'params', 'protection', 'none'), 'stat.RC', 'stat.C'),
    'off',
    {},
    /^Open the breaker now/,
  ],
])('%s', (_what, circuit, call, had, next) => {
  expect(said(circuit, call, had).next).toMatch(next);
});
