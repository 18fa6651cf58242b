/** What is said of a building, its loop and its jackets: every code has a sentence that names the things it is about. */
import { airOf, signsOf, walkOf } from '../../building';
import type { Building } from '../../building';
import { EMPTY_BUILDING, begun } from '../../building';
import { jacketEffect, jacketsAt, locateShort, loopOf, protectionLost, unlandedJacket } from '../../fire';
import { land, lift } from '../../circuit';
import { planLoopMove } from '../../plan';
import { rooftopOnLoop } from '../../systems';
import { calling } from '../../testing/scenarios';
import {
  JACKET_DOES,
  PANEL_STEP,
  airTexts,
  earlierIn,
  entryText,
  lostText,
  loopPointText,
  milliampsText,
  moveTexts,
  moveTitle,
  namesIn,
  shortText,
  showLength,
  signText,
  unwatchedTexts,
  walkText,
} from '..';

const idle = calling('off');
const left = rooftopOnLoop('Left', 'left');
const names = namesIn(left);
const building: Building = {
  ...EMPTY_BUILDING,
  units: [
    begun('units', 'rtu', 'RTU 1', {
      serves: 'Hall',
      found: 'Stage',
      looks: { display: 'fine', belt: 'wrong', motor: 'fine', coil: 'fine', frost: 'fine' },
    }),
  ],
  detectors: [
    begun('detectors', 'old', 'Duct 1', {
      unit: 'rtu',
      place: 'duct',
      lamp: 'red',
      housing: 'cracked',
      caps: 'off',
    }),
    begun('detectors', 'own', 'Unit 1', {
      unit: 'rtu',
      caps: 'on',
      housing: 'wet',
      loop: false,
      wants: 'magnet',
    }),
  ],
  stations: [
    begun('stations', 's', 'By the door', { lamp: 'red', works: 'key', detector: 'own' }),
    begun('stations', 't', 'By the stairs', {}),
  ],
  thermostats: [begun('thermostats', 'stat', 'Hall thermostat', { unit: 'rtu', screen: 'blank' })],
  air: [
    begun('air', 'hood', 'Hood', { kind: 'exhaust', flow: 1, runs: 'on' }),
    begun('air', 'fan', 'Make-up', { kind: 'make-up', flow: 1.1, runs: 'auto' }),
  ],
};

test('what is still to be looked at', () => {
  expect(walkOf(building).map((stop) => walkText(building, stop))).toEqual([
    'By the stairs: which lamp is lit',
    'Unit 1: its lamp',
    'RTU 1: drain',
  ]);
});

test('what the looks say, and what to do', () => {
  expect(signsOf(building).map((sign) => signText(building, sign))).toEqual([
    'Hall thermostat is blank and RTU 1 shows no trip: not that unit holds it; look at Duct 1.',
    'Duct 1 was left in the duct: Unit 1 is the unit’s own now.',
    'The housing of Duct 1 is cracked: it draws other air than the duct’s.',
    'Unit 1 was never commissioned: the caps are still on its tubes, it draws no air.',
    'Water in Unit 1: that is a cause, not a nuisance. Find where it comes from.',
    'Unit 1 is not on the panel’s loop.',
    'By the door cannot test or reset Unit 1: they are of different kinds.',
    'By the door is red and nothing it hangs on is known to be in alarm: find its detector.',
    'RTU 1 is labelled “Hall” and serves “Stage”.',
    'RTU 1: belt off or slack.',
  ]);
});

test('the air: what it is, what that explains, what would mend it', () => {
  expect(airTexts(building, airOf(building))).toEqual([
    'The building is under pressure: more goes out than comes in.',
    'That explains it when doors pull, traps dry out and smells come from odd places.',
    'Only between calls: with the fans on auto running it would not be.',
    'With Make-up (auto) running it would not be. While people are in, these run all the time.',
  ]);
});

test('a loop in the units of a meter', () => {
  const loop = loopOf(left, idle, 'panelLoop');
  expect(milliampsText(loop.amps)).toBe('4.86 mA');
  expect(loopPointText(loop.points[0]!)).toBe('22.8 V d.c. with the panel on, 4.70 kΩ with the loop lifted');
  expect(unwatchedTexts(names, loop)).toEqual([
    'Detector in the unit is not on the loop: the panel does not hear its own contact.',
  ]);
  const early = ['eolOne', 'eolOther'].reduce(
    (now, id, i) => land(now, id, 'from', `ductSmoke.AL${i + 1}`),
    rooftopOnLoop('Last'),
  );
  expect(unwatchedTexts(namesIn(early), loopOf(early, idle, 'panelLoop'))).toEqual([
    'Red of Loop on to the roof and black of Loop on to the roof may break and the panel stays normal: Detector in the unit would not be heard. The resistor belongs at the last device.',
  ]);
  const open = lift(left, 'eolOne', 'from');
  expect(unwatchedTexts(namesIn(open), loopOf(open, idle, 'panelLoop'))).toContain(
    'While it reads trouble nothing along it is watched: put that right first.',
  );
  const [place] = locateShort(left, idle, 'panelLoop', 1.0);
  expect(shortText(names, place!, (metres) => showLength(metres, 'm'))).toMatch(
    /^Loop from the panel, \d+ m to \d+ m from Fire panel loop L\+$/,
  );
});

test('jackets: what each does, and what is lost with it off', () => {
  const jacket = jacketsAt(left, 'ductSmoke').find(({ cable }) => cable === 'loopJacket')!;
  expect(JACKET_DOES[jacketEffect(left, 'ductSmoke', jacket).does]).toBe('the panel’s loop');
  expect(lostText(names, protectionLost(left, unlandedJacket(left, jacket.landed)))).toBe(
    'The panel no longer hears Detector in the unit and Detector in the duct.',
  );
  expect(lostText(names, [])).toBe('Nothing is left unprotected.');
  expect(
    entryText(
      names,
      {
        type: 'unlanded',
        jacket: 'j',
        mark: '5',
        cable: 'loopJacket',
        device: 'ductSmoke',
        landed: [...jacket.landed],
      },
      earlierIn([]),
    ),
  ).toBe('Jacket 5 taken off Detector in the duct: AL1, AL2');
});

test('a move says what is pulled, used again and let go; steps with the panel whom to name', () => {
  const [on, over] = planLoopMove(left, 'ductSmoke', 'smoke');
  expect(moveTitle(on!)).toBe('Keep the old one: take the loop on');
  const { good, bad } = moveTexts(names, namesIn(over!.circuit), over!);
  expect(bad).toEqual([]);
  expect(good).toContain('Detector supply is used again.');
  expect(good).toContain('All of the loop is supervised then.');
  expect(good.join(' ')).toMatch(/Pull station cable, on to Detector in the unit, marked at both ends/);
  for (const { title, how, who } of Object.values(PANEL_STEP))
    for (const text of [title, how, who]) expect(text).toMatch(/^[A-Z]/);
  expect(
    entryText(
      names,
      { type: 'panel', step: 'on-test', who: 'Operator 41', text: '', until: null },
      earlierIn([]),
    ),
  ).toBe('Panel on test, by Operator 41');
});
