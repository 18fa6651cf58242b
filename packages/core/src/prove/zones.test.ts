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
  [
    'hot from one supply, common from another',
    land(two, 'zoneHot', 'from', 'board.R'),
    ['foreign-common panel'],
  ],
  [
    'hot and common exchanged at the bypass',
    exchange(two, ['bypassHot', 'to'], ['bypassCommon', 'to']),
    ['reversed bypass'],
  ],
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
  [
    'the thermostats of two zones',
    crossedStrips(two),
    /^Exchange Thermostat cable 1 and Thermostat cable 2 at Zone panel, terminal for terminal/,
  ],
  [
    'CLOSE of two dampers',
    exchange(two, ['damper1Close', 'from'], ['damper2Close', 'from']),
    /^Exchange white of Damper cable 1 and white of Damper cable 2/,
  ],
  [
    'its common on the unit',
    land(two, 'zoneCommon', 'to', 'board.C'),
    /^Move blue of Zone leads from Furnace board C to Zone panel 24C/,
  ],
  [
    'its hot from the unit',
    land(two, 'zoneHot', 'from', 'board.R'),
    /^Move red of Zone leads from Furnace board R to Zone transformer R/,
  ],
  [
    'its hot and its common',
    exchange(two, ['zoneFused', 'to'], ['zoneCommon', 'to']),
    /^Exchange red of Zone leads and blue of Zone leads between Zone panel/,
  ],
  [
    'a thermostat’s C on the common of a damper',
    land(two, 'stat1C', 'to', 'panel.1COM'),
    /^Move blue of Thermostat cable 1 from Zone panel 1COM to Zone panel 1C/,
  ],
  [
    // The panel's call could go through the float too: then the blower's would as well.
    'a float passed by',
    land(two, 'yardY', 'from', 'board.Y'),
    /^Move red of Outdoor cable from Furnace board Y to Pan float NC/,
  ],
  ['an open damper lead', lift(two, 'damper1Open', 'to'), /Land red of Damper cable 1 on Damper 1 OPEN/],
])('%s is put right', (_, wrong, words) => {
  const { findings } = prove(wrong)!;
  const repair = repairOf(wrong, findings[0]!, undefined, findings)!;
  expect(tellRepair(wrong, repair)).toMatch(words);
  expect(keysOf(repair.circuit)).toEqual([]);
});
