/** Jackets at a detector, by what goes when each is taken off. One jacket, one function: common practice. */
import { protectionWithout } from '../prove';
import { rooftopOnLoop } from '../systems';
import { jacketEffect, jacketsAt, protectionLost, relandedJacket, unlandedJacket } from '.';

const left = rooftopOnLoop('Left', 'left');
const at = (cable: string) => jacketsAt(left, 'ductSmoke').find((jacket) => jacket.cable === cable)!;
const off = (cable: string) => unlandedJacket(left, at(cable).landed);

test.each([
  ['supplyJacket', 'power'],
  ['onJacket', 'on'],
  ['stationJacket', 'station'],
  ['loopJacket', 'loop'],
  ['holdJacket', 'hold'],
  ['sounderJacket', 'nothing'],
])('%s: %s', (cable, does) => {
  expect(jacketEffect(left, 'ductSmoke', at(cable)).does).toBe(does);
});

test('leads within one place are no jackets', () => {
  expect(jacketsAt(left, 'ductSmoke').map(({ cable }) => cable)).not.toContain('eolLeads');
  expect(jacketsAt(left, 'smoke').map(({ cable }) => cable)).toEqual(['onJacket']);
});

test('what is off can be put back as it was', () => {
  for (const { landed } of jacketsAt(left, 'ductSmoke'))
    expect(relandedJacket(unlandedJacket(left, landed), landed)).toEqual(left);
});

test.each([
  ['stationJacket', []],
  ['sounderJacket', []],
  [
    'loopJacket',
    [
      { device: 'smoke', lost: 'panel' },
      { device: 'ductSmoke', lost: 'panel' },
    ],
  ],
  // The unit's own is fed from there, and tied there to the panel.
  [
    'onJacket',
    [
      { device: 'smoke', lost: 'stops' },
      { device: 'smoke', lost: 'panel' },
    ],
  ],
])('with %s off, what is lost is %j', (cable, lost) => {
  expect(protectionLost(left, off(cable))).toEqual(lost);
});

test('with the supply off both detectors are nothing any more', () => {
  expect(protectionLost(left, off('supplyJacket'))).toEqual([
    { device: 'smoke', lost: 'stops' },
    { device: 'smoke', lost: 'panel' },
    { device: 'ductSmoke', lost: 'stops' },
    { device: 'ductSmoke', lost: 'panel' },
  ]);
});

test('with one detector bypassed no other is said to stand in for it: it sits in other air', () => {
  const { unguarded, still } = protectionWithout(rooftopOnLoop('Last'), 'ductSmoke')!;
  expect(unguarded).not.toEqual([]);
  expect(still).toEqual([]);
});
