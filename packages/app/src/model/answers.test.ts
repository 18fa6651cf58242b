import { furnaceAirConditioner } from '@zygostat/core/systems';
import { circuitToJson } from '@zygostat/core/formats';
import { makeModel } from './answers';

const { readCircuit } = makeModel();
const problemsOf = (text: string) => {
  const found = readCircuit(text);
  return 'problems' in found ? found.problems : [];
};

test('a circuit file is read', () => {
  const circuit = furnaceAirConditioner('Loft');
  expect(readCircuit(circuitToJson(circuit))).toEqual({ circuit });
});

test.each([
  ['what is no JSON', '{"name": ', { path: 'document', message: expect.stringMatching(/JSON/) as string }],
  ['a field that is not there', '{}', { path: 'devices', message: 'is required' }],
])('of %s it says where, and what', (_what, text, problem) => {
  expect(problemsOf(text)).toContainEqual(problem);
});

test('of a file where everything is wrong it stops at the first hundred faults', () => {
  const circuit = { ...furnaceAirConditioner('Loft'), devices: Array.from({ length: 200 }, () => ({})) };
  const problems = problemsOf(JSON.stringify(circuit));
  expect(problems.length).toBeGreaterThan(10);
  expect(problems.length).toBeLessThanOrEqual(101);
});
