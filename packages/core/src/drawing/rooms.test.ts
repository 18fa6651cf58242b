/** The drawing of a day: where lines, lanes and scales lie, by hand. */
import { planRooms } from '../plan';
import { roomsSvg } from '../formats';
import { twoZoneFurnace } from '../systems';
import { namesIn, roomsDrawing } from '../words';
import { ROOMS, layRooms } from '.';

const samples = [
  { rooms: [20, 22], called: [true, false], on: true },
  { rooms: [21, 22], called: [true, true], on: true },
  { rooms: [21, 23], called: [false, true], on: false },
  { rooms: [20, 22], called: [true, false], on: true },
];
const shape = layRooms(samples, 21, 400);

test('warmer is higher, what is wanted lies where a room at it does', () => {
  const [low, high] = shape.lines;
  for (const [i, { y }] of high!.points.entries()) expect(y).toBeLessThan(low!.points[i]!.y);
  expect(low!.points[1]!.y).toBeCloseTo(shape.wantedY, 9);
});

test('signs at the ends of lines that come together stay apart, around where the lines end', () => {
  const together = [20, 20.1, 20.05];
  const { lines } = layRooms(
    [
      { rooms: together, called: [], on: false },
      { rooms: together, called: [], on: false },
    ],
    21,
    400,
  );
  const ys = lines.map(({ end }) => end.y).sort((one, other) => one - other);
  expect(Math.min(ys[1]! - ys[0]!, ys[2]! - ys[1]!)).toBeGreaterThanOrEqual(17);
  const ends = lines.map(({ points }) => points.at(-1)!.y);
  expect((ys[0]! + ys[1]! + ys[2]!) / 3).toBeCloseTo((ends[0]! + ends[1]! + ends[2]!) / 3, 6);
});

test('a lane is filled while its thermostat calls and the unit runs', () => {
  const each = (shape.right - shape.left) / 4;
  expect(shape.lanes.map(({ spans }) => spans.map(({ x, width }) => [x - shape.left, width]))).toEqual([
    [
      [0, 2 * each],
      [3 * each, each],
    ],
    [[each, each]],
  ]);
  expect(shape.lanes[1]!.y - shape.lanes[0]!.y).toBe(ROOMS.lane + ROOMS.laneGap);
});

test('hours from edge to edge, degrees inside the picture', () => {
  expect([shape.hours[0]!.x, shape.hours.at(-1)!.x]).toEqual([shape.left, shape.right]);
  for (const { y } of shape.degrees) expect(y > 0 && y <= shape.floor).toBe(true);
  expect(shape.degrees.map(({ celsius }) => celsius)).toEqual([20, 21, 22, 23]);
});

test('goes out as SVG with a line for every room and what is written beside it', () => {
  const two = twoZoneFurnace('Rooms');
  const plan = planRooms(two, { day: 'winter' })!;
  const texts = roomsDrawing(namesIn(two), plan, { temperature: 'F', length: 'ft', gauge: 'awg' });
  const file = roomsSvg(layRooms(plan.day.samples, plan.wantedC, 560), texts);
  expect(file.match(/<polyline/g)).toHaveLength(2);
  for (const written of ['1 calls', '2 calls', '70°', '12 h']) expect(file).toContain(written);
});
