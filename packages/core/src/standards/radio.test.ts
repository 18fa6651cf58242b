import { freeSpaceLoss, linkMargin } from './radio';

// ITU-R P.525 and any textbook: 92.4 dB at 1 GHz over 1 km, 6 dB for each doubling of either.
test('a free path loses what the formula of ITU-R P.525 says', () => {
  expect(freeSpaceLoss(1000, 1000)).toBeCloseTo(92.4, 1);
  expect(freeSpaceLoss(2000, 1000) - freeSpaceLoss(1000, 1000)).toBeCloseTo(6.02, 2);
  expect(freeSpaceLoss(1000, 2000) - freeSpaceLoss(1000, 1000)).toBeCloseTo(6.02, 2);
});

// Some hundreds of feet in the open is common practice; a few walls take most of it.
test('a link reaches some hundred metres in the open, and far less through walls', () => {
  expect(linkMargin({ metres: 100, walls: 0 })).toBeGreaterThan(0);
  expect(linkMargin({ metres: 30, walls: 2 })).toBeGreaterThan(0);
  expect(linkMargin({ metres: 100, walls: 6 })).toBeLessThan(0);
});
