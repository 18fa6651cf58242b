/**
 * Air in ducts against what is known otherwise: the friction factor by Moody's chart (points quoted from memory), pressure loss
 * by examples worked by hand and the friction chart of duct handbooks (quoted from memory), fans by the fan laws, networks by
 * hand and by what must hold of any: what goes in comes out, and small pushes act alike both ways.
 */
import fc from 'fast-check';
import { AIR_J_KG_K, AIR_KG_M3, AIR_PA_S, PA_PER_INCH_WATER, M3S_PER_CFM, ROUGHNESS_M } from '../standards';
import type { AirBranch } from '.';
import {
  ROOM,
  atSpeed,
  branchLoss,
  damperCoefficient,
  ductLoss,
  dynamicLoss,
  fanCurve,
  frictionFactor,
  rectangularDuct,
  roundDuct,
  solveAir,
} from '.';

test('standard air: 1.204 kg/m³, 18.2 µPa·s, 1.005 kJ/(kg·K) at 20 °C, as handbooks round them', () => {
  expect(AIR_KG_M3).toBeCloseTo(1.204, 3);
  expect(AIR_PA_S * 1e6).toBeCloseTo(18.1, 0);
  expect(AIR_J_KG_K / 1000).toBeCloseTo(1.005, 3);
  expect(1 * PA_PER_INCH_WATER).toBeCloseTo(249.1, 1);
  expect(400 * M3S_PER_CFM).toBeCloseTo(0.1888, 4);
});

describe('the friction factor', () => {
  test.each([
    [1000, 0, 0.064],
    [1e4, 0, 0.0309],
    [1e5, 0, 0.018],
    [1e6, 0, 0.01165],
    [1e5, 0.0001, 0.0185],
    [1e5, 0.001, 0.0222],
    [1e6, 0.001, 0.0199],
    [1e7, 0.01, 0.0379],
  ])('at Re %d and ε/D %d is %d, by Moody’s chart', (reynolds, relative, factor) => {
    expect(Math.abs(frictionFactor(reynolds, relative) / factor - 1)).toBeLessThan(0.01);
  });

  test('solves Colebrook’s equation to the last digit, and does not jump where flow turns', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 4000, max: 1e8, noNaN: true }),
        fc.double({ min: 0, max: 0.05, noNaN: true }),
        (re, rel) => {
          const x = 1 / Math.sqrt(frictionFactor(re, rel));
          expect(x + 2 * Math.log10(rel / 3.7 + (2.51 * x) / re)).toBeCloseTo(0, 9);
        },
      ),
    );
    for (const edge of [2000, 4000])
      expect(frictionFactor(edge - 1e-6, 0.001)).toBeCloseTo(frictionFactor(edge + 1e-6, 0.001), 6);
  });

  test.each([
    [0, 0],
    [-5, 0],
    [1e5, -0.1],
    [1e5, 0.5],
    [NaN, 0],
  ])('is refused at Re %d, ε/D %d', (reynolds, relative) => {
    expect(() => frictionFactor(reynolds, relative)).toThrow(RangeError);
  });
});

describe('what a duct takes', () => {
  // By hand: 1 m³/s in 0.4 m: 7.958 m/s, Re 2.1·10⁵, ε/D 0.000225, f 0.0172; 0.0172/0.4 · 0.602 · 63.3 = 1.64 Pa/m.
  test('0.4 m round, galvanised, 1 m³/s: 1.6 Pa/m by the friction chart', () => {
    const { pa } = ductLoss(roundDuct(0.4, 1, ROUGHNESS_M.galvanised), 1);
    expect(pa).toBeCloseTo(1.64, 1);
  });

  // The chart that trade handbooks carry: 400 cfm in 10 in. round takes about 0.085 in. of water in 100 ft.
  test('10 in. round, 400 cfm: about 0.085 in. w.c. in 100 ft', () => {
    const { pa } = ductLoss(roundDuct(0.254, 30.48, ROUGHNESS_M.galvanised), 400 * M3S_PER_CFM);
    expect(pa / PA_PER_INCH_WATER).toBeGreaterThan(0.08);
    expect(pa / PA_PER_INCH_WATER).toBeLessThan(0.092);
  });

  // By hand: 0.6 × 0.3 m: hydraulic diameter 0.4 m; 0.9 m³/s is 5 m/s; an elbow of 0.3 takes 0.3 · 0.602 · 25 = 4.5 Pa.
  test('a rectangle goes by its hydraulic diameter; a fitting by the velocity head', () => {
    const duct = rectangularDuct([0.6, 0.3], 10, ROUGHNESS_M.galvanised, 0.3);
    expect(duct.diameterM).toBeCloseTo(0.4, 12);
    const straight = ductLoss({ ...duct, fittings: 0 }, 0.9).pa;
    expect(ductLoss(duct, 0.9).pa - straight).toBeCloseTo(4.515, 2);
    expect(dynamicLoss(1, 1, 10).pa).toBeCloseTo(0.5 * AIR_KG_M3 * 100, 9);
  });

  test('is odd in the flow, and its slope is the slope of what it says', () => {
    const duct = roundDuct(0.3, 8, ROUGHNESS_M.flexible, 1.2);
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 2, noNaN: true }), (flow) => {
        expect(ductLoss(duct, -flow).pa).toBeCloseTo(-ductLoss(duct, flow).pa, 9);
        const step = flow * 1e-3;
        const { pa, slope } = ductLoss(duct, flow);
        // To either side: where laminar flow ends the curve has a corner.
        const sides = [
          (ductLoss(duct, flow + step).pa - pa) / step,
          (pa - ductLoss(duct, flow - step).pa) / step,
        ];
        expect(slope).toBeGreaterThan(0.97 * Math.min(...sides));
        expect(slope).toBeLessThan(1.03 * Math.max(...sides));
      }),
    );
  });
});

describe('a damper', () => {
  test.each([
    [1, 0.2],
    [1 - 30 / 90, 3.91],
    [1 - 60 / 90, 118],
  ])('open %d takes %d velocity heads, by Idelchik', (open, coefficient) => {
    expect(damperCoefficient(open)).toBeCloseTo(coefficient, 6);
  });

  test('takes ever more as it shuts, and is refused beyond its travel', () => {
    const all = Array.from({ length: 101 }, (_, i) => damperCoefficient(1 - i / 100));
    all.slice(1).forEach((one, i) => expect(one).toBeGreaterThan(all[i]!));
    for (const open of [-0.01, 1.01, NaN]) expect(() => damperCoefficient(open)).toThrow(RangeError);
  });
});

const POINTS = [
  { flow: 0.4, pa: 200 },
  { flow: 0.55, pa: 125 },
  { flow: 0.62, pa: 50 },
];

describe('a fan', () => {
  const curve = fanCurve(POINTS);

  test('gives what its table says, falls between, and goes on straight', () => {
    for (const { flow, pa } of POINTS) expect(curve.at(flow).pa).toBeCloseTo(pa, 9);
    const all = Array.from({ length: 81 }, (_, i) => curve.at(0.2 + i * 0.006).pa);
    all.slice(1).forEach((one, i) => expect(one).toBeLessThan(all[i]!));
  });

  test('at another speed by the fan laws: flow as the speed, pressure as its square', () => {
    const slow = atSpeed(curve, 0.8);
    expect(slow.at(0.55 * 0.8).pa).toBeCloseTo(125 * 0.64, 9);
  });

  test('that rises, or has one point, is refused by name', () => {
    expect(() => fanCurve([{ flow: 0.4, pa: 100 }])).toThrow(/two points/);
    expect(() => fanCurve([...POINTS, { flow: 0.7, pa: 60 }])).toThrow(/does not from 0.62 to 0.7/);
  });
});

/** A fan that blows into a plenum; ducts of it go to the room; the return comes from the room. */
const plenum = (...outlets: readonly Omit<AirBranch, 'from' | 'to'>[]): AirBranch[] => [
  { id: 'fan', from: ROOM, to: 'plenum', parts: [{ type: 'fan', curve: fanCurve(POINTS) }] },
  ...outlets.map((one) => ({ ...one, from: 'plenum', to: ROOM })),
];
const square = (id: string, pa: number, flow: number) => ({
  id,
  parts: [{ type: 'resistance', pa, flow } as const],
});

describe('a network', () => {
  // By hand: 125 Pa at 0.55 m³/s is a point of the fan, and of this resistance.
  test('one fan on one resistance runs where the two meet', () => {
    const { flows, pressures } = solveAir({ branches: plenum(square('duct', 125, 0.55)) });
    expect(flows.fan).toBeCloseTo(0.55, 6);
    expect(pressures.plenum).toBeCloseTo(125, 5);
  });

  // By hand: in series losses add: 75 + 50 Pa at 0.55. In parallel flows add: 0.2 and 0.35 at 125 Pa.
  test('series and parallel, worked by hand', () => {
    const series: AirBranch[] = [
      plenum()[0]!,
      { ...square('near', 75, 0.55), from: 'plenum', to: 'middle' },
      { ...square('far', 50, 0.55), from: 'middle', to: ROOM },
    ];
    expect(solveAir({ branches: series }).pressures.middle).toBeCloseTo(50, 5);
    const { flows } = solveAir({ branches: plenum(square('small', 125, 0.2), square('large', 125, 0.35)) });
    expect([flows.small, flows.large]).toEqual([expect.closeTo(0.2, 6), expect.closeTo(0.35, 6)]);
  });

  test('a zone that shuts raises the pressure and starves the fan of its way', () => {
    const zone = (open: number) => ({
      id: 'zone',
      parts: [
        { type: 'damper', areaM2: 0.05, open } as const,
        { type: 'duct', duct: roundDuct(0.25, 12, ROUGHNESS_M.flexible, 2) } as const,
      ],
    });
    const at = (open: number) => solveAir({ branches: plenum(zone(open), square('other', 125, 0.35)) });
    const [wide, half, shut] = [at(1), at(0.5), at(0)];
    expect(half.pressures.plenum!).toBeGreaterThan(wide.pressures.plenum!);
    expect(shut.pressures.plenum!).toBeGreaterThan(half.pressures.plenum!);
    expect(shut.flows.zone! / wide.flows.zone!).toBeLessThan(0.1);
    expect(shut.flows.zone!).toBeGreaterThan(0);
  });

  const zones = fc.array(
    fc.record({
      open: fc.double({ min: 0, max: 1, noNaN: true }),
      diameter: fc.double({ min: 0.12, max: 0.4, noNaN: true }),
      length: fc.double({ min: 1, max: 30, noNaN: true }),
      fittings: fc.double({ min: 0, max: 8, noNaN: true }),
    }),
    { minLength: 1, maxLength: 5 },
  );
  const branchesOf = (
    given: readonly { open: number; diameter: number; length: number; fittings: number }[],
  ): AirBranch[] => [
    { id: 'fan', from: 'return', to: 'plenum', parts: [{ type: 'fan', curve: fanCurve(POINTS) }] },
    { id: 'back', from: ROOM, to: 'return', parts: [{ type: 'resistance', pa: 40, flow: 0.5 }] },
    ...given.flatMap(({ open, diameter, length, fittings }, i): AirBranch[] => [
      {
        id: `run${i}`,
        from: 'plenum',
        to: `zone${i}`,
        parts: [
          { type: 'damper', areaM2: (Math.PI * diameter ** 2) / 4, open },
          { type: 'duct', duct: roundDuct(diameter, length, ROUGHNESS_M.galvanised, fittings) },
        ],
      },
      { id: `grille${i}`, from: `zone${i}`, to: ROOM, parts: [{ type: 'resistance', pa: 10, flow: 0.1 }] },
    ]),
  ];

  test('whatever it is made of: what goes in comes out, and every branch loses what its ends differ by', () => {
    fc.assert(
      fc.property(zones, (given) => {
        const branches = branchesOf(given);
        const { flows, pressures, steps } = solveAir({ branches });
        const out = given.reduce((sum, _, i) => sum + flows[`run${i}`]!, 0);
        expect(out).toBeCloseTo(flows.fan!, 7);
        for (const branch of branches)
          expect(branchLoss(branch, flows[branch.id]!).pa).toBeCloseTo(
            pressures[branch.from]! - pressures[branch.to]!,
            4,
          );
        expect(steps).toBeLessThan(100);
      }),
      { numRuns: 60 },
    );
  });

  test('small pushes act alike both ways: what one in a branch moves in another', () => {
    const given = [
      { open: 1, diameter: 0.25, length: 8, fittings: 2 },
      { open: 0.6, diameter: 0.2, length: 14, fittings: 3 },
    ];
    const moved = (pushed: string, seen: string) => {
      const flowWith = (pa: number) =>
        solveAir({
          branches: branchesOf(given).map((branch) =>
            branch.id === pushed
              ? {
                  ...branch,
                  parts: [...branch.parts, { type: 'fan', curve: { at: () => ({ pa, slope: 0 }) } } as const],
                }
              : branch,
          ),
        }).flows[seen]!;
      return flowWith(0.01) - flowWith(-0.01);
    };
    expect(moved('run0', 'run1') / moved('run1', 'run0')).toBeCloseTo(1, 3);
  });

  test('a node that hangs on nothing is refused', () => {
    const loose = [...plenum(square('duct', 125, 0.55)), { ...square('stray', 10, 1), from: 'a', to: 'b' }];
    expect(() => solveAir({ branches: loose })).toThrow(/hangs together nowhere/);
  });
});
