/** Water: steam tables, chemistry of combustion and geometry, each worked by hand. */
import { coolingWater, depthOf, flueWater, litresAt } from '.';

// 3 tons (10 550 W), a quarter of it latent, over 2.453 MJ/kg (steam tables at 20 °C): 1.075 g/s, 3.87 kg/h.
test('an air conditioner of three tons makes not quite four litres an hour', () => {
  expect(coolingWater(10_550) * 3600).toBeCloseTo(3.871, 3);
});

// CH₄ + 2 O₂ → CO₂ + 2 H₂O at 890.4 kJ/mol: 36.03 g of water; 0.1457 kg/kWh, 1.62 l from a cubic metre of 11.1 kWh.
test('a cubic metre of methane makes some 1.6 l, of which the exchanger condenses the larger part', () => {
  const perKwh = flueWater(1000) * 3600;
  expect(perKwh / 0.6).toBeCloseTo(0.1457, 4);
  expect(perKwh * 11.1).toBeCloseTo(0.97, 2);
});

describe('a pan out of level', () => {
  const level = { areaM2: 0.7, tiltMm: 0 };
  const tilted = { areaM2: 0.7, tiltMm: 20 };

  // A right wedge holds half of the box around it: 0.7 m² × 20 mm / 2 = 7 l.
  test('holds half as much when its floor is just covered', () => {
    expect(litresAt(level, 20)).toBeCloseTo(14, 9);
    expect(litresAt(tilted, 20)).toBeCloseTo(7, 9);
    // Half as deep at the edge: half as long too, a quarter of it.
    expect(litresAt(tilted, 10)).toBeCloseTo(1.75, 9);
  });

  test.each([level, tilted])('depth and litres are each other’s inverse', (shape) => {
    for (const mm of [0, 1, 9, 19.9, 20, 35]) expect(depthOf(shape, litresAt(shape, mm))).toBeCloseTo(mm, 9);
  });
});
