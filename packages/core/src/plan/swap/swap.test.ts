/**
 * Thermostat swaps: the traps of the trade (common practice, no published source), each planned and the
 * plan proven in the model; allocation against exhaustive search.
 */
import { wrongIn } from '../../testing/wrong';
import fc from 'fast-check';
import type { Circuit } from '../../circuit';
import { findConductor, land, lift, setValue } from '../../circuit';
import { proofText } from '../../words';
import type { SwapOption, SwapRequest } from '..';
import { allocate, candidatesOf, costOf, factsOf, needsOf, planSwap } from '..';
import {
  TEMPLATES,
  boilerTwoWire,
  communicatingHeatPump,
  electricHeat,
  furnaceAirConditioner,
  heatPumpWithStrips,
  twoTransformerSplit,
} from '../../systems';

const wish = (terminals: SwapRequest['terminals'], supply: SwapRequest['supply'] = 'both'): SwapRequest => ({
  device: 'stat',
  terminals,
  supply,
});
const screws = ({ landings }: SwapOption) =>
  Object.fromEntries(landings.map(({ conductor, screw }) => [conductor, screw.split('.')[1]]));
const best = (circuit: Circuit, wanted: SwapRequest) => planSwap(circuit, wanted)!.options[0]!;
const settingOf = (option: SwapOption, name: string) =>
  option.setUp.find((line) => line.name === name)?.value;
const emptied = ({ empties }: SwapOption) => empties.map(({ terminal }) => terminal.split('.')[1]);

/** Without the spare that the ready system has. */
const withoutSpares = (circuit: Circuit): Circuit => ({
  ...circuit,
  cables: circuit.cables.map((cable) => ({
    ...cable,
    conductors: cable.conductors.filter(({ from, to }) => from !== null || to !== null),
  })),
});

/** Systems whose thermostat calls over conductors: a remote has none, and one on a data pair talks. */
const WIRED = TEMPLATES.filter(({ id }) => !/^(ductless|communicating)/.test(id));

test('one that talks over a data pair is not swapped for contacts', () => {
  const swap = planSwap(communicatingHeatPump('Swap'), wish('five'))!;
  expect(swap).toMatchObject({ cannot: [{ type: 'talks' }], options: [] });
});

const TERMINALS: Readonly<Record<string, SwapRequest['terminals']>> = {
  'furnace-ac-two-stage': 'stages',
  'furnace-ac-two-stage-no-c': 'stages',
  'two-transformers': 'two',
  'heat-pump': 'pump',
  'heat-pump-b': 'pump',
  'heat-pump-by-wire': 'pump',
  'heat-pump-link': 'pump',
  'heat-pump-two-stage': 'pump',
  'dual-fuel': 'pump',
  rooftop: 'stages',
  'rooftop-loop': 'stages',
};

test.each(WIRED.filter(({ id }) => id !== 'parallel-thermostats'))(
  '$id gets a plan that is proven clean',
  ({ id, build }) => {
    const option = best(build('Swap'), wish(TERMINALS[id] ?? 'five'));
    expect(wrongIn(option.proof)).toEqual([]);
    expect(proofText(option.proof)).toMatch(/nothing (found|wrong)/);
  },
);

describe('what a conductor does is found by trying it', () => {
  test.each(WIRED)('$id', ({ build }) => {
    const circuit = build('Swap');
    for (const { mark, role } of factsOf(circuit, 'stat').leads) {
      const expected =
        { R: 'hot', RC: 'hot', RH: 'hot', C: 'common', O: 'valve', OB: 'valve', AUX: 'W', E: 'W2' }[mark] ??
        mark;
      expect(`${mark} ${role}`).toBe(`${mark} ${expected}`);
    }
  });

  test('whatever screw it sat on', () => {
    const crossed = land(
      land(furnaceAirConditioner('Swap'), 'statY', 'from', 'stat.W'),
      'statW',
      'from',
      'stat.Y',
    );
    expect(screws(best(crossed, wish('five')))).toMatchObject({ statY: 'Y', statW: 'W' });
  });
});

describe('a heat pump on an old sub-base with O, B and W apart', () => {
  // The back-up wire sits on W, as it often does on such a sub-base.
  const old = [
    ['statR', 'RC'],
    ['statY', 'Y'],
    ['statO', 'O'],
    ['statG', 'G'],
    ['statAux', 'W'],
    ['statE', 'W2'],
    ['statC', 'C'],
  ].reduce(
    (circuit, [conductor, mark]) => land(circuit, conductor!, 'from', `stat.${mark!}`),
    setValue(
      ['statR', 'statY', 'statO', 'statG', 'statAux', 'statE', 'statC'].reduce(
        (circuit, id) => lift(circuit, id, 'from'),
        heatPumpWithStrips('Swap'),
      ),
      'stat',
      'params',
      'terminals',
      'full',
    ),
  );
  const option = best(old, wish('pump'));

  test('valve to O/B, set for cooling; back-up to AUX and E, never to W', () => {
    expect(screws(option)).toEqual({
      statR: 'R',
      statY: 'Y',
      statO: 'OB',
      statG: 'G',
      statAux: 'AUX',
      statE: 'E',
      statC: 'C',
    });
    expect(settingOf(option, 'system')).toBe('heat-pump');
    expect(settingOf(option, 'valve')).toBe('O');
    expect(wrongIn(option.proof)).toEqual([]);
    expect(option.landings.find(({ conductor }) => conductor === 'statAux')!.reason.screw).toEqual({
      type: 'back-up',
    });
  });

  test('on a thermostat that has both, W stays empty and says why', () => {
    const full = best(old, wish('full'));
    expect(emptied(full)).toContain('W');
    expect(full.empties.find(({ terminal }) => terminal.endsWith('.W'))!.reason).toBe(
      'heats-with-every-call',
    );
    expect(screws(full)).toMatchObject({ statO: 'O', statAux: 'W2' });
  });

  test('on two rows, the heat-pump row', () => {
    const rows = best(old, wish('rows'));
    expect(screws(rows)).toMatchObject({ statO: 'W', statAux: 'W2', statE: 'Y2' });
    expect(settingOf(rows, 'system')).toBe('heat-pump');
    expect(wrongIn(rows.proof)).toEqual([]);
  });

  test('valve on B is set for heating', () => {
    expect(settingOf(best(heatPumpWithStrips('Swap', { valve: 'B' }), wish('pump')), 'valve')).toBe('B');
  });

  test('a thermostat that cannot turn a heat pump over is refused', () => {
    expect(planSwap(old, wish('five'))!.cannot).toContainEqual({ type: 'no-valve-screw' });
  });
});

describe('hots', () => {
  test('a lone hot goes on RC with the joiner in', () => {
    const option = best(furnaceAirConditioner('Swap'), wish('two'));
    expect(screws(option)).toMatchObject({ statR: 'RC' });
    expect(settingOf(option, 'joiner')).toBe('in');
    expect(emptied(option)).toEqual(['RH']);
  });

  test('two transformers keep their own screws and the joiner out', () => {
    const option = best(twoTransformerSplit('Swap'), wish('two'));
    expect(screws(option)).toMatchObject({ statRC: 'RC', statRH: 'RH' });
    expect(settingOf(option, 'joiner')).toBe('out');
  });

  test('two transformers on one screw take an isolation relay', () => {
    const swap = planSwap(twoTransformerSplit('Swap'), wish('five'))!;
    expect(swap.options.map(({ method }) => method.id)).toEqual(['isolation-relay']);
    expect(wrongIn(swap.options[0]!.proof)).toEqual([]);
    expect(findConductor(swap.options[0]!.circuit, 'statRH')).toMatchObject({ from: null, to: null });
  });
});

test('electric heat has its fan run by the thermostat', () => {
  expect(settingOf(best(electricHeat('Swap'), wish('five')), 'fanWithHeat')).toBe('thermostat');
  expect(planSwap(electricHeat('Swap'), wish('pump'))!.cannot).toContainEqual({ type: 'no-heat-screw' });
});

describe('C where there was none', () => {
  test('a spare is landed at both ends, and compared with doing without', () => {
    const swap = planSwap(furnaceAirConditioner('Swap', false), wish('five'))!;
    expect(swap.options.map(({ method }) => method.id)).toEqual(
      expect.arrayContaining(['spare', 'batteries', 'plug-in', 'new-cable', 'wireless']),
    );
    expect(swap.options[0]).toMatchObject({ method: { id: 'spare' } });
    expect(findConductor(swap.options[0]!.circuit, 'statC')).toMatchObject({
      from: 'stat2.C',
      to: 'board.C',
    });
  });

  test('C found at one end only is landed at the other', () => {
    const oneEnd = lift(furnaceAirConditioner('Swap'), 'statC', 'to');
    expect(findConductor(best(oneEnd, wish('five')).circuit, 'statC')).toMatchObject({
      from: 'stat2.C',
      to: 'board.C',
    });
  });

  const swap = planSwap(withoutSpares(furnaceAirConditioner('Swap', false)), wish('five'))!;
  test('no spare: every way out is worked through, those that lose something last', () => {
    expect(swap.options.map(({ method }) => method.id).sort()).toEqual(
      ['batteries', 'fan-to-common', 'new-cable', 'plug-in', 'share', 'wireless'].sort(),
    );
    for (const option of swap.options) expect(option.minutes).toBeGreaterThan(0);
    expect(swap.options.at(-1)!.method.id).toBe('fan-to-common');
    expect(wrongIn(swap.options.at(-1)!.proof)).toEqual(['unanswered fan']);
    for (const option of swap.options.slice(0, -1)) expect(wrongIn(option.proof)).toEqual([]);
  });

  test('giving up G on a unit whose fan does not follow takes a jumper', () => {
    const pump = planSwap(
      withoutSpares(lift(lift(heatPumpWithStrips('Swap'), 'statC', 'from'), 'statC', 'to')),
      wish('pump', 'wired'),
    )!;
    const way = pump.options.find(({ method }) => method.id === 'fan-to-common')!;
    expect(way.circuit.links.map(({ joins }) => joins)).toEqual([['board.Y', 'board.G']]);
    expect(way.proof.findings.filter(({ severity }) => severity === 'danger')).toEqual([]);
  });

  test('a boiler that gives no common leaves batteries or a plug', () => {
    const boiler = planSwap(boilerTwoWire('Swap'), wish('two'))!;
    expect(boiler.options.map(({ method }) => method.id)).toEqual(['batteries', 'plug-in']);
    expect(settingOf(boiler.options[1]!, 'joiner')).toBe('out');
  });
});

describe('jackets and gauge', () => {
  const circuit = withoutSpares(furnaceAirConditioner('Swap', false));
  const stat = circuit.cables.find(({ id }) => id === 'statCable')!;
  const beside = (gauge: number): Circuit => ({
    ...circuit,
    cables: [
      ...circuit.cables,
      {
        ...stat,
        id: 'second',
        label: 'Second jacket',
        gauge,
        conductors: [{ id: 'second-BU', colour: 'BU', from: null, to: null }],
      },
    ],
  });

  test('a spare in a second jacket serves, when the survey says the jacket is there', () => {
    expect(planSwap(beside(18), wish('five'), ['second'])!.options[0]).toMatchObject({
      method: { id: 'spare' },
    });
    const { options } = planSwap(beside(18), wish('five'))!;
    expect(options.map(({ method }) => method.id)).not.toContain('spare');
  });

  test('hot and common are kept off what is too thin, and rather off what is thin', () => {
    const facts = factsOf(circuit, 'stat');
    const { needs } = needsOf(circuit, facts, wish('five'));
    const common = needs.find(({ role }) => role === 'common')!;
    const cost = (gauge: number) =>
      costOf(common, candidatesOf(beside(gauge), facts, ['second']).at(-1)!, 'statCable');
    expect(cost(24)).toBe(Infinity);
    expect(cost(22)).toBeGreaterThan(cost(18));
  });
});

test('a broken conductor’s work goes to a spare', () => {
  const broken = furnaceAirConditioner('Swap', false);
  broken.cables[0]!.conductors.find(({ id }) => id === 'statY')!.state = 'broken';
  const option = best(broken, wish('five', 'battery'));
  expect(screws(option)).toMatchObject({ statC: 'Y' });
  expect(findConductor(option.circuit, 'statY')).toMatchObject({ from: null, to: null });
  expect(wrongIn(option.proof)).toEqual([]);
});

test('stops when it is no longer wanted', () => {
  expect(planSwap(furnaceAirConditioner('Swap'), wish('five'), [], () => false)).toBeNull();
});

// Exhaustive: every way of giving needs different conductors, none pruned.
test('the allocation is the cheapest there is', () => {
  const circuit = heatPumpWithStrips('Swap');
  const facts = factsOf(circuit, 'stat');
  const { needs } = needsOf(circuit, facts, wish('pump'));
  const candidates = candidatesOf(circuit, facts, []);
  const cheapest = (
    row: number,
    taken: readonly number[],
    rows: typeof needs,
    columns: typeof candidates,
  ): number =>
    row === rows.length
      ? 0
      : Math.min(
          Infinity,
          ...columns.map((column, j) =>
            taken.includes(j)
              ? Infinity
              : costOf(rows[row]!, column, columns[0]!.cable.id) +
                cheapest(row + 1, [...taken, j], rows, columns),
          ),
        );
  fc.assert(
    fc.property(
      fc.shuffledSubarray(needs, { minLength: 2, maxLength: 5 }),
      fc.shuffledSubarray(candidates, { minLength: 5, maxLength: 6 }),
      (rows, columns) => {
        expect(allocate(rows, columns).minutes).toBeCloseTo(cheapest(0, [], rows, columns), 9);
      },
    ),
    { numRuns: 25 },
  );
});

test('an empty RH says what brings it its hot', () => {
  const option = best(furnaceAirConditioner('Empty'), wish('two'));
  const empty = option.empties.find(({ terminal }) => terminal.endsWith('.RH'))!;
  expect(empty.reason).toBe('joined-to-hot');
});

test('batteries are a way only for a thermostat that takes them', () => {
  const { options } = planSwap(withoutSpares(furnaceAirConditioner('Wired', false)), wish('five', 'wired'))!;
  expect(options.map(({ method }) => method.id)).not.toContain('batteries');
  expect(options.map(({ method }) => method.id)).toContain('wireless');
});

test('what carries nothing any more is free at both ends, what still does stays', () => {
  const twoStage = TEMPLATES.find(({ id }) => id === 'furnace-ac-two-stage')!.build('Free');
  const option = best(twoStage, wish('five'));
  const free = option.circuit.cables
    .find(({ id }) => id === 'statCable')!
    .conductors.filter(({ from, to }) => from === null && to === null)
    .map(({ id }) => id);
  expect(option.lost).toEqual(['second-compressor-stage', 'second-heating-stage']);
  expect(free).toEqual(expect.arrayContaining(['statY2', 'statW2']));
  expect(free).not.toContain('statY');
});
