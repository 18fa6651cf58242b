/** What two people's changes do not agree on, told: what it is, and what each did. */
import { land, lift, mergeCircuits, removeDevice, setCable, setValue } from '../../circuit';
import type { Circuit } from '../../circuit';
import { furnaceAirConditioner } from '../../systems';
import type { Units } from '../units';
import { clashSideText, clashTitle } from './clash';

const US: Units = { temperature: 'F', length: 'ft', gauge: 'awg' };
const base = furnaceAirConditioner('Told');

const told = (mine: Circuit, theirs: Circuit) =>
  mergeCircuits(base, mine, theirs).clashes.map((clash) => [
    clashTitle({ mine, theirs }, clash),
    clashSideText({ mine, theirs }, clash, 'mine', US),
    clashSideText({ mine, theirs }, clash, 'theirs', US),
  ]);

test.each<[string, Circuit, Circuit, string[]]>([
  [
    'an end',
    lift(base, 'statY', 'from'),
    land(base, 'statY', 'from', 'stat.G'),
    ['Yellow of Thermostat cable, one end', 'Off', 'On Thermostat G'],
  ],
  [
    'a number',
    setValue(base, 'fuse', 'params', 'rating', 3),
    setValue(base, 'fuse', 'params', 'rating', 1),
    ['Board fuse: rating', '3 A', '1 A'],
  ],
  [
    'a cable',
    setCable(base, 'statCable', { gauge: 20 }),
    setCable(base, 'statCable', { gauge: 16 }),
    ['Thermostat cable: gauge', '20', '16'],
  ],
  [
    'what one took away and the other set up',
    removeDevice(base, 'fuse'),
    setValue(base, 'fuse', 'params', 'rating', 3),
    ['Board fuse', 'Taken away', 'Kept, and changed'],
  ],
])('%s', (_, mine, theirs, words) => {
  expect(told(mine, theirs)).toEqual([words]);
});
