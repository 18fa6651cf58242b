/** Conductors landed elsewhere than they belong. */
import type { Circuit } from '../../circuit';
import { exchange, findDevice, land, lift } from '../../circuit';
import type { LandedAt, Random } from './pick';
import { blocksOf, controlTerminals, deviceOf, pickOf, stationOf } from './pick';
import type { Kind, Move, Truth } from './truth';
import { truth } from './truth';

const told = ({ conductor, end, on }: Move) => `${conductor} ${end} on ${on ?? 'nothing'}`;

/** What is landed otherwise at devices; who compares a block with the record sees it. */
function displaced(kind: Kind, circuit: Circuit, moves: readonly Move[], devices: readonly string[]): Truth {
  return truth({
    kind,
    text: moves.map(told).join(', '),
    circuit,
    found: devices.map((at) => ({ by: 'look', at, as: [], moves })),
    mends: [
      ...moves.map(({ conductor, end }) => ({ type: 'land', conductor, end })),
      ...devices.map((device) => ({ type: 'compare', device })),
    ],
  });
}

/** So many different ends of one block, each on a terminal of its own. */
function someOf(circuit: Circuit, random: Random, count: number): LandedAt[] | null {
  const blocks = [...blocksOf(circuit).values()].filter(
    (ends) => new Set(ends.map(({ terminal }) => terminal)).size >= count,
  );
  const ends = pickOf(random, blocks);
  if (!ends) return null;
  const chosen: LandedAt[] = [];
  for (let tries = 0; tries < 40 && chosen.length < count; tries++) {
    const next = pickOf(random, ends)!;
    const isOther = chosen.every(
      ({ conductor, terminal }) => conductor !== next.conductor && terminal !== next.terminal,
    );
    if (isOther) chosen.push(next);
  }
  return chosen.length === count ? chosen : null;
}

/** A landing cannot be where the conductor's other end is. */
function movedAll(circuit: Circuit, moves: readonly Move[]): Circuit | null {
  try {
    const off = moves.reduce((now, { conductor, end }) => lift(now, conductor, end), circuit);
    return moves.reduce((now, { conductor, end, on }) => (on ? land(now, conductor, end, on) : now), off);
  } catch {
    return null;
  }
}

export function exchanged(circuit: Circuit, random: Random): Truth | null {
  const [one, other] = someOf(circuit, random, 2) ?? [];
  if (!one || !other) return null;
  const moves = [
    { conductor: one.conductor, end: one.end, on: other.terminal },
    { conductor: other.conductor, end: other.end, on: one.terminal },
  ];
  const there = exchange(circuit, [one.conductor, one.end], [other.conductor, other.end]);
  return displaced('exchanged at a block', there, moves, [deviceOf(one.terminal)]);
}

export function rotated(circuit: Circuit, random: Random): Truth | null {
  const three = someOf(circuit, random, 3);
  if (!three) return null;
  const moves = three.map(({ conductor, end }, i) => ({ conductor, end, on: three[(i + 1) % 3]!.terminal }));
  const there = movedAll(circuit, moves);
  return there && displaced('three rotated', there, moves, [deviceOf(three[0]!.terminal)]);
}

export function moved(circuit: Circuit, random: Random): Truth | null {
  const [one] = someOf(circuit, random, 1) ?? [];
  if (!one) return null;
  const device = findDevice(circuit, deviceOf(one.terminal))!;
  const on = pickOf(
    random,
    controlTerminals(circuit, device).filter((mark) => mark !== one.terminal),
  );
  const moves = [{ conductor: one.conductor, end: one.end, on: on ?? null }];
  const there = on === undefined ? null : movedAll(circuit, moves);
  return there && displaced('moved on its block', there, moves, [device.id]);
}

/** Landed on a terminal of another device at the same place. */
export function otherBlock(circuit: Circuit, random: Random): Truth | null {
  const [one] = someOf(circuit, random, 1) ?? [];
  if (!one) return null;
  const here = deviceOf(one.terminal);
  const station = stationOf(circuit, one.terminal);
  const terminals = circuit.devices
    .filter((device) => device.station === station && device.id !== here)
    .flatMap((device) => controlTerminals(circuit, device));
  const on = pickOf(random, terminals);
  if (on === undefined) return null;
  const moves = [{ conductor: one.conductor, end: one.end, on }];
  const there = movedAll(circuit, moves);
  return there && displaced('on another block', there, moves, [here, deviceOf(on)]);
}

/** Two wires that had one terminal are both out of it. */
export function outOfNut(circuit: Circuit, random: Random): Truth | null {
  const ends = [...blocksOf(circuit).values()].flat();
  const shared = ends.filter((one) => ends.some((two) => two !== one && two.terminal === one.terminal));
  const one = pickOf(random, shared);
  const other = one && shared.find((two) => two !== one && two.terminal === one.terminal);
  if (!one || !other) return null;
  const moves = [one, other].map(({ conductor, end }) => ({ conductor, end, on: null }));
  const there = movedAll(circuit, moves);
  return there && displaced('two wires of one nut', there, moves, [deviceOf(one.terminal)]);
}
