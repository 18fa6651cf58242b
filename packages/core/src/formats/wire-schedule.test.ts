/** The wire schedule: RFC 4180 (header, CR LF, quotes doubled), and nothing lost either way. */
import { parse } from 'csv-parse/sync';
import { parseCircuit } from '../circuit';
import { TEMPLATES, furnaceAirConditioner } from '../systems';
import { readSchedule, writeSchedule } from '.';

const circuit = furnaceAirConditioner('Schedule');
const HEADER = 'cable,label,gauge_awg,length_m,conductor,colour,tag,number,state,from,to';

test.each(TEMPLATES)('$id comes back as it went', ({ build }) => {
  const before = build('Schedule');
  const read = readSchedule(writeSchedule(before), before, 'replace');
  expect(read).toEqual({ ok: true, circuit: before, conductors: expect.any(Number) });
});

test('follows RFC 4180', () => {
  const named = {
    ...circuit,
    cables: circuit.cables.map((cable, i) => (i === 0 ? { ...cable, label: 'Hall, "old" jacket' } : cable)),
  };
  const text = writeSchedule(named);
  expect(text.split('\r\n')[0]).toBe(HEADER);
  // Section 2: a field with a comma or quotes is quoted, quotes inside are doubled, every line ends in CR LF.
  expect(text).toContain('"Hall, ""old"" jacket"');
  expect(text.endsWith('\r\n')).toBe(true);
  expect(text.replace(/\r\n/g, '')).not.toMatch(/[\r\n]/);
  expect(readSchedule(text, circuit, 'merge')).toMatchObject({ ok: true });
});

test('merge changes what is listed and leaves the rest', () => {
  const line = 'statCable,Thermostat cable,20,18,statY,VT,Y1,12,broken,stat.Y,board.W';
  const read = readSchedule(`${HEADER}\r\n${line}\r\n`, circuit, 'merge');
  if (!read.ok) throw new Error('refused');
  const cable = read.circuit.cables.find(({ id }) => id === 'statCable')!;
  expect(cable).toMatchObject({ gauge: 20, lengthM: 18 });
  expect(cable.conductors.find(({ id }) => id === 'statY')).toMatchObject({
    colour: 'VT',
    tag: 'Y1',
    number: '12',
    state: 'broken',
    to: 'board.W',
  });
  expect(cable.conductors.length).toBe(
    circuit.cables.find(({ id }) => id === 'statCable')!.conductors.length,
  );
  expect(() => parseCircuit(read.circuit)).not.toThrow();
});

test('a file of the first version says number and state by its tag', () => {
  const header = 'cable,label,gauge_awg,length_m,conductor,colour,tag,from,to';
  const lines = ['a,RD,dead,,', 'b,BU,spare,,', 'c,GN,17,,', 'd,WH,to boiler,,'].map(
    (line) => `new,,18,4,${line}`,
  );
  const read = readSchedule([header, ...lines].join('\n'), circuit, 'replace');
  if (!read.ok) throw new Error('refused');
  const said = read.circuit.cables[0]!.conductors.map(({ tag, number, state }) => ({ tag, number, state }));
  expect(said).toEqual([{ state: 'broken' }, { state: 'spare' }, { number: '17' }, { tag: 'to boiler' }]);
});

test('replace leaves only what is listed', () => {
  const read = readSchedule(`${HEADER}\nnew,,18,4,a,RD,,,,stat.R,board.R\n`, circuit, 'replace');
  expect(read).toMatchObject({
    ok: true,
    conductors: 1,
    circuit: { cables: [{ id: 'new', label: 'new', conductors: [{ id: 'a', from: 'stat.R' }] }] },
  });
});

test.each<[string, string, number, RegExp]>([
  ['a terminal that is not there', 'a,A,18,4,x,RD,,,,stat.Q,board.R', 2, /Thermostat has no terminal "Q"/],
  ['a device that is not there', 'a,A,18,4,x,RD,,,,toaster.R,', 2, /from must be a terminal of this circuit/],
  ['a colour of another alphabet', 'a,A,18,4,x,red,,,,,', 2, /colour must be one of BK, BN/],
  ['a length of nothing', 'a,A,18,,x,RD,,,,,', 2, /length_m must be a number above 0/],
  ['a gauge nobody makes', 'a,A,17,4,x,RD,,,,,', 2, /gauge_awg must be one of/],
  ['a conductor to itself', 'a,A,18,4,x,RD,,,,stat.R,stat.R', 2, /different terminals/],
  ['the same conductor twice', 'a,A,18,4,x,RD,,,,,\na,A,18,4,x,BU,,,,,', 3, /on line 2 already/],
  ['a short line', 'a,A,18', 2, /Too few fields/],
  ['nothing', '', 1, /no conductors/],
])('%s is named by its line', (_what, lines, line, words) => {
  const read = readSchedule(`${HEADER}\n${lines}\n`, circuit, 'merge');
  if (read.ok) throw new Error('taken');
  expect(read.problems[0]).toMatchObject({ line });
  expect(read.problems[0]!.message).toMatch(words);
});

test('a file in another format is refused by its header', () => {
  expect(readSchedule('{"format":"zygostat-circuit"}', circuit, 'merge')).toMatchObject({
    ok: false,
    problems: [{ line: 1 }],
  });
});

// Formula injection: OWASP, from memory. A spreadsheet takes a cell that begins with =, +, - or @ for a formula.
test('a label that begins as a formula does is none in a spreadsheet, and comes back as it was', () => {
  const circuit = furnaceAirConditioner('Schedule');
  const labels = ['=HYPERLINK("x")', '+1', '-cable', '@cable'];
  const cables = circuit.cables.map((cable, i) => ({ ...cable, label: labels[i % labels.length]! }));
  const text = writeSchedule({ ...circuit, cables });
  for (const row of parse(text, { columns: true }) as Record<string, string>[])
    expect(row.label).toMatch(/^'[=+\-@]/);
  const read = readSchedule(text, { ...circuit, cables }, 'replace');
  expect(read).toMatchObject({ ok: true, circuit: { cables } });
});
