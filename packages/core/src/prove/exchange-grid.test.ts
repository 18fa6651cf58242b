/** Two exchanged at one strip, and the reading that tells it. Which harm each does is checked in `sweep.test.ts`. */
import { CLASS_2 } from '../standards';
import { ductless, furnaceAirConditioner, heatPumpWithStrips } from '../systems';
import { exchangeGrids, landedWrong, sweep, tellingOf } from '.';
import type { ExchangeGrid, LandedEnd, Mistake } from '.';

const good = furnaceAirConditioner('Grid');
const mistakes = sweep(good)!;
const grids = exchangeGrids(good, mistakes);
const at = (device: string) => grids.find((grid) => grid.device === device)!;
const endAt = ({ ends }: ExchangeGrid<Mistake>, mark: string): LandedEnd =>
  ends.find(({ terminal }) => terminal.endsWith(`.${mark}`))!;

test('every two conductors of a strip have a cell, and every exchange stands in one', () => {
  const stat = at('stat');
  expect(stat.ends.map(({ terminal }) => terminal)).toEqual([
    'stat.R',
    'stat.Y',
    'stat.G',
    'stat.W',
    'stat.C',
  ]);
  for (const [i, one] of stat.ends.entries())
    for (const other of stat.ends.slice(i + 1)) {
      expect(stat.at(one, other)).not.toBeNull();
      expect(stat.at(other, one)).toBe(stat.at(one, other));
    }
  const celled = new Set(
    grids.flatMap((grid) => grid.ends.flatMap((one) => grid.ends.map((other) => grid.at(one, other)))),
  );
  const exchanged = mistakes.filter(({ wrong }) => wrong.type === 'exchanged');
  expect(exchanged.filter((mistake) => !celled.has(mistake))).toEqual([]);
});

test('two of a cable exchanged at either of its ends is the same wiring', () => {
  const [stat, board] = [at('stat'), at('board')];
  const here = stat.at(endAt(stat, 'Y'), endAt(stat, 'W'));
  const onBoard = (mark: string) =>
    board.ends.find(
      ({ terminal, conductor }) =>
        terminal === `board.${mark}` && stat.ends.some((end) => end.conductor === conductor),
    )!;
  expect(board.at(onBoard('Y'), onBoard('W'))).toBe(here);
});

test('both of one screw exchanged change nothing', () => {
  const pump = heatPumpWithStrips('Grid', { stages: 'two' });
  const same = exchangeGrids(pump, sweep(pump)!).flatMap(({ ends, at: cellOf }) =>
    ends.flatMap((one) =>
      ends.flatMap((other) => (one !== other && one.terminal === other.terminal ? [cellOf(one, other)] : [])),
    ),
  );
  expect(same.length).toBeGreaterThan(0);
  expect(same.filter((cell) => cell !== null)).toEqual([]);
});

// Y and C exchanged shorts the call: the fuse opens, and the strip is dead where it read the transformer (common practice).
test('a short is told by a dead strip', () => {
  const stat = at('stat');
  const short = stat.at(endAt(stat, 'Y'), endAt(stat, 'C'))!;
  const told = tellingOf(good, short.wrong, short.shownBy!)!;
  expect(told.right).toBeGreaterThan(24);
  expect(told.wrong).toBeLessThan(1);
  expect(landedWrong(good, short.wrong)).toEqual(short.circuit);
});

// Between the halves of a ductless unit the mains share a strip with the signal: a meter is sent nowhere above Class 2 (NEC chapter 9, table 11).
test('nobody is sent to measure at a strip with line voltage on it', () => {
  const toldOf = (circuit: typeof good) =>
    sweep(circuit)!.flatMap(({ wrong, shownBy }) => (shownBy ? [tellingOf(circuit, wrong, shownBy)] : []));
  const split = toldOf(ductless('Grid'));
  expect(split.length).toBeGreaterThan(10);
  expect(split.filter((told) => told !== null)).toEqual([]);
  const furnace = toldOf(good).flatMap((told) => told ?? []);
  expect(furnace.length).toBeGreaterThan(20);
  for (const { right, wrong } of furnace)
    expect(Math.max(right, wrong)).toBeLessThanOrEqual(CLASS_2.maxVolts);
});
