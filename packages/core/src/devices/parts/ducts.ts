/** The ducts of a zoned system as a person describes them, and the air in them as dampers, bypass and fan stand. */
import type { AirStanding, ZonedAir, ZonedFlow } from '../../air';
import { flowAt, roundDuct } from '../../air';
import { ROUGHNESS_M } from '../../standards';
import { choice, num } from '../fields';
import type { ValuesOf } from '../fields';

const COUNT = { two: 2, three: 3, four: 4 } as const;
const NAMES = ['1', '2', '3', '4'] as const;
type ZoneName = (typeof NAMES)[number];

export const zoneNames = (zones: keyof typeof COUNT): readonly ZoneName[] => NAMES.slice(0, COUNT[zones]);

const pascals = (label: string, fallback: number, max = 500) =>
  num({ label, unit: 'Pa', default: fallback, min: 0, max, source: 'read the label' });
const litres = (label: string, fallback: number) =>
  num({ label, unit: 'l/s', default: fallback, min: 10, max: 5000, source: 'read the label' });
const diameter = (label: string, fallback: number, least: number) =>
  num({ label, unit: 'mm', default: fallback, min: least, max: 1000, source: 'from memory' });
const length = (label: string, fallback: number) =>
  num({ label, unit: 'm', default: fallback, min: 0.1, max: 200, source: 'from memory' });

const byHand = () =>
  num({
    label: 'Its hand damper stands open by',
    unit: '%',
    default: 100,
    min: 0,
    max: 100,
    source: 'common practice',
  });

/** 1 until it was measured. */
const times = (label: string) =>
  num({ label, unit: 'times', default: 1, min: 0.2, max: 6, source: 'measured' });

export const ductParams = {
  zones: choice('Zones', { two: 'Two', three: 'Three', four: 'Four' }, 'two'),
  fanPaLow: pascals('Fan’s table, lowest pressure', 50),
  fanFlowLow: litres('Fan’s table, air at it', 640),
  fanPa: pascals('Fan’s table, middle pressure', 125),
  fanFlow: litres('Fan’s table, air at it', 570),
  fanPaHigh: pascals('Fan’s table, highest pressure', 220),
  fanFlowHigh: litres('Fan’s table, air at it', 400),
  speed: num({
    label: 'Fan runs at, of its table',
    unit: '%',
    default: 100,
    min: 30,
    max: 120,
    source: 'read the label',
  }),
  ratedFlow: litres('Air it is made for', 570),
  unitPa: pascals('Coil and filter take of it', 55),
  backPa: pascals('Return takes of it', 15),
  grillePa: pascals('Grilles take of a zone’s share', 8, 100),
  surface: choice(
    'Ducts are',
    { galvanised: 'Sheet metal', flexible: 'Flexible, stretched', lined: 'Lined' },
    'galvanised',
  ),
  zone1Mm: diameter('Duct of zone 1', 350, 50),
  zone1M: length('Its length, fittings too', 20),
  zone1Hand: byHand(),
  zone2Mm: diameter('Duct of zone 2', 300, 50),
  zone2M: length('Its length, fittings too', 25),
  zone2Hand: byHand(),
  zone3Mm: diameter('Duct of zone 3', 250, 50),
  zone3M: length('Its length, fittings too', 25),
  zone3Hand: byHand(),
  zone4Mm: diameter('Duct of zone 4', 250, 50),
  zone4M: length('Its length, fittings too', 25),
  zone4Hand: byHand(),
  zone1Times: times('Zone 1 takes, of what is worked out'),
  zone2Times: times('Zone 2 takes, of what is worked out'),
  zone3Times: times('Zone 3 takes, of what is worked out'),
  zone4Times: times('Zone 4 takes, of what is worked out'),
  backTimes: times('The return takes, of what is worked out'),
  leastOpen: num({
    label: 'Shut dampers stay open by',
    unit: '%',
    default: 0,
    min: 0,
    max: 90,
    source: 'read the label',
  }),
  bypassMm: num({
    label: 'Bypass, 0 for none',
    unit: 'mm',
    default: 0,
    min: 0,
    max: 600,
    source: 'read the label',
  }),
  bypassM: length('Its length, fittings too', 4),
  coolKw: num({ label: 'Cools by', unit: 'kW', default: 10.5, min: 0, max: 100, source: 'read the label' }),
  heatKw: num({ label: 'Heats by', unit: 'kW', default: 18, min: 0, max: 150, source: 'read the label' }),
  mostRiseK: num({
    label: 'Warms the air by at most',
    unit: 'K',
    default: 39,
    min: 5,
    max: 60,
    source: 'read the label',
  }),
  mostPa: pascals('Loud above, between supply and return', 150, 600),
  mostMs: num({
    label: 'Air rushes above, in a zone’s duct',
    unit: 'm/s',
    default: 9,
    min: 1,
    max: 30,
    source: 'from memory',
  }),
};
export type DuctParams = ValuesOf<typeof ductParams>;

/** A bypass of no diameter is none; how it moves is the bypass damper's own affair. */
const bypassOf = ({ bypassMm, bypassM, surface, mostPa }: DuctParams): ZonedAir['bypass'] =>
  bypassMm > 0
    ? {
        diameterM: bypassMm / 1000,
        lengthM: bypassM,
        roughnessM: ROUGHNESS_M[surface],
        setPa: mostPa,
        kind: 'powered',
      }
    : null;

/** Fan, unit, ducts and bypass in SI. */
export function zonedAirOf(params: DuctParams): ZonedAir {
  const rated = params.ratedFlow / 1000;
  const names = zoneNames(params.zones);
  return {
    fan: (
      [
        [params.fanFlowLow, params.fanPaLow],
        [params.fanFlow, params.fanPa],
        [params.fanFlowHigh, params.fanPaHigh],
      ] as const
    ).map(([flow, pa]) => ({ flow: flow / 1000, pa })),
    unit: [{ pa: params.unitPa, flow: rated }],
    back: { pa: params.backPa * params.backTimes, flow: rated },
    zones: names.map((id) => ({
      id,
      duct: roundDuct(params[`zone${id}Mm`] / 1000, params[`zone${id}M`], ROUGHNESS_M[params.surface]),
      grille: { pa: params.grillePa, flow: rated / names.length },
      hand: params[`zone${id}Hand`] / 100,
      times: params[`zone${id}Times`],
    })),
    leastOpen: params.leastOpen / 100,
    bypass: bypassOf(params),
  };
}

/** What of it was computed before, by what it was computed from: a circuit is compiled anew for every fault and every change. */
const known = new Map<string, ZonedFlow>();
const MOST_KNOWN = 4096;

const keys = new WeakMap<DuctParams, string>();
function keyOf(params: DuctParams): string {
  const before = keys.get(params);
  if (before !== undefined) return before;
  const made = JSON.stringify(params);
  keys.set(params, made);
  return made;
}

/** What flows in the ducts with everything as it stands. */
export function ductFlow(params: DuctParams, at: AirStanding): ZonedFlow {
  const key = `${keyOf(params)} ${Object.values(at.zones).join()} ${at.bypass} ${at.speed}`;
  const before = known.get(key);
  if (before) return before;
  const flow = flowAt(zonedAirOf(params), at);
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(key, flow);
  return flow;
}
