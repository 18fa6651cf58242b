/** Questions a customer can answer, and what to bring. What a remedy takes is common practice (no published source). */
import { kindOf } from '../devices';
import { TEMPLATES, furnaceAirConditioner } from '../systems';
import type { Observation } from '.';
import { does, hypothesesOf, makeDictionary, neededFor, rank, telephoneSteps, whatToBring } from '.';

const circuit = furnaceAirConditioner('Telephone');
const dictionary = makeDictionary(circuit);
const at = { station: 'hall', open: [], state: 'cool' };
const seen: Observation[] = [{ type: 'air', state: 'cool', air: 'plain' }];

test.each(TEMPLATES.filter((_, i) => i % 3 === 0))(
  '$id: nobody is asked to open or to touch anything',
  ({ build }) => {
    const other = build('Telephone');
    const all = makeDictionary(other);
    for (const { step } of telephoneSteps(all, rank(all, []), { ...at, state: all.states[0]!.id }, 50)) {
      expect(['face', 'call']).toContain(step.type);
      if (step.type !== 'face') continue;
      const kind = kindOf(other.devices.find(({ id }) => id === step.device)!.kind);
      expect(kind.sealed).toBe(false);
      expect(kind.asks ?? kind.isolates ?? kind.safety).toBeDefined();
    }
  },
);

test('what is brought covers nine tenths of what can be, with nothing in it that covers nothing', () => {
  const ranking = rank(dictionary, seen);
  const { items, covered, deferred } = whatToBring(dictionary, ranking);
  expect(covered).toBeGreaterThanOrEqual(0.9 * (1 - deferred));
  // By hand: the share of every remedy all of whose needs are among the items.
  const byHand = ranking.groups.reduce((sum, { remedy, share }) => {
    const needs = neededFor(circuit, remedy);
    return sum + (needs?.every((need) => items.some((item) => does(item, need))) ? share : 0);
  }, 0);
  expect(covered).toBeCloseTo(byHand, 9);
  for (const item of items) {
    const rest = items.filter((other) => other !== item);
    const without = ranking.groups.some(({ remedy }) =>
      neededFor(circuit, remedy)?.some(
        (need) => does(item, need) && !rest.some((other) => does(other, need)),
      ),
    );
    expect(without).toBe(true);
  }
});

test('a batteries question is about batteries, and flat ones do not cost a thermostat', () => {
  const flat = hypothesesOf(circuit).find(({ id }) => id === 'stat batteries-flat')!;
  expect(neededFor(circuit, flat.remedy)).toEqual([{ type: 'part', kind: 'thermostat', part: 'Batteries' }]);
});

test('more conductors serve for fewer, never the other way round', () => {
  expect(does({ type: 'cable', conductors: 8 }, { type: 'cable', conductors: 5 })).toBe(true);
  expect(does({ type: 'cable', conductors: 5 }, { type: 'cable', conductors: 8 })).toBe(false);
});

test('refrigerant, combustion and life safety are for who is licensed: nothing is brought for them', () => {
  const deferred = hypothesesOf(circuit).filter(
    ({ remedy }) => remedy.type === 'part' && remedy.mend === 'defer',
  );
  expect(deferred.length).toBeGreaterThan(0);
  for (const { remedy } of deferred) expect(neededFor(circuit, remedy)).toBeNull();
});
