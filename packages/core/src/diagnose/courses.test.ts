/** Courses that faults share, against each fault run by itself: a dictionary of one hypothesis has none to share. */
import { TEMPLATES } from '../systems';
import { hypothesesOf, makeDictionary } from '.';

/** Every so many hypotheses, in every so many systems: a run by itself compiles the circuit anew. */
const HYPOTHESES = 3;
const SYSTEMS = 4;

test.each(TEMPLATES.filter((_, i) => i % SYSTEMS === 1))('$id', ({ build }) => {
  const circuit = build('Courses');
  const shared = makeDictionary(circuit);
  for (const { id } of shared.states) for (const i of shared.hypotheses.keys()) shared.predict(i, id);
  hypothesesOf(circuit).forEach((hypothesis, i) => {
    if (i % HYPOTHESES !== 0) return;
    const alone = makeDictionary(circuit, [hypothesis]);
    for (const { id } of shared.states) {
      const [one, other] = [shared.predict(i, id), alone.predict(0, id)];
      const seen = ({ runs, faces, air, blank }: typeof one) => ({ runs, faces, air, blank });
      expect([hypothesis.id, id, seen(one)]).toEqual([hypothesis.id, id, seen(other)]);
      alone.network.nodes.forEach((name, node) => {
        const here = one.point.network.indexOf(name);
        const apart = Math.hypot(
          one.point.re[here]! - other.point.re[node]!,
          one.point.im[here]! - other.point.im[node]!,
        );
        if (apart > 0.02) throw new Error(`${hypothesis.id}, ${id}: ${name} is ${apart} V off`);
      });
    }
  });
});
