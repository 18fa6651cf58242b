/** How quick zones are: the proof of every combination, and the air. Run in a worker. */
import { combinationsOf, solveZoned, zonedStates } from '@zygostat/core/air';
import { kindOf, fill } from '@zygostat/core/devices';
import { prove } from '@zygostat/core/prove';
import { planAir, planZones } from '@zygostat/core/plan';
import { fourZoneFurnace, furnaceAirConditioner, threeZoneHeatPump } from '@zygostat/core/systems';
import { RUNS, WARM_RUNS, timed } from '../timed';

const tell = (metric: string, value: number, note: string) =>
  postMessage([metric, value, 'ms', `${note}, in a browser's worker, median of ${RUNS} after ${WARM_RUNS}`]);

const three = threeZoneHeatPump('Bench');
const states = prove(three)!.states;
tell(
  'zone_prove_ms',
  timed(() => void prove(three)),
  `three-zone heat pump, ${states} states; aim ≤ 1500`,
);

const four = fourZoneFurnace('Bench');
const ducts = four.devices.find(({ kind }) => kindOf(kind).conveys)!;
const { air } = kindOf(ducts.kind).conveys!(fill(kindOf(ducts.kind).params, ducts.params));
const bypass = { diameterM: 0.3, lengthM: 4, roughnessM: 1e-4, setPa: 90, kind: 'powered' } as const;
tell(
  'air_solve_ms',
  timed(() => void solveZoned(air, ['1'])),
  'four zones, one calling; aim ≤ 5',
);
tell(
  'air_states_ms',
  timed(() => void zonedStates({ ...air, bypass })),
  `four zones, ${combinationsOf(air.zones).length} combinations with a powered bypass; aim ≤ 200`,
);
tell(
  'air_plan_ms',
  timed(() => void planAir(four)),
  'four zones, both kinds of bypass sized and what helps without; no aim',
);
const single = furnaceAirConditioner('Bench');
const wish = {
  thermostat: 'stat',
  zones: [
    { name: 'Below', lengthM: 10 },
    { name: 'Above', lengthM: 18 },
  ],
  drive: 'power',
  bypass: 'motor',
  hotFrom: 'equipment',
} as const;
tell(
  'zone_plan_ms',
  timed(() => void planZones(single, wish)),
  'a furnace zoned and in parallel, both proven; no aim',
);
postMessage(null);
