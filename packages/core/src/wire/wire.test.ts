/** Laws of the landing list; what is dead with the breakers open comes from the model. */
import type { Circuit } from '../circuit';
import { addLink, exchange, removeLink, setCable, setValue } from '../circuit';
import { settle } from '../behaviour';
import { kindOf } from '../devices';
import { compile, voltsBetween } from '../network';
import type { SwapOption } from '../plan';
import { planSwap } from '../plan';
import { zonedCircuit } from '../plan/zones/panel';
import {
  TEMPLATES,
  boilerTwoWire,
  furnaceAirConditioner,
  heatPumpWithStrips,
  twoTransformerSplit,
} from '../systems';
import type { Plan, Step } from '.';
import { DEAD_VOLTS } from '../standards';
import { PLAN_VERSION, partway, planProblems, planReadIn, stepsOf, ticksOf, walk } from '.';
import { unitStation } from '../unit';
import { tellTask } from '../testing/tell';

const sorted = <T extends { id: string }>(list: readonly T[]) =>
  [...list].sort((one, other) => (one.id < other.id ? -1 : 1));
const normal = ({ stations, devices, cables, links }: Circuit) => ({
  stations: sorted(stations),
  devices: sorted(devices),
  cables: sorted(cables),
  links: sorted(links),
});

const furnace = furnaceAirConditioner('Wire', false);
const changes: readonly (readonly [string, Circuit, Circuit])[] = [
  ...planSwap(furnace, { device: 'stat', terminals: 'five', supply: 'both' })!.options.map(
    ({ method, circuit }) => [`a swap by ${method.id}`, furnace, circuit] as const,
  ),
  [
    'a furnace zoned: rooms, panel and dampers that were not there',
    furnace,
    zonedCircuit(
      furnace,
      {
        thermostat: 'stat',
        zones: [
          { name: 'Below', lengthM: 10 },
          { name: 'Above', lengthM: 18 },
        ],
        drive: 'power',
        bypass: 'motor',
        hotFrom: 'equipment',
      },
      40,
    ) as Circuit,
  ],
  [
    'an isolation relay',
    twoTransformerSplit('Wire'),
    planSwap(twoTransformerSplit('Wire'), { device: 'stat', terminals: 'five', supply: 'both' })!.options[0]!
      .circuit,
  ],
  [
    'a heat pump on two rows',
    heatPumpWithStrips('Wire'),
    planSwap(heatPumpWithStrips('Wire'), { device: 'stat', terminals: 'rows', supply: 'both' })!.options[0]!
      .circuit,
  ],
  ['two wires exchanged', furnace, exchange(furnace, ['statY', 'to'], ['statW', 'to'])],
  ['a setting', furnace, setValue(furnace, 'stat', 'settings', 'fanWithHeat', 'thermostat')],
];

describe.each(changes)('%s', (_what, before, after) => {
  const steps = stepsOf(before, after);
  const stops = walk(before, steps);
  const order = stops.flatMap(({ steps: here }) => here);

  test('is walked whole, nothing before what it waits for', () => {
    expect(order.map(({ id }) => id).sort()).toEqual(steps.map(({ id }) => id).sort());
    const done = new Set<string>();
    for (const { id, after: needs } of order) {
      for (const need of needs) expect(done.has(need)).toBe(true);
      done.add(id);
    }
  });

  test('begins with the power off and proven dead', () => {
    const touching = order.findIndex(({ kind }) =>
      ['remove', 'lift', 'land', 'link', 'unlink', 'pull', 'mount'].includes(kind),
    );
    const gate = order
      .map(({ kind }, i) => (kind === 'off' || kind === 'dead' ? i : -1))
      .filter((i) => i >= 0);
    expect(order[0]!.kind).toBe('off');
    expect(gate.length).toBeGreaterThanOrEqual(
      before.devices.some(({ kind }) => kind === 'control-transformer') ? 2 : 1,
    );
    if (touching >= 0) expect(Math.max(...gate)).toBeLessThan(touching);
  });

  test('comes to the plan when all is done, and stays whole on the way', () => {
    expect(normal(partway(before, after, new Set(order.map(({ id }) => id))))).toEqual(normal(after));
    for (let i = 0; i <= order.length; i++)
      expect(() => partway(before, after, new Set(order.slice(0, i).map(({ id }) => id)))).not.toThrow();
    expect(normal(partway(before, after, new Set()))).toEqual(normal(before));
  });
});

test('every landing says where, what colour, how far stripped, and where the other end is', () => {
  const [, before, after] = changes[0]!;
  const landing = stepsOf(before, after, { statC: 'Because.' }).find(({ id }) => id === 'land:statC:to')!;
  expect(landing).toMatchObject({ station: 'plant', why: 'Because.' });
  expect(tellTask(before, after, landing.task)).toBe('Land blue of Thermostat cable on Furnace board C');
  expect(landing.conductor).toMatchObject({ colour: 'BU', stripMm: 8, otherEnd: 'stat2.C' });
});

test('thermostat set-up waits for the power, its joiner does not', () => {
  const [, before, after] = changes.find(([what]) => what === 'a heat pump on two rows')!;
  const of = (id: string): Step => stepsOf(before, after).find((step) => step.id === id)!;
  expect(of('set:stat2:system').after).toContain('on');
  expect(of('set:stat2:joiner').after).not.toContain('on');
});

// Exhaustive: no order of fewer stops does all the steps, tried to the depth found.
test('the walk has as few stops as any', () => {
  const [, before, after] = changes[0]!;
  const steps = stepsOf(before, after);
  const stations = [...new Set(steps.map(({ station }) => station))];
  const found = walk(before, steps).length;
  const fewest = (done: ReadonlySet<string>, stops: number): number => {
    if (done.size === steps.length) return stops;
    if (stops >= found) return Infinity;
    return Math.min(
      ...stations.map((station) => {
        const now = new Set(done);
        for (let more = true; more;) {
          const next = steps.find(
            (step) => step.station === station && !now.has(step.id) && step.after.every((id) => now.has(id)),
          );
          more = next !== undefined;
          if (next) now.add(next.id);
        }
        return now.size === done.size ? Infinity : fewest(now, stops + 1);
      }),
    );
  };
  expect(fewest(new Set(), 0)).toBe(found);
});

test('steps that wait for each other are refused', () => {
  const step = (id: string, after: string): Step => ({
    id,
    kind: 'tug',
    station: 'plant',
    task: { type: 'tug', landings: 0, nuts: 0 },
    after: [after],
  });
  expect(() => walk(furnace, [step('a', 'b'), step('b', 'a')])).toThrow(RangeError);
});

/** Something set otherwise, so that there is a list. */
const touched = (circuit: Circuit): Circuit => {
  const waits = circuit.devices.find(({ kind }) => 'faultS' in kindOf(kind).settings);
  return waits
    ? setValue(circuit, waits.id, 'settings', 'faultS', 200)
    : setValue(circuit, 'stat', 'settings', 'protectionS', 240);
};

test.each(TEMPLATES)('$id is proven dead at points that are dead', ({ build }) => {
  const circuit = build('Wire');
  const [cable] = circuit.cables.filter(({ conductors }) => conductors.length > 1);
  const steps = stepsOf(circuit, touched(circuit));
  expect(cable).toBeDefined();
  const dead = steps.filter(({ kind }) => kind === 'dead');
  // One for each transformer, those inside a boiler's control too.
  const inside = circuit.devices.filter(({ kind }) => kind === 'boiler-control').length;
  // Of an opened unit where its line comes in; of a unit in two halves three at each.
  const opened = unitStation(circuit) === null ? 0 : 1;
  const halves = circuit.devices.filter(({ kind }) => /^ductless-(in|out)door$/.test(kind)).length;
  expect(dead.length).toBe(
    circuit.devices.filter(({ kind }) => kind === 'control-transformer').length +
      inside +
      3 * halves +
      opened,
  );
  expect(dead.length).toBeGreaterThan(0);
  const network = compile(circuit);
  const controls = Object.fromEntries(
    circuit.devices.filter(({ kind }) => kind === 'breaker').map(({ id }) => [id, { handle: 'off' }]),
  );
  const conditions = { indoorC: 22, outdoorC: 20 };
  const live = settle(network, { controls: {}, conditions }).point;
  const off = settle(network, { controls, conditions }).point;
  for (const { probes } of dead) {
    if (halves === 0) expect(voltsBetween(live, ...probes!)).toBeGreaterThan(20);
    expect(voltsBetween(off, ...probes!)).toBeLessThan(DEAD_VOLTS);
  }
});

test('a circuit with no breaker, or one that stays live, is gated all the same', () => {
  const bare = { ...furnace, devices: furnace.devices.filter(({ kind }) => kind !== 'breaker') };
  const after = setValue(bare, 'stat', 'settings', 'protectionS', 240);
  const steps = stepsOf(bare, after);
  expect(steps[0]).toMatchObject({
    kind: 'off',
    task: { type: 'open', devices: [] },
  });
  expect(steps.some(({ kind }) => kind === 'dead')).toBe(true);
});

test('nothing is touched before everything is open, in every place', () => {
  const plugged = planSwap(furnace, { device: 'stat', terminals: 'five', supply: 'both' })!.options.find(
    ({ method }) => method.id === 'plug-in',
  )!.circuit;
  const steps = stepsOf(plugged, exchange(plugged, ['statY', 'to'], ['statW', 'to']));
  const off = steps.filter(({ kind }) => kind === 'off');
  expect(off.map(({ station }) => station).sort()).toEqual(['hall', 'panel']);
  for (const { kind, after } of steps)
    if (kind === 'land' || kind === 'tug')
      expect(after).toEqual(expect.arrayContaining(off.map(({ id }) => id)));
});

describe('the plan kept', () => {
  const plan: Plan = {
    version: PLAN_VERSION,
    id: 'plan-1',
    title: 'New thermostat',
    before: boilerTwoWire('Wire'),
    after: setCable(boilerTwoWire('Wire'), 'statCable', { gauge: 16 }),
    swap: { device: 'stat', terminals: 'five', supply: 'both', way: 'spare' },
    reasons: { statC: 'Because.' },
    events: [
      { id: 'e1', type: 'ticked', step: 'off', by: 'Ada', at: '2026-11-25T10:00:00.000Z', knows: [] },
      { id: 'e2', type: 'ticked', step: 'dead:board.R', by: '', at: '2026-11-25T10:02:00.000Z', volts: 0 },
      { id: 'e3', type: 'taken-back', step: 'off', ticks: ['e1'], by: 'Bo', at: '2026-11-25T10:04:00.000Z' },
      { id: 'e4', type: 'ended', why: 'left', by: 'Bo', at: '2026-11-25T10:05:00.000Z' },
    ],
  };

  test('is taken as it is', () => {
    expect(planProblems(plan)).toEqual([]);
  });

  test.each<[string, unknown, RegExp]>([
    ['another version', { ...plan, version: 3 }, /version must be 2/],
    ['a stray field', { ...plan, note: 'x' }, /unknown field note/],
    ['a broken circuit', { ...plan, after: { ...plan.after, mains: undefined } }, /^after\.mains/],
    ['a reading of words', { ...plan, events: [{ ...plan.events[1], volts: 'none' }] }, /events\[0\]\.volts/],
    ['an event of no type', { ...plan, events: [{ id: 'e1', type: 'blessed' }] }, /must be an event of type/],
    ['an id twice', { ...plan, events: [plan.events[0], plan.events[0]] }, /id of its own/],
  ])('%s is named', (_what, found, words) => {
    expect(
      planProblems(found)
        .map(({ path, message }) => `${path} ${message}`)
        .join('; '),
    ).toMatch(words);
  });

  test('of version 1 is read in with what was done, the same whoever reads it', () => {
    const { id: _id, events: _events, ...rest } = plan;
    const one = {
      ...rest,
      version: 1,
      done: {
        off: { at: '2026-11-25T10:00:00.000Z' },
        'dead:board.R': { at: '2026-11-25T10:02:00.000Z', volts: 0.2 },
      },
    };
    const read = planReadIn(one) as Plan;
    expect(planProblems(read)).toEqual([]);
    expect(planReadIn(one)).toEqual(read);
    const steps = stepsOf(furnace, touched(furnace));
    const { standing } = ticksOf(steps, read.events, '2026-11-25T10:30:00.000Z');
    expect(standing.get('off')).toMatchObject({ by: '', at: '2026-11-25T10:00:00.000Z' });
    // What is no plan at all stays what it is, and is refused.
    expect(planProblems(planReadIn({ version: 1 }))).not.toEqual([]);
  });
});

test('a jumper has the reason the plan gave for it', () => {
  const joined = addLink(heatPumpWithStrips('Wire'), {
    id: 'join',
    kind: 'jumper',
    joins: ['stat.E', 'stat.AUX'],
  });
  const swap = planSwap(joined, { device: 'stat', terminals: 'pump', supply: 'both' })!;
  const { circuit, jumpers } = swap.options[0]!;
  const [{ id }] = jumpers as [SwapOption['jumpers'][number]];
  const steps = stepsOf(joined, circuit, { [`link:${id}`]: 'It has its own.' });
  expect(steps.find(({ kind }) => kind === 'unlink')).toMatchObject({ why: 'It has its own.' });
});

test('a jumper is there until the step that takes it away is done', () => {
  const joined = addLink(heatPumpWithStrips('Wire'), {
    id: 'join',
    kind: 'jumper',
    joins: ['stat.E', 'stat.AUX'],
  });
  const bare = removeLink(joined, 'join');
  expect(partway(joined, bare, new Set()).links.map(({ id }) => id)).toEqual(['join']);
  expect(partway(joined, bare, new Set(['unlink:join'])).links).toEqual([]);
});
