/** Reasons and costs of a swap by themselves. Which screw stays empty, and what costs a trip more, is common practice. */
import { findCable } from '../../circuit';
import { furnaceAirConditioner } from '../../systems';
import type { Facts } from '../field/functions';
import type { Need } from './landing';
import { costOf } from './landing';
import type { EmptyReason } from './reason';
import type { Supply } from './swap-request';
import { emptyReason, wantsCommon } from './swap-request';

test.each<[Supply, boolean]>([
  ['wired', true],
  ['both', true],
  ['battery', false],
])('a thermostat that lives on %s wants C: %s', (supply, wants) => {
  expect(wantsCommon({ device: 'stat', terminals: 'five', supply })).toBe(wants);
});

describe('a screw stays empty', () => {
  const furnace = { heatPump: false, valve: null } as Facts;
  const pump = { heatPump: true, valve: 'B' } as Facts;
  const unknown = { heatPump: true, valve: null } as Facts;

  test.each<[string, Facts, EmptyReason]>([
    ['W', pump, 'heats-with-every-call'],
    ['W', furnace, 'nothing-for-it'],
    ['O', pump, 'valve-is-B'],
    ['B', unknown, 'valve-is-O'],
    ['O', furnace, 'no-valve'],
    ['OB', furnace, 'no-valve'],
    ['OB', pump, 'no-valve-conductor'],
    ['RH', furnace, 'joined-to-hot'],
    ['RC', pump, 'joined-to-hot'],
    ['C', furnace, 'no-common'],
    ['E', pump, 'emergency-closes-back-up'],
    ['E', furnace, 'nothing-for-it'],
    ['Y2', furnace, 'nothing-for-it'],
  ])('%s', (mark, facts, reason) => {
    expect(emptyReason(mark, facts)).toBe(reason);
  });
});

describe('what a conductor costs for Y', () => {
  const cable = findCable(furnaceAirConditioner('Cost'), 'statCable')!;
  const conductor = cable.conductors.find(({ id }) => id === 'statY')!;
  const need: Need = {
    role: 'Y',
    screw: 'Y',
    far: 'board.Y',
    reason: { runs: [], screw: null },
    now: 'statY',
  };
  const cost = (change: Partial<typeof conductor>, home = 'statCable') =>
    costOf(need, { cable, conductor: { ...conductor, ...change }, near: 'from' }, home);
  // One landing is 1.5 minutes, from memory; the rest only tips the balance.
  test.each<[string, number, number]>([
    ['its own', cost({}), 1.5],
    ['a free one', cost({ to: null }), 3],
    ['one that must come off something else', cost({ to: 'board.G' }), 4.5],
    ['another colour', cost({ colour: 'VT' }), 1.7],
    ['another jacket', cost({}, 'other'), 2],
  ])('%s', (_what, minutes, expected) => {
    expect(minutes).toBeCloseTo(expected, 6);
  });
});
