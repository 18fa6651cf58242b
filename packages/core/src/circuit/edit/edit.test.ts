import * as fc from 'fast-check';
import { furnaceAirConditioner } from '../../systems';
import { device } from '../../systems/build';
import {
  EditError,
  addDevice,
  addLink,
  exchange,
  land,
  lift,
  removeDevice,
  removeLink,
  setCable,
  setValue,
} from '.';
import { findConductor, findDevice, landedOn } from '../find';
import { marksOf } from '../terminals';
import { parseCircuit } from '../parse';

const circuit = furnaceAirConditioner('Edits');
const ends = (id: string, from = circuit) => {
  const conductor = findConductor(from, id)!;
  return [conductor.from, conductor.to];
};

test('landing moves one end and leaves the old circuit as it was', () => {
  const moved = land(circuit, 'statY', 'from', 'stat.W');
  expect(ends('statY', moved)).toEqual(['stat.W', 'board.Y']);
  expect(ends('statY')).toEqual(['stat.Y', 'board.Y']);
  expect(landedOn(moved, 'stat.W').map(({ conductor }) => conductor.id)).toEqual(['statY', 'statW']);
});

test('lifting leaves a free end', () => {
  expect(ends('statY', lift(circuit, 'statY', 'to'))).toEqual(['stat.Y', null]);
});

test('exchanging twice is as if nothing had been done', () => {
  const once = exchange(circuit, ['statY', 'from'], ['statW', 'from']);
  expect(ends('statY', once)).toEqual(['stat.W', 'board.Y']);
  expect(exchange(once, ['statY', 'from'], ['statW', 'from'])).toEqual(circuit);
});

test('a device that is taken out frees its conductors and takes its jumpers along', () => {
  const jumpered = addLink(circuit, { id: 'j1', kind: 'jumper', joins: ['float.COM', 'board.R'] });
  const without = removeDevice(jumpered, 'float');
  expect(ends('leadFloat', without)).toEqual(['board.Y', null]);
  expect(without.links).toEqual([]);
  expect(() => parseCircuit(without)).not.toThrow();
});

test('a device is added once', () => {
  const spare = device('float2', 'float-switch', 'plant', 'Second float');
  const added = addDevice(circuit, spare);
  expect(findDevice(added, 'float2')).toBe(spare);
  expect(() => addDevice(added, spare)).toThrow(EditError);
});

test('a jumper comes and goes', () => {
  const link = { id: 'j1', kind: 'jumper' as const, joins: ['board.R', 'board.Y'] };
  expect(removeLink(addLink(circuit, link), 'j1')).toEqual(circuit);
});

test.each<[string, () => unknown, RegExp]>([
  [
    'a conductor that is not there',
    () => land(circuit, 'nothing', 'from', 'stat.W'),
    /no conductor "nothing"/,
  ],
  ['a terminal that is not there', () => land(circuit, 'statY', 'from', 'stat.Q'), /no terminal "stat.Q"/],
  ['both ends on one terminal', () => land(circuit, 'statY', 'from', 'board.Y'), /already on that terminal/],
  [
    'a jumper onto itself',
    () => addLink(circuit, { id: 'j', kind: 'jumper', joins: ['board.R', 'board.R'] }),
    /two different/,
  ],
  [
    'a param out of range',
    () => setValue(circuit, 'xfmr', 'params', 'va', 4000),
    /Nameplate must be a number from 5 to 200 VA/,
  ],
  ['a param that is not one', () => setValue(circuit, 'xfmr', 'params', 'weight', 4), /no weight/],
  ['a length of nothing', () => setCable(circuit, 'statCable', { lengthM: 0 }), /between 0.01 and 2000/],
  [
    'a station that is not there',
    () => addDevice(circuit, device('x', 'float-switch', 'moon', 'X')),
    /no station/,
  ],
])('refuses %s', (_what, edit, why) => {
  expect(edit).toThrow(EditError);
  expect(edit).toThrow(why);
});

test('any sequence of landings and lifts leaves a valid document', () => {
  const conductors = circuit.cables.flatMap((cable) => cable.conductors.map(({ id }) => id));
  const terminals = circuit.devices.flatMap((entry) => marksOf(entry).map((mark) => `${entry.id}.${mark}`));
  const step = fc.record({
    conductor: fc.constantFrom(...conductors),
    end: fc.constantFrom('from' as const, 'to' as const),
    terminal: fc.option(fc.constantFrom(...terminals)),
  });
  fc.assert(
    fc.property(fc.array(step, { maxLength: 15 }), (steps) => {
      const edited = steps.reduce((current, { conductor, end, terminal }) => {
        try {
          return terminal === null ? lift(current, conductor, end) : land(current, conductor, end, terminal);
        } catch (error) {
          if (error instanceof EditError) return current;
          throw error;
        }
      }, circuit);
      parseCircuit(edited);
    }),
    { numRuns: 60 },
  );
});

test('a thermostat of other screws leaves free what was on those it has no more', () => {
  const circuit = furnaceAirConditioner('Edit');
  const changed = setValue(circuit, 'stat', 'params', 'terminals', 'heat');
  expect(findConductor(changed, 'statY')).toMatchObject({ from: null, to: 'board.Y' });
  expect(findConductor(changed, 'statW')).toMatchObject({ from: 'stat.W', to: 'board.W' });
  expect(() => parseCircuit(changed)).not.toThrow();
});
