/** Geometry of the air: nothing covers anything, widths go as flows. */
import { NEW_WORLD, advance, airOf, holding } from '../behaviour';
import type { AirView } from '../behaviour';
import { airSvg } from '../formats';
import { compile } from '../network';
import { fourZoneFurnace, threeZoneHeatPump, twoZoneFurnace } from '../systems';
import { airDrawing, namesIn } from '../words';
import { AIR, layAir, layStatics } from '.';

const UNITS = { temperature: 'F', length: 'ft', gauge: 'awg' } as const;

function viewOf(build: typeof twoZoneFurnace): { view: AirView; circuit: ReturnType<typeof twoZoneFurnace> } {
  const circuit = build('Drawn');
  const network = compile(circuit);
  const inputs = holding(
    { controls: {}, conditions: { indoorC: 26, outdoorC: 31 } },
    { stat2: { mode: 'cool', setC: 20 } },
  );
  return { circuit, view: airOf(network, inputs, advance(network, inputs, NEW_WORLD, 600).world)! };
}

describe.each([
  ['two zones on a phone', twoZoneFurnace, 366],
  ['three zones', threeZoneHeatPump, 366],
  ['four zones', fourZoneFurnace, 590],
])('%s', (_, build, width) => {
  const { view, circuit } = viewOf(build);
  const shape = layAir(view, width, view.total);

  test('stays on the page, dampers a thumb apart', () => {
    for (const { x, width: wide, y, height } of shape.ducts) {
      expect(x).toBeGreaterThanOrEqual(0);
      expect(x + wide).toBeLessThanOrEqual(width);
      expect(y + height).toBeLessThanOrEqual(shape.height);
    }
    shape.dampers.forEach((one, i) =>
      shape.dampers
        .slice(i + 1)
        .forEach((other) =>
          expect(Math.hypot(one.x - other.x, one.y - other.y)).toBeGreaterThan(2 * AIR.damper),
        ),
    );
  });

  test('widths go as flows, blades as the dampers stand', () => {
    const high = (id: string) => shape.ducts.find((duct) => duct.id === id)!.height;
    expect(high('trunk')).toBeCloseTo(AIR.widest, 6);
    expect(high('zone-2') / high('trunk')).toBeCloseTo(view.zones[1]!.flow / view.total, 6);
    expect(shape.dampers.map(({ zone, turned }) => [zone, turned]).slice(0, 2)).toEqual([
      ['1', 90],
      ['2', 0],
    ]);
  });

  test('goes out as SVG with every figure on it', () => {
    const texts = airDrawing(namesIn(circuit), view, UNITS);
    const file = airSvg(shape, texts);
    expect(file).toMatch(/^<\?xml version="1.0"/);
    for (const { name, flow } of Object.values(texts.zones)) {
      expect(file).toContain(name);
      expect(file).toContain(flow);
    }
    expect(texts.unit[1]).toMatch(/^\d+ cfm$/);
    expect(texts.supply).toMatch(/^\+0\.\d\d in\. w\.c\.$/);
    expect(texts.back).toMatch(/^−0\.\d\d in\. w\.c\.$/);
  });
});

test('pressures by who calls: bars from the floor, the limit where it is', () => {
  const { bars, limitY, floor } = layStatics(
    [
      { id: '1', builtPa: 75, barePa: 150 },
      { id: '2', builtPa: 0, barePa: 300 },
    ],
    150,
    300,
  );
  expect(bars[0]!.bare.y).toBeCloseTo(limitY, 6);
  expect(bars[0]!.built.height).toBeCloseTo((floor - limitY) / 2, 6);
  expect([bars[1]!.built.height, bars[1]!.bare.height > floor - limitY]).toEqual([0, true]);
});
