/**
 * A leak controller between thermostat and unit. That every call drops and the fan runs while refrigerant is found, that the test
 * jumper does the same, and that in neither place the unit looks dead, is common practice in the trade; its times are its settings.
 */
import type { Inputs } from '../behaviour';
import { NEW_WORLD, advance, energisedLoads, holding } from '../behaviour';
import type { Circuit } from '../circuit';
import { addLink, land, lift, parseCircuit, setValue } from '../circuit';
import { complaintOf, hypothesesOf, makeDictionary, siteWith } from '../diagnose';
import type { Values } from '../devices';
import { compile } from '../network';
import { prove } from '../prove';
import { followAdvice } from '../testing/technician';
import { toldView } from '../testing/tell';
import { furnaceWithLeakController } from '.';

const good = furnaceWithLeakController('Leak');
const HOUSE: Inputs = { controls: {}, conditions: { indoorC: 22, outdoorC: 20 } };
const CALLS = { cool: { mode: 'cool', setC: 18 }, heat: { mode: 'heat', setC: 26 }, off: { mode: 'off' } };

function after(
  call: keyof typeof CALLS,
  leak: Values = {},
  { circuit = good, seconds = 600, from = NEW_WORLD, stat = {} as Values } = {},
) {
  const network = compile(circuit);
  const inputs = holding(HOUSE, { stat: { ...CALLS[call], ...stat }, leak });
  const settled = advance(network, inputs, from, seconds);
  const on = energisedLoads(network, settled).map(({ load }) => load.id);
  return { on, world: settled.world, text: toldView(network, inputs, settled).status.text };
}

const keysOf = (circuit: Circuit) =>
  prove(circuit)!.findings.map(({ property, about }) => `${property} ${about}`);

test('is a valid document, proven without a danger or a fault', () => {
  expect(parseCircuit(JSON.parse(JSON.stringify(good)))).toEqual(good);
  expect(prove(good)!.findings.filter(({ severity }) => severity !== 'caution')).toEqual([]);
});

test('while it finds nothing every call passes', () => {
  expect(after('cool').on).toEqual(expect.arrayContaining(['coil', 'compressor', 'blower-cool']));
  expect(after('heat').on).toEqual(expect.arrayContaining(['gas-valve', 'blower-heat']));
});

test.each([
  [{ sensor: 'leak' }, 'red, leak'],
  [{ jumper: 'test' }, 'red, jumper in TEST'],
  [{ sensor: 'dead' }, 'red, no sensor'],
])('with %j every call drops and the fan runs, whatever is called', (leak, lamp) => {
  for (const call of ['cool', 'heat', 'off'] as const) {
    const { on, text } = after(call, leak);
    expect(on).toEqual(['blower-cool']);
    expect(text).toContain(`Leak controller`);
    expect(text).toContain(lamp);
  }
});

test('whoever waits for the burner is not told of a fan that nobody calls', () => {
  for (const addsFan of ['yes', 'no']) {
    const circuit = setValue(good, 'leak', 'settings', 'addsFan', addsFan);
    for (const call of ['heat', 'cool', 'off'] as const)
      for (const seconds of [0, 3, 10, 60, 600])
        expect(after(call, {}, { circuit, seconds }).text).not.toContain('Leak controller');
  }
});

test('its test is told as its test, with no C at the thermostat too, and not as wiring', () => {
  const noC = lift(good, 'statC', 'to');
  for (const circuit of [good, noC])
    for (const jumper of ['test', 'missing'])
      expect(after('cool', { jumper }, { circuit }).text).toMatch(/jumper in (TEST|neither)/);
});

test('with the thermostat blank too the fan runs', () => {
  const blank = lift(setValue(good, 'stat', 'params', 'supply', 'wired'), 'statC', 'to');
  expect(after('cool', { sensor: 'leak' }, { circuit: blank }).on).toEqual(['blower-cool']);
});

test('clean again, the fan goes on for its time and calls wait for theirs', () => {
  const { world } = after('heat', { sensor: 'leak' });
  const then = (seconds: number) => after('heat', {}, { from: world, seconds }).on;
  expect(then(200)).toEqual(['blower-cool']);
  expect(then(290)).not.toContain('gas-valve');
  expect(then(400)).toContain('gas-valve');
});

test('the delay after a leak is told as a wait, and until when', () => {
  const { world } = after('cool', { jumper: 'test' });
  const network = compile(good);
  const inputs = holding(HOUSE, { stat: CALLS.cool });
  const { status } = toldView(network, inputs, advance(network, inputs, world, 10));
  expect(status).toMatchObject({ tone: 'waiting', until: world.now + 300 });
  expect(status.text).toContain('Leak controller');
});

test('a fan that is to run longer than calls wait runs on beside them', () => {
  const longer = setValue(good, 'leak', 'settings', 'fanS', 900);
  const { world } = after('cool', { sensor: 'leak' }, { circuit: longer });
  const then = (call: keyof typeof CALLS, seconds: number) =>
    after(call, {}, { circuit: longer, from: world, seconds }).on;
  expect(then('off', 600)).toEqual(['blower-cool']);
  expect(then('cool', 600)).toContain('compressor');
  expect(then('off', 1000)).toEqual([]);
});

test('a dip of its supply is no way round the delay', () => {
  const { world } = after('heat', { sensor: 'leak' });
  const off = { ...HOUSE, controls: { switch: { handle: 'off' } } };
  const dark = advance(compile(good), holding(off, { stat: CALLS.heat }), world, 20).world;
  expect(dark.states.leak!.powered).toBe(false);
  const then = (seconds: number) => after('heat', {}, { from: dark, seconds }).on;
  expect(then(200)).not.toContain('gas-valve');
  expect(then(500)).toContain('gas-valve');
});

test('its jumper in neither place, it looks dead: nothing runs, no lamp', () => {
  for (const call of ['cool', 'heat'] as const) {
    const { on, text } = after(call, { jumper: 'missing' });
    expect([on, text]).toEqual([
      [],
      expect.stringContaining('Leak controller (no lamp, jumper in neither place)'),
    ]);
  }
});

test('a motor with taps gets G added to a call for cooling', () => {
  const taps = setValue(good, 'leak', 'settings', 'addsFan', 'yes');
  const byItself = (circuit: Circuit) => after('cool', {}, { circuit: lift(circuit, 'leakY', 'to') }).on;
  expect(byItself(taps)).toEqual(['blower-cool']);
  // Y is off: without it nothing asks the blower, as the thermostat's own G is off with it.
  expect(byItself(setValue(lift(good, 'statG', 'to'), 'leak', 'settings', 'addsFan', 'no'))).toEqual([]);
});

test.each<[string, Circuit, string]>([
  ['its lead to G off', lift(good, 'leakG', 'to'), 'unfanned leak'],
  ['heat past it', land(good, 'statW', 'to', 'board.W'), 'safety leak'],
  ['cooling past it', land(good, 'statY', 'to', 'board.Y'), 'safety leak'],
  [
    'a jumper across it',
    addLink(good, { id: 'strap', kind: 'jumper', joins: ['leak.TY', 'leak.Y'] }),
    'bypassed leak',
  ],
])('%s is found', (_, circuit, key) => {
  expect(keysOf(circuit)).toContain(key);
});

test.each(['leak no-jumper', 'leak in-test'])(
  '%s is found in three steps by who stands at the unit, in five from the thermostat',
  (id) => {
    const hypotheses = hypothesesOf(good);
    const [sound, site] = [hypotheses[0]!, hypotheses.find((one) => one.id === id)!].map((one) =>
      siteWith(good, one),
    );
    const dictionary = makeDictionary(good, hypotheses);
    const from = (station: string) =>
      followAdvice(dictionary, site!, complaintOf(sound!, site!)!, undefined, station);
    expect(from('plant').steps.length).toBeLessThanOrEqual(3);
    const { steps, ranking } = from('hall');
    expect(steps.length).toBeLessThanOrEqual(5);
    // Before all that the same visit puts right.
    expect(hypotheses[ranking.groups[0]!.members[0]!]!.id).toBe(id);
  },
);
