/** What the status line says of circuits with one thing wrong. What each does and is called is common practice in the trade. */
import type { Circuit } from '../../circuit';
import { addDevice, addLink, exchange, land, lift, setValue } from '../../circuit';
import type { Fault } from '../../network';
import { compile } from '../../network';
import { withBypasses } from '../../prove';
import {
  TEMPLATES,
  electricHeat,
  furnaceAirConditioner,
  heatPumpWithStrips,
  parallelThermostats,
  twoStageFurnace,
  twoTransformerSplit,
} from '../../systems';
import { callsOf, faultyOf, runCalls, statusesOf } from '../../testing/faulty';
import { said } from '../../testing/said';
import { toldView } from '../../testing/tell';
import { NEW_WORLD, advance, untilSteady } from '..';

const good = furnaceAirConditioner('Status');
const pump = heatPumpWithStrips('Status', { stages: 'two' });
const bare = setValue(twoTransformerSplit('Status'), 'xfmr2', 'params', 'protection', 'none');
const joined = (circuit: Circuit, ...joins: string[]) =>
  addLink(circuit, { id: 'strap', kind: 'jumper', joins });

type Row = [what: string, circuit: Circuit, call: string, words: RegExp, faults?: readonly Fault[]];

const rows: Row[] = [
  [
    'a W lifted at the board',
    lift(good, 'statW', 'to'),
    'heat',
    /^Heating called: white of Thermostat cable is landed at one end only/,
  ],
  [
    'a Y lifted outdoors',
    lift(good, 'yardY', 'to'),
    'cool',
    /^Cooling called: red of Outdoor cable is landed at one end only/,
  ],
  [
    'a second stage not landed',
    lift(twoStageFurnace('Status'), 'yardY2', 'to'),
    'cool-far',
    /second stage stays off: orange of Outdoor cable/,
  ],
  [
    'a compressor off while the strips run',
    lift(pump, 'yardY', 'to'),
    'heat-far',
    /stays off: yellow of Outdoor cable is landed at one end only/,
  ],
  [
    'Y and W exchanged',
    exchange(good, ['statY', 'to'], ['statW', 'to']),
    'cool',
    /^Cooling called, but heating runs .*lies between Thermostat Y and Furnace board W/,
  ],
  [
    'a jumper from R to G',
    joined(good, 'board.R', 'board.G'),
    'off',
    /on without a call: a jumper joins Furnace board R and Furnace board G/,
  ],
  [
    'a shorted contactor coil',
    good,
    'cool',
    /^Fuse blown: Contactor: contactor coil is shorted/,
    [{ target: 'contactor', mode: 'coil-shorted' }],
  ],
  [
    'a short at the yard',
    good,
    'cool',
    /^Fuse blown: red of Outdoor cable and white of Outdoor cable touch/,
    [{ target: 'yardY', mode: 'short:yardC' }],
  ],
  [
    'a broken conductor',
    good,
    'heat',
    /^Heating called: white of Thermostat cable is broken/,
    [{ target: 'statW', mode: 'open' }],
  ],
  [
    'a contactor that does not pull in',
    good,
    'cool',
    /^Cooling called.*contactor coil has its volts and takes no current/i,
    [{ target: 'contactor', mode: 'coil-open' }],
  ],
  [
    'a relay burnt open',
    electricHeat('Status'),
    'fan',
    /Fan relay .*does not act on it/,
    [{ target: 'fanRelay', mode: 'burnt' }],
  ],
  [
    'a transformer’s open primary on the 240 V tap',
    pump,
    'heat',
    /Transformer has its primary and gives nothing/,
    [{ target: 'xfmr', mode: 'primary-open' }],
  ],
  [
    'a blank thermostat with its fuse blown',
    lift(setValue(good, 'stat', 'params', 'supply', 'wired'), 'leadFused', 'to'),
    'cool',
    /^Thermostat is blank: red of Furnace leads is landed at one end only/,
  ],
  [
    'the 120 V tap on 240 V',
    land(pump, 'leadPrimary', 'to', 'xfmr.P120'),
    'off',
    /^Transformer has 240 V on its 120 V tap and gives 5\d V/,
  ],
  [
    'a dead short that nothing opens',
    land(bare, 'statC', 'from', 'stat.RC'),
    'off',
    /^Cooling transformer burns: 1\d\.\d A, \d\.\d times what it is rated for, and nothing opens: blue/,
  ],
  ['all well', good, 'cool', /^Cooling: .*compressor and outdoor fan on$/],
];

test.each(rows.map(([what, ...rest]) => ({ what, rest })))(
  '$what',
  ({ rest: [circuit, call, words, faults = []] }) => {
    expect(said(circuit, call, { faults }).text).toMatch(words);
  },
);

test('a relay that closes hot onto common is told by the stretch it lies in', () => {
  const relay = addDevice(good, {
    id: 'k',
    kind: 'relay',
    station: 'plant',
    label: 'Stray relay',
    params: { serves: 'fan' },
    settings: {},
  });
  const wired: Circuit = {
    ...relay,
    cables: [
      ...relay.cables,
      {
        id: 'stray',
        label: 'Stray leads',
        gauge: 18,
        lengthM: 0.3,
        conductors: [
          { id: 's1', colour: 'GN', from: 'board.G', to: 'k.A1' },
          { id: 's2', colour: 'BU', from: 'board.C', to: 'k.A2' },
          { id: 's3', colour: 'RD', from: 'board.R', to: 'k.COM' },
          { id: 's4', colour: 'BU', from: 'k.NO', to: 'board.C' },
        ],
      },
    ],
  };
  const status = said(wired, 'fan');
  expect(status.text).toMatch(/^Fuse blown: .*somewhere between /);
  expect(status.parts).toEqual(expect.arrayContaining(['s3', 'k', 's4']));
});

test('two thermostats of different minds are told as that', () => {
  const two = parallelThermostats('Status');
  const [one, other] = two.devices.filter(({ kind }) => kind === 'thermostat').map(({ id }) => id);
  const network = compile(two);
  const held = (mode: string, setC: number) => ({ mode, fan: 'auto', setC });
  const inputs = {
    controls: { [one!]: held('heat', 25), [other!]: held('cool', 20) },
    conditions: { indoorC: 22, outdoorC: 25 },
  };
  const settled = untilSteady(network, inputs, NEW_WORLD, 1200);
  expect(toldView(network, inputs, settled).status.text).toBe('Heating and cooling run together');
});

// 30 V is the limit of Class 2 (NEC article 725, from memory).
test.each([
  [29.6, /no call/],
  [32, /^Transformer gives 30\.\d V, above 30 V$/],
])('a transformer of %d open volts', (openVolts, words) => {
  expect(said(setValue(good, 'xfmr', 'params', 'openVolts', openVolts), 'off').text).toMatch(words);
});

test('a supply too high for its tap names the tap', () => {
  const high = { ...good, mains: { ...good.mains, volts: 144 } };
  expect(said(high, 'off').text).toBe('Transformer has 144 V on its 120 V tap and gives 32 V');
});

test('a power-stealing thermostat with both calls open says that nothing leads back', () => {
  const stealing = furnaceAirConditioner('Status', false, 'stealing');
  const open = lift(lift(stealing, 'statY', 'to'), 'statW', 'to');
  expect(said(open, 'off').text).toMatch(/^Thermostat is blank: (yellow|white) of Thermostat cable/);
});

test.each([
  ['fuse', { holder: 'empty' }, /^24 V at the transformer, no call; Board fuse pulled$/],
  ['disconnect', { handle: 'off' }, /no call; Disconnect off$/],
  ['switch', { handle: 'off' }, /^No 24 V: the transformer is dead$/],
])('with no call, what is open is not passed over: %s', (device, held, words) => {
  const network = compile(good);
  const off = callsOf(good)[0]!.inputs;
  const inputs = { ...off, controls: { ...off.controls, [device]: held } };
  const settled = advance(network, inputs, NEW_WORLD, 420);
  expect(toldView(network, inputs, settled).status.text).toMatch(words);
});

test('a wet float comes before a wait', () => {
  const network = compile(good);
  const inputs = { ...callsOf(good).find(({ id }) => id === 'cool')!.inputs };
  const wet = { ...inputs, controls: { ...inputs.controls, float: { level: 'wet' } } };
  const settled = advance(network, wet, NEW_WORLD, 5);
  const { status } = toldView(network, wet, settled);
  expect(status.next).not.toMatch(/not a fault/);
  expect(status.text).toMatch(/Pan float/);
});

test('a wet float that is bypassed stops nothing: the wait is said, and the float after it', () => {
  const network = compile(withBypasses(good, ['float']));
  const after = (call: string, seconds: number) => {
    const { controls, ...inputs } = callsOf(good).find(({ id }) => id === call)!.inputs;
    const wet = { ...inputs, controls: { ...controls, float: { level: 'wet' } } };
    return toldView(network, wet, advance(network, wet, NEW_WORLD, seconds)).status.text;
  };
  expect(after('cool', 5)).toMatch(/^Cooling/);
  expect(after('cool', 5)).not.toMatch(/Pan float/);
  expect(after('cool', 3600)).toMatch(/^Contactor coil is fed astray: a jumper joins Pan float/);
  expect(after('heat', 3600)).toBe('Pan float: wet');
});

// One fault in thirty of every system; the whole of them is what `npm run bench:advice` goes through.
test.each(TEMPLATES)('$id: no good part is blamed', ({ build }) => {
  const circuit = build('Status');
  const calls = callsOf(circuit);
  const reference = runCalls(circuit, [], calls);
  for (const faulty of faultyOf(circuit).filter((_, i) => i % 30 === 11))
    for (const { call, status, verdict } of statusesOf(faulty, calls, reference))
      expect({ fault: faulty.text, call, said: status.text, verdict }).not.toMatchObject({
        verdict: 'blames another',
      });
});
