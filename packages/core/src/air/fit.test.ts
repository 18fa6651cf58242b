/** The model corrected by figures: made with known factors, they are found again; measured exactly as computed, nothing moves. */
import { ROUGHNESS_M } from '../standards';
import type { AirStanding, ZonedAir } from '.';
import { fitAir, flowAt, roundDuct } from '.';

const run = (diameterM: number, lengthM: number) => roundDuct(diameterM, lengthM, ROUGHNESS_M.galvanised);
const air: ZonedAir = {
  fan: [
    { flow: 0.64, pa: 50 },
    { flow: 0.57, pa: 125 },
    { flow: 0.4, pa: 220 },
  ],
  unit: [{ pa: 55, flow: 0.57 }],
  back: { pa: 15, flow: 0.57 },
  zones: [
    { id: '1', duct: run(0.3, 20), grille: { pa: 8, flow: 0.28 } },
    { id: '2', duct: run(0.25, 25), grille: { pa: 8, flow: 0.28 } },
  ],
  leastOpen: 0,
  bypass: null,
};
const open: AirStanding = { zones: { '1': 1, '2': 1 }, bypass: 0, speed: 1 };
/** The same house with a return twice as tight and a crushed duct. */
const truth: ZonedAir = {
  ...air,
  back: { pa: 30, flow: 0.57 },
  zones: [air.zones[0]!, { ...air.zones[1]!, times: 1.8 }],
};

test('measured as computed, nothing moves', () => {
  const { supplyPa, returnPa, zones } = flowAt(air, open);
  const fit = fitAir(air, [{ at: open, supplyPa, returnPa, flows: zones }]);
  expect([fit.back, fit.zones['1'], fit.zones['2']].map((one) => Number(one!.toFixed(4)))).toEqual([1, 1, 1]);
  expect(fit.before).toBeLessThan(1e-6);
});

test('factors are found again, as near as the doubt about them lets', () => {
  const { supplyPa, returnPa, zones } = flowAt(truth, open);
  const fit = fitAir(air, [{ at: open, supplyPa, returnPa, flows: zones }]);
  expect(fit.back).toBeGreaterThan(1.7);
  expect(fit.zones['2']! / fit.zones['1']!).toBeGreaterThan(1.5);
  expect(fit.after).toBeLessThan(fit.before / 5);
  // And what the corrected model says of a state nobody measured is nearer to the house.
  const alone: AirStanding = { ...open, zones: { '1': 0, '2': 1 } };
  const [house, taken, corrected] = [truth, air, fit.air].map((one) => flowAt(one, alone).zones['2']!);
  expect(Math.abs(corrected! - house!)).toBeLessThan(Math.abs(taken! - house!) / 2);
});

test('two pressures alone move the return, and leave the zones where nothing is known of them', () => {
  const { supplyPa, returnPa } = flowAt({ ...air, back: { pa: 30, flow: 0.57 } }, open);
  const fit = fitAir(air, [{ at: open, supplyPa, returnPa }]);
  expect(fit.back).toBeGreaterThan(1.6);
  for (const zone of ['1', '2']) expect(Math.abs(Math.log(fit.zones[zone]!))).toBeLessThan(0.15);
});

test.each([
  ['nothing', [{ at: open }], /nothing was measured/],
  ['no flow', [{ at: open, flows: { '1': 0 } }], /zone 1 must be above 0/],
  ['a strange zone', [{ at: open, flows: { '7': 0.1 } }], /no zone 7/],
])('%s is refused', (_, measured, words) => {
  expect(() => fitAir(air, measured)).toThrow(words);
});
