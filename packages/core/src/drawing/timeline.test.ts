import { callScript, runTimeline } from '../behaviour';
import { compile } from '../network';
import { furnaceAirConditioner } from '../systems';
import { TICK_ROOM, TIMELINE, eventfulLanes, layTimeline, timeAt } from '.';

const circuit = furnaceAirConditioner('Lanes');
const timeline = runTimeline(compile(circuit), callScript(circuit, 'heat', 600), 900);

test.each([320, 390, 1000])('at %i px every bar stands at its time and inside the page', (width) => {
  const shape = layTimeline(timeline, eventfulLanes(timeline), width);
  expect(shape.lanes.map(({ lane }) => lane)).toEqual(eventfulLanes(timeline).map(({ id }) => id));
  for (const { bars, lane } of shape.lanes) {
    const starts = timeline.lanes.find(({ id }) => id === lane)!.spans.filter(({ on }) => on);
    expect(bars).toHaveLength(starts.length);
    bars.forEach((bar, i) => {
      expect(timeAt(timeline, width, bar.x)).toBeCloseTo(starts[i]!.from, 6);
      expect(bar.x + bar.width).toBeLessThanOrEqual(width - TIMELINE.margin + 2);
    });
  }
  expect(shape.ticks.length).toBeGreaterThan(1);
  // A time is written where it has its room to itself.
  const written = shape.ticks.filter(({ isWritten }) => isWritten).map(({ x }) => x);
  expect(written.length).toBeGreaterThan(1);
  written.forEach((x, i) => expect((written[i + 1] ?? width) - x).toBeGreaterThanOrEqual(TICK_ROOM - 0.001));
});

test('times off the page are held at its ends', () => {
  expect(timeAt(timeline, 390, -50)).toBe(0);
  expect(timeAt(timeline, 390, 900)).toBe(timeline.until);
});
