/** A single-zone job zoned. What goes on which strip, and that the panel's transformer hangs behind the unit's switch, is common practice. */
import type { Circuit } from '../../circuit';
import { landedOn, removeDevice } from '../../circuit';
import { stepsOf, walk } from '../../wire';
import {
  boilerTwoWire,
  electricHeatAirConditioner,
  furnaceAirConditioner,
  heatPumpWithStrips,
  parallelThermostats,
  twoStageFurnace,
  twoZoneFurnace,
} from '../../systems';
import type { ZoneOption, ZoneWish } from '..';
import { prove } from '../../prove';
import { planZones } from '..';
import { zonedCircuit } from './panel';

const wish = (more: Partial<ZoneWish> = {}): ZoneWish => ({
  thermostat: 'stat',
  zones: [
    { name: 'Hall', lengthM: 10 },
    { name: 'Loft', lengthM: 18 },
  ],
  drive: 'power',
  bypass: 'motor',
  hotFrom: 'equipment',
  ...more,
});

function optionsOf(circuit: Circuit): readonly ZoneOption[] {
  const plan = planZones(circuit, wish());
  if ('obstacle' in plan) throw new Error(plan.obstacle);
  return plan.options;
}

const wrongIn = ({ proof }: Pick<ZoneOption, 'proof'>) =>
  proof.findings
    .filter(({ severity }) => severity !== 'caution')
    .map(({ property, about }) => `${property} ${about}`);

test.each<[string, Circuit, Partial<ZoneWish>]>([
  ['furnace and air conditioner', furnaceAirConditioner('Zones'), {}],
  ['with no C', furnaceAirConditioner('Zones', false), {}],
  [
    'three zones on the panel’s own R',
    furnaceAirConditioner('Zones'),
    {
      zones: [...wish().zones, { name: 'Attic', lengthM: 20 }],
      hotFrom: 'own',
      bypass: 'none',
      drive: 'spring-open',
    },
  ],
  ['two stages', twoStageFurnace('Zones'), { bypass: 'weight' }],
  ['a heat pump', heatPumpWithStrips('Zones'), {}],
  ['a heat pump on B', heatPumpWithStrips('Zones', { valve: 'B' }), { drive: 'spring-closed' }],
  ['electric heat', electricHeatAirConditioner('Zones'), {}],
])('%s is zoned and proven', (_, circuit, more) => {
  const zoned = zonedCircuit(circuit, wish(more), 75);
  if (typeof zoned === 'string') throw new Error(zoned);
  expect(wrongIn({ proof: prove(zoned)! })).toEqual([]);
  const steps = walk(circuit, stepsOf(circuit, zoned));
  expect(steps.flatMap(({ steps: at }) => at).length).toBeGreaterThan(20);
});

const furnace = furnaceAirConditioner('Zones');
let asked: readonly ZoneOption[] | null = null;
/** Both ways for the plain furnace, worked out once. */
const both = () => (asked ??= optionsOf(furnace));

test('the panel is offered: proven, and nothing is worse than it was', () => {
  const [panel] = both();
  expect([panel!.way, wrongIn(panel!), panel!.harm]).toEqual(['panel', [], []]);
});

test('what was on the unit’s R, Y, G, W and C is on the first strip, and the panel where it was', () => {
  const [panel] = both();
  const { id } = panel!.circuit.devices.find(({ label }) => label === 'Zone panel')!;
  const on = (terminal: string) => landedOn(panel!.circuit, terminal).map(({ conductor }) => conductor.id);
  for (const mark of ['R', 'Y', 'G', 'W', 'C']) {
    expect(on(`${id}.1${mark}`)).toEqual([`stat${mark}`]);
    expect(on(`board.${mark}`).some((id) => id.startsWith('unitCable'))).toBe(true);
    expect(on(`board.${mark}`)).not.toContain(`stat${mark}`);
  }
  // The outdoor unit's common stays where it was.
  expect(on('board.C')).toContain('yardC');
  expect(on('switch.LOAD').length).toBe(2);
});

test('the ways side by side: what each takes and what it does not give', () => {
  const [panel, parallel] = both();
  expect(panel!.parts.map(({ type }) => type)).toEqual(
    expect.arrayContaining([
      'panel-of-zones',
      'new-thermostat',
      'zone-damper',
      'relief',
      'transformer',
      'cable',
    ]),
  );
  expect(panel!.minutes).toBeGreaterThan(parallel!.minutes);
  expect(parallel!.losses).toEqual(['same-air', 'one-mode', 'rooms-by-themselves']);
  // Common practice: downstairs leads in winter, upstairs in summer, the other set out of its way.
  expect(parallel!.seasons.map(({ leading: { mode, leader } }) => [mode, leader])).toEqual([
    ['heat', 0],
    ['cool', 1],
  ]);
  expect(parallel!.seasons.map(({ months }) => [months[0], months.at(-1)])).toEqual([
    [9, 3],
    [5, 7],
  ]);
  expect(parallel!.proof.findings.map(({ property }) => property)).toContain('disagree');
});

test('a screw that would hold three gets a pigtail: a joint, one lead, a connector of its size', () => {
  const [, parallel] = both();
  // C: the transformer's lead on its tab, the outdoor unit's and two thermostats; Y: the float's lead and two thermostats.
  const joints = parallel!.circuit.devices.filter(({ label }) => / joint$/.test(label));
  expect(joints.map(({ label }) => label).sort()).toEqual(['C joint', 'Y joint']);
  expect(['board.R', 'board.C', 'board.Y'].map((at) => landedOn(parallel!.circuit, at).length)).toEqual([
    3, 3, 2,
  ]);
  expect(parallel!.parts).toContainEqual({ type: 'connector', conductors: 3 });
  expect(wrongIn(parallel!)).toEqual([]);
});

test.each<[string, Circuit, Partial<ZoneWish>, string]>([
  ['one zone', furnaceAirConditioner('Zones'), { zones: wish().zones.slice(0, 1) }, 'too-few'],
  [
    'five',
    furnaceAirConditioner('Zones'),
    { zones: Array.from({ length: 5 }, (_, i) => ({ name: `${i}`, lengthM: 9 })) },
    'too-many',
  ],
  ['a zoned one', twoZoneFurnace('Zones'), {}, 'several-thermostats'],
  ['two in parallel', parallelThermostats('Zones'), {}, 'several-thermostats'],
  ['a boiler with its transformer inside', boilerTwoWire('Zones'), {}, 'no-transformer'],
  ['a thermostat on nothing', removeDevice(furnaceAirConditioner('Zones'), 'board'), {}, 'no-unit'],
])('%s is told', (_, circuit, more, obstacle) => {
  expect(planZones(circuit, wish(more))).toEqual({ obstacle });
});
