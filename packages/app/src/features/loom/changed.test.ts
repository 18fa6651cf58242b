/** What a call changes at a furnace with an air conditioner: common practice, no source. */
import { NEW_WORLD, makeBench } from '@zygostat/core/behaviour';
import { furnaceAirConditioner } from '@zygostat/core/systems';
import { FRESH } from '../bench/slice';
import { changedBetween } from './changed';

const bench = makeBench(furnaceAirConditioner('Glow'));
const seen = (stat: Record<string, string>) =>
  bench.answer({
    inputs: { ...FRESH.inputs, controls: { stat } },
    world: NEW_WORLD,
    elapse: 0,
    probes: null,
    followed: null,
  }).view;

test('a call for the fan changes G at both ends, and nothing of R, C or the heat', () => {
  const changed = changedBetween(seen({ mode: 'off' }), seen({ mode: 'off', fan: 'on' }));
  for (const at of ['stat.G', 'board.G']) expect(changed).toContain(at);
  for (const at of ['stat.R', 'board.R', 'board.C', 'stat.W', 'stat.Y']) expect(changed).not.toContain(at);
});

test('nothing has changed where nothing was called', () => {
  expect(changedBetween(seen({ mode: 'off' }), seen({ mode: 'off' })).size).toBe(0);
});
