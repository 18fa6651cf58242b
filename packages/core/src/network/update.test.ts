/** Law: a change solved by update is the change solved by factorising anew. */
import fc from 'fast-check';
import { NEW_WORLD, advance } from '../behaviour';
import { TEMPLATES, heatPumpWithStrips } from '../systems';
import { calling } from '../testing/scenarios';
import { compile } from './compile';
import { makeSolver, solve } from './solve';
import { bridgeChange, makeBase, positionChange, solveChanged } from './update';

const network = compile(heatPumpWithStrips('Check', { stages: 'two' }));
const { choice } = advance(network, calling('cool'), NEW_WORLD, 400).point;
const movable = network.branches.flatMap(({ positions }, b) => (positions.length > 1 ? [b] : []));

/** Volts between the two solutions at worst; nodes that end up floating are left out, they are held by the leak alone. */
function worst(one: { re: Float64Array; im: Float64Array }, other: { re: Float64Array; im: Float64Array }) {
  return Math.max(
    ...one.re.map((re, node) => Math.hypot(re - other.re[node]!, one.im[node]! - other.im[node]!)),
  );
}

test('closing any one to three open contacts equals factorising anew', () => {
  const open = movable.filter((b) => network.branches[b]!.positions[choice[b]!] === 'open');
  expect(open.length).toBeGreaterThanOrEqual(5);
  const base = makeBase(network, choice);
  fc.assert(
    fc.property(fc.uniqueArray(fc.constantFrom(...open), { minLength: 1, maxLength: 3 }), (branches) => {
      const changed = choice.slice();
      const changes = branches.map((b) => {
        changed[b] = network.branches[b]!.positions.indexOf('closed');
        return positionChange(base, b, changed[b]);
      });
      expect(worst(solveChanged(base, changes), solve(makeSolver(network), changed))).toBeLessThan(1e-4);
    }),
    { numRuns: 60 },
  );
});

test.each(TEMPLATES)('a short from hot to common in $id equals the bridge compiled in', ({ build }) => {
  const circuit = build('Check');
  const whole = compile(circuit);
  const [secondary] = whole.secondaries;
  // A boiler's own control has no transformer of its own to short.
  if (!secondary)
    return expect(
      circuit.devices.some(({ kind }) => kind === 'boiler-control' || kind === 'ductless-outdoor'),
    ).toBe(true);
  const { point } = advance(whole, calling('off'), NEW_WORLD, 1);
  const bridged = compile(
    circuit,
    [],
    [{ red: whole.nodes[secondary.hot]!, black: whole.nodes[secondary.common]!, ohms: 0.05 }],
  );
  const anew = solve(makeSolver(bridged), Uint8Array.from([...point.choice, 0]));
  const updated = solveChanged(makeBase(whole, point.choice), [
    bridgeChange(secondary.hot, secondary.common, 0.05),
  ]);
  expect(worst(updated, anew)).toBeLessThan(1e-4);
});

test('no change is no change', () => {
  const base = makeBase(network, choice);
  expect(
    worst(solveChanged(base, [positionChange(base, movable[0]!, choice[movable[0]!]!)]), base.point),
  ).toBe(0);
});
