/**
 * The run of a ductless unit. That it is landed number to number, earth to earth, and that any other way can destroy a board or put
 * mains on a case, is common practice in the trade; the currents are against ngspice (Debian package). A hand is in danger from 50 V
 * on: conventional touch-voltage limit of IEC 60364-4-41, from memory.
 */
import type { Circuit } from '../circuit';
import { addDevice, land, lift, parseCircuit, setValue } from '../circuit';
import { spiceNetlist, spiceNode } from '../formats/spice';
import { NEW_WORLD, advance, holding } from '../behaviour';
import { compile } from '../network';
import { ductless } from '../systems';
import { ngspiceVersion, solveWithNgspice } from '../testing/ngspice';
import { runEffect, runOf, runWays } from '.';

const FEEDS = ['outdoors', 'indoors'] as const;
const HALVES = [0, 1] as const;
const good = ductless('Run');

/** What is found of a wiring, by property. */
const found = (circuit: Circuit) => runEffect(circuit).violations.map(({ property }) => property);

const marks = (landed: Readonly<Record<string, string>>) =>
  Object.entries(landed)
    .map(([conductor, terminal]) => `${conductor.slice('run'.length)}>${terminal.split('.')[1]!}`)
    .join(' ');

test('is a valid document with one run', () => {
  expect(parseCircuit(JSON.parse(JSON.stringify(good)))).toEqual(good);
  expect(runOf(good)).toMatchObject({ cable: { id: 'run' } });
});

describe.each(FEEDS)('fed %s', (fed) => {
  const circuit = ductless('Run', fed);
  test('number to number it works, and nothing about it is dangerous', () => {
    expect(runEffect(circuit)).toMatchObject({ works: true, dark: [], deaf: [], burnt: [], violations: [] });
  });

  test.each(HALVES)('of the 24 ways to land half %i only number to number is safe', (half) => {
    const ways = runWays(circuit, half);
    expect(new Set(ways.map(({ landed }) => marks(landed))).size).toBe(24);
    const [first, ...others] = ways;
    expect(first!.effect).toMatchObject({ works: true, violations: [], harm: null });
    // One more works: with neutral and earth exchanged it runs over the earth, and its case is on the neutral.
    const working = others.filter(({ effect }) => effect.works);
    expect(working.map(({ landed }) => marks(landed))).toEqual(['1>1 2>PE 3>3 E>2']);
    expect(new Set(working[0]!.effect.violations.map(({ property }) => property))).toEqual(
      new Set(['unearthed', 'earth-current']),
    );
    for (const { landed, effect } of others) {
      expect([marks(landed), effect.harm]).not.toEqual([marks(landed), null]);
      // Earth elsewhere always takes a case's earth away.
      if (!landed.runE!.endsWith('.PE'))
        expect([marks(landed), effect.violations.map(({ property }) => property)]).toEqual([
          marks(landed),
          expect.arrayContaining(['unearthed']),
        ]);
    }
  });

  test.each(['run1', 'run2', 'run3'])('with %s open it does not work, and no case is live', (conductor) => {
    const { works, violations, deaf } = runEffect(lift(circuit, conductor, 'to'));
    const properties = violations.map(({ property }) => property);
    expect(works).toBe(false);
    expect(properties).not.toContain('live-case');
    // A signal that is open is told from a supply that is: both are awake and hear nothing.
    if (conductor === 'run3') expect([properties, deaf]).toEqual([['unanswered'], ['indoor', 'outdoor']]);
  });
});

test('the line on the indoor case is found, and the touch voltage is the supply', () => {
  const swapped = land(land(good, 'run1', 'to', 'indoor.PE'), 'runE', 'to', 'indoor.1');
  const live = runEffect(swapped).violations.find((one) => one.property === 'live-case');
  expect(found(swapped)).toContain('unearthed');
  expect(live).toMatchObject({ about: 'indoor', volts: expect.closeTo(230, 0) });
});

test('both halves fed from opposite ends of one breaker work, and the wrong way round trip it', () => {
  const also = (line: string, neutral: string): Circuit => ({
    ...good,
    cables: [
      ...good.cables,
      {
        id: 'second',
        label: 'Second supply',
        gauge: 14,
        lengthM: 12,
        conductors: [
          { id: 'secondL', colour: 'BN', from: 'breaker.L1', to: line },
          { id: 'secondN', colour: 'BU', from: 'breaker.N', to: neutral },
        ],
      },
    ],
  });
  expect(runEffect(also('indoor.L', 'indoor.N')).works).toBe(true);
  expect(found(also('indoor.L', 'indoor.N'))).toEqual(['fed-twice']);
  expect(found(also('indoor.N', 'indoor.L'))).toContain('short');
});

const withParam = (id: string, value: string) => setValue(good, id, 'params', 'supplied', value);

// Where the label lets the supply in, no joint and a jacket of its own: common practice in the trade.
test.each<[string, Circuit, string, string]>([
  ['fed where the label sends it to the other', withParam('outdoor', 'other'), 'fed-elsewhere', 'outdoor'],
  ['fed outdoors where the label wants it indoors', withParam('indoor', 'here'), 'fed-elsewhere', 'outdoor'],
  [
    'joined under a nut',
    land(
      addDevice(good, { ...good.devices[0]!, id: 'nut', kind: 'wire-nut', label: 'Joint', station: 'yard' }),
      'run3',
      'from',
      'nut.NUT',
    ),
    'run-spliced',
    'indoor',
  ],
  [
    'in one jacket with another circuit',
    {
      ...good,
      cables: good.cables.map((cable) =>
        cable.id === 'run'
          ? {
              ...cable,
              conductors: [...cable.conductors, { id: 'lamp', colour: 'RD', from: 'breaker.L1', to: null }],
            }
          : cable,
      ),
    },
    'run-shared',
    'run',
  ],
])('%s', (_, circuit, property, about) => {
  expect(found(good)).toEqual([]);
  expect(runEffect(circuit).violations).toContainEqual(expect.objectContaining({ property, about }));
});

test('other labels are the same terminals by other names', () => {
  const relabelled = (['indoor', 'outdoor'] as const).reduce(
    (now, id) => setValue(now, id, 'params', 'labels', 'signal'),
    good,
  );
  const landed = (['1', '2', '3'] as const).reduce(
    (now, mark) =>
      land(land(now, `run${mark}`, 'from', `outdoor.S${mark}`), `run${mark}`, 'to', `indoor.S${mark}`),
    relabelled,
  );
  expect(runEffect(landed)).toMatchObject({ works: true, violations: [] });
});

test('a burnt signal side stays burnt until there is a new board, and the fault is told after its delay', () => {
  const network = compile(good);
  const told = (world: typeof NEW_WORLD, seconds: number, board: 'first' | 'second' = 'first') =>
    advance(
      network,
      holding(
        { controls: {}, conditions: { indoorC: 26, outdoorC: 30 } },
        { stat: { mode: 'cool', setC: 22 }, indoor: { board } },
      ),
      world,
      seconds,
    ).world;
  const burnt = { ...told(NEW_WORLD, 10), states: { ...told(NEW_WORLD, 10).states } };
  const state = { ...burnt.states.indoor!, burnt: true };
  const after = told({ ...burnt, states: { ...burnt.states, indoor: state } }, 200);
  expect(after.states.indoor).toMatchObject({ burnt: true, hears: false });
  expect(after.states.outdoor).toMatchObject({ hears: 'nothing' });
  expect(told(after, 10, 'second').states.indoor).toMatchObject({ burnt: false, hears: true });
});

(ngspiceVersion() === null ? test.skip : test)('volts of every way to land it, against ngspice', () => {
  const ends = ['run1', 'run2', 'run3', 'runE'];
  for (const { landed } of runWays(good).filter((_, i) => i % 5 === 0)) {
    const circuit = ends.reduce((now, id) => land(now, id, 'from', landed[id]!), good);
    const { point } = advance(
      compile(circuit),
      { controls: {}, conditions: { indoorC: 22, outdoorC: 20 } },
      NEW_WORLD,
      5,
    );
    const found = solveWithNgspice(spiceNetlist(point));
    point.network.nodes.forEach((name, n) => {
      const [re, im] = found[spiceNode(n)]!;
      const off = Math.hypot(re - point.re[n]!, im - point.im[n]!);
      expect([name, off <= Math.max(1e-3, 1e-3 * Math.hypot(re, im))]).toEqual([name, true]);
    });
  }
});
