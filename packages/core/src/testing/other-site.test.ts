/** Faults of another hand: that they are there to be met, and that Find finds what it has been taught to. */
import { callStates, hypothesesOf, isSettled, makeDictionary, seeded } from '../diagnose';
import { furnaceAirConditioner } from '../systems';
import { drawn, visit } from './other';
import type { Truth } from './other';
import { isMend, otherSite } from './other-site';
import { followAdvice } from './technician';

const circuit = furnaceAirConditioner('Other');

const draw = (is: (truth: Truth) => boolean): Truth => {
  const random = seeded(3);
  for (let tries = 0; tries < 2000; tries++) {
    const truth = drawn(circuit, random);
    if (truth && is(truth)) return truth;
  }
  throw new Error('No such fault was drawn.');
};

// A fuse opens on I²t and stays open until a new one is fitted: common knowledge of the trade.
test('what has blown in one call is blown in the next', () => {
  const truth = draw(({ kind, branches }) => kind === 'coil shorted' && 'contactor:coil' in branches);
  const states = callStates(circuit);
  const off = states[0]!.inputs;
  const place = visit(truth, circuit, off, () => true);
  const fuse = (state: string) => {
    const { inputs } = states.find(({ id }) => id === state)!;
    return place.stand({ inputs, powerOff: false, jumper: null, lifted: [] }).opened;
  };
  expect(fuse('heat')).toEqual([]);
  expect(fuse('cool')).toEqual(['fuse']);
  expect(fuse('heat')).toEqual(['fuse']);
});

test('line voltage that is too low is found, and no part is blamed for it', () => {
  const truth = draw(({ kind }) => kind === 'low line voltage');
  const dictionary = makeDictionary(circuit, hypothesesOf(circuit));
  const site = otherSite(dictionary, truth, seeded(1));
  const { ranking } = followAdvice(dictionary, site, site.complaint!);
  expect(isSettled(ranking)).toBe(true);
  expect(isMend(truth, ranking.groups[0]!.remedy)).toBe(true);
});
