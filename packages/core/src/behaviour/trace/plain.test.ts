/** What is plainly wrong with the wiring, and which of several things is said first: jumpers, then wrong landings, then loose ends. */
import type { Circuit } from '../../circuit';
import { land, lift } from '../../circuit';
import type { Fault } from '../../network';
import { compile } from '../../network';
import { ready, strap } from '../../testing/said';
import { advance } from '../advance';
import { NEW_WORLD } from '../world';
import { plainFault } from './plain';
import { traceOf } from './trace';

const good = ready('furnace-ac');
const AT_REST = { controls: {}, conditions: { indoorC: 22, outdoorC: 22 } };

function plainIn(circuit: Circuit, faults: readonly Fault[] = []) {
  const network = compile(circuit, faults);
  return plainFault(traceOf(network, AT_REST, advance(network, AT_REST, NEW_WORLD, 0)));
}
const landed = land(good, 'statY', 'to', 'board.W');
const loose = lift(good, 'statG', 'to');

test('a good circuit has nothing', () => {
  expect(plainIn(good)).toBeNull();
});

test('a jumper before a wrong landing, a wrong landing before a loose end', () => {
  expect(plainIn(strap(landed, 'board.R', 'board.G'))).toMatchObject({ disagreement: { type: 'link' } });
  expect(plainIn(lift(landed, 'statG', 'to'))).toMatchObject({
    disagreement: { type: 'conductor', conductor: { id: 'statY' } },
  });
  expect(plainIn(loose, [{ target: 'statW', mode: 'open' }])).toMatchObject({
    disagreement: { type: 'loose', conductor: { id: 'statG' } },
  });
});

test('a break where both ends are landed; a break of what is loose is no news', () => {
  expect(plainIn(good, [{ target: 'statW', mode: 'open' }])).toEqual({ type: 'broken', conductor: 'statW' });
  expect(plainIn(loose, [{ target: 'statG', mode: 'open' }])).toMatchObject({ type: 'wiring' });
});

test('of two pairs that touch, each names its own two', () => {
  const faults = [
    { target: 'statG', mode: 'short:statW' },
    { target: 'statY', mode: 'short:statC' },
  ];
  expect(plainIn(good, faults)).toEqual({ type: 'touching', conductors: ['statY', 'statC'] });
});
