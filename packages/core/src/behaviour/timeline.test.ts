/** Sequences in time. Orders and delays are common practice in the trade, as the device settings quote them. */
import { addLink, lift, setValue } from '../circuit';
import { compile } from '../network';
import { findTemplate, furnaceAirConditioner, heatPumpWithStrips, twoZoneFurnace } from '../systems';
import type { Call } from '../devices';
import { namesIn, reasonText, sequenceText } from '../words';
import { callScript, instantAt, runTimeline } from '.';
import type { Timeline } from '.';

function run(id: string, call: Call, until = 1800): Timeline {
  const circuit = findTemplate(id)!.build('Timeline');
  return runTimeline(compile(circuit), callScript(circuit, call, 1200), until);
}

/** Times at which a lane goes on and off, with why. */
const turns = ({ lanes }: Timeline, title: string) =>
  lanes
    .find((lane) => lane.kind === 'load' && lane.title === title)!
    .spans.slice(1)
    .map((span) => ({ ...span, why: reasonText(span.why) }));

test('gas heat: inducer, draft, pre-purge, igniter, valve, flame, blower; and back in order', () => {
  const heat = run('furnace-ac', 'heat');
  const on = (title: string) => turns(heat, title)[0]!;
  expect(on('Inducer').from).toBe(0);
  expect(on('Igniter')).toMatchObject({ from: 4 + 15, why: 'pre-purge done' });
  expect(on('Gas valve')).toMatchObject({ from: 4 + 15 + 17, why: 'igniter hot' });
  expect(on('Blower (heating speed)')).toMatchObject({
    from: 4 + 15 + 17 + 2 + 30,
    why: 'blower on 30 s after flame',
  });
  const off = (title: string) => turns(heat, title).at(-1)!.from;
  expect(off('Gas valve')).toBe(1200);
  expect(off('Inducer')).toBe(1200 + 15);
  expect(off('Blower (heating speed)')).toBe(1200 + 90);
});

test('cooling waits out the protection, and every transition says why', () => {
  const cool = run('furnace-ac', 'cool');
  expect(turns(cool, 'Contactor coil')).toMatchObject([
    { from: 300, on: true, why: 'Thermostat R–Y closes' },
    { from: 1200, on: false, why: 'Thermostat R–Y opens' },
  ]);
  expect(turns(cool, 'Compressor')[0]!.why).toBe('Contactor closes');
  for (const { spans } of cool.lanes) for (const { why } of spans) expect(reasonText(why)).not.toBe('');
});

test.each([
  ['electric-heat-sequencer', 'heat', ['Sequencer heater', 'Blower', '5 kW strips']],
  ['boiler-zone', 'heat', ['Zone valve', 'Boiler relay']],
  ['unit-heater', 'heat', ['Inducer', 'Igniter', 'Gas valve', 'Heater fan']],
  ['heat-pump-two-stage', 'heat', ['Blower', 'Contactor coil']],
] as const)('%s starts its loads in order', (id, call, order) => {
  const line = run(id, call);
  const starts = order.map((title) => turns(line, title)[0]!.from);
  expect(starts).toEqual([...starts].sort((a, b) => a - b));
});

test('told in words it reads from R to C', () => {
  const names = namesIn(findTemplate('furnace-ac')!.build('Timeline'));
  const told = sequenceText(names, run('furnace-ac', 'cool'));
  expect(told[0]).toEqual({ at: 0, text: 'Cooling is called.' });
  expect(told[1]!.text).toContain('Thermostat: compressor protection over.');
  expect(told[1]!.text).toContain(
    '24 V from Transformer R through Board fuse, Thermostat R–Y, Pan float, Low pressure and High pressure to Contactor coil, back to Transformer C: Contactor coil on.',
  );
});

test('any instant can be looked at again', () => {
  const cool = run('furnace-ac', 'cool');
  expect(instantAt(cool, 299).at).toBe(0);
  expect(instantAt(cool, 900).world.states.contactor).toEqual({ in: true });
  expect(instantAt(cool, -5).at).toBe(0);
});

test('a fault laid over it changes the run', () => {
  const circuit = furnaceAirConditioner('Faulty');
  const faulty = runTimeline(compile(circuit), callScript(circuit, 'cool', 1200), 1800, [
    { target: 'contactor', mode: 'coil-open' },
  ]);
  expect(turns(faulty, 'Compressor')).toEqual([]);
});

test('a defrost comes and goes in the second hour', () => {
  const circuit = heatPumpWithStrips('Defrost', { stages: 'two' });
  const script = callScript(circuit, 'heat', 7200);
  script[0]!.controls = { ...script[0]!.controls, pump: { coil: 'frosted' } };
  const line = runTimeline(compile(circuit), script, 7300);
  expect(turns(line, 'Outdoor fan').map(({ from }) => from)).toEqual([300, 3900, 4500, 7200]);
});

test('a circuit that chatters ends with its name in bounded time', () => {
  // The pole lies across its own coil: it pulls in, shorts its supply, lets go.
  const good = setValue(furnaceAirConditioner('Buzzer'), 'fuse', 'params', 'rating', 30);
  const bare = lift(lift(good, 'whipL1', 'to'), 'leadT1', 'from');
  const once = addLink(bare, { id: 'in', kind: 'jumper', joins: ['contactor.L1', 'contactor.A1'] });
  const wired = addLink(once, { id: 'out', kind: 'jumper', joins: ['contactor.T1', 'contactor.A2'] });
  const line = runTimeline(compile(wired), callScript(wired, 'cool', 600), 900);
  expect(line.ended).toEqual({ at: 300, type: 'chattering', devices: ['board', 'contactor'] });
  expect(sequenceText(namesIn(wired), line).at(-1)).toEqual({
    at: 300,
    text: 'Chattering: Furnace board, Contactor.',
  });
});

test('zones that call in turn: dampers stand open while their zone is served, all of them when nobody calls', () => {
  const zones = twoZoneFurnace('Run');
  const { lanes } = runTimeline(compile(zones), callScript(zones, 'heat', 600, { type: 'turn' }), 1500);
  const openAt = (id: string, at: number) =>
    lanes.find((lane) => lane.id === `${id}!`)!.spans.findLast(({ from }) => from <= at)!.on;
  const dampers = (at: number) => ['damper1', 'damper2'].map((id) => openAt(id, at));
  // Zone 1 calls from 0 to 600 s, zone 2 from 300 to 900 s; blades take 45 s.
  expect([60, 400, 700].map(dampers)).toEqual([
    [true, false],
    [true, true],
    [false, true],
  ]);
});

test('a call of one thermostat leaves the others alone', () => {
  const zones = twoZoneFurnace('Run');
  const script = callScript(zones, 'heat', 600, { type: 'one', thermostat: 'stat2' });
  expect(script.map(({ at, controls }) => [at, Object.keys(controls!)])).toEqual([
    [0, ['stat2']],
    [600, ['stat2']],
  ]);
});
