import { advance, NEW_WORLD, readLoads } from '../behaviour';
import { CATALOGUE, fill } from '../devices';
import { furnaceAirConditioner } from '../systems';
import { calling } from '../testing/scenarios';
import { compile } from './compile';
import type { Fault } from './faults';
import { measure } from './measure';

const good = furnaceAirConditioner('Faults');

function withFaults(...faults: Fault[]) {
  const network = compile(good, faults);
  const { point, world } = advance(network, calling('cool'), NEW_WORLD, 400);
  const volts = (red: string, black: string) => {
    const reading = measure(point, { mode: 'ac-volts', red, black, meter: 'low-z' });
    return reading.ok ? reading.value : NaN;
  };
  const on = readLoads(network, { point, world })
    .filter(({ energised }) => energised)
    .map(({ title }) => title);
  return { network, world, volts, on };
}

test('the document is the same with a fault over it', () => {
  const before = JSON.stringify(good);
  const { network } = withFaults({ target: 'statY', mode: 'open' });
  expect(JSON.stringify(good)).toBe(before);
  expect(network.circuit).toBe(good);
  expect(network.faults).toEqual([{ target: 'statY', mode: 'open' }]);
});

test('a broken conductor has volts at one end and none at the other', () => {
  const { volts, on } = withFaults({ target: 'statY', mode: 'open' });
  expect(volts('stat.Y', 'stat.C')).toBeGreaterThan(20);
  expect(volts('board.Y', 'board.C')).toBeLessThan(0.1);
  expect(on).not.toContain('Contactor coil');
});

// Common practice: an open coil still has its full volts across it and does not pull in.
test('an open coil has volts across it and stays out', () => {
  const { volts, world, on } = withFaults({ target: 'contactor', mode: 'coil-open' });
  expect(volts('contactor.A1', 'contactor.A2')).toBeGreaterThan(20);
  expect(world.states.contactor).toEqual({ in: false });
  expect(on).not.toContain('Compressor');
});

test('heat with an open gas valve or a dead W input never lights', () => {
  for (const [mode, phase] of [
    ['gas-valve-open', 'lockout'],
    ['w-input-open', 'idle'],
  ] as const) {
    const { world } = advance(compile(good, [{ target: 'board', mode }]), calling('heat'), NEW_WORLD, 400);
    expect(world.states.board).toMatchObject({ phase });
  }
});

test('a shorted coil takes the fuse with it', () => {
  expect(withFaults({ target: 'contactor', mode: 'coil-shorted' }).world.states.fuse).toMatchObject({
    open: true,
  });
});

test('welded poles run the compressor without a call', () => {
  const network = compile(good, [{ target: 'contactor', mode: 'welded' }]);
  const welded = advance(network, calling('off'), NEW_WORLD, 10);
  expect(
    readLoads(network, welded)
      .filter(({ energised }) => energised)
      .map(({ title }) => title),
  ).toContain('Compressor');
});

test('pinched conductors feed each other', () => {
  const { volts } = withFaults({ target: 'statY', mode: 'short:statW' });
  expect(volts('board.W', 'board.C')).toBeGreaterThan(20);
});

test('a dead transformer, primary or secondary, leaves nothing', () => {
  for (const mode of ['primary-open', 'secondary-open'])
    expect(withFaults({ target: 'xfmr', mode }).volts('board.R', 'board.C')).toBeLessThan(0.5);
});

test('a fault aimed at nothing changes nothing', () => {
  expect(withFaults({ target: 'nobody', mode: 'open' }).on).toEqual(withFaults().on);
});

test.each(CATALOGUE)('every fault of $kind has a title and a likelihood', (kind) => {
  fill(kind.params, {});
  for (const { title, likelihood } of kind.faults) {
    expect(title.length).toBeGreaterThan(3);
    expect(likelihood).toBeGreaterThan(0);
  }
});
