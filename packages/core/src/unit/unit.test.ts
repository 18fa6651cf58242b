/**
 * An outdoor unit wire by wire. Which of three readings is whose, and that a dual capacitor's sides are not to be exchanged, is common
 * practice; that the largest reading is the sum of the other two is Ohm's law of two windings in series.
 */
import type { Circuit } from '../circuit';
import { findConductor, land, lift, setConductor } from '../circuit';
import { furnaceAirConditionerByWire, heatPumpWithStripsByWire } from '../systems';
import { partway, stepsOf } from '../wire';
import type { WindingReadings } from '.';
import {
  asDrawn,
  capacitorVerdict,
  diagramOf,
  nameWindings,
  takenApart,
  unitReport,
  unitStation,
  walkOf,
} from '.';

const unit = furnaceAirConditionerByWire('Unit');
const diagram = diagramOf(unit);

describe('three resistances', () => {
  const [run, start] = [1.2, 3.6];
  const ohms: Readonly<Record<string, number>> = { CR: run, CS: start, RS: run + start };
  const read = (a: string, b: string) => ohms[[a, b].sort().join('')]!;
  const between = (pins: string): WindingReadings => {
    const [one, two, three] = pins.split('') as [string, string, string];
    return { between: [read(one, two), read(two, three), read(one, three)] };
  };

  test.each(['CRS', 'CSR', 'RCS', 'RSC', 'SCR', 'SRC'])('name the leads whichever is which: %s', (pins) => {
    expect(nameWindings(between(pins))).toEqual({ type: 'named', pins: pins.split(''), run, start });
  });

  const { Infinity: open } = globalThis;
  test.each<[string, WindingReadings, object]>([
    ['an open lead', { between: [open, 4.8, open] }, { type: 'open', lead: 0 }],
    ['nothing anywhere', { between: [open, open, open] }, { type: 'open', lead: null }],
    ['a short', { between: [0.02, 3.6, 3.6] }, { type: 'shorted', between: [0, 1] }],
    [
      'a winding to the shell',
      { between: [1.2, 4.8, 3.6], toShell: [null, 12, null] },
      { type: 'grounded', lead: 1, ohms: 12 },
    ],
    ['no sum', { between: [1.2, 9, 3.6] }, { type: 'no-sum', largest: 9, sum: 4.8 }],
  ])('tell %s', (_, readings, verdict) => {
    expect(nameWindings(readings)).toEqual(verdict);
  });

  test('an open reading beside two good ones names nothing', () => {
    expect(nameWindings({ between: [1.2, open, 3.6] })).toMatchObject({ type: 'no-sum' });
  });

  test('refuse what is no reading', () => {
    expect(() => nameWindings({ between: [-1, 2, 3] })).toThrow(RangeError);
  });
});

describe('capacitance', () => {
  // Replace outside ±6 %: common practice.
  test.each([
    [32.8, 'weak'],
    [33, 'within'],
    [37, 'within'],
    [37.2, 'over'],
  ] as const)('%d µF of 35 is %s', (measured, verdict) => {
    expect(capacitorVerdict(measured * 1e-6, 35e-6, 0.06)).toBe(verdict);
  });
});

describe('the walk', () => {
  test('takes every wire once, the next from the part where the last one ended while there is one', () => {
    const order = walkOf(diagram);
    expect(order.map(({ wire }) => wire.id).sort()).toEqual(diagram.wires.map(({ id }) => id).sort());
    const part = (terminal: string) => terminal.split('.')[0];
    order.slice(1).forEach(({ first }, i) => {
      const hand = order[i]!.second;
      const left = order
        .slice(i + 1)
        .some(({ wire }) => [wire.from, wire.to].some((end) => part(end) === part(hand)));
      if (left) expect([hand, part(first)]).toEqual([hand, part(hand)]);
    });
  });

  test('goes on from where it was left', () => {
    const [first, second] = walkOf(diagram);
    expect(walkOf({ ...diagram, walked: [first!.wire.id] })[0]).toEqual(second);
    expect(walkOf({ ...diagram, walked: diagram.wires.map(({ id }) => id) })).toEqual([]);
  });
});

const told = (circuit: Circuit, on = diagram) =>
  unitReport(circuit, on)!.told.map(({ difference, verdict, does }) => [
    difference.map(({ wire }) => wire.id),
    verdict,
    does.length > 0,
  ]);
const exchanged = land(land(unit, 'w4', 'from', 'capacitor.FAN'), 'w7', 'from', 'capacitor.HERM');

describe('as found against the diagram', () => {
  test('a unit as drawn differs in nothing', () => {
    expect(unitStation(unit)).toBe('yard');
    expect(unitReport(unit, diagram)).toMatchObject({ told: [], undrawn: [], together: [] });
  });

  test('two wires exchanged on the capacitor are one difference that must go', () => {
    const report = unitReport(exchanged, diagram)!;
    expect(told(exchanged)).toEqual([[['w4', 'w7'], 'go', true]]);
    expect(report.together).not.toEqual([]);
    expect(report.mended).toEqual(unit);
  });

  test('a wire of another colour may stay, a green one not where nothing is earth', () => {
    const coloured = (colour: 'VT' | 'GN') =>
      asDrawn(unit, { wires: [{ ...diagram.wires[3]!, colour }], walked: [] });
    expect(told(coloured('VT'))).toEqual([[[diagram.wires[3]!.id], 'stay', false]]);
    expect(told(coloured('GN'))).toEqual([[[diagram.wires[3]!.id], 'earth', false]]);
  });

  test('what is put right keeps the colour that may stay', () => {
    const violet = setConductor(exchanged, 'w4', { colour: 'VT', number: null });
    expect(told(violet)).toEqual([[['w4', 'w7'], 'go', true]]);
    expect(unitReport(violet, diagram)!.mended).toEqual(
      setConductor(unit, 'w4', { colour: 'VT', number: null }),
    );
  });

  test('a wire landed beside on the same net does the same', () => {
    expect(told(land(unit, 'w6', 'from', 'contactor.T2'))).toEqual([[['w6'], 'equal', false]]);
  });

  test('a wire on the live side of the contactor must go, though nothing runs otherwise', () => {
    expect(told(land(unit, 'w1', 'from', 'contactor.L1'))).toEqual([[['w1'], 'go', false]]);
  });

  test('a wire that is off, or turned end for end', () => {
    expect(told(lift(unit, 'w13', 'to'))).toEqual([[['w13'], 'go', true]]);
    const { from, to } = findConductor(unit, 'w13')!;
    expect(
      told(
        asDrawn(unit, {
          wires: [{ id: 'w13', colour: 'YE', number: '13', from: to!, to: from! }],
          walked: [],
        }),
      ),
    ).toEqual([]);
  });

  test('a jumper wire that is on no diagram is told', () => {
    const pump = heatPumpWithStripsByWire('Unit');
    const own = diagramOf(pump);
    const [gone, ...wires] = own.wires;
    expect(gone).toMatchObject({ number: '1' });
    expect(unitReport(pump, { ...own, wires })!.undrawn).toEqual([gone]);
  });

  test('from nothing landed to proven: every wire is off, and its plan lands each of them once', () => {
    const apart = takenApart(unit, diagram);
    const report = unitReport(apart, diagram)!;
    expect(report.told.flatMap(({ difference }) => difference)).toHaveLength(diagram.wires.length);
    expect(report.told.every(({ verdict }) => verdict === 'go')).toBe(true);
    const steps = stepsOf(apart, report.mended);
    const landed = steps.filter(({ kind }) => kind === 'land');
    expect(landed).toHaveLength(2 * diagram.wires.length);
    // Off, dead where the line comes in, and discharged before any of it.
    for (const { after } of landed)
      expect(after).toEqual(expect.arrayContaining(['off', 'dead:contactor.L1', 'discharge:capacitor']));
    expect(partway(apart, report.mended, new Set(steps.map(({ id }) => id)))).toEqual(report.mended);
  });

  test('stops where it is no longer wanted', () => {
    expect(unitReport(exchanged, diagram, () => false)).toBeNull();
  });
});
