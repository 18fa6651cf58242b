/** A broken run: common practice is to prove it, then swap to spares or pull new. */
import { wrongIn } from '../../testing/wrong';
import type { Circuit } from '../../circuit';
import { findConductor, land } from '../../circuit';
import { furnaceAirConditioner, heatPumpWithStrips } from '../../systems';
import { DEAD, recordSpare } from '../../survey';
import { planRun } from '..';

const broken = (circuit: Circuit, ...ids: string[]): Circuit => ({
  ...circuit,
  cables: circuit.cables.map((cable) => ({
    ...cable,
    conductors: cable.conductors.map((conductor) =>
      ids.includes(conductor.id) ? { ...conductor, tag: DEAD } : conductor,
    ),
  })),
});

const yard = recordSpare(recordSpare(heatPumpWithStrips('Run'), 'yardCable', 'BN'), 'yardCable', 'VT');

test('a spare takes over at both ends and the rest stays where it is', () => {
  const [spare, cable] = planRun(broken(yard, 'yardO'), 'yardCable');
  expect(spare).toMatchObject({
    method: { id: 'spare', spares: [{ colour: 'BN', mark: 'O' }] },
    parts: [],
  });
  expect(findConductor(spare!.circuit, 'yardCable-BN')).toMatchObject({ from: 'board.O', to: 'pump.O' });
  expect(findConductor(spare!.circuit, 'yardO')).toMatchObject({ from: null, to: null });
  expect(findConductor(spare!.circuit, 'yardY')).toMatchObject({ from: 'board.Y', to: 'pump.Y' });
  expect(cable!.minutes).toBeGreaterThan(spare!.minutes);
  for (const { proof } of [spare!, cable!]) expect(wrongIn(proof)).toEqual([]);
});

test('minutes count every end that is landed, and every end that must come off first', () => {
  const minutesWith = (circuit: Circuit) => planRun(broken(circuit, 'yardO'), 'yardCable')[0]!.minutes;
  // Two ends at a minute and a half each (from memory), another colour than usual a fifth of a minute.
  expect(minutesWith(yard)).toBe(3);
  const other = (id: string, end: 'from' | 'to', terminal: string) => land(yard, id, end, terminal);
  expect(minutesWith(other('yardCable-BN', 'from', 'board.O'))).toBe(3);
  const bothTaken = land(other('yardCable-BN', 'from', 'board.O'), 'yardCable-VT', 'from', 'board.O');
  expect(minutesWith(bothTaken)).toBe(5);
});

test('more broken than spare: only a new cable, with a spare in it', () => {
  const ways = planRun(broken(furnaceAirConditioner('Run'), 'yardY'), 'yardCable');
  expect(ways.map(({ method }) => method)).toEqual([{ id: 'new-cable', conductors: 3 }]);
  expect(ways[0]).toMatchObject({ parts: [{ type: 'cable', conductors: 3 }] });
  expect(wrongIn(ways[0]!.proof)).toEqual([]);
});

test('nothing broken, nothing to plan; no such cable is refused', () => {
  expect(planRun(yard, 'yardCable')).toEqual([]);
  expect(() => planRun(yard, 'attic')).toThrow(RangeError);
});
