/** How long comparing the places of a safety takes, every one proven. Run in a worker. */
import type { SafetyWish } from '@zygostat/core/plan';
import { knowingWater, planSafety } from '@zygostat/core/plan';
import { furnaceAirConditioner, heatPumpWithStrips } from '@zygostat/core/systems';
import { RUNS, WARM_RUNS, timed } from '../timed';

const wish: SafetyWish = {
  added: [{ kind: 'float-switch', label: 'Float' }],
  sounder: false,
};
const chain: SafetyWish = {
  ...wish,
  added: [
    { kind: 'moisture-sensor', label: 'Sensor' },
    ...wish.added,
    { kind: 'float-switch', label: 'Rim float' },
  ],
};

const tell = (metric: string, what: string, work: () => { insertions: readonly unknown[] }, aim: string) => {
  const { insertions } = work();
  const ms = timed(work);
  const note = `${what}, ${insertions.length} places each proven, in a browser's worker, median of ${RUNS} after ${WARM_RUNS}; ${aim}`;
  postMessage([metric, ms, 'ms', note]);
};

const facts = { pan: { below: 'pan' }, condensing: true };
const furnace = knowingWater(furnaceAirConditioner('Bench'), facts);
const pump = knowingWater(heatPumpWithStrips('Bench'), facts);
tell(
  'placement_ms',
  'a float in a condensing furnace',
  () => planSafety(furnace, 'stat', wish)!,
  'aim ≤ 1000',
);
tell('placement_pump_ms', 'a float in a heat pump', () => planSafety(pump, 'stat', wish)!, 'no aim');
tell(
  'placement_chain_ms',
  'three in a row in the furnace',
  () => planSafety(furnace, 'stat', chain)!,
  'no aim',
);
postMessage(null);
