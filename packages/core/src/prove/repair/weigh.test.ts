/** Which of two repairs leaves less: dangers before faults before work, each by the states that show it. The order is our own. */
import { exchange } from '../../circuit';
import { furnaceAirConditioner } from '../../systems';
import { casesOf } from '../cases';
import { GRAVITY, SEVERITY } from '../properties';
import type { Finding } from '../prove';
import type { PropertyId } from '../violation';
import { heavier, leftOf, lighter } from './weigh';

const good = furnaceAirConditioner('Weigh');
const wrong = exchange(good, ['statY', 'to'], ['statW', 'to']);
const [shownBy] = casesOf(good);

/** Weighing asks for nothing a violation rests on. */
const finding = (property: PropertyId, states: number, about = 'x') =>
  ({ property, about, severity: SEVERITY[property], states, shownBy: shownBy! }) as Finding;
const left = (findings: Finding[], work = 1, circuit = good, behind = 0) =>
  leftOf(findings, circuit, work, behind);

test('dangers count before faults, faults before cautions', () => {
  expect(GRAVITY.danger).toBeLessThan(GRAVITY.fault);
  expect(GRAVITY.fault).toBeLessThan(GRAVITY.caution);
  const danger = left([finding('short', 1)]);
  const fault = left([finding('unanswered', 50)]);
  const caution = left([finding('coil-margin', 90)]);
  expect(lighter(fault, danger)).toBe(true);
  expect(lighter(danger, fault)).toBe(false);
  expect(lighter(caution, fault)).toBe(true);
  expect(lighter(left([]), caution)).toBe(true);
});

test('of one kind, what fewer states show', () => {
  expect(lighter(left([finding('short', 3)]), left([finding('short', 4)]))).toBe(true);
  expect(lighter(left([finding('short', 4)]), left([finding('short', 4)]))).toBe(false);
  expect(lighter(left([finding('short', 2), finding('blank', 9)]), left([finding('safety', 4)]))).toBe(true);
});

test('what leaves a part of what the other leaves, however many states show it', () => {
  const some = left([finding('blank', 80)]);
  const more = left([finding('blank', 10), finding('never', 10)]);
  expect(lighter(some, more)).toBe(true);
  expect(lighter(more, some)).toBe(false);
  // Neither a part of the other: then the states decide.
  expect(lighter(left([finding('blank', 80)]), left([finding('never', 10), finding('blank', 5, 'y')]))).toBe(
    false,
  );
});

test('then what disagrees least with its marks, then the least work', () => {
  expect(lighter(left([], 9), left([], 1, wrong))).toBe(true);
  expect(lighter(left([], 1), left([], 2))).toBe(true);
  expect(lighter(left([], 2), left([], 2))).toBe(false);
  // Of two that are alike in all that, the one that puts less behind a guard.
  expect(lighter(left([], 1, good, 1), left([], 1, good, 2))).toBe(true);
});

test('what is graver than before is never taken', () => {
  const of = (findings: Finding[]) => left(findings).weight;
  expect(heavier(of([finding('short', 2)]), of([finding('short', 1), finding('blank', 90)]))).toBe(true);
  expect(
    heavier(of([finding('short', 1), finding('blank', 3)]), of([finding('short', 1), finding('blank', 2)])),
  ).toBe(true);
  expect(heavier(of([finding('short', 1)]), of([finding('short', 1)]))).toBe(false);
  expect(heavier(of([finding('blank', 90)]), of([finding('short', 1)]))).toBe(false);
});
