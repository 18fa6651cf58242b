/** Identification and as-found record. How systems are told apart and customary colours are common practice. */
import { land, lift, parseCircuit, setValue } from '../circuit';
import type { Circuit } from '../circuit';
import type { ColourCode } from '../standards';
import {
  TEMPLATES,
  findTemplate,
  furnaceAirConditioner,
  heatPumpWithStrips,
  twoTransformerSplit,
} from '../systems';
import type { Answers, Run, Survey } from '.';
import {
  EMPTY_SURVEY,
  FEATURES,
  addJacket,
  contradiction,
  evidenceFrom,
  featuresOf,
  discrepanciesOf,
  nextQuestion,
  endsSeen,
  recordSeen,
  terminalsAt,
  paletteFor,
  rankSystems,
  recordLanding,
  recordSpare,
  recordedOn,
  runsOf,
  surveyProblems,
  takeSystem,
} from '.';
import { QUESTION_WORDS, contradictionText, discrepancyText, evidenceText, namesIn } from '../words';

/** Answers a question the way a person standing before a system would, until nothing more is worth asking. */
function interview(template: string): Answers {
  const truth = featuresOf(findTemplate(template)!.build('Truth'));
  let answers: Answers = {};
  for (let feature = nextQuestion(answers); feature; feature = nextQuestion(answers))
    answers = { ...answers, [feature]: truth[feature] ? 'yes' : 'no' };
  return answers;
}

describe('identification', () => {
  test.each(TEMPLATES)(
    'an honest interview puts $id, or one that looks the same, first in few questions',
    ({ id, build }) => {
      const answers = interview(id);
      const [best] = rankSystems(answers);
      expect(featuresOf(findTemplate(best!.template)!.build('Found'))).toEqual(featuresOf(build('Truth')));
      // Twenty-nine systems by nineteen things that can be seen: twelve looks at most.
      expect(Object.keys(answers).length).toBeLessThanOrEqual(12);
      expect(best!.against).toEqual([]);
    },
  );

  test('one wrong answer does not lose the right system', () => {
    const answers: Answers = { ...interview('heat-pump'), burner: 'yes' };
    expect(
      rankSystems(answers)
        .slice(0, 4)
        .map(({ template }) => template),
    ).toEqual(expect.arrayContaining(['heat-pump']));
    expect(
      contradiction({ outdoorUnit: 'no', reversingValve: 'yes', boiler: 'yes', hangingHeater: 'yes' }),
    ).toMatchObject({ type: 'none-fits' });
    expect(
      contradictionText({
        type: 'none-fits',
        nearest: 'Heat pump',
        against: [{ feature: 'boiler', seen: true }],
      }),
    ).toBe('No system known here fits everything: Heat pump comes nearest, but you saw a boiler.');
  });

  test('shares add up and each names its evidence', () => {
    const ranked = rankSystems({ burner: 'yes', boiler: 'no' });
    expect(ranked.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
    expect(ranked[0]!.for).toEqual([
      { feature: 'burner', seen: true },
      { feature: 'boiler', seen: false },
    ]);
    expect(ranked[0]!.for.map(evidenceText)).toEqual(['a burner', 'no boiler']);
    expect(ranked.at(-1)!.against.length).toBeGreaterThan(0);
  });

  test('every feature has its question with how to tell', () => {
    const told = FEATURES.map((feature) => QUESTION_WORDS[feature]);
    for (const { text, tell } of told) {
      expect(text).toMatch(/\?$/);
      expect(tell.length).toBeGreaterThan(20);
    }
  });

  test('what is landed counts as evidence', () => {
    expect(evidenceFrom(heatPumpWithStrips('E'))).toMatchObject({
      reversingValve: 'yes',
      commonAtThermostat: 'yes',
    });
    expect(evidenceFrom(twoTransformerSplit('E'))).toMatchObject({ twoTransformers: 'yes' });
    expect(evidenceFrom(furnaceAirConditioner('E', false))).toEqual({ lineThermostat: 'no' });
    expect(contradiction({ lineThermostat: 'yes' })).toEqual({ type: 'line-voltage' });
  });
});

/** Records every landing of a circuit's runs, end by end. */
function recordAll(truth: Circuit, started: { circuit: Circuit; survey: Survey }): Circuit {
  return truth.cables
    .filter(({ id }) => started.survey.runs.some(({ cable }) => cable === id))
    .flatMap(({ id, conductors }) => conductors.map((conductor) => ({ id, conductor })))
    .reduce((circuit, { id, conductor: { colour, from, to } }) => {
      const one = from === null ? circuit : recordLanding(circuit, id, 'from', from, colour);
      return to === null ? one : recordLanding(one, id, 'to', to, colour);
    }, started.circuit);
}

const start = (template: string) => takeSystem(furnaceAirConditioner('Job'), EMPTY_SURVEY, template);

describe('as found', () => {
  test.each(TEMPLATES)('recorded at both ends, $id is the circuit again', ({ id, build }) => {
    const truth = build('Job');
    const recorded = recordAll(truth, start(id));
    expect(parseCircuit(JSON.parse(JSON.stringify(recorded)))).toEqual(recorded);
    const landings = ({ cables }: Circuit) =>
      cables.flatMap((cable) =>
        cable.conductors
          .filter(({ from, to }) => from !== null || to !== null)
          .map(({ colour, from, to }) => `${cable.id} ${colour} ${from} ${to}`),
      );
    expect(landings(recorded).sort()).toEqual(landings(truth).sort());
    expect(endsSeen(recorded, runsOf(truth)).flatMap(({ open }) => open)).toEqual([]);
  });

  test('begins with nothing recorded and every end open', () => {
    const { circuit, survey } = start('furnace-ac');
    expect(endsSeen(circuit, survey.runs).map(({ all, open }) => open.length / all.length)).toEqual([
      1, 1, 1, 1,
    ]);
    expect(survey.runs.map(({ cable }) => cable).sort()).toEqual(['statCable', 'yardCable']);
  });

  test('nothing there is an answer, and taken back by a colour', () => {
    const { circuit, survey } = start('furnace-ac');
    const [run] = survey.runs as [Run];
    const [terminal = ''] = run.from.terminals;
    const at = { cable: run.cable, end: 'from', terminal } as const;
    const openOn = (seen: { circuit: Circuit; runs: readonly Run[] }) =>
      endsSeen(seen.circuit, seen.runs)[0]!.open.includes(terminal);
    const bare = recordSeen(circuit, survey.runs, at, null);
    expect([openOn({ circuit, runs: survey.runs }), openOn(bare)]).toEqual([true, false]);
    expect(surveyProblems({ ...survey, runs: bare.runs })).toEqual([]);
    const second = recordSeen(bare.circuit, bare.runs, at, 'RD');
    expect([openOn(second), second.runs[0]!.from.bare]).toEqual([false, []]);
  });

  test.each(['stat.Y', 'float.NC', 'nutY.NUT'])(
    'what was lifted off %s can be recorded there again',
    (terminal) => {
      const truth = furnaceAirConditioner('Job');
      const place = runsOf(truth).flatMap((run) =>
        (['from', 'to'] as const).flatMap((end) =>
          run[end].terminals.includes(terminal) ? [{ run, end }] : [],
        ),
      )[0]!;
      const { id } = recordedOn(truth, place.run.cable, place.end, terminal)!;
      const lifted = lift(truth, id, place.end);
      const again = runsOf(lifted).find(({ cable }) => cable === place.run.cable)!;
      expect(again[place.end].terminals).not.toContain(terminal);
      expect(terminalsAt(lifted, again, place.end)).toContain(terminal);
    },
  );

  test('a second thought moves the colour and clears what it replaces', () => {
    const { circuit } = start('furnace-ac');
    const on = (c: Circuit, terminal: string) =>
      c.cables.find(({ id }) => id === 'statCable')!.conductors.find(({ from }) => from === terminal)?.colour;
    const once = recordLanding(circuit, 'statCable', 'from', 'stat.Y', 'YE');
    const twice = recordLanding(once, 'statCable', 'from', 'stat.W', 'YE');
    expect([on(twice, 'stat.Y'), on(twice, 'stat.W')]).toEqual([undefined, 'YE']);
    const replaced = recordLanding(twice, 'statCable', 'from', 'stat.W', 'WH');
    expect(on(replaced, 'stat.W')).toBe('WH');
    expect(recordLanding(replaced, 'statCable', 'from', 'stat.W', null).cables[0]!.conductors).toEqual([]);
  });

  test('a conductor moved on Trace shows in the record', () => {
    const recorded = recordAll(furnaceAirConditioner('Job'), start('furnace-ac'));
    const moved = land(recorded, 'statCable-YE', 'to', 'board.W');
    const { survey } = start('furnace-ac');
    expect(discrepanciesOf(moved, survey)[0]).toMatchObject({ severity: 'fault', about: 'statCable-YE' });
  });

  test('another system keeps the landings whose terminals it still has', () => {
    const first = start('furnace-ac');
    const recorded = recordAll(furnaceAirConditioner('Job'), first);
    const { circuit } = takeSystem(recorded, first.survey, 'furnace-ac-two-stage');
    const stat = circuit.cables.find(({ id }) => id === 'statCable')!;
    expect(stat.conductors.map(({ colour, from, to }) => [colour, from, to])).toContainEqual([
      'YE',
      'stat.Y',
      'board.Y',
    ]);
    expect(() => takeSystem(recorded, first.survey, 'toaster')).toThrow(RangeError);
  });

  test('spares and further jackets are recorded', () => {
    const started = start('furnace-ac');
    const spare = recordSpare(started.circuit, 'statCable', 'BN');
    expect(recordSpare(spare, 'statCable', 'BN')).toBe(spare);
    const more = addJacket(spare, started.survey, 'statCable');
    expect(more.circuit.cables.at(-1)!.label).toBe('Thermostat cable, jacket 2');
    expect(more.survey.runs).toHaveLength(3);
  });
});

describe('what the record shows at once', () => {
  const { survey } = start('furnace-ac');
  const found = (circuit: Circuit) =>
    discrepanciesOf(circuit, survey).map((one) => discrepancyText(namesIn(circuit), one));
  const whole = recordAll(furnaceAirConditioner('Job'), start('furnace-ac'));

  test('a good record shows nothing', () => {
    expect(found(whole)).toEqual([]);
  });

  test('a conductor landed at one end only', () => {
    const oneEnd = recordLanding(whole, 'statCable', 'to', 'board.C', null);
    expect(found(oneEnd)).toEqual([
      'blue of Thermostat cable is on Thermostat C; at the other end it is landed nowhere or not yet seen.',
    ]);
  });

  test('ends that do not agree', () => {
    const crossed = recordLanding(
      recordLanding(whole, 'statCable', 'to', 'board.Y', 'WH'),
      'statCable',
      'to',
      'board.W',
      'YE',
    );
    expect(found(crossed).filter((text) => text.includes('do not agree'))).toHaveLength(2);
  });

  test('an unusual colour is a hint', () => {
    const odd = (colour: ColourCode) =>
      recordLanding(
        recordLanding(whole, 'statCable', 'from', 'stat.G', colour),
        'statCable',
        'to',
        'board.G',
        colour,
      );
    expect(discrepanciesOf(odd('VT'), survey)).toMatchObject([{ severity: 'hint' }]);
  });

  test('contradictions with the set-up are named', () => {
    const pump = recordAll(heatPumpWithStrips('Job'), start('heat-pump'));
    const conventional = setValue(pump, 'stat', 'settings', 'system', 'conventional');
    expect(found(conventional)[0]).toMatch(/A wire on OB at Thermostat, but it is set conventional/);
    const two = recordAll(twoTransformerSplit('Job'), start('two-transformers'));
    expect(found(setValue(two, 'stat', 'settings', 'joiner', 'in'))[0]).toMatch(/Two hot wires .* joiner in/);
    const lone = recordLanding(two, 'statCable', 'from', 'stat.RH', null);
    expect(found(lone).join()).toMatch(/One hot wire at Thermostat and the joiner out: heating has no hot/);
  });
});

test('the palette begins with the customary colour and holds them all', () => {
  expect(paletteFor('Y')[0]).toBe('YE');
  expect(paletteFor('Y', true)[0]).toBe('RD');
  expect(new Set(paletteFor('Q')).size).toBe(13);
});

test.each<[string, unknown, string]>([
  ['nothing', null, ''],
  ['another version', { ...EMPTY_SURVEY, version: 2 }, 'version'],
  ['an unknown question', { ...EMPTY_SURVEY, answers: { colour: 'yes' } }, 'answers'],
  ['an answer that is none', { ...EMPTY_SURVEY, answers: { burner: 'maybe' } }, 'answers.burner'],
  [
    'a run with no cable',
    {
      ...EMPTY_SURVEY,
      runs: [{ from: { station: 'a', terminals: [] }, to: { station: 'b', terminals: [] } }],
    },
    'runs[0].cable',
  ],
])('a survey with %s is refused and says where', (_what, survey, path) => {
  expect(surveyProblems(survey).map((problem) => problem.path)).toContain(path);
});

test('an empty survey is one', () => {
  expect(surveyProblems(EMPTY_SURVEY)).toEqual([]);
});

// A unit's diagram is kept with the survey: what is wrong with one is told field by field.
test.each<[string, object, string | null]>([
  [
    'a diagram',
    { wires: [{ id: 'w1', colour: 'BK', number: '1', from: 'a.L1', to: 'b.C' }], walked: ['w1'] },
    null,
  ],
  [
    'a wire of no known colour',
    { wires: [{ id: 'w1', colour: 'XX', from: 'a.L1', to: 'b.C' }], walked: [] },
    'unit.wires[0].colour',
  ],
  [
    'a wire with one end',
    { wires: [{ id: 'w1', colour: 'BK', from: 'a.L1' }], walked: [] },
    'unit.wires[0].to',
  ],
  [
    'more wires than a unit has',
    { wires: [], walked: Array.from({ length: 201 }, (_, i) => `w${i}`) },
    'unit.walked',
  ],
  ['something else', { wires: [], walked: [], drawn: true }, 'unit'],
])('%s in a survey', (_, unit, path) => {
  const problems = surveyProblems({ ...EMPTY_SURVEY, unit });
  expect(problems.map((one) => one.path)).toEqual(path === null ? [] : [path]);
});
