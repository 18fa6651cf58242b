import { supplyDifference } from '../../../air';
import type { ZonedFlow } from '../../../air';
import type { Channel, Signal } from '../../channels';
import { flow, heard } from '../../channels';
import { defineDevice } from '../../define';
import type { Moment, Senses } from '../../context';
import type { DuctParams } from '../../parts/ducts';
import { ductFlow, ductParams, zoneNames, zonedAirOf } from '../../parts/ducts';

/** Seconds in which supply air goes most of the way to what unit and flow make of it; from memory. */
const WARMS_IN_S = 60;
/** What is sensible of cooling: the rest takes water out of the air. From memory. */
const SENSIBLE = 0.75;
/** Air colder or warmer than this is none a duct carries, °C: with no air through it a unit is stopped by its own limit. */
const BETWEEN_C = [-20, 120] as const;

/** Everything that moves the air, and the supply air on its way from one temperature to another. */
type Air = {
  zone1: number;
  zone2: number;
  zone3: number;
  zone4: number;
  bypass: number;
  speed: number;
  watts: number;
  at: number;
  fromC: number | null;
  toC: number | null;
};

const STILL: Air = {
  zone1: 1,
  zone2: 1,
  zone3: 1,
  zone4: 1,
  bypass: 0,
  speed: 0,
  watts: 0,
  at: 0,
  fromC: null,
  toC: null,
};

type AirMoment = Moment<DuctParams>;

function flowIn(air: Air, params: DuctParams, bypass = air.bypass): ZonedFlow {
  const zones = Object.fromEntries(zoneNames(params.zones).map((n) => [n, air[`zone${n}`]]));
  return ductFlow(params, { zones, bypass, speed: (air.speed * params.speed) / 100 });
}

/** Supply air at a time, °C; nothing where it never moved. */
function airAt({ at, fromC, toC }: Air, now: number): number | null {
  if (fromC === null || toC === null) return null;
  return toC + (fromC - toC) * Math.exp(-(now - at) / WARMS_IN_S);
}

/** When supply air comes to a temperature on its way, absolute seconds; Infinity where it never does. */
function reachesAt(air: Air, celsius: number): number {
  const { at, fromC, toC } = air;
  if (fromC === null || toC === null || fromC === toC) return Infinity;
  const share = (celsius - toC) / (fromC - toC);
  return share > 0 && share < 1 ? at - WARMS_IN_S * Math.log(share) : Infinity;
}

/** Heat given to the air, W; cooling takes it away. */
function wattsOf(senses: Senses): number {
  const pumped = heard(senses, 'pumps') * Math.sign(heard(senses, 'turned'));
  const cooled = heard(senses, 'chills') + Math.max(0, -pumped);
  return heard(senses, 'warms') + Math.max(0, pumped) - SENSIBLE * cooled;
}

function next(state: Air, senses: Senses, { params, conditions, now }: AirMoment): Air {
  const damper = (n: string) => {
    const all = senses.hears(`damper-${n}` as Channel);
    // Of several in one duct the most shut decides; a duct without one is open.
    return all.length === 0 ? 1 : Math.min(...all.map(({ amount }) => amount));
  };
  const stands = {
    zone1: damper('1'),
    zone2: damper('2'),
    zone3: damper('3'),
    zone4: damper('4'),
    bypass: heard(senses, 'bypass'),
    speed: Math.min(1, heard(senses, 'blows')),
  };
  const watts = wattsOf(senses);
  const moved: Air = { ...state, ...stands, watts };
  const { total, bypass } = flowIn(moved, params);
  const [least, most] = BETWEEN_C;
  const room = conditions.indoorC;
  const toC =
    watts === 0 || total <= 0
      ? room
      : Math.min(most, Math.max(least, room + supplyDifference({ total, bypass }, watts)));
  if (toC === state.toC) return Object.assign(moved, { at: state.at });
  return { ...moved, at: now, fromC: airAt(state, now) ?? room, toC };
}

/** A pressure now, and what it would be with the bypass open so far. */
const pressure = (air: Air, params: DuctParams, of: 'supplyPa' | 'returnPa'): Signal => ({
  amount: flowIn(air, params)[of],
  withBypass: (open) => flowIn(air, params, open)[of],
});

/**
 * The ducts of a zoned system with the unit's fan: no terminal, but what every damper, the bypass and the fan do to the air
 * is felt here, and what comes of it is felt by the bypass and by a sensor in the supply.
 */
export const ductSystem = defineDevice({
  kind: 'duct-system',
  title: 'Ducts',
  designations: () => [],
  params: ductParams,
  settings: {},
  controls: {},
  elements: () => [],
  initial: STILL,
  positions: () => ({}),
  next,
  gives: (state, { params, now, conditions }) => ({
    'supply-static': pressure(state, params, 'supplyPa'),
    'return-static': pressure(state, params, 'returnPa'),
    'supply-air': {
      amount: airAt(state, now) ?? conditions.indoorC,
      reaches: (celsius) => reachesAt(state, celsius),
    },
    'supply-heat': flow(state.watts),
  }),
  face: ({ speed }) => ({ text: speed === 0 ? 'still' : 'air moves', tone: 'ok' }),
  conveys: (params) => ({
    air: zonedAirOf(params),
    speed: params.speed / 100,
    coolW: params.coolKw * 1000,
    heatW: params.heatKw * 1000,
    mostRiseK: params.mostRiseK,
    mostPa: params.mostPa,
    mostMs: params.mostMs,
  }),
  conflict: ({ fanFlowLow, fanFlow, fanFlowHigh, fanPaLow, fanPa, fanPaHigh }) =>
    !(fanPaLow < fanPa && fanPa < fanPaHigh)
      ? { param: 'fanPa', message: 'must lie between the lowest and the highest pressure of the fan’s table' }
      : !(fanFlowLow > fanFlow && fanFlow > fanFlowHigh)
        ? { param: 'fanFlow', message: 'must fall as the pressure rises: a fan gives less air against more' }
        : undefined,
  faults: [],
});
