/**
 * Wired wrong in ways that are on nobody's list. The wirings are invented; that a good part must not be blamed for them is
 * the bar that advice is held to here.
 */
import type { Circuit, End } from '../circuit';
import { land, lift } from '../circuit';
import { furnaceAirConditioner, heatPumpWithStrips } from '../systems';
import { followAdvice } from '../testing/technician';
import { complaintOf, followDiagnosis, hypothesesOf, isSettled, makeDictionary, rank, siteWith } from '.';
import type { Observation, Site } from '.';

type Landing = readonly [conductor: string, end: End, on: string | null];

const relanded = (circuit: Circuit, landings: readonly Landing[]): Circuit => {
  const off = landings.reduce((now, [conductor, end]) => lift(now, conductor, end), circuit);
  return landings.reduce((now, [conductor, end, on]) => (on ? land(now, conductor, end, on) : now), off);
};

const landedAt = ({ cables }: Circuit, device: string) =>
  cables
    .flatMap(({ conductors }) => conductors)
    .flatMap(({ id, from, to }) => [from, to].map((end) => (end?.startsWith(`${device}.`) ? [id, end] : [])));

/** Answers by what is there; a look at a block that is not as recorded finds that it is otherwise than all of the answers. */
function siteOf(recorded: Circuit, there: Circuit): Site {
  const site = siteWith(there, hypothesesOf(there)[0]!);
  return {
    ...site,
    circuit: recorded,
    observe(step) {
      if (step.type !== 'look') return site.observe(step);
      const { device } = step;
      const same = JSON.stringify(landedAt(there, device)) === JSON.stringify(landedAt(recorded, device));
      return [{ type: 'look', device, found: same ? null : `${device} otherwise` }];
    },
  };
}

describe.each<[string, Circuit, string, readonly Landing[]]>([
  [
    'Y, G and W rotated at a thermostat',
    furnaceAirConditioner('Rotated'),
    'stat',
    [
      ['statY', 'from', 'stat.G'],
      ['statG', 'from', 'stat.W'],
      ['statW', 'from', 'stat.Y'],
    ],
  ],
  [
    'Y and G both off at a board',
    furnaceAirConditioner('Off'),
    'board',
    [
      ['statY', 'to', null],
      ['statG', 'to', null],
    ],
  ],
  [
    'W off and Y on its screw at a board',
    furnaceAirConditioner('Moved'),
    'board',
    [
      ['statW', 'to', null],
      ['statY', 'to', 'board.W'],
    ],
  ],
  [
    'Y, G and O/B rotated at a heat pump',
    heatPumpWithStrips('Rotated'),
    'stat',
    [
      ['statY', 'from', 'stat.G'],
      ['statG', 'from', 'stat.OB'],
      ['statO', 'from', 'stat.Y'],
    ],
  ],
])('%s', (_what, recorded, device, landings) => {
  const dictionary = makeDictionary(recorded);
  const site = siteOf(recorded, relanded(recorded, landings));
  const sound = siteOf(recorded, recorded);

  test('is settled on comparing that block with the record, and no part is blamed', () => {
    const { ranking } = followAdvice(dictionary, site, complaintOf(sound, site)!);
    expect(isSettled(ranking)).toBe(true);
    expect(ranking.groups[0]!.remedy).toEqual({ type: 'compare', device });
  });
});

describe('a look', () => {
  const circuit = furnaceAirConditioner('Look');
  const dictionary = makeDictionary(circuit);
  const observed: Observation[] = [{ type: 'air', state: 'cool', air: 'still' }];
  const view = followDiagnosis(dictionary, {
    observed: observed.map((observation) => ({ id: 'o', at: '2026-11-27T10:00:00.000Z', observation })),
    whereabouts: { station: 'hall', open: ['hall'], state: 'cool' },
  });
  const look = view.steps.find(({ step }) => step.type === 'look')!;

  test('may always be answered otherwise than by what is listed, last of all', () => {
    expect(look.choices.at(-1)!.observed).toEqual([
      expect.objectContaining({ type: 'look', found: expect.stringMatching(/ otherwise$/) }),
    ]);
  });

  test('that finds all sound leaves the block out', () => {
    const after = rank(dictionary, [...observed, { type: 'look', device: 'stat', found: null }]);
    const before = rank(dictionary, observed);
    const i = dictionary.hypotheses.findIndex(({ id }) => id === 'stat otherwise');
    expect(after.shares[i]! / before.shares[i]!).toBeLessThan(0.1);
  });
});

test('what fits nothing is never sure enough to be done', () => {
  const dictionary = makeDictionary(furnaceAirConditioner('Nothing'));
  const shares = Float64Array.from(dictionary.hypotheses, ({ id }) => Number(id === 'unlisted'));
  const [group] = rank(dictionary, []).groups.filter(({ remedy }) => remedy.type === 'ask');
  expect(isSettled({ shares, groups: [{ ...group!, share: 1 }] })).toBe(false);
});
