/** The assignment against exhaustive search on small cases. */
import fc from 'fast-check';
import { assign } from './assign';

const total = (cost: readonly (readonly number[])[], columnOf: readonly number[]) =>
  columnOf.reduce((sum, column, row) => sum + cost[row]![column]!, 0);

/** Every way of giving rows different columns. */
function exhaustive(cost: readonly (readonly number[])[], row = 0, taken: readonly number[] = []): number {
  if (row === cost.length) return 0;
  return Math.min(
    Infinity,
    ...cost[row]!.map((own, column) =>
      taken.includes(column) ? Infinity : own + exhaustive(cost, row + 1, [...taken, column]),
    ),
  );
}

const matrices = fc
  .tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 0, max: 2 }))
  .chain(([rows, more]) =>
    fc.array(fc.array(fc.integer({ min: 0, max: 30 }), { minLength: rows + more, maxLength: rows + more }), {
      minLength: rows,
      maxLength: rows,
    }),
  );

test('is as cheap as the cheapest of all', () => {
  fc.assert(
    fc.property(matrices, (cost) => {
      const columnOf = assign(cost);
      expect(new Set(columnOf).size).toBe(cost.length);
      expect(total(cost, columnOf)).toBe(exhaustive(cost));
    }),
    { numRuns: 300 },
  );
});

test('leaves a row without a column when none is allowed, and the rest theirs', () => {
  expect(
    assign([
      [1, 5],
      [Infinity, 2],
      [Infinity, Infinity],
    ]),
  ).toEqual([0, 1, -1]);
  expect(assign([[0], [0]])).toEqual([0, -1]);
  expect(assign([])).toEqual([]);
});
