/** What a tripped safety does: run in every call, with water where there is any, and cleared again. */
import { advance, energisedLoads, holding, spiltIn } from '../../behaviour';
import type { Watch } from '../../behaviour';
import type { Circuit } from '../../circuit';
import { designationsOf } from '../../circuit';
import type { Value } from '../../devices';
import { kindOf } from '../../devices';
import { voltsBetween } from '../../network';
import type { Asked, Situation, Supplied, Trip } from '../../prove';
import { CLEARED_AFTER_S, asksOf, runCase, runsAgain } from '../../prove';

/** What a trip does to one call. */
export interface Tripped {
  situation: Situation;
  stops: readonly string[];
  goesOn: readonly string[];
  /** A screen goes blank or a sounder sounds, and so tells. */
  told: boolean;
  /** A safety with a supply of its own keeps it, and its lamp; `null` without one. */
  keepsSupply: boolean | null;
  /** Until all runs again once what tripped it is over, s; `null` where it does not by itself. */
  againS: number | null;
  /** It stops a compressor, which would start again without having rested. */
  restless: boolean;
}

/** Water in one call with the drain blocked. */
export interface Flooded {
  situation: Situation;
  /** The drain, or the pump's line, that is blocked meanwhile. */
  blocked: string;
  /** What has run over by the end, l. */
  litres: number;
}

/** Calls looked at when a safety trips, and those that go on for days while a drain is blocked. */
const CALLS: readonly string[] = ['cool', 'heat', 'fan'];
const WET_CALLS: readonly string[] = ['cool-far', 'heat-far'];
/** How long nobody looks, and how long a float is watched while it hovers, s. */
export const UNSEEN_S = 48 * 3600;
const HOVERS_S = 24 * 3600;
/** A compressor that starts sooner has not rested, s. Common practice: three minutes at least, five mostly. */
const RESTED_S = 180;
/** Less supply than this lights no lamp, V. */
const LIT_VOLTS = 18;

const isTelling = (
  { network }: Supplied,
  states: Readonly<Record<string, Record<string, Value | boolean | null>>>,
) =>
  network.devices.some(({ kind, device: { id } }) =>
    kind.asks ? states[id]!.powered !== true : kind.tells?.(states[id]!),
  );

/** Volts a device lives on, or `null` where it needs none. */
function ownSupply({ devices }: Circuit, id: string): [string, string] | null {
  const device = devices.find((one) => one.id === id)!;
  const marks = designationsOf(device);
  const [hot, common] = (['hot', 'common'] as const).map(
    (role) => marks.find((one) => one.role === role)?.mark,
  );
  return hot && common ? [`${id}.${hot}`, `${id}.${common}`] : null;
}

/** What stops and what goes on when a device trips, for every call. */
export function whatTripDoes(circuit: Circuit, trip: Trip, supplied: Supplied): Tripped[] {
  const { network } = supplied;
  const own = ownSupply(circuit, trip.device);
  const run = (asked: Asked, tripped: Trip | null) => {
    const { steady, look } = runCase(supplied, { asked, trip: tripped, mains: 1 });
    const on = look.loads.filter(({ energised }) => energised);
    const compressors = new Set(
      energisedLoads(network, steady).flatMap(({ device, load }) =>
        load.nature === 'compressor' ? [`${device}/${load.id}`] : [],
      ),
    );
    return { on: new Set(on.map(({ title }) => title)), steady, compressors };
  };
  return asksOf(circuit)
    .filter(({ id }) => CALLS.includes(id))
    .flatMap((asked): Tripped[] => {
      const [before, after] = [run(asked, null), run(asked, trip)];
      if (before.on.size === 0) return [];
      const all = [...before.on];
      const running = energisedLoads(network, before.steady);
      const againS = runsAgain(supplied, asked, trip, running.length);
      const compressor = running.some(
        ({ device, load }) => load.nature === 'compressor' && !after.compressors.has(`${device}/${load.id}`),
      );
      return [
        {
          situation: asked.situation,
          stops: all.filter((title) => !after.on.has(title)),
          goesOn: all.filter((title) => after.on.has(title)),
          told: isTelling(supplied, after.steady.world.states),
          keepsSupply: own && voltsBetween(after.steady.point, ...own) >= LIT_VOLTS,
          againS,
          restless: compressor && againS !== null && againS + CLEARED_AFTER_S < RESTED_S,
        },
      ];
    });
}

/** What can be blocked, each by itself. */
const drainsOf = ({ devices }: Circuit) =>
  devices.flatMap(({ id, kind }) => {
    const { drains } = kindOf(kind);
    return drains ? [{ id, drains }] : [];
  });

const wetAsks = (circuit: Circuit) => asksOf(circuit).filter(({ id }) => WET_CALLS.includes(id));

/** What runs over while every call goes on unseen with one drain or another blocked. */
export function floodedIn(circuit: Circuit, { network, solver, rest }: Supplied): Flooded[] {
  return drainsOf(circuit).flatMap(({ id, drains }) =>
    wetAsks(circuit).map(({ situation, inputs }): Flooded => {
      const held = holding(inputs, { [id]: { [drains.control]: drains.blocked } });
      const { world } = advance(network, held, rest.world, UNSEEN_S, solver);
      return { situation, blocked: id, litres: spiltIn(network, held, world) };
    }),
  );
}

/** How often in a day a safety opens in cooling while the drain is nearly blocked. */
export function opensInADay(circuit: Circuit, device: string, { network, solver, rest }: Supplied): number {
  const installed = network.devices.find((one) => one.device.id === device)!;
  const branch = installed.branches.get(installed.kind.interrupts[0]!)!;
  const open = network.branches[branch]!.positions.indexOf('open');
  let [opens, was] = [0, false];
  const watch: Watch = {
    passes({ choice }) {
      const is = choice[branch] === open;
      if (is && !was) opens++;
      was = is;
    },
  };
  const cooling = wetAsks(circuit).find(({ calls }) => calls.includes('cool'));
  for (const { id, drains } of drainsOf(circuit)) {
    if (!cooling || drains.slow === undefined) continue;
    const held = holding(cooling.inputs, { [id]: { [drains.control]: drains.slow } });
    advance(network, held, rest.world, HOVERS_S, solver, watch);
  }
  return opens;
}
