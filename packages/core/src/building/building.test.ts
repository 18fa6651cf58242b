/**
 * A building of several units. What a blank screen, a red lamp and caps left on mean, and that more air out than in puts a
 * building under pressure, is common practice in the trade (no published source). The buildings are invented.
 */
import type { Building, Detector, Unit } from '.';
import { EMPTY_BUILDING, airOf, beforeReset, buildingProblems, mapOf, signsOf, walkOf, without } from '.';

const FINE = {
  display: 'fine',
  belt: 'fine',
  motor: 'fine',
  coil: 'fine',
  frost: 'fine',
  drain: 'fine',
} as const;
const unit = (id: string, more: Partial<Unit> = {}): Unit => ({
  id,
  label: id,
  serves: 'Reading room',
  found: '',
  job: null,
  looks: FINE,
  ...more,
});
const detector = (id: string, more: Partial<Detector> = {}): Detector => ({
  id,
  label: id,
  unit: 'rtu1',
  place: 'duct',
  caps: 'off',
  lamp: 'green',
  housing: 'sound',
  wants: 'key',
  tied: null,
  loop: true,
  ...more,
});
/** A blank screen downstairs, a red station; the unit's own board shows no trip. */
const library: Building = {
  units: [unit('rtu1'), unit('rtu2', { looks: {} })],
  detectors: [
    detector('old', { lamp: 'red', housing: 'wet' }),
    detector('own', { place: 'unit', caps: 'on', loop: false, tied: 'old' }),
    detector('far', { unit: 'rtu2', wants: 'magnet' }),
  ],
  stations: [
    { id: 'station', label: 'By the desk', works: 'key', lamp: 'red', detector: null },
    { id: 'other', label: 'By the stairs', works: 'button', lamp: 'green', detector: 'far' },
  ],
  thermostats: [{ id: 'stat', label: 'Reading room', unit: 'rtu1', screen: 'blank', held: null }],
  air: [],
};

describe('the walk', () => {
  test('nothing is reset before every unit and detector was looked at', () => {
    expect(beforeReset(library)).toEqual([
      { type: 'unit', id: 'rtu2', left: ['display', 'belt', 'motor', 'coil', 'frost', 'drain'] },
    ]);
    const walked = { ...library, units: library.units.map((one) => ({ ...one, looks: FINE })) };
    expect(walkOf(walked)).toEqual([]);
    expect(beforeReset({ ...walked, detectors: [detector('old', { caps: null })] })).toEqual([
      { type: 'detector', id: 'old', left: ['caps'] },
    ]);
  });

  test('what the looks say together', () => {
    expect(signsOf(library)).toEqual([
      { sign: 'held-elsewhere', thermostat: 'stat', unit: 'rtu1', suspects: ['old', 'far'] },
      { sign: 'left-in-duct', detector: 'old', own: 'own' },
      { sign: 'damaged', detector: 'old', housing: 'wet' },
      { sign: 'never-commissioned', detector: 'own' },
      { sign: 'not-on-loop', detector: 'own' },
      { sign: 'does-not-mix', station: 'other', detector: 'far' },
      { sign: 'red-unexplained', station: 'station' },
    ]);
  });

  test('once it was found what hangs on it, the red lamp and the blank screen are explained', () => {
    const found = {
      ...library,
      stations: [{ ...library.stations[0]!, detector: 'old' }],
      thermostats: [{ ...library.thermostats[0]!, held: 'own' }],
    };
    const signs = signsOf(found);
    // Through the one it is tied to.
    expect(signs[0]).toEqual({ sign: 'held', thermostat: 'stat', detector: 'own' });
    expect(signs.map(({ sign }) => sign)).not.toContain('red-unexplained');
    expect(mapOf(found)).toEqual([
      { detector: 'old', stations: ['station'], thermostats: [], tied: ['own'] },
      { detector: 'own', stations: [], thermostats: ['stat'], tied: ['old'] },
      { detector: 'far', stations: [], thermostats: [], tied: [] },
    ]);
    expect(mapOf(library)[3]).toEqual({
      detector: null,
      stations: ['station'],
      thermostats: ['stat'],
      tied: [],
    });
  });

  test.each<[string, Partial<Unit>, readonly string[]]>([
    [
      'a unit that shows a trip may hold its thermostat',
      { looks: { ...FINE, display: 'wrong' } },
      ['unit-wrong'],
    ],
    ['a unit whose display was not looked at says nothing', { looks: {} }, []],
    ['a label that is not so', { looks: {}, found: 'Cloakroom' }, ['wrong-label']],
    ['the same in other letters is so', { looks: {}, found: ' reading ROOM ' }, []],
  ])('%s', (_, more, signs) => {
    const one = { ...library, units: [unit('rtu1', more)], detectors: [], stations: [] };
    expect(signsOf(one).map(({ sign }) => sign)).toEqual(signs);
  });
});

describe('the air', () => {
  const path = (
    id: string,
    kind: 'exhaust' | 'make-up' | 'outdoor-air',
    flow: number,
    runs: 'on' | 'auto' | 'off' | null,
  ) => ({
    id,
    label: id,
    kind,
    flow,
    runs,
  });

  // By hand: 1.2 out; in 0.5 make-up that is off and 0.8 outdoor air on auto. All on: 1.3 in.
  test('more out than in, because what brings air is off or on auto', () => {
    const air = airOf({
      air: [
        path('kitchen', 'exhaust', 1.2, 'on'),
        path('makeup', 'make-up', 0.5, 'off'),
        path('rtu1', 'outdoor-air', 0.8, 'auto'),
      ],
    });
    expect(air.between).toEqual({ exhaust: 1.2, supply: 0, state: 'under' });
    expect(air.running).toEqual({ exhaust: 1.2, supply: 0.8, state: 'under' });
    expect(air).toMatchObject({ cured: true, unseen: [] });
    expect(air.idle).toEqual([
      { id: 'makeup', runs: 'off' },
      { id: 'rtu1', runs: 'auto' },
    ]);
  });

  test.each([
    [1, 1.04, 'even'],
    [1, 1.06, 'over'],
    [1.06, 1, 'under'],
    [0, 0, 'even'],
  ] as const)('%d out and %d in is %s', (out, into, state) => {
    const air = airOf({ air: [path('out', 'exhaust', out, 'on'), path('in', 'outdoor-air', into, null)] });
    expect(air.between.state).toBe(state);
    expect(air.unseen).toEqual(['in']);
  });

  test('where the fans on it would not be enough, they are not why', () => {
    const air = airOf({ air: [path('out', 'exhaust', 2, 'on'), path('in', 'make-up', 0.5, 'off')] });
    expect(air).toMatchObject({ cured: false, between: { state: 'under' } });
  });
});

describe('the document', () => {
  test('is sound, and says what is not', () => {
    expect(buildingProblems(library)).toEqual([]);
    expect(buildingProblems(EMPTY_BUILDING)).toEqual([]);
    const wrong = {
      ...library,
      thermostats: [{ ...library.thermostats[0]!, unit: 'moon' }],
      detectors: [detector('old', { tied: 'old' })],
      stations: [],
    };
    expect(buildingProblems(wrong)).toEqual([
      { path: 'detectors[0].tied', message: 'must be another detector, or null' },
      { path: 'thermostats[0].unit', message: 'must be a unit of this building, or null' },
    ]);
    expect(buildingProblems({ ...library, units: [unit('a'), unit('a')] })[0]).toMatchObject({
      message: 'must each have an id of its own',
    });
    expect(
      buildingProblems({ ...library, air: [{ id: 'x', label: ' ', kind: 'chimney', flow: -1, runs: null }] }),
    ).toEqual(
      expect.arrayContaining([
        { path: 'air[0].label', message: 'is required' },
        { path: 'air[0].kind', message: 'must be one of exhaust, make-up, outdoor-air' },
        { path: 'air[0].flow', message: 'must not be negative' },
      ]),
    );
  });

  test('what is taken out takes its references with it', () => {
    for (const gone of ['rtu1', 'old', 'far', 'station'])
      expect(buildingProblems(without(library, gone))).toEqual([]);
  });
});
