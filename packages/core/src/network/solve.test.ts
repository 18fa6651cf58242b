/** The solver against mathjs' dense complex LU, and against laws every linear network obeys. */
import * as fc from 'fast-check';
import { complex, lusolve } from 'mathjs';
import type { Complex } from 'mathjs';
import { SCENARIOS, pointOf } from '../testing/scenarios';
import { LEAK_SIEMENS } from './compile';
import type { Pattern } from './ldl';
import { analyse, factorise, makeFactor, solveFactored } from './ldl';
import type { OperatingPoint } from './solve';
import { branchCurrent, factoriseAt, makeSolver, phasor } from './solve';

interface Ladder {
  size: number;
  links: { a: number; b: number; g: number; s: number }[];
  drive: { re: number; im: number }[];
}

/** Random networks of up to a dozen nodes: conductances over six decades with susceptances of either sign. */
const ladders = fc.integer({ min: 1, max: 12 }).chain((size) =>
  fc.record({
    size: fc.constant(size),
    links: fc.array(
      fc.record({
        a: fc.integer({ min: 0, max: size - 1 }),
        b: fc.integer({ min: -1, max: size - 1 }),
        g: fc.double({ min: -3, max: 3, noNaN: true }).map((exponent) => 10 ** exponent),
        s: fc.double({ min: -2, max: 2, noNaN: true }),
      }),
      { maxLength: 30 },
    ),
    drive: fc.array(
      fc.record({ re: fc.integer({ min: -10, max: 10 }), im: fc.integer({ min: -10, max: 10 }) }),
      { minLength: size, maxLength: size },
    ),
  }),
);

/** Leak that keeps the random matrices regular. */
const LEAK = 1e-3;

function dense({ size, links }: Ladder): { re: number[][]; im: number[][] } {
  const grid = () => Array.from({ length: size }, () => new Array<number>(size).fill(0));
  const [re, im] = [grid(), grid()];
  for (let i = 0; i < size; i++) re[i]![i] = LEAK;
  for (const { a, b, g, s } of links) {
    if (a === b) continue;
    const add = (i: number, j: number, sign: number) => {
      re[i]![j]! += sign * g;
      im[i]![j]! += sign * g * s;
    };
    add(a, a, 1);
    if (b < 0) continue;
    add(b, b, 1);
    add(a, b, -1);
    add(b, a, -1);
  }
  return { re, im };
}

function patternOf({ size, links }: Ladder): Pattern {
  const adjacency = Array.from({ length: size }, () => new Set<number>());
  for (const { a, b } of links) {
    if (b < 0 || a === b) continue;
    adjacency[a]!.add(b);
    adjacency[b]!.add(a);
  }
  return analyse(adjacency);
}

/** Solves by our sparse factorisation. */
function ours(ladder: Ladder): { re: number; im: number }[] {
  const { re, im } = dense(ladder);
  const pattern = patternOf(ladder);
  const [valuesRe, valuesIm] = [
    new Float64Array(pattern.rowOf.length),
    new Float64Array(pattern.rowOf.length),
  ];
  for (let i = 0; i < ladder.size; i++)
    for (let j = i; j < ladder.size; j++) {
      const slot = pattern.slot(i, j);
      if (slot === undefined) continue;
      valuesRe[slot] = re[i]![j]!;
      valuesIm[slot] = im[i]![j]!;
    }
  const factor = makeFactor(pattern);
  factorise(pattern, valuesRe, valuesIm, factor);
  const x = {
    re: Float64Array.from(ladder.drive, (d) => d.re),
    im: Float64Array.from(ladder.drive, (d) => d.im),
  };
  solveFactored(pattern, factor, x.re, x.im);
  return Array.from(x.re, (value, i) => ({ re: value, im: x.im[i]! }));
}

test('random networks agree with mathjs lusolve', () => {
  fc.assert(
    fc.property(ladders, (ladder) => {
      const { re, im } = dense(ladder);
      const matrix = re.map((row, i) => row.map((value, j) => complex(value, im[i]![j]!)));
      const solved = lusolve(
        matrix,
        ladder.drive.map((d) => [complex(d.re, d.im)]),
      ) as unknown as (number | Complex)[][];
      // mathjs gives a plain number where the answer is real.
      const theirs = solved.map(([x]) => (typeof x === 'number' ? complex(x, 0) : x!));
      const scale = Math.max(1e-9, ...theirs.map((x) => Math.hypot(x.re, x.im)));
      ours(ladder).forEach((x, i) => {
        const apart = Math.hypot(x.re - theirs[i]!.re, x.im - theirs[i]!.im);
        expect(apart / scale).toBeLessThan(1e-7);
      });
    }),
    { numRuns: 200 },
  );
});

test('random networks are reciprocal: driving one node and reading another gives the same the other way round', () => {
  fc.assert(
    fc.property(ladders, fc.nat(), fc.nat(), (ladder, i, j) => {
      const [one, other] = [i % ladder.size, j % ladder.size];
      const driven = (node: number) => ladder.drive.map((_, k) => ({ re: k === node ? 1 : 0, im: 0 }));
      const there = ours({ ...ladder, drive: driven(one) })[other]!;
      const back = ours({ ...ladder, drive: driven(other) })[one]!;
      expect(Math.hypot(there.re - back.re, there.im - back.im)).toBeLessThan(
        1e-8 * Math.max(1, Math.hypot(there.re, there.im)),
      );
    }),
    { numRuns: 100 },
  );
});

/** Complex power each branch takes in; sources count with what they deliver. */
function powerBalance(point: OperatingPoint): { taken: number; moved: number } {
  let [re, im, moved] = [0, 0, 0];
  point.network.branches.forEach(({ nodes, weights }, b) => {
    // Conjugate current times the voltage over the stamp.
    const current = branchCurrent(point, b);
    const volts = nodes.reduce(
      (sum, node, i) => {
        const { re: vRe, im: vIm } = phasor(point, node, -1);
        return { re: sum.re + vRe * weights[i]!, im: sum.im + vIm * weights[i]! };
      },
      { re: 0, im: 0 },
    );
    re += volts.re * current.re + volts.im * current.im;
    im += volts.im * current.re - volts.re * current.im;
    moved += Math.hypot(volts.re, volts.im) * Math.hypot(current.re, current.im);
  });
  point.network.nodes.forEach((_, node) => {
    const { re: vRe, im: vIm } = phasor(point, node, -1);
    re += LEAK_SIEMENS * (vRe ** 2 + vIm ** 2);
  });
  return { taken: Math.hypot(re, im), moved };
}

// Tellegen's theorem: what the sources give, the rest takes.
test.each(SCENARIOS)('power balances: $name', (scenario) => {
  const { taken, moved } = powerBalance(pointOf(scenario));
  expect(taken).toBeLessThanOrEqual(1e-6 * Math.max(moved, 1e-3));
});

// Reciprocity holds through ideal transformers and capacitors alike.
test('a whole circuit is reciprocal', () => {
  const point = pointOf(SCENARIOS.find(({ name }) => name === 'cooling')!);
  const solver = makeSolver(point.network);
  factoriseAt(solver, point.choice, 'mains');
  const transfer = (from: string, to: string) => {
    const re = new Float64Array(point.network.nodes.length);
    const im = new Float64Array(point.network.nodes.length);
    re[point.network.indexOf(from)] = 1;
    solveFactored(point.network.pattern, solver.factor, re, im);
    const node = point.network.indexOf(to);
    return { re: re[node]!, im: im[node]! };
  };
  const there = transfer('stat.Y', 'board.L1');
  const back = transfer('board.L1', 'stat.Y');
  expect(Math.hypot(there.re, there.im)).toBeGreaterThan(0);
  expect(there.re).toBeCloseTo(back.re, 9);
  expect(there.im).toBeCloseTo(back.im, 9);
});
