/** Where wiring disagrees with its marks. Which marks belong together is common practice in the trade. */
import {
  TEMPLATES,
  electricHeat,
  furnaceAirConditioner,
  heatPumpWithStrips,
  twoTransformerSplit,
} from '../systems';
import type { Circuit } from '.';
import {
  addLink,
  disagreementsOf,
  exchange,
  functionsAgree,
  land,
  lift,
  setValue,
  terminalFunctions,
} from '.';

const good = furnaceAirConditioner('Marks');
const pump = heatPumpWithStrips('Marks', { stages: 'two' });

test.each(TEMPLATES)('$id, wired by its marks, has none', ({ build }) => {
  expect(disagreementsOf(build('Marks'))).toEqual([]);
});

test.each<[string, Circuit, string]>([
  ['two conductors exchanged', exchange(good, ['statY', 'to'], ['statW', 'to']), 'conductor conductor'],
  ['one moved to the screw beside', land(good, 'statY', 'to', 'board.G'), 'conductor'],
  ['C on R', land(good, 'statC', 'from', 'stat.R'), 'conductor'],
  ['an end lifted', lift(good, 'statG', 'to'), 'loose'],
  ['a splice with one wire left', lift(good, 'yardY', 'to'), 'loose empty'],
  ['a jumper from R to G', addLink(good, { id: 'j', kind: 'jumper', joins: ['board.R', 'board.G'] }), 'link'],
  [
    'a jumper across a float',
    addLink(good, { id: 'j', kind: 'jumper', joins: ['float.COM', 'float.NC'] }),
    'link',
  ],
  ['AUX beside the terminal marked AUX', land(pump, 'statAux', 'to', 'board.W2'), 'conductor'],
  [
    'leads of an electric unit exchanged',
    exchange(electricHeat('Marks'), ['statG', 'to'], ['statW', 'to']),
    'conductor conductor',
  ],
])('%s is one', (_what, circuit, types) => {
  expect(
    disagreementsOf(circuit)
      .map(({ type }) => type)
      .join(' '),
  ).toBe(types);
});

test('a jumper that joins the same function at both ends is none', () => {
  const joined = addLink(twoTransformerSplit('Marks'), {
    id: 'j',
    kind: 'jumper',
    joins: ['stat.RC', 'stat.RH'],
  });
  expect(disagreementsOf(joined)).toEqual([]);
});

describe('what a terminal is for', () => {
  const functions = terminalFunctions(pump);

  test('is read off its mark and the other marks it carries', () => {
    expect([...functions('board.R')]).toEqual(['hot']);
    expect([...functions('board.C')]).toEqual(['common']);
    expect(functions('stat.OB')).toContain('B');
    expect(functions('board.W1')).toContain('AUX');
    // What defrost asks for lands on whichever heating terminal there is.
    expect(functionsAgree(functions('pump.D'), functions('board.W1'))).toBe(true);
    expect(functionsAgree(functions('stat.Y'), functions('board.Y2'))).toBe(false);
  });

  test('is worked out from the leads behind a splice or a coil', () => {
    const furnace = terminalFunctions(good);
    expect(furnace('contactor.A1')).toContain('Y');
    expect([...furnace('nutC.NUT')]).toEqual(['common']);
    expect(furnace('float.COM')).toContain('Y');
    expect(furnace('contactor.L1').size).toBe(0);
  });

  test('follows a splice’s label where it has one', () => {
    const unlabelled = {
      ...good,
      devices: good.devices.map((device) => (device.id === 'nutY' ? { ...device, label: 'Joint' } : device)),
    };
    expect(terminalFunctions(good)('nutY.NUT')).toEqual(new Set(['Y']));
    expect(terminalFunctions(unlabelled)('nutY.NUT')).toContain('Y2');
  });

  test('of an unknown terminal nothing is known, which agrees with everything', () => {
    expect(functionsAgree(functions('nowhere.R'), functions('board.R'))).toBe(true);
  });
});

test('a change of a param is seen', () => {
  const one = setValue(pump, 'pump', 'params', 'stages', 'one');
  expect(disagreementsOf(one).map(({ type }) => type)).toContain('loose');
});
