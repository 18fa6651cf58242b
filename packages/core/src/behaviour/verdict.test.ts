import { expectedRange, judge } from './verdict';

// Mains within ±5 % (ANSI C84.1 range A, from memory) and a field meter's accuracy, from memory.
test('24 V class readings within healthy mains agree', () => {
  expect(judge(26.2, 26.2, 'V')).toBe('agrees');
  expect(judge(24.9, 26.2, 'V')).toBe('agrees');
  expect(judge(27.5, 26.2, 'V')).toBe('agrees');
  expect(judge(3.1, 26.2, 'V')).toBe('low');
  expect(judge(31, 26.2, 'V')).toBe('high');
});

test('where nothing is expected a meter’s last digits are nothing', () => {
  expect(judge(0.2, 0, 'V')).toBe('agrees');
  expect(judge(5, 0, 'V')).toBe('high');
});

test('ohms allow for lead and contact resistance', () => {
  expect(judge(1.9, 1.5, 'Ω')).toBe('agrees');
  expect(judge(20, 7.7, 'Ω')).toBe('high');
});

test('an open loop agrees with an open loop only', () => {
  expect(judge(Infinity, Infinity, 'Ω')).toBe('agrees');
  expect(judge(Infinity, 7.7, 'Ω')).toBe('high');
  expect(judge(7.7, Infinity, 'Ω')).toBe('low');
});

test.each([
  [26.2, 'V'],
  [0, 'V'],
  [0.3, 'A'],
  [7.7, 'Ω'],
] as const)('the range of %d %s holds its value and is never negative', (value, unit) => {
  const { low, high } = expectedRange(value, unit);
  expect(low).toBeGreaterThanOrEqual(0);
  expect(low).toBeLessThanOrEqual(value);
  expect(high).toBeGreaterThan(value);
});
