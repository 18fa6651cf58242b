/** What has blown stays blown: a fuse opens on I²t and is open until a new one is fitted. Common knowledge of the trade. */
import { furnaceAirConditioner } from '../systems';
import { after, hypothesesOf, makeDictionary, rank } from '.';
import type { Observation } from '.';

const circuit = furnaceAirConditioner('Visited');
const hypotheses = hypothesesOf(circuit);
const dictionary = makeDictionary(circuit, hypotheses);
const shorted = hypotheses.findIndex(({ id }) => id === 'contactor coil-shorted');
const still: Observation = { type: 'air', state: 'cool', air: 'still' };
const face = (state: string, text: string): Observation => ({ type: 'face', state, device: 'fuse', text });
const shareOf = (observations: readonly Observation[]) => rank(dictionary, observations).shares[shorted]!;

test('a short that blows the fuse in cooling shows a good fuse before, and a blown one in every call after', () => {
  const textIn = (state: string, seen: readonly Observation[]) =>
    after(dictionary, seen).predict(shorted, state).faces.get('fuse');
  expect(textIn('heat', [])).not.toBe('blown');
  expect(textIn('heat', [still])).toBe('blown');
  expect(textIn('off', [still, face('off', 'blown')])).toBe('blown');
  expect(after(dictionary, [still]).predict(shorted, 'heat').runs.size).toBe(0);
});

test('a new fuse is whole until the call is made again', () => {
  const renewed: Observation = { type: 'repaired', remedy: 'fuse', helped: false };
  const now = after(dictionary, [still, renewed]);
  expect(now.predict(shorted, 'off').faces.get('fuse')).not.toBe('blown');
  expect(now.predict(shorted, 'cool').faces.get('fuse')).toBe('blown');
});

test('a fuse found blown in another call speaks for what blew it, not against it', () => {
  const seen = shareOf([still, face('off', 'blown')]);
  expect(seen).toBeGreaterThan(shareOf([still]));
  expect(seen).toBeCloseTo(shareOf([still, face('cool', 'blown')]), 2);
});

test('what opens nothing is predicted as before, in every call', () => {
  const broken = hypotheses.findIndex(({ id }) => id === 'statY broken');
  const later = after(dictionary, [still, face('off', '3 A')]);
  for (const state of dictionary.states.map(({ id }) => id))
    expect(later.predict(broken, state).runs).toEqual(dictionary.predict(broken, state).runs);
});
