/**
 * Ducts corrected by what was measured: every resistance gets a factor, and those are found that fit the figures best while
 * staying as near to 1 as the figures let them (least squares with a prior, by Gauss and Newton).
 */
import { solveDense } from './network';
import type { AirStanding, ZonedAir, ZonedFlow } from './zoned';
import { flowAt } from './zoned';

/** Figures taken with dampers and bypass as they stood. What was not measured is left out. */
export interface AirMeasured {
  at: AirStanding;
  supplyPa?: number;
  returnPa?: number;
  /** By zone, m³/s, of a flow hood. */
  flows?: Readonly<Record<string, number>>;
}

export interface AirFit {
  air: ZonedAir;
  /** Factor of the return, and of each zone's duct with its grille. */
  back: number;
  zones: Readonly<Record<string, number>>;
  /** How far the model is from the figures, before and after, in parts of what a meter and a hood are good for. */
  before: number;
  after: number;
}

/** What a manometer and a hood are good for: pascals, and a share; from memory. */
const METER_PA = 3;
const HOOD_SHARE = 0.05;
/** How far a resistance may well be from what was taken, as a logarithm: half as much again, or two thirds. */
const DOUBT = 0.4;
const ROUNDS = 25;
const STEP = 1e-4;

const scaled = (air: ZonedAir, logs: readonly number[]): ZonedAir => ({
  ...air,
  back: { ...air.back, pa: air.back.pa * Math.exp(logs[0]!) },
  zones: air.zones.map((zone, i) => ({ ...zone, times: (zone.times ?? 1) * Math.exp(logs[i + 1]!) })),
});

/** What does not fit, in parts of what the instrument is good for. */
function misses(flow: ZonedFlow, { supplyPa, returnPa, flows = {} }: AirMeasured): number[] {
  return [
    ...(supplyPa === undefined ? [] : [(flow.supplyPa - supplyPa) / METER_PA]),
    ...(returnPa === undefined ? [] : [(flow.returnPa - returnPa) / METER_PA]),
    ...Object.entries(flows).map(
      ([zone, measured]) => (flow.zones[zone]! - measured) / (HOOD_SHARE * measured),
    ),
  ];
}

const sizeOf = (list: readonly number[]) =>
  list.length === 0 ? 0 : Math.sqrt(list.reduce((sum, one) => sum + one ** 2, 0) / list.length);

/** Solves (JᵀJ + P) x = −(Jᵀr + P l) for a few unknowns; the prior keeps it from being singular. */
function normal(
  jacobian: readonly number[][],
  missed: readonly number[],
  logs: readonly number[],
): Float64Array {
  const prior = 1 / DOUBT ** 2;
  const matrix = logs.map((_, i) =>
    Float64Array.from(
      logs,
      (_one, j) => jacobian.reduce((sum, row) => sum + row[i]! * row[j]!, 0) + (i === j ? prior : 0),
    ),
  );
  const right = Float64Array.from(
    logs,
    (log, i) => -(jacobian.reduce((sum, row, k) => sum + row[i]! * missed[k]!, 0) + prior * log),
  );
  return solveDense(matrix, right)!;
}

/**
 * Fits the resistances of a zoned system to what was measured.
 *
 * @throws RangeError when nothing was measured, or a flow is not above 0, or a zone is none of the system's.
 */
export function fitAir(air: ZonedAir, measured: readonly AirMeasured[]): AirFit {
  const known = new Set(air.zones.map(({ id }) => id));
  for (const { flows = {} } of measured)
    for (const [zone, flow] of Object.entries(flows)) {
      if (!known.has(zone)) throw new RangeError(`there is no zone ${zone}`);
      if (!(flow > 0)) throw new RangeError(`the flow measured in zone ${zone} must be above 0`);
    }
  const missesAt = (logs: readonly number[]) =>
    measured.flatMap((one) => misses(flowAt(scaled(air, logs), one.at), one));
  let logs = [0, ...air.zones.map(() => 0)];
  let missed = missesAt(logs);
  if (missed.length === 0) throw new RangeError('nothing was measured: give a pressure or a flow');
  const before = sizeOf(missed);
  const cost = (miss: readonly number[], of: readonly number[]) =>
    miss.reduce((sum, one) => sum + one ** 2, 0) + of.reduce((sum, one) => sum + (one / DOUBT) ** 2, 0);
  for (let round = 0; round < ROUNDS; round++) {
    const columns = logs.map((_, i) => {
      const moved = missesAt(logs.map((one, k) => (k === i ? one + STEP : one)));
      return moved.map((one, k) => (one - missed[k]!) / STEP);
    });
    const jacobian = missed.map((_, k) => columns.map((column) => column[k]!));
    const change = normal(jacobian, missed, logs);
    let share = 1;
    const was = cost(missed, logs);
    for (; share > 1e-3; share /= 2) {
      const tried = logs.map((one, i) => one + share * change[i]!);
      const then = missesAt(tried);
      if (cost(then, tried) <= was) {
        logs = tried;
        missed = then;
        break;
      }
    }
    if (share <= 1e-3 || Math.max(...change.map(Math.abs)) < 1e-6) break;
  }
  return {
    air: scaled(air, logs),
    back: Math.exp(logs[0]!),
    zones: Object.fromEntries(air.zones.map(({ id }, i) => [id, Math.exp(logs[i + 1]!)])),
    before,
    after: sizeOf(missed),
  };
}
