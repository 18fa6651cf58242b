/** What a test was made on: whatever current knows of changes its mark, and nothing else does. */
import { TEMPLATES, beginJob, furnaceAirConditioner } from '../systems';
import type { Circuit } from '../circuit';
import { parseCircuit } from '../circuit';
import { createHash } from 'node:crypto';
import { canonical } from './chain';
import { isOutdated } from './standing';
import { wiringMark } from './wiring';

const circuit = furnaceAirConditioner('Mill');
const mark = wiringMark(circuit);
const [cable] = circuit.cables;
const [conductor] = cable!.conductors;
const withConductor = (change: object): Circuit => ({
  ...circuit,
  cables: [{ ...cable!, conductors: [{ ...conductor!, ...change }, ...cable!.conductors.slice(1)] }].concat(
    circuit.cables.slice(1),
  ),
});
const withDevice = (change: object): Circuit => ({
  ...circuit,
  devices: [{ ...circuit.devices[0]!, ...change }, ...circuit.devices.slice(1)],
});

test.each(TEMPLATES)('it is the same of $id once it was stored and read', ({ id }) => {
  const { circuit: made } = beginJob({ name: 'Mill', template: id });
  expect(wiringMark(parseCircuit(JSON.parse(JSON.stringify(made))))).toBe(wiringMark(made));
});

test('it is the beginning of a SHA-256, as Node makes it', () => {
  const { mains } = circuit;
  const nothing: Circuit = { ...circuit, devices: [], cables: [], links: [] };
  const text = canonical({ mains, devices: [], cables: [], links: [] });
  expect(wiringMark(nothing)).toBe(createHash('sha256').update(text).digest('hex').slice(0, 16));
});

test.each<[string, Circuit]>([
  ['its name', { ...circuit, name: 'Other' }],
  ['the order of its parts', { ...circuit, devices: [...circuit.devices].reverse() }],
  ['what a part is called', withDevice({ label: 'Other' })],
  ['a tag', withConductor({ tag: 'hangs here' })],
  ['a number', withConductor({ number: '12' })],
  ['what was found', withConductor({ found: { from: null, to: null } })],
  [
    'the order a jumper joins in',
    { ...circuit, links: circuit.links.map((link) => ({ ...link, joins: [...link.joins].reverse() })) },
  ],
])('%s leaves it as it is', (_what, other) => {
  expect(wiringMark(other)).toBe(mark);
});

test.each<[string, Circuit]>([
  ['a wire that is moved', withConductor({ from: null })],
  ['a wire that is broken', withConductor({ state: 'broken' })],
  ['a setting', withDevice({ settings: { ...circuit.devices[0]!.settings, some: 1 } })],
  ['a part of another kind', withDevice({ kind: 'other' })],
  ['another transformer', withDevice({ params: { ...circuit.devices[0]!.params, va: 75 } })],
  [
    'a jumper',
    { ...circuit, links: [...circuit.links, { id: 'x', kind: 'jumper', joins: ['board.R', 'board.W'] }] },
  ],
  ['other mains', { ...circuit, mains: { ...circuit.mains, volts: 208 } }],
])('%s changes it', (_what, other) => {
  expect(wiringMark(other)).not.toBe(mark);
});

test('what was passed on other wiring, or nobody knows on what, is made again; what failed stays failed', () => {
  const passed = { outcome: 'as-it-should', wiring: mark } as const;
  expect(isOutdated(passed, mark)).toBe(false);
  expect(isOutdated(passed, wiringMark(withConductor({ from: null })))).toBe(true);
  expect(isOutdated({ ...passed, wiring: null }, mark)).toBe(true);
  expect(isOutdated({ outcome: 'not-so', wiring: null }, mark)).toBe(false);
});
