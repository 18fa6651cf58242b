/** Faults laid ready over one network against the same circuit compiled with each by itself. */
import { furnaceAirConditioner } from '../systems';
import { NEW_WORLD, advance } from '../behaviour';
import { calling } from '../testing/scenarios';
import { compile } from './compile';
import { solveHeld } from './held';
import { layOver } from './overlay';
import type { Overlay } from './draft';
import { makeSolver, solve, voltsBetween } from './solve';

const circuit = furnaceAirConditioner('Overlay');
const plain = compile(circuit);
const { choice } = advance(plain, calling('cool'), NEW_WORLD, 400).point;

const apart = { red: 'board.R', black: 'board.G', ohms: 0.05 };
const { network, overlays } = layOver(plain, [
  { positions: { 'wire:yardY': 'open' } },
  { positions: { 'contactor:coil': 'open' } },
  { positions: { 'xfmr:secondary': 'open' } },
  { positions: { 'wire:statY': { ohms: 40 } } },
  { bridges: [apart] },
  { positions: { 'wire:yardY': 'open', 'wire:yardC': 'open', 'wire:statC': 'open', 'wire:statG': 'open' } },
  { positions: { 'nobody:coil': 'open' } },
]);
const [openY, coilOpen, secondaryOpen, poorY, bridged, four, nothing] = overlays as [Overlay, ...Overlay[]];
const wide = Uint8Array.from(network.branches, (_, b) => choice[b] ?? 0);

const volts = (held: Overlay, point: string) =>
  voltsBetween(solveHeld(makeSolver(network), wide, held), point, 'xfmr.C');

test('with nothing held it is the circuit as it was', () => {
  for (const terminal of plain.nodes)
    expect(volts([], terminal)).toBeCloseTo(
      voltsBetween(solve(makeSolver(plain), choice), terminal, 'xfmr.C'),
      6,
    );
  expect(nothing).toEqual([]);
});

test.each<[string, Overlay, Parameters<typeof compile>[1]]>([
  ['a conductor', openY, [{ target: 'yardY', mode: 'open' }]],
  ['a coil', coilOpen!, [{ target: 'contactor', mode: 'coil-open' }]],
  ['a secondary', secondaryOpen!, [{ target: 'xfmr', mode: 'secondary-open' }]],
])('%s held open reads what the fault by itself does', (_what, held, faults) => {
  const alone = compile(circuit, faults);
  const point = solve(
    makeSolver(alone),
    Uint8Array.from(alone.branches, (_, b) => choice[b] ?? 0),
  );
  for (const terminal of plain.nodes)
    expect([terminal, volts(held, terminal)]).toEqual([
      terminal,
      expect.closeTo(voltsBetween(point, terminal, 'xfmr.C'), 3),
    ]);
});

test('a poor joint takes volts, a bridge brings them, many at once are solved too', () => {
  expect(volts(poorY!, 'board.Y')).toBeLessThan(volts([], 'board.Y') - 3);
  expect(volts(bridged!, 'board.G')).toBeCloseTo(volts(bridged!, 'board.R'), 1);
  const whole = wide.slice();
  for (const { branch, position } of four!) whole[branch] = position;
  const anew = solve(makeSolver(network), whole);
  for (const terminal of plain.nodes)
    expect(volts(four!, terminal)).toBeCloseTo(voltsBetween(anew, terminal, 'xfmr.C'), 6);
});

test('the same impedance on the same branch is laid once', () => {
  const twice = layOver(plain, [
    { positions: { 'wire:yardY': 'open' } },
    { positions: { 'wire:yardY': 'open' } },
  ]);
  expect(twice.overlays[0]).toEqual(twice.overlays[1]);
});
