/** What keeps a change from being proposed. */
import type { Circuit } from '../circuit';
import { lift, setValue } from '../circuit';
import { prove } from '../prove';
import { furnaceAirConditioner } from '../systems';
import { harmOf } from '.';

describe('what a way would add', () => {
  const now = prove(furnaceAirConditioner('Harm'))!;
  const after = (circuit: Circuit) => harmOf(now, prove(circuit)!).map(({ property }) => property);
  const found = furnaceAirConditioner('Harm');

  test('is a danger that is not there now', () => {
    expect(after(setValue(found, 'fuse', 'params', 'rating', 30))).toContain('rating');
  });
  test('is nothing when it only leaves something off, which is told as lost', () => {
    expect(after(lift(lift(found, 'statG', 'to'), 'statG', 'from'))).toEqual([]);
    expect(after(lift(found, 'statG', 'to'))).toEqual(['live-end']);
  });
  test('is heat that nothing answers any more', () => {
    const cut = lift(lift(found, 'statW', 'to'), 'statW', 'from');
    expect(after(cut)).toEqual(['unanswered']);
  });
  test('is nothing that is there already', () => {
    const spoiled = setValue(found, 'fuse', 'params', 'rating', 30);
    expect(harmOf(prove(spoiled)!, prove(spoiled)!)).toEqual([]);
  });
});
