import type { Circuit } from '../circuit';
import { addLink, land, lift, setValue } from '../circuit';
import { compile } from '../network';
import type { Fault } from '../network';
import { furnaceAirConditioner } from '../systems';
import { calling } from '../testing/scenarios';
import { toldView } from '../testing/tell';
import { namesIn, onwardText, stopText } from '../words';
import { NEW_WORLD, advance, pathOf, restoreWorld, skipAhead, waitsOf } from '.';
import type { Inputs, World } from '.';

const good = furnaceAirConditioner('Behaviour');

/** Lets a circuit run and says what is to be seen of it. */
function after(
  seconds: number,
  inputs: Inputs,
  circuit: Circuit = good,
  faults: readonly Fault[] = [],
  world: World = NEW_WORLD,
) {
  const network = compile(circuit, faults);
  const settled = advance(network, inputs, world, seconds);
  const view = toldView(network, inputs, settled);
  const on = view.loads.filter(({ energised }) => energised).map(({ title }) => title);
  return { network, settled, view, on, states: settled.world.states };
}

const LONG = 400;

describe('cooling', () => {
  // Common practice: compressor protection holds a call 5 minutes.
  test('waits out the compressor protection, says so, and then runs', () => {
    const held = after(20, calling('cool'));
    expect(held.on).toEqual([]);
    expect(held.view.status).toMatchObject({ tone: 'waiting', until: 300 });
    expect(held.view.status.text).toMatch(/held/);
    const running = after(LONG, calling('cool'));
    expect(running.on).toEqual(['Blower (cooling speed)', 'Contactor coil', 'Compressor', 'Outdoor fan']);
  });

  test('is held again after the call ends, with the blower running on', () => {
    const inputs = calling('cool');
    const running = after(LONG, inputs);
    const ended = after(10, calling('off'), good, [], running.settled.world);
    expect(ended.on).toEqual(['Blower (cooling speed)']);
    const again = after(10, inputs, good, [], ended.settled.world);
    expect(again.states.contactor).toEqual({ in: false });
    expect(again.view.status.until).toBeCloseTo(LONG + 300, 0);
    expect(after(LONG, calling('off'), good, [], running.settled.world).on).toEqual([]);
  });

  test('can be skipped to', () => {
    const network = compile(good);
    const skipped = skipAhead(network, calling('cool'), NEW_WORLD);
    expect(skipped.world.now).toBe(300);
    expect(skipped.world.states.contactor).toEqual({ in: true });
  });

  test('stops at the float, and the status names it', () => {
    const { on, view } = after(LONG, calling('cool', { float: { level: 'wet' } }));
    // Breaking Y stops the outdoor unit while the fan goes on: common practice.
    expect(on).toEqual(['Blower (cooling speed)']);
    expect(view.status.text).toMatch(/Pan float \(wet\)/);
  });

  test('in the cold carries its caution', () => {
    const { view } = after(LONG, { ...calling('cool'), conditions: { indoorC: 26, outdoorC: 2 } });
    expect(view.status.tone).toBe('caution');
    expect(view.status.next).toMatch(/Too cold/);
  });
});

describe('heating', () => {
  // Common practice: inducer, draft proved, pre-purge, igniter, gas, flame, blower after its delay.
  test('follows its sequence', () => {
    const at = (seconds: number) => after(seconds, calling('heat'));
    expect(at(1).on).toEqual(['Inducer']);
    expect(at(15).states.board).toMatchObject({ phase: 'prePurge', proved: true });
    expect(at(25).on).toEqual(['Inducer', 'Igniter']);
    expect(at(37).on).toEqual(['Inducer', 'Igniter', 'Gas valve']);
    expect(at(45).on).toEqual(['Inducer', 'Gas valve']);
    expect(at(80).on).toEqual(['Blower (heating speed)', 'Inducer', 'Gas valve']);
  });

  test('purges and clears the exchanger after the call', () => {
    const burning = after(120, calling('heat'));
    const ended = after(5, calling('off'), good, [], burning.settled.world);
    expect(ended.on).toEqual(['Blower (heating speed)', 'Inducer']);
    expect(after(60, calling('off'), good, [], burning.settled.world).on).toEqual(['Blower (heating speed)']);
    expect(after(120, calling('off'), good, [], burning.settled.world).on).toEqual([]);
  });

  // Common practice: with no gas it retries and then locks out.
  test('without gas tries three times and locks out', () => {
    const { states, view } = after(200, calling('heat', { board: { gas: 'off' } }));
    expect(states.board).toMatchObject({ phase: 'lockout', tries: 3 });
    expect(view.faces.board).toMatchObject({ tone: 'tripped' });
  });

  test('with the limit open shuts the gas and keeps the blower on', () => {
    const burning = after(120, calling('heat'));
    const tripped = after(
      20,
      calling('heat', { board: { limit: 'tripped' } }),
      good,
      [],
      burning.settled.world,
    );
    expect(tripped.on).toEqual(['Blower (heating speed)', 'Inducer']);
  });

  test('gives up when the draft does not prove', () => {
    expect(after(100, calling('heat', { board: { pressure: 'stuck' } })).states.board).toMatchObject({
      phase: 'lockout',
    });
  });
});

test('Y moved to W runs heat on a cooling call, and the status says so', () => {
  const wrong = land(land(good, 'statY', 'to', 'board.W'), 'statW', 'to', 'board.Y');
  const { on, view } = after(LONG, calling('cool'), wrong);
  expect(on).toContain('Gas valve');
  expect(on).not.toContain('Contactor coil');
  expect(view.status).toMatchObject({ tone: 'fault' });
  expect(view.status.text).toMatch(/Cooling called, but heating runs/);
});

describe('a short from R to C', () => {
  const shorted = land(land(good, 'statY', 'from', 'stat.R'), 'statY', 'to', 'board.C');
  const { states, view } = after(5, calling('off'), shorted);

  test('blows the fuse and names the conductor', () => {
    expect(states.fuse).toMatchObject({ open: true });
    expect(view.status.text).toBe(
      'Fuse blown: yellow of Thermostat cable lies between Thermostat R and Furnace board C',
    );
  });

  test('stays blown when the short is cleared, until a new fuse is fitted', () => {
    const world = { now: 5, states };
    expect(after(5, calling('off'), good, [], world).view.status.text).toMatch(/Fuse blown/);
    const pulled = after(1, calling('off', { fuse: { holder: 'empty' } }), good, [], world);
    expect(after(1, calling('off'), good, [], pulled.settled.world).view.status.text).toBe(
      '24 V present, no call',
    );
  });

  test('through a jumper is named too', () => {
    const jumpered = addLink(good, { id: 'j', kind: 'jumper', joins: ['board.R', 'board.C'] });
    expect(after(5, calling('off'), jumpered).view.status.text).toBe(
      'Fuse blown: a jumper joins Furnace board R and Furnace board C',
    );
  });
});

test('a breaker on a dead short trips, and resets only through off', () => {
  const shorted = addLink(good, { id: 'j', kind: 'jumper', joins: ['board.L1', 'board.N'] });
  const tripped = after(2, calling('off'), shorted);
  expect(tripped.view.status.text).toBe(
    'Furnace breaker tripped: a jumper joins Furnace board L1 and Furnace board N',
  );
  expect(after(2, calling('off'), good, [], tripped.settled.world).states.furnaceBreaker).toMatchObject({
    open: true,
  });
  const off = after(
    1,
    calling('off', { furnaceBreaker: { handle: 'off' } }),
    good,
    [],
    tripped.settled.world,
  );
  expect(after(2, calling('off'), good, [], off.settled.world).view.status.text).toBe(
    '24 V present, no call',
  );
});

describe('a blank thermostat', () => {
  const wired = setValue(good, 'stat', 'params', 'supply', 'wired');

  test.each<[string, Inputs, Circuit, RegExp]>([
    [
      'the service switch',
      calling('off', { switch: { handle: 'off' } }),
      wired,
      /stopped at Furnace switch \(off\)/,
    ],
    ['a pulled fuse', calling('off', { fuse: { holder: 'empty' } }), wired, /Board fuse \(pulled\)/],
    [
      'a lifted common',
      calling('off'),
      lift(wired, 'statC', 'to'),
      /blue of Thermostat cable is landed at one end only/,
    ],
  ])('after %s says why', (_what, inputs, circuit, why) => {
    const { view } = after(2, inputs, circuit);
    expect(view.faces.stat).toMatchObject({ text: 'blank' });
    expect(view.status.text).toMatch(why);
  });

  test('lives on batteries when it has them', () => {
    expect(after(2, calling('off', { switch: { handle: 'off' } })).view.faces.stat).toMatchObject({
      text: 'off',
    });
  });
});

test('a coil fed through its own pole never settles, and is named as chattering', () => {
  // The pole lies across its own coil: it pulls in, shorts its supply, lets go.
  const bare = lift(lift(setValue(good, 'fuse', 'params', 'rating', 30), 'whipL1', 'to'), 'leadT1', 'from');
  const once = addLink(bare, { id: 'in', kind: 'jumper', joins: ['contactor.L1', 'contactor.A1'] });
  const circuit = addLink(once, { id: 'out', kind: 'jumper', joins: ['contactor.T1', 'contactor.A2'] });
  const { network, settled } = after(LONG, calling('cool'), circuit);
  expect(settled.chattering?.devices).toContain('contactor');
  expect(settled.chattering?.between.length).toBeGreaterThan(1);
  expect(toldView(network, calling('cool'), settled).status.text).toMatch(/Chattering.*Contactor/);
});

test('the path of a line load begins at its breaker and shows it open', () => {
  const { network, settled } = after(LONG, calling('cool', { acBreaker: { handle: 'off' } }));
  const path = pathOf(network, settled, { device: 'unit', element: 'compressor' });
  expect(path[0]).toMatchObject({ inside: 'acBreaker' });
  expect(path[0]!.onward).toMatchObject({
    closed: false,
    opening: { device: 'acBreaker', element: 'pole1' },
  });
  expect(path[1]).toMatchObject({ node: 'acBreaker.L1', inside: null });
  expect(path[path.length - 1]).toMatchObject({ inside: 'acBreaker' });
  const names = namesIn(network.circuit);
  expect(path.slice(0, 2).map((stop) => stopText(names, stop))).toEqual([
    'Supply of AC breaker',
    'AC breaker L1',
  ]);
  expect(onwardText(names, path[0]!.onward!)).toBe('open: pole1 in AC breaker');
});

describe('a world from another time', () => {
  test('keeps what fits and drops what does not', () => {
    const kept = {
      now: 77,
      states: { fuse: { open: true, opensAt: null }, stat: { powered: 'yes', Y: 3 }, gone: { open: true } },
    };
    const world = restoreWorld(compile(good), kept);
    expect(world.now).toBe(77);
    expect(world.states.fuse).toEqual({ open: true, opensAt: null });
    expect(world.states.stat).toMatchObject({ powered: false, Y: false });
    expect(world.states.gone).toBeUndefined();
  });
});

test('set to cool in a room already cold, it is no call', () => {
  const { view, network, settled } = after(LONG, {
    ...calling('cool'),
    conditions: { indoorC: 18, outdoorC: 30 },
  });
  expect(view.status.text).toBe('Set to cool, no call: 18 °C indoors is not above 22 °C');
  expect(waitsOf(network, calling('cool'), settled.world)).toEqual([]);
});

test('a transformer asked for more than its plate says so', () => {
  const { view } = after(LONG, calling('cool'), setValue(good, 'xfmr', 'params', 'va', 13));
  expect(view.status.text).toMatch(/carries \d\d\d % of what it is rated for|too few volts/);
});

test('conductors in a ring are only parallel ways', () => {
  const ringed = land(land(good, 'statG', 'from', 'stat.Y'), 'statG', 'to', 'board.Y');
  expect(after(LONG, calling('cool'), ringed).on).toContain('Compressor');
});
