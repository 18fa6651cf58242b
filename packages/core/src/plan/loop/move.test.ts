/**
 * A loop moved from the detector left in the duct to the one in the unit. That the resistor sits at the last device, that one
 * jacket has one function, and that stations of different kinds do not mix, is common practice in the trade.
 */
import { NEW_WORLD, holding, settle, untilSteady } from '../../behaviour';
import { addLink, land, lift, setValue } from '../../circuit';
import { compile } from '../../network';
import { rooftopOnLoop } from '../../systems';
import { calling } from '../../testing/scenarios';
import { differenceOf, isSound, planLoopMove } from '..';
import { partway, stepsOf } from '../../wire';

const left = rooftopOnLoop('Left', 'left');
const [on, over] = planLoopMove(left, 'ductSmoke', 'smoke');
const idle = calling('off');

describe.each([
  ['taken on', on!],
  ['taken over', over!],
])('%s', (_, move) => {
  test('all of the loop is supervised, every detector is heard, nothing else suffers', () => {
    expect(move.loops).toMatchObject([{ reads: 'normal', unwatched: [], unheard: [] }]);
    expect(move.loops[0]!.points.at(-1)!.device).toBe('eol');
    expect(isSound(move)).toBe(true);
    expect(move.harm).toEqual([]);
    expect(move.proof.findings.filter(({ severity }) => severity !== 'caution')).toEqual([]);
    expect(move.lost.filter(({ device }) => device === 'smoke')).toEqual([]);
  });

  test('the station tests and resets the one in the unit, or the one it is tied to', () => {
    expect(move.deadStations).toEqual([]);
    const network = compile(move.circuit);
    const tried = settle(network, holding(idle, { station: { press: 'held' } }), NEW_WORLD).world;
    expect(tried.states.panelLoop).toEqual({ reads: 'alarm' });
    expect(tried.states.station).toMatchObject({ red: true });
  });

  test('smoke in the unit stops the fan and reaches the panel', () => {
    const smoke = holding(calling('cool'), { smoke: { duct: 'smoke' } });
    const { world } = untilSteady(compile(move.circuit), smoke, NEW_WORLD, 3600);
    expect(world.states.panelLoop).toEqual({ reads: 'alarm' });
  });
});

test('taken on, the old one stays and one cable is pulled', () => {
  expect(on).toMatchObject({
    way: 'on',
    reused: [],
    retired: [],
    pulled: ['Loop on to Detector in the unit'],
  });
});

test('taken over, jackets between the two are used again, and what led nowhere is let go', () => {
  expect(over!.way).toBe('over');
  // Two conductors for the loop; the station wants four, and no jacket has them.
  expect(over!.reused).toEqual(['Detector supply']);
  expect(over!.pulled).toEqual(['Station cable, on to Detector in the unit']);
  expect(over!.retired).toEqual(expect.arrayContaining(['Sounder cable', 'Thermostat hold']));
  expect(differenceOf(left, over!.circuit).devicesRemoved.map(({ id }) => id)).toEqual(['ductSmoke']);
  // The thermostat has its R without passing through a detector.
  const { world } = settle(compile(over!.circuit), idle);
  expect(world.states.stat).toMatchObject({ powered: true });
});

test('worked down step by step it comes to what was planned, the resistor at its new place', () => {
  const steps = stepsOf(left, over!.circuit).map(({ id }) => id);
  expect(steps).toContain('carry:eol');
  const difference = differenceOf(partway(left, over!.circuit, new Set(steps)), over!.circuit);
  expect(Object.values(difference).flat()).toEqual([]);
});

// The unit's own detector opens nothing: the one in the duct is all that stops the fan.
test('the old one is not given up for one that stops nothing', () => {
  const [kept, gone] = planLoopMove(
    addLink(left, { id: 'strap', kind: 'jumper', joins: ['controller.SD1', 'controller.SD2'] }),
    'ductSmoke',
    'smoke',
  );
  expect(kept!.lost).toEqual([]);
  expect(gone!.lost).toContainEqual({ device: 'ductSmoke', lost: 'stops' });
  expect(isSound(gone!)).toBe(false);
});

test.each([
  ['with its resistor off', lift(left, 'eolOne', 'from')],
  ['on the trouble contact', land(left, 'loopPlus', 'to', 'ductSmoke.TR1')],
])('a loop %s is put right before it is moved', (_, wrong) => {
  expect(planLoopMove(wrong, 'ductSmoke', 'smoke').map(isSound)).toEqual([false, false]);
});

test('a station of another kind is told of', () => {
  const magnet = setValue(left, 'smoke', 'params', 'station', 'magnet');
  expect(planLoopMove(magnet, 'ductSmoke', 'smoke')[1]!.deadStations).toEqual(['station']);
});
