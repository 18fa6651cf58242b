/** What may be wrong and what to do about it, as a person reads it. */
import { followDiagnosis, hypothesesOf, makeDictionary } from '../../diagnose';
import { candidatesOf } from '../../diagnose/next/candidates';
import type { Step } from '../../diagnose';
import { TEMPLATES, furnaceAirConditioner } from '../../systems';
import {
  choiceText,
  failureText,
  meaningText,
  namesIn,
  observationText,
  remedyText,
  stepCaution,
  stepText,
} from '..';

const circuit = furnaceAirConditioner('Words');
const names = namesIn(circuit);
const hypotheses = hypothesesOf(circuit);
const told = (id: string) => {
  const { failure, remedy } = hypotheses.find((one) => one.id === id)!;
  return [failureText(names, failure), remedyText(names, remedy)];
};

test.each([
  ['none', 'Nothing is wrong with the controls: look at the equipment', 'Leave the controls as they are'],
  [
    'fuse blown',
    'Board fuse: fuse blown',
    'Find what opened Board fuse, put that right, then replace it with the same rating',
  ],
  ['stat not-seated', 'Thermostat: not seated on its base', 'Seat it properly: Thermostat'],
  ['float tripped', 'Pan float has tripped', 'Find why Pan float has tripped, put that right, then reset it'],
  ['door door-off', 'Door switch: door not on', 'Seat it properly: Door switch'],
  ['furnaceBreaker off', 'Furnace breaker is off', 'Find why Furnace breaker is off, then switch it on'],
  [
    'statY broken',
    'Yellow of Thermostat cable is broken',
    'Give the work of yellow of Thermostat cable to a spare, or pull a new cable',
  ],
  [
    'statY loose to',
    'Yellow of Thermostat cable is loose at Furnace board Y',
    'Land yellow of Thermostat cable anew on Furnace board Y',
  ],
  ['yardCable cut through', 'Outdoor cable is cut through', 'Pull a new cable in place of Outdoor cable'],
])('%s', (id, failure, remedy) => {
  expect(told(id)).toEqual([failure, remedy]);
});

test('every failure of every system can be told, and no two of one system alike', () => {
  for (const { build } of TEMPLATES) {
    const each = build('Words');
    const texts = hypothesesOf(each).map(({ failure }) => failureText(namesIn(each), failure));
    expect(texts.filter((text) => /undefined|\[object/.test(text))).toEqual([]);
    expect(texts.filter((text, i) => texts.indexOf(text) !== i)).toEqual([]);
  }
});

test('a step beside line voltage is told with whose hands belong there, and a look or a test with the power OFF', () => {
  const dictionary = makeDictionary(circuit, hypotheses);
  const calls = dictionary.states.map(({ id }) => id);
  const steps = candidatesOf(dictionary, calls);
  const beside = steps.filter((step) => 'line' in step && step.line);
  expect(new Set(beside.map(({ type }) => type))).toEqual(new Set(['reading', 'clamp', 'look']));
  for (const step of beside) expect(stepCaution(step)).toMatch(/qualified for line voltage/);
  for (const step of steps) {
    const handsIn = step.type === 'look' ? step.line : ['test', 'wires', 'swap'].includes(step.type);
    if (handsIn) expect(stepCaution(step)).toMatch(/Turn the power OFF, lock it, and verify dead/);
  }
});

test('a step says where the probes go or what to look at, an answer what it would be', () => {
  const dictionary = makeDictionary(circuit, hypotheses);
  const whereabouts = { station: 'hall', open: [], state: 'cool' };
  const cold = { type: 'air', state: 'cool', air: 'plain' } as const;
  const observed = [{ id: 'a', at: '2026-11-27T10:00:00.000Z', observation: cold }];
  const { steps, left } = followDiagnosis(dictionary, { observed, whereabouts });
  for (const { step, choices } of steps) {
    expect(stepText(names, step)).toMatch(/^(Red on|Look at|See what runs|What does|Power OFF)/);
    for (const choice of choices) {
      expect(choiceText(names, step, choice).length).toBeGreaterThan(1);
      expect(meaningText(names, choice.failures)).not.toMatch(/undefined/);
      for (const one of choice.observed) expect(observationText(names, one)).not.toMatch(/undefined/);
    }
  }
  expect(left.length).toBeGreaterThan(1);
  expect(observationText(names, cold)).toBe('Air, neither warm nor cold');
  const reading = { type: 'reading', state: 'cool', red: 'board.Y', black: 'board.C' } as Step;
  expect(stepText(names, reading)).toBe('Red on Furnace board Y, black on Furnace board C, cooling called');
  expect(choiceText(names, reading, { value: 24.31, share: 1, failures: [], observed: [] })).toBe(
    'about 24.3 V',
  );
});
