/** Where a loop is shorted or broken, from ohms read with it lifted off the panel. */
import type { Inputs } from '../behaviour';
import type { Cable, Circuit, Conductor } from '../circuit';
import { endNode } from '../circuit';
import type { Installed, OperatingPoint } from '../network';
import { compile, measure } from '../network';
import { isolatedPoint, loopOf, loopsIn } from './loop';

/** What a hand-held meter's ohms are good for: a share of the reading and its last digits, Ω. From memory. */
const METER_SHARE = 0.01;
const METER_OHMS = 0.1;

const spread = (ohms: number) => ohms * METER_SHARE + METER_OHMS;

/** A stretch of a cable in which a short gives what was read, metres from the end that is nearer to the panel. */
export interface ShortedStretch {
  cable: string;
  /** The two conductors that touch. */
  conductors: readonly [string, string];
  /** Which end of them the metres count from: a terminal, or a free end. */
  from: string;
  nearM: number;
  farM: number;
}

const panelIn = (circuit: Circuit, panel: string): Installed =>
  loopsIn(compile(circuit)).find(({ device }) => device.id === panel)!;

/** Ohms that a meter finds from one terminal to another of what is dead. */
function ohmsAt(point: OperatingPoint, [red, black]: readonly [string, string]): number {
  const reading = measure(point, { mode: 'ohms', red, black, meter: 'high-z' });
  return reading.ok ? reading.value : Infinity;
}

/** Pairs of the loop's conductors that lie in one jacket. */
const pairsIn = (cable: Cable, on: ReadonlySet<string>): [Conductor, Conductor][] => {
  const own = cable.conductors.filter(({ id }) => on.has(id));
  return own.flatMap((one, i) => own.slice(i + 1).map((other): [Conductor, Conductor] => [one, other]));
};

/**
 * Where two conductors of a loop touch, for the ohms read between them at the panel with the loop lifted off it. The ohms of
 * the wire up to there, both ways, are the length: handbook resistance of the gauge at 20 °C.
 *
 * @param ohms - as read.
 */
export function locateShort(circuit: Circuit, inputs: Inputs, panel: string, ohms: number): ShortedStretch[] {
  const installed = panelIn(circuit, panel);
  const ends = installed.kind.supervises!.ends.map((mark) => `${panel}.${mark}`) as [string, string];
  const on = new Set(loopOf(circuit, inputs, panel).conductors);
  const shortedAt = (one: string, other: string) =>
    ohmsAt(isolatedPoint(circuit, inputs, installed, [], [{ red: one, black: other, ohms: 1e-3 }]), ends);
  return circuit.cables.flatMap((cable) =>
    pairsIn(cable, on).flatMap(([one, other]): ShortedStretch[] => {
      const sides = (['from', 'to'] as const).map((end) => ({
        at: endNode(one, end),
        ohms: shortedAt(endNode(one, end), endNode(other, end)),
      }));
      const [near, far] = sides.sort((a, b) => a.ohms - b.ohms) as [
        (typeof sides)[number],
        (typeof sides)[number],
      ];
      const metres = (read: number) => ((read - near.ohms) / (far.ohms - near.ohms)) * cable.lengthM;
      const [least, most] = [metres(ohms - spread(ohms)), metres(ohms + spread(ohms))];
      if (!(far.ohms > near.ohms) || most < 0 || least > cable.lengthM) return [];
      return [
        {
          cable: cable.id,
          conductors: [one.id, other.id],
          from: near.at,
          nearM: Math.max(0, least),
          farM: Math.min(cable.lengthM, most),
        },
      ];
    }),
  );
}

/** Ohms across a device of the loop, with the loop lifted off the panel. */
export interface DeviceOhms {
  device: string;
  ohms: number;
}

export interface BreakPlaces {
  /** Conductors one of which is open. */
  conductors: readonly string[];
  /** The device to read at next, where that tells more; `null` when nothing does. */
  next: string | null;
}

const agrees = (expected: number, read: number) =>
  Number.isFinite(expected) === Number.isFinite(read) &&
  (!Number.isFinite(read) || Math.abs(expected - read) <= spread(Math.max(expected, read)));

/**
 * Which conductor of a loop is open, from ohms across its devices with the loop lifted off the panel: beyond the break the
 * resistor is seen, before it nothing. Nothing else is taken to be wrong.
 */
export function locateBreak(
  circuit: Circuit,
  inputs: Inputs,
  panel: string,
  readings: readonly DeviceOhms[],
): BreakPlaces {
  const installed = panelIn(circuit, panel);
  const { points, conductors } = loopOf(circuit, inputs, panel);
  const expected = conductors.map((conductor) => {
    const point = isolatedPoint(circuit, inputs, installed, [{ target: conductor, mode: 'open' }]);
    return new Map(points.map(({ device, pair }) => [device, finite(ohmsAt(point, pair))] as const));
  });
  const fits = conductors.flatMap((conductor, i) =>
    readings.every(({ device, ohms }) => agrees(expected[i]!.get(device) ?? NaN, finite(ohms)))
      ? [{ conductor, at: expected[i]! }]
      : [],
  );
  const read = new Set(readings.map(({ device }) => device));
  const splits = points
    .filter(({ device }) => !read.has(device))
    .map(({ device }) => {
      const open = fits.filter(({ at }) => !Number.isFinite(at.get(device)!)).length;
      return { device, worst: Math.max(open, fits.length - open) };
    })
    .sort((one, other) => one.worst - other.worst);
  const best = splits[0];
  return {
    conductors: fits.map(({ conductor }) => conductor),
    next: best && best.worst < fits.length ? best.device : null,
  };
}

/** What a meter calls an open loop. */
const finite = (ohms: number) => (ohms > 1e6 ? Infinity : ohms);
