/**
 * What must hold of a zoned system, on good ones wired wrong. That a call opens its own damper, that one switch kills
 * everything and that air has a way are common practice in the trade.
 */
import type { Circuit } from '../circuit';
import { exchange, land, lift, removeDevice, setValue } from '../circuit';
import { fourZoneFurnace, threeZoneHeatPump, twoZoneFurnace } from '../systems';
import { tellRepair } from '../testing/tell';
import { casesOf, prove, repairOf } from '.';

const two = twoZoneFurnace('Zones');
const three = threeZoneHeatPump('Zones');

const keysOf = (circuit: Circuit) =>
  prove(circuit)!.findings.map(({ property, about }) => `${property} ${about}`);

/** The strips of two zones exchanged at the panel, conductor by conductor. */
const crossedStrips = (circuit: Circuit) =>
  ['R', 'C', 'Y', 'G', 'W'].reduce(
    (made, mark) => exchange(made, [`stat1${mark}`, 'to'], [`stat2${mark}`, 'to']),
    circuit,
  );

test.each<[string, Circuit, string[]]>([
  [
    'OPEN and CLOSE exchanged',
    exchange(two, ['damper2Open', 'to'], ['damper2Close', 'to']),
    ['zone-shut damper2', 'zone-open damper2'],
  ],
  [
    'the thermostats of two zones on each other’s strips',
    crossedStrips(two),
    ['zone-shut damper', 'zone-open damper'],
  ],
  ['a damper of another zone', setValue(three, 'damper3', 'params', 'zone', '2'), ['zone-shut damper3']],
  ['a transformer before the switch', land(two, 'zonePrimary', 'from', 'switch.LINE'), ['stays-live panel']],
])('%s', (_, circuit, wanted) => {
  const found = keysOf(circuit);
  for (const one of wanted) expect(found.some((key) => key.startsWith(one))).toBe(true);
});

test('dampers that are all shut and no bypass leave the air no way', () => {
  const shut = (['1', '2'] as const).reduce(
    (made, n) => exchange(made, [`damper${n}Open`, 'to'], [`damper${n}Close`, 'to']),
    removeDevice(two, 'bypass'),
  );
  const without = setValue(shut, 'ducts', 'params', 'bypassMm', 0);
  expect(keysOf(without)).toContain('no-way board');
  // Left open by a third they whistle, and the coil does not freeze.
  expect(keysOf(setValue(without, 'ducts', 'params', 'leastOpen', 30))).not.toContain('no-way board');
});

test('every combination of three zones and of four is gone through', () => {
  const modes = (circuit: Circuit) =>
    new Set(
      casesOf(circuit).flatMap(({ asked: { situation } }) =>
        situation.type === 'apart' ? [situation.settings.map(({ mode }) => mode).join()] : [],
      ),
    ).size;
  // All but those in which every thermostat is set alike, and with the fans by themselves all off.
  expect([modes(three), modes(fourZoneFurnace('Zones'))]).toEqual([3 ** 3 - 3 + 1, 3 ** 4 - 3 + 1]);
});

test.each<[string, Circuit, RegExp]>([
  ['a damper', exchange(two, ['damper2Open', 'to'], ['damper2Close', 'to']), /Exchange .* of Damper cable 2/],
  [
    'a transformer before the switch',
    land(two, 'zonePrimary', 'from', 'switch.LINE'),
    /Move black of Zone leads from .* LINE to .* LOAD/,
  ],
  ['an open damper lead', lift(two, 'damper1Open', 'to'), /Land red of Damper cable 1 on Damper 1 OPEN/],
])('%s is put right', (_, wrong, words) => {
  const { findings } = prove(wrong)!;
  const repair = repairOf(wrong, findings[0]!, undefined, findings)!;
  expect(tellRepair(wrong, repair)).toMatch(words);
  expect(keysOf(repair.circuit)).toEqual([]);
});
