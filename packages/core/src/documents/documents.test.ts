/** Every document of a job and of a site, put together when two people changed it. */
import { EMPTY_BUILDING, begun, buildingProblems } from '../building';
import type { Building } from '../building';
import { land, lift } from '../circuit';
import type { KeptDiagnosis } from '../diagnose';
import { diagnosisFor } from '../diagnose';
import type { Survey } from '../survey';
import { EMPTY_SURVEY } from '../survey';
import { furnaceAirConditioner } from '../systems';
import type { Plan } from '../wire';
import { DOCUMENTS, documentKinds, mergeDocuments, readAs } from '.';

const { survey, plan, diagnosis, building } = DOCUMENTS;

test('each has a name of its own, and what is empty is one of them', () => {
  expect(new Set(documentKinds().map(({ name }) => name)).size).toBe(documentKinds().length);
  for (const [name, kind] of Object.entries(DOCUMENTS)) expect(kind.name).toBe(name);
  for (const kind of documentKinds()) expect(readAs(kind, kind.empty)).toEqual(kind.empty);
});

describe('a survey', () => {
  const run = {
    cable: 'statCable',
    from: { station: 'hall', terminals: ['stat.R'] },
    to: { station: 'attic', terminals: [] },
  };
  const base: Survey = { ...EMPTY_SURVEY, answers: { burner: 'yes' }, runs: [run], seen: ['stat'] };

  test('an answer taken back stays taken back, and runs, system and what was seen are kept', () => {
    const mine: Survey = { ...base, answers: {}, seen: ['stat', 'board'] };
    const theirs: Survey = {
      ...base,
      system: 'furnace-ac',
      answers: { burner: 'yes', strips: 'no' },
      runs: [{ ...run, to: { station: 'attic', terminals: ['board.R'], bare: ['board.G'] } }],
    };
    for (const [one, other] of [
      [mine, theirs],
      [theirs, mine],
    ] as const)
      expect(mergeDocuments(survey, base, one, other)).toEqual({
        value: {
          ...base,
          system: 'furnace-ac',
          answers: { strips: 'no' },
          seen: ['stat', 'board'],
          runs: [{ ...run, to: { station: 'attic', terminals: ['board.R'], bare: ['board.G'] } }],
        },
        clashes: [],
      });
  });

  test('an answer that both gave differently is asked about', () => {
    const [mine, theirs] = (['no', 'unsure'] as const).map((burner) => ({ ...base, answers: { burner } }));
    expect(mergeDocuments(survey, base, mine!, theirs!).clashes).toEqual([
      { path: ['answers', 'burner'], before: 'yes', mine: 'no', theirs: 'unsure' },
    ]);
  });
});

describe('a plan', () => {
  const circuit = furnaceAirConditioner('Merged');
  const base: Plan = {
    version: 2,
    id: 'p1',
    title: 'New thermostat',
    before: circuit,
    after: lift(circuit, 'statY', 'from'),
    swap: null,
    reasons: {},
    events: [],
  };
  const event = (id: string) =>
    ({ id, type: 'ticked', step: id, by: '', at: '2028-05-01T08:00:00.000Z' }) as const;

  test('has all that happened to its list, and both changes of what is planned', () => {
    const mine: Plan = { ...base, events: [event('a')], after: land(base.after, 'statW', 'to', 'board.G') };
    const theirs: Plan = { ...base, events: [event('b')], reasons: { statY: 'So.' } };
    const { value, clashes } = mergeDocuments(plan, base, mine, theirs);
    expect(clashes).toEqual([]);
    expect(value).toEqual({ ...mine, reasons: theirs.reasons, events: [event('a'), event('b')] });
  });

  test('that is another plan, or none any more, is asked about and keeps what was ticked elsewhere', () => {
    const ticked: Plan = { ...base, events: [event('a')] };
    for (const mine of [{ ...base, id: 'p2' }, null]) {
      const { value, clashes } = mergeDocuments<Plan | null>(plan, base, mine, ticked);
      expect(value).toEqual(ticked);
      expect(clashes).toEqual([{ path: [], before: base, mine, theirs: ticked }]);
    }
  });
});

describe('a search for a fault', () => {
  const seen = (id: string) =>
    ({ id, at: '2028-05-01T08:00:00.000Z', observation: { type: 'replaced', device: 'fuse' } }) as const;
  const base: KeptDiagnosis = {
    version: 2,
    observed: [seen('a'), seen('b')],
    whereabouts: { Ada: { station: 'hall', open: [], state: 'cool' } },
  };

  test('what was withdrawn does not rise again, and nothing of the other is lost', () => {
    const mine: KeptDiagnosis = { ...base, observed: [seen('b'), seen('c')], ignored: ['r1'] };
    const theirs: KeptDiagnosis = {
      ...base,
      observed: [...base.observed, seen('d')],
      before: [seen('z')],
      pairs: true,
      whereabouts: { ...base.whereabouts, Bo: { station: 'yard', open: ['yard'], state: 'off' } },
    };
    const { value, clashes } = mergeDocuments<KeptDiagnosis | null>(diagnosis, base, mine, theirs);
    expect(clashes).toEqual([]);
    expect(value!.observed.map(({ id }) => id)).toEqual(['b', 'c', 'd']);
    expect(value).toMatchObject({ ignored: ['r1'], before: [seen('z')], pairs: true });
    // Each stays where each is.
    expect(diagnosisFor(value!, 'Ada').whereabouts.station).toBe('hall');
    expect(diagnosisFor(value!, 'Bo').whereabouts.station).toBe('yard');
    expect(diagnosisFor(value!, 'Cy').whereabouts.station).toBe('hall');
  });

  test('of version 1 it is read in', () => {
    const { version: _version, ...rest } = base;
    const one = { ...rest, version: 1, whereabouts: base.whereabouts.Ada };
    expect(readAs(diagnosis, one)).toEqual({ ...base, whereabouts: { '': base.whereabouts.Ada } });
    expect(readAs(diagnosis, { ...one, whereabouts: 'here' })).toBeUndefined();
  });
});

describe('a building', () => {
  const unit = begun('units', 'rtu1', 'RTU-1');
  const detector = { ...begun('detectors', 'd1', 'Old one'), unit: 'rtu1' };
  const base: Building = { ...EMPTY_BUILDING, units: [unit], detectors: [detector] };

  test('everything either wrote down is kept, field by field', () => {
    const mine: Building = {
      ...base,
      units: [{ ...unit, serves: 'Hall', looks: { belt: 'wrong' } }],
      detectors: [{ ...detector, lamp: 'red' }],
    };
    const theirs: Building = {
      ...base,
      units: [{ ...unit, found: 'Stage', looks: { coil: 'fine' } }, begun('units', 'rtu2', 'RTU-2')],
      detectors: [{ ...detector, housing: 'wet' }],
    };
    expect(mergeDocuments(building, base, mine, theirs)).toEqual({
      value: {
        ...base,
        units: [
          { ...unit, serves: 'Hall', found: 'Stage', looks: { belt: 'wrong', coil: 'fine' } },
          begun('units', 'rtu2', 'RTU-2'),
        ],
        detectors: [{ ...detector, lamp: 'red', housing: 'wet' }],
      },
      clashes: [],
    });
  });

  test('what refers to something the other took away refers to nothing, and it is a building still', () => {
    const mine: Building = { ...base, units: [], detectors: [{ ...detector, unit: null }] };
    const theirs: Building = {
      ...base,
      thermostats: [{ ...begun('thermostats', 't1', 'Hall'), unit: 'rtu1', held: 'd1' }],
    };
    const { value } = mergeDocuments(building, base, mine, theirs);
    expect(buildingProblems(value)).toEqual([]);
    expect(value.thermostats[0]).toMatchObject({ unit: null, held: 'd1' });
  });
});
