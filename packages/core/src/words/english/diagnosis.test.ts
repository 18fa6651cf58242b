/** What may be wrong and what to do about it, as a person reads it. */
import { hypothesesOf } from '../../diagnose';
import type { Step } from '../../diagnose';
import { TEMPLATES, furnaceAirConditioner } from '../../systems';
import { answerText, failureText, namesIn, remedyText, stepText } from '..';

const circuit = furnaceAirConditioner('Words');
const names = namesIn(circuit);
const hypotheses = hypothesesOf(circuit);
const told = (id: string) => {
  const { failure, remedy } = hypotheses.find((one) => one.id === id)!;
  return [failureText(names, failure), remedyText(names, remedy)];
};

test.each([
  ['none', 'Nothing is wrong with the controls: look at the equipment', 'Leave the controls as they are'],
  ['fuse blown', 'Board fuse: fuse blown', 'Replace Board fuse'],
  ['stat not-seated', 'Thermostat: not seated on its base', 'Seat it properly: Thermostat'],
  ['float tripped', 'Pan float has tripped', 'Find why Pan float has tripped, put that right, then reset it'],
  ['door door-off', 'Door switch: door not on', 'Seat it properly: Door switch'],
  ['furnaceBreaker off', 'Furnace breaker is off', 'Find why Furnace breaker is off, then switch it on'],
  [
    'statY broken',
    'yellow of Thermostat cable is broken',
    'Give the work of yellow of Thermostat cable to a spare, or pull a new cable',
  ],
  [
    'statY loose to',
    'yellow of Thermostat cable is loose at Furnace board Y',
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

test('a step says where the probes go or what to look at, an answer what it would be', () => {
  const reading = { type: 'reading', red: 'board.Y', black: 'board.C' } as Step;
  expect(stepText(names, reading)).toBe('Volts from Furnace board Y to Furnace board C');
  expect(stepText(names, { type: 'face', device: 'board' } as Step)).toBe('Look at what Furnace board shows');
  expect([24.31, 0.01, 'blown'].map(answerText)).toEqual(['about 24.3 V', 'about 0 V', 'blown']);
});
