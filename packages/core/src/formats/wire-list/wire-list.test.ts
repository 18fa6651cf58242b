/**
 * The wires of a unit typed from its diagram. Colour letters of IEC 60757; those of other languages from memory. CSV by RFC 4180, read
 * back by an independent reader (csv-parse). The format itself is this product's own.
 */
import { parse } from 'csv-parse/sync';
import { COLOUR_CODES } from '../../standards';
import {
  furnaceAirConditioner,
  furnaceAirConditionerByWire,
  heatPumpWithStrips,
  heatPumpWithStripsByWire,
} from '../../systems';
import { isProven, prove } from '../../prove';
import { diagramOf } from '../../unit';
import { completions, readWireList, writeWireCsv, writeWireList } from '.';
import { readColour } from './colours';

const plain = furnaceAirConditioner('Unit');
const read = (text: string, circuit = plain) => readWireList(text, circuit, 'yard');
const wires = (text: string) => {
  const answer = read(text);
  return answer.ok ? answer.wires.map(({ colour, number, from, to }) => [colour, number, from, to]) : answer;
};
const problems = (text: string) => {
  const answer = read(text);
  return answer.ok ? [] : answer.problems;
};

describe.each([
  ['air conditioner', furnaceAirConditioner, furnaceAirConditionerByWire],
  ['heat pump', heatPumpWithStrips, heatPumpWithStripsByWire],
] as const)('a ready %s', (_, whole, byWire) => {
  const circuit = byWire('Unit');
  const own = diagramOf(circuit).wires.filter(({ id }) => /^w\d/.test(id));
  const text = writeWireList(circuit, own);
  const typed = readWireList(text, whole('Unit'), 'yard');

  test('typed from its own list stands in place of the whole, and is proven', () => {
    if (!typed.ok) throw new Error(JSON.stringify(typed.problems));
    expect(typed.wires.map(({ number }) => number)).toEqual(own.map(({ number }) => number));
    expect(typed.circuit.devices.map(({ id }) => id)).not.toContain('unit');
    expect(isProven(prove(typed.circuit)!)).toBe(isProven(prove(whole('Unit'))!));
  });

  test('written and read again is the same, as text and as CSV', () => {
    if (!typed.ok) throw new Error();
    expect(readWireList(text, typed.circuit, 'yard')).toEqual(typed);
    const csv = writeWireCsv(typed.circuit, typed.wires);
    expect(readWireList(csv, typed.circuit, 'yard')).toEqual({
      ...typed,
      circuit: expect.objectContaining({ devices: typed.circuit.devices }),
    });
    expect(parse(csv, { columns: true })).toHaveLength(own.length);
  });
});

test.each([
  'BN 11: capacitor FAN – fan motor S',
  '11 brown: cap fan -> fan motor s',
  'BRN 11 Capacitor (FAN) to OFM S',
  'br 11: cap.FAN - condenser fan pin S',
  'marron 11: run capacitor F --> fan motor lead S',
  '11 BN: fan motor S – dual cap FAN',
])('%s is one and the same wire', (line) => {
  const [one] = wires(line) as string[][];
  const [colour, number, ...ends] = one!;
  expect([colour, number, ends.sort()]).toEqual(['BN', '11', ['fan-motor.S', 'run-capacitor.FAN']]);
});

test('a terminal left out is the one that serves what the other end does, or the only one free', () => {
  expect(wires('BN 11: capacitor FAN – fan motor\nSW 4: cap herm - comp')).toEqual([
    ['BN', '11', 'run-capacitor.FAN', 'fan-motor.S'],
    ['BK', '4', 'run-capacitor.HERM', 'compressor.S'],
  ]);
});

test('blank lines and comments are passed over, and lines keep their numbers', () => {
  expect(
    problems('# the unit in the yard\n\nBN 1: capacitor FAN – fan motor S\nBK 2: nowhere – fan motor C'),
  ).toMatchObject([{ line: 4, message: expect.stringContaining('no part is called “nowhere”') }]);
});

test.each<[string, string, RegExp, string | undefined]>([
  [
    'two wires of one number',
    'BN 1: cap FAN – fan S\nBK 1: contactor T1 – comp C',
    /1 is on line 1 already/,
    'BK 1b: contactor T1 – comp C',
  ],
  [
    'an unknown part',
    'BN 1: capacitor FAN – compresor S',
    /did you mean compressor/,
    'BN 1: capacitor FAN – compressor S',
  ],
  [
    'an end that does not exist',
    'BN 1: capacitor FAN – contactor Q9',
    /Contactor has no “q9”; it has A1, A2/,
    'BN 1: capacitor FAN – Contactor A1',
  ],
  ['three ends', 'BN 1: Y – low pressure 1 – high pressure 1', /three ends/, undefined],
  ['one end', 'BN 1: capacitor FAN', /two ends/, undefined],
  [
    'letters of two languages',
    'GR 1: contactor T2 – capacitor C',
    /green in one language and grey in another/,
    'GN 1: contactor T2 – capacitor C',
  ],
  ['no colour', 'QQ 1: contactor T2 – capacitor C', /is no colour/, undefined],
  ['both ends alike', 'BK 1: contactor T1 – contactor T1', /same terminal/, undefined],
  ['a terminal left open', 'RD: cap – fan', /which terminal of Run capacitor/, 'RD: Run capacitor C – fan'],
])('%s: told by line, with what would do', (_, text, message, instead) => {
  const [problem] = problems(text);
  expect(problem).toMatchObject({ line: text.split('\n').length, message: expect.stringMatching(message) });
  if (instead === undefined) expect(problem!.instead).toEqual([]);
  else {
    expect(problem!.instead).toContain(instead);
    const lines = text.split('\n');
    expect(problems([...lines.slice(0, -1), instead].join('\n'))).not.toContainEqual(problem);
  }
});

test('nothing is changed while a line has a problem, and nothing at all is no list', () => {
  expect(read('')).toMatchObject({ ok: false, problems: [{ line: 1 }] });
  expect(read('BN 1: cap FAN – fan S\nBN 2: x – y')).toMatchObject({ ok: false, read: 1 });
});

describe('colours', () => {
  test.each(COLOUR_CODES)('%s of IEC 60757 is itself', (code) => {
    expect(readColour(code)).toEqual({ type: 'is', colour: code });
  });
  test.each([
    ['SW', 'BK'],
    ['BLK', 'BK'],
    ['noir', 'BK'],
    ['azul', 'BU'],
    ['GNYE', 'GNYE'],
    ['GN/YE', 'GNYE'],
    ['YE/RD', 'YE'],
    ['purple', 'VT'],
  ])('%s is %s', (word, colour) => {
    expect(readColour(word)).toEqual({ type: 'is', colour });
  });
  test.each(['GR', 'BL', 'V', 'GE'])('%s is asked about', (word) => {
    expect(readColour(word).type).toBe('may-be');
  });
  test.each(['ZZ', 'capacitor', 'YE/QQ', ''])('%p is none', (word) => {
    expect(readColour(word)).toEqual({ type: 'none' });
  });
});

describe('completion', () => {
  const unit = furnaceAirConditionerByWire('Unit');

  test('offers free terminals of what is here first, then those of parts that are not', () => {
    expect(completions(unit, 'yard', 'capac')[0]).toBe('Capacitor HERM');
    expect(completions(plain, 'yard', 'fan').slice(0, 3)).toEqual([
      'Fan motor C',
      'Fan motor R',
      'Fan motor S',
    ]);
    expect(completions(plain, 'yard', 'zzz')).toEqual([]);
  });

  test('takes words cut short, or the terminal alone', () => {
    expect(completions(unit, 'yard', 'cap f')).toEqual(['Capacitor FAN']);
    expect(completions(unit, 'yard', 'herm')).toEqual(['Capacitor HERM']);
  });

  test('offers first what serves what the other end serves, never that end again', () => {
    const offered = completions(plain, 'yard', 'co', 'run capacitor HERM');
    expect(offered[0]).toBe('Compressor S');
    expect(completions(unit, 'yard', '', 'capacitor HERM')).not.toContain('Capacitor HERM');
  });

  test('goes on with parts of the lines that could be read, while another has a problem', () => {
    const begun = read('BN 1: cap FAN – fan S\nBN 2: x – y');
    if (begun.ok) throw new Error('a problem was expected');
    expect(completions(begun.soFar, 'yard', 'fan')).toContain('Fan motor C');
    expect(completions(begun.soFar, 'yard', 'run f')).toEqual(['Run capacitor FAN']);
  });

  test.each('abcdefghijklmnopqrstuvwxyz'.split(''))('what is offered for “%s” can be read', (letter) => {
    for (const end of completions(plain, 'yard', letter)) {
      const list = `BK 1: ${end} – Contactor ${end === 'Contactor L1' ? 'T1' : 'L1'}`;
      expect(read(list)).toMatchObject({ ok: true });
    }
  });
});
