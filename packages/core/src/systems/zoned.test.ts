/**
 * Two zones on one furnace: what the panel makes of their calls. That it opens who calls, closes the others, holds the loser
 * and purges between is common practice in the trade; the times are its settings.
 */
import type { Inputs } from '../behaviour';
import { NEW_WORLD, advance, energisedLoads, holding } from '../behaviour';
import { exchange, land, parseCircuit } from '../circuit';
import { RESTING, zoneOutputs, zoneStep } from '../devices/parts/zone-calls';
import type { ZoneCall, ZoneRules, ZoneState } from '../devices/parts/zone-calls';
import { compile } from '../network';
import { prove } from '../prove';
import { twoZoneFurnace } from '.';

const two = twoZoneFurnace('Zoned');
const network = compile(two);
const HOUSE: Inputs = { controls: {}, conditions: { indoorC: 22, outdoorC: 20 } };
const asks = (stat: 'stat' | 'stat2', mode: 'heat' | 'cool') => ({
  [stat]: { mode, setC: mode === 'heat' ? 26 : 18 },
});

/** Lets a call go on for so long; what the dampers show, and which loads are on. */
function after(controls: Inputs['controls'], seconds: number, from = NEW_WORLD, circuit = network) {
  const settled = advance(circuit, holding(HOUSE, controls), from, seconds);
  const on = energisedLoads(circuit, settled).map(({ device, load }) => `${device}/${load.id}`);
  const { states } = settled.world;
  const share = (id: string) => (states[id] as { to: number }).to;
  return { settled, on, dampers: [share('damper1'), share('damper2')], states };
}

test('is a valid document, proven without a fault', () => {
  expect(parseCircuit(JSON.parse(JSON.stringify(two)))).toEqual(two);
  const { findings } = prove(two)!;
  expect(
    findings.filter(({ severity }) => severity !== 'caution').map(({ property, about }) => [property, about]),
  ).toEqual([]);
});

test('a call in one zone opens its damper, closes the other and runs the unit', () => {
  const { on, dampers, states } = after(asks('stat2', 'cool'), 500);
  expect(dampers).toEqual([0, 1]);
  expect(on).toEqual(expect.arrayContaining(['contactor/coil', 'unit/compressor']));
  expect(states.panel).toMatchObject({ way: 'cool', served: '2' });
  expect(after({}, 300).dampers).toEqual([1, 1]);
});

test('of a zone that wants heat while the other cools, the first is served; then the panel purges and changes over', () => {
  const cooling = after(asks('stat', 'cool'), 400);
  const both = after({ ...asks('stat', 'cool'), ...asks('stat2', 'heat') }, 400, cooling.settled.world);
  expect(both.states.panel).toMatchObject({ way: 'cool', served: '1' });
  expect(both.on).not.toContain('board/gas-valve');
  expect(both.dampers).toEqual([1, 0]);
  // The first is satisfied: fan and its damper stay for the purge, heat waits for the changeover.
  const satisfied = after(asks('stat2', 'heat'), 60, both.settled.world);
  expect(satisfied.states.panel).toMatchObject({ way: 'off', last: 'cool' });
  expect(satisfied.dampers[0]).toBe(1);
  const turned = after(asks('stat2', 'heat'), 400, satisfied.settled.world);
  expect(turned.states.panel).toMatchObject({ way: 'heat', served: '2' });
  expect(turned.dampers).toEqual([0, 1]);
});

test('one switch kills everything: with the service switch off nothing at the panel is live', () => {
  const { settled } = after({ ...asks('stat', 'cool'), switch: { handle: 'off' } }, 400);
  expect(settled.world.states.panel).toMatchObject({ powered: false });
  expect(settled.world.states.stat).toMatchObject({ powered: false });
});

test('a panel transformer before the switch stays live with it off', () => {
  const before = compile(land(two, 'zonePrimary', 'from', 'switch.LINE'));
  const { states } = after({ switch: { handle: 'off' } }, 60, NEW_WORLD, before);
  expect(states.panel).toMatchObject({ powered: true });
});

test('OPEN and CLOSE exchanged condition the wrong zone', () => {
  const swapped = compile(exchange(two, ['damper2Open', 'to'], ['damper2Close', 'to']));
  expect(after(asks('stat2', 'cool'), 500, NEW_WORLD, swapped).dampers).toEqual([0, 0]);
});

describe('the panel’s rules', () => {
  const rules: ZoneRules = {
    priority: 'first',
    changeoverS: 180,
    purgeS: 90,
    purgeTo: 'served',
    staging: 'time',
    stageS: 600,
    stageZones: 2,
  };
  const none: ZoneCall = { heat: false, cool: false, fan: false, second: false };
  const calls = (...given: Partial<ZoneCall>[]) => given.map((one) => ({ ...none, ...one }));
  const run = (state: ZoneState, given: ZoneCall[], now: number, more: Partial<ZoneRules> = {}) =>
    zoneStep(state, given, { ...rules, ...more }, now);
  const heating = run(RESTING, calls({ heat: true }, {}, {}), 0);

  test('never are all dampers shut', () => {
    const every = [none, { ...none, heat: true }, { ...none, cool: true }, { ...none, fan: true }];
    for (const a of every)
      for (const b of every)
        for (const c of every)
          for (const now of [0, 50, 1000]) {
            const state = run(run(RESTING, [a, b, c], 0), [c, a, b], now);
            expect(zoneOutputs(state, [c, a, b], rules, now).open).toContain(true);
          }
  });

  test.each([
    ['heat', 'heat'],
    ['cool', 'cool'],
    ['first', 'heat'],
  ] as const)('with priority %s, heat running and cool called too, it is %s', (priority, way) => {
    const both = calls({ heat: true }, { cool: true }, {});
    const begun = run(heating, both, 10, { priority });
    // Whoever has priority begins only after the changeover.
    expect(begun.way).toBe(way === 'heat' ? 'heat' : 'off');
    expect(run(begun, both, 200, { priority }).way).toBe(way);
  });

  test('the purge ends, and the changeover is as long as it is set', () => {
    const ended = run(heating, calls({}, {}, {}), 100);
    expect(zoneOutputs(ended, calls({}, {}, {}), rules, 150)).toMatchObject({
      fan: true,
      purging: true,
      open: [true, false, false],
    });
    expect(zoneOutputs(ended, calls({}, {}, {}), { ...rules, purgeTo: 'all' }, 150)).toMatchObject({
      purging: true,
      open: [true, true, true],
    });
    expect(zoneOutputs(ended, calls({}, {}, {}), rules, 190)).toMatchObject({
      fan: false,
      open: [true, true, true],
    });
    const cool = calls({}, { cool: true }, {});
    expect(run(ended, cool, 279).way).toBe('off');
    expect(run(ended, cool, 280).way).toBe('cool');
    expect(run(ended, calls({ heat: true }, {}, {}), 101).way).toBe('heat');
  });

  test('the second stage joins after its time, or from so many zones on', () => {
    const one = calls({ heat: true }, {}, {});
    expect([599, 600].map((now) => zoneOutputs(heating, one, rules, now).second)).toEqual([false, true]);
    const zones = { ...rules, staging: 'zones' } as const;
    expect(zoneOutputs(heating, one, zones, 5000).second).toBe(false);
    expect(
      zoneOutputs(run(heating, calls({ heat: true }, { heat: true }, {}), 5), one, zones, 5).second,
    ).toBe(true);
  });
});
