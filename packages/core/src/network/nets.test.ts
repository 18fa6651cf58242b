import type { Circuit } from '../circuit';
import { addLink, land, lift } from '../circuit';
import { advance, NEW_WORLD } from '../behaviour';
import type { Inputs } from '../behaviour';
import { furnaceAirConditioner } from '../systems';
import { calling } from '../testing/scenarios';
import { compile } from './compile';
import { classifyNodes } from './nets';
import { loadPath } from './path';
import type { OperatingPoint } from './solve';

const good = furnaceAirConditioner('Nets');
const pointOf = (inputs: Inputs, circuit: Circuit = good) =>
  advance(compile(circuit), inputs, NEW_WORLD, 400).point;

/** Standing and volts of one terminal. */
function look(point: OperatingPoint, name: string) {
  const { standing, volts, reference } = classifyNodes(point);
  const node = point.network.indexOf(name);
  const against = reference[node]!;
  return {
    standing: standing[node],
    volts: volts[node]!,
    against: against < 0 ? 'earth' : point.network.nodes[against],
  };
}

// The words a technician uses: hot reads against its common, return is the common, a loose conductor floats.
describe('what a person would call each point', () => {
  const idle = pointOf(calling('off'));
  const cooling = pointOf(calling('cool'));

  test.each([
    ['board.R', 'hot'],
    ['board.C', 'return'],
    ['stat.Y', 'dead'],
    ['board.L1', 'hot'],
    ['board.N', 'return'],
    ['contactor.L2', 'hot'],
    ['acBreaker.PE', 'return'],
  ])('with no call %s is %s', (name, standing) => {
    expect(look(idle, name).standing).toBe(standing);
  });

  test('a call makes Y hot all the way to the coil', () => {
    for (const name of ['stat.Y', 'board.Y', 'float.NC', 'nutY.NUT', 'contactor.A1'])
      expect(look(cooling, name).standing).toBe('hot');
    expect(look(cooling, 'contactor.A2').standing).toBe('return');
  });

  test('24 V points are read against the transformer’s common, line points against earth', () => {
    expect(look(cooling, 'contactor.A1').against).toBe('xfmr.C');
    expect(look(cooling, 'contactor.T1').against).toBe('earth');
  });

  test('past an open float the run is dead, not floating: the coil ties it to common', () => {
    const point = pointOf(calling('cool', { float: { level: 'wet' } }));
    expect(look(point, 'float.COM').standing).toBe('hot');
    expect(look(point, 'float.NC')).toMatchObject({ standing: 'dead' });
    expect(look(point, 'float.NC').volts).toBeLessThan(0.1);
  });

  // Common practice: with the common lifted, a load carries its hot side through, and both sides read the same.
  test('past a load whose common is lifted the return side is hot', () => {
    const point = pointOf(calling('cool'), lift(good, 'leadReturn', 'from'));
    expect(look(point, 'contactor.A2').standing).toBe('hot');
    expect(look(point, 'contactor.A2').volts).toBeCloseTo(look(point, 'contactor.A1').volts, 1);
  });

  test('a conductor lifted at both ends floats', () => {
    const point = pointOf(calling('off'), lift(lift(good, 'statG', 'from'), 'statG', 'to'));
    expect(look(point, 'statG~from').standing).toBe('floating');
  });

  test('with its breaker off nothing of the unit is hot', () => {
    const point = pointOf(calling('cool', { furnaceBreaker: { handle: 'off' } }));
    for (const name of ['board.R', 'board.C', 'stat.R', 'board.L1'])
      expect(look(point, name).standing).not.toBe('hot');
    expect(look(point, 'contactor.L1').standing).toBe('hot');
  });
});

describe('the path of a load', () => {
  const names = (point: OperatingPoint, load: string) => {
    const branch = point.network.branches.findIndex(({ id }) => id === load);
    const way = loadPath(point.network, point.choice, branch);
    return way && [way.hot, ...way.steps.map(({ to }) => to)].map((node) => point.network.nodes[node]!);
  };

  // The order a technician traces: transformer, fuse, board, thermostat and back, float, switches, coil, common.
  test('of the contactor coil', () => {
    const expected = [
      'xfmr.R',
      'fuse.1',
      'fuse.2',
      'board.R',
      'stat.R',
      'stat.Y',
      'board.Y',
      'float.COM',
      'float.NC',
      'nutY.NUT',
    ];
    const back = [
      'low.1',
      'low.2',
      'high.1',
      'high.2',
      'contactor.A1',
      'contactor.A2',
      'nutC.NUT',
      'board.C',
      'xfmr.C',
    ];
    expect(names(pointOf(calling('cool')), 'contactor:coil')).toEqual([...expected, ...back]);
  });

  test('is shown through open contacts too, so that one sees where it stops', () => {
    const idle = pointOf(calling('off'));
    expect(names(idle, 'contactor:coil')).toContain('stat.Y');
    const branch = idle.network.branches.findIndex(({ id }) => id === 'contactor:coil');
    const open = loadPath(idle.network, idle.choice, branch)!.steps.filter(({ closed }) => !closed);
    expect(open.map((step) => idle.network.branches[step.branch]!.id)).toEqual(['stat:Y']);
  });

  test('prefers a closed way: a jumper past the float is taken when the float is up', () => {
    const bypassed = addLink(good, { id: 'j', kind: 'jumper', joins: ['float.COM', 'float.NC'] });
    const point = pointOf(calling('cool', { float: { level: 'wet' } }), bypassed);
    const branch = point.network.branches.findIndex(({ id }) => id === 'contactor:coil');
    expect(loadPath(point.network, point.choice, branch)!.steps.every(({ closed }) => closed)).toBe(true);
  });

  test('of a line load runs from one leg to the other', () => {
    const path = names(pointOf(calling('cool')), 'unit:compressor')!;
    expect(path[0]).toBe('acBreaker#leg1');
    expect(path[path.length - 1]).toBe('acBreaker#leg2');
  });

  test('is nothing when no wiring leads there', () => {
    expect(names(pointOf(calling('cool'), lift(good, 'leadCoil', 'to')), 'contactor:coil')).toBeNull();
  });

  test('leaves the wrong way when Y and W are exchanged', () => {
    const crossed = land(land(good, 'statY', 'to', 'board.W'), 'statW', 'to', 'board.Y');
    expect(names(pointOf(calling('cool'), crossed), 'contactor:coil')).toContain('stat.W');
  });
});
