/** What single wrong landings do: common practice in the trade, no published source. */
import { furnaceAirConditioner, heatPumpWithStrips } from '../systems';
import type { Mistake } from '.';
import { tellViolation, tellWrong } from '../testing/tell';
import { prove, sweep, wrongLandings } from '.';

const good = furnaceAirConditioner('Sweep');
const mistakes = sweep(good)!;
const told = ({ wrong }: Pick<Mistake, 'wrong'>) => tellWrong(good, wrong);
const about = (words: RegExp): Mistake => mistakes.find((mistake) => words.test(told(mistake)))!;

test.each<[RegExp, Mistake['harm'], RegExp]>([
  [/yellow .* and blue .* exchanged, on Thermostat Y and Thermostat C/, 'danger', /fuse opens/],
  [/yellow .* and white .* exchanged, on Thermostat/, 'fault', /./],
  [/red .* and white of Outdoor cable exchanged, on Y and C/, null, /^$/],
])('%s', (words, harm, does) => {
  expect(about(words)).toMatchObject({ harm });
  const found = about(words);
  expect(found.does ? tellViolation(found.circuit, found.does) : '').toMatch(does);
});

test('gravest first, and each wiring once', () => {
  const order = ['danger', 'fault', 'caution', null];
  const ranks = mistakes.map(({ harm }) => order.indexOf(harm));
  expect(ranks).toEqual([...ranks].sort());
  expect(new Set(mistakes.map(told)).size).toBe(mistakes.length);
});

// Brute force: the full proof at nominal mains, no pruning, must find each harm the sweep reports and none where it reports none.
test('agrees with the whole proof of each wrong landing', () => {
  for (const mistake of mistakes.filter((_, i) => i % 5 === 0)) {
    const nominal = prove(mistake.circuit)!.findings.filter(
      ({ shownBy }) => shownBy.mains === 1 && shownBy.trip === null,
    );
    const worst = ['danger', 'fault'].find((severity) =>
      nominal.some((entry) => entry.severity === severity),
    );
    expect({ text: told(mistake), harm: mistake.harm }).toEqual({ text: told(mistake), harm: worst ?? null });
  }
});

test('every conductor of a heat pump is exchanged and moved somewhere', () => {
  const pump = heatPumpWithStrips('Sweep', { stages: 'two' });
  const texts = wrongLandings(pump).map(({ wrong }) => tellWrong(pump, wrong));
  for (const colour of ['red', 'yellow', 'blue', 'orange', 'green', 'white', 'brown', 'black'])
    expect(texts.filter((text) => text.startsWith(`${colour} of`)).length).toBeGreaterThan(0);
});

test('stops when it is no longer wanted', () => {
  expect(sweep(good, (done) => done < 3)).toBeNull();
});
