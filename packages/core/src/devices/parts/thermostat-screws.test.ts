/** Screws of a thermostat, mark by mark. Which serve in place of which is common practice in the trade. */
import { SCREWS, backUpScrews, callAt, complaint, hotsOf, kindOf, marksIn, screwsOf, toggleMark } from '..';

const marksOf = (value: string) => screwsOf(value).map(({ mark }) => mark);
const setUp = (terminals: string, system: 'conventional' | 'heat-pump') => ({
  terminals,
  system,
  valve: 'O' as const,
});

test('a ready-made set has W, O/B and W2/AUX apart', () => {
  expect(SCREWS.sets.apart!.label).toBe('R Y Y2 G W O/B W2/AUX C');
  expect(['W', 'OB', 'AUX'].map((mark) => callAt(mark, setUp('apart', 'heat-pump')))).toEqual([
    'W',
    'O',
    'W2',
  ]);
});

test('marks with a space between are a set of their own, whatever their order', () => {
  expect(complaint(SCREWS, 'G R W Y')).toBeUndefined();
  expect(marksOf('G R W Y')).toEqual(['R', 'Y', 'W', 'G']);
});

test.each([
  ['six', /must be one of five, two.*"six" is neither/],
  [5, /must be one of five/],
  ['R R Y', /each mark once/],
  ['R RC RH Y', /R or RC, not both/],
  ['RC Y', /RH beside RC/],
  ['R Y OB O', /O or OB|OB or O/],
  ['R Y W2 AUX', /W2 or AUX|AUX or W2/],
  ['Y G', /one of R, RC/],
  ['R C', /one of Y, Y2/],
])('%p is refused', (value, why) => expect(complaint(SCREWS, value)).toMatch(why));

test.each([
  ['five', 'C', 'R Y W G'],
  ['R Y W G', 'C', 'five'],
  ['five', 'RC', 'two'],
  ['two', 'RH', 'C Y W G'],
  ['two', 'R', 'five'],
  ['pump', 'W2', 'R C Y Y2 W2 E G OB'],
  ['pump', 'O', 'R C Y Y2 AUX E G O'],
  ['rows', 'Y', 'rows'],
])('%s with %s turned over is %s', (value, mark, after) =>
  expect(toggleMark(SCREWS, value, mark)).toBe(after),
);

test('any turning over from a set that can be, is one, or says what it lacks', () => {
  for (const set of Object.keys(SCREWS.sets))
    for (const mark of Object.keys(SCREWS.marks)) {
      const after = toggleMark(SCREWS, set, mark);
      const wrong = complaint(SCREWS, after);
      if (wrong !== undefined) expect(wrong).toMatch(/must have one of/);
      else expect(marksIn(SCREWS, after)).toEqual(marksOf(after));
    }
});

test('RC and RH have hots of their own', () => {
  expect(hotsOf('RC RH Y W')).toEqual({ cooling: 'RC', heating: 'RH' });
  expect(hotsOf('R Y W')).toEqual({ cooling: 'R', heating: 'R' });
});

test.each([
  ['pump', 'E', 'AUX'],
  ['R Y E W2', 'E', 'W2'],
  ['rows', 'Y2', 'W2'],
  ['apart', null, 'AUX'],
  ['five', null, null],
])('on %s emergency heat is on %s, back-up heat on %s', (terminals, emergency, backUp) =>
  expect(backUpScrews(terminals)).toEqual({ emergency, backUp }),
);

test.each([
  ['both', 'R Y W', 'supply'],
  ['wired', 'R Y W', 'supply'],
  ['battery', 'R Y W', undefined],
  ['both', 'R Y W C', undefined],
])('powered by %s with %s: %s is wrong', (supply, terminals, param) =>
  expect(kindOf('thermostat').conflict({ supply, terminals })?.param).toBe(param),
);
