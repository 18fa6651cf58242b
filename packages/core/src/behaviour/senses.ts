/** What devices feel of a point that is being looked at, and what they hear of one another. */
import type { Channel, Senses, Signal, State } from '../devices';
import type { Network, OperatingPoint } from '../network';
import { ampsThrough, directOf, voltsOf } from '../network';
import type { Actor } from './actors';

/** Something a device answered to: volts between two nodes (−1 is earth), or amperes through a branch. */
export type Felt =
  | { quantity: 'volts' | 'direct-volts'; red: number; black: number; value: number }
  | { quantity: 'amps' | 'direct-amps'; branch: number; value: number };

/** A device that feels no more of a change than this is not asked anew, V and A: below what any of them could tell. */
const FELT_VOLTS = 0.02;
const FELT_AMPS = 2e-4;

/** Direct volts of one node against another, with their sign. */
const signedVolts = (point: OperatingPoint, red: number, black: number): number => {
  const { re } = directOf(point);
  return (red < 0 ? 0 : re[red]!) - (black < 0 ? 0 : re[black]!);
};

function isFelt(felt: Felt, point: OperatingPoint): boolean {
  switch (felt.quantity) {
    case 'volts':
      return Math.abs(voltsOf(point, felt.red, felt.black) - felt.value) > FELT_VOLTS;
    case 'direct-volts':
      return Math.abs(signedVolts(point, felt.red, felt.black) - felt.value) > FELT_VOLTS;
    case 'amps':
      return Math.abs(ampsThrough(point, felt.branch) - felt.value) > FELT_AMPS;
    case 'direct-amps':
      return Math.abs(ampsThrough(directOf(point), felt.branch) - felt.value) > FELT_AMPS;
  }
}

/** Whether something of what a device answered to is otherwise at a point. */
export function isAnyFelt(felt: readonly Felt[], point: OperatingPoint): boolean {
  for (const one of felt) if (isFelt(one, point)) return true;
  return false;
}

const NOTHING: readonly Signal[] = [];

/** Something a device listened to, and what it heard. */
export type Heard = readonly [Channel, readonly Signal[]];

const isSameSignal = (one: Signal, other: Signal) =>
  one === other ||
  (one.amount === other.amount &&
    one.stands === other.stands &&
    ![one, other].some(({ reaches, withBypass }) => reaches ?? withBypass));

/** Whether all that was listened to sounds as it did. */
export const soundsAlike = (heard: readonly Heard[], hears: Senses['hears']): boolean =>
  heard.every(([channel, before]) => {
    const now = hears(channel);
    return now.length === before.length && now.every((signal, i) => isSameSignal(signal, before[i]!));
  });

/** What a device gives on the channels. */
export type Given = Readonly<Partial<Record<Channel, Signal>>>;

const SILENT: Given = {};

export const givenBy = ({ installed: { kind }, moment }: Actor, state: State, now: number): Given =>
  kind.gives ? kind.gives(state, Object.assign(moment, { now })) : SILENT;

/** What devices hear of all that is given: put together once, and not before somebody listens. */
export function hearing(given: () => readonly Given[]): Senses['hears'] {
  let all: Map<string, Signal[]> | null = null;
  const collect = () => {
    const signals = new Map<string, Signal[]>();
    for (const one of given())
      for (const [channel, signal] of Object.entries(one)) {
        const known = signals.get(channel);
        if (known) known.push(signal);
        else signals.set(channel, [signal]);
      }
    return signals;
  };
  return (channel) => (all ??= collect()).get(channel) ?? NOTHING;
}

/** What a device feels of whichever point is being looked at, noted where wanted. */
export function sensesOf(
  { installed, id, nodes }: Actor,
  network: Network,
  looked: () => OperatingPoint,
  hears: Senses['hears'],
  note?: (felt: Felt) => void,
): Senses {
  const nodeOf = (local: string) => {
    const known = nodes.get(local);
    if (known !== undefined) return known;
    const node = network.indexOf(local.startsWith('#') ? `${id}${local}` : `${id}.${local}`);
    nodes.set(local, node);
    return node;
  };
  return {
    volts: (a, b) => {
      const [red, black] = [nodeOf(a), nodeOf(b)];
      const value = voltsOf(looked(), red, black);
      note?.({ quantity: 'volts', red, black, value });
      return value;
    },
    amps: (element) => {
      const branch = installed.branches.get(element)!;
      const value = ampsThrough(looked(), branch);
      note?.({ quantity: 'amps', branch, value });
      return value;
    },
    directVolts: (a, b) => {
      const [red, black] = [nodeOf(a), nodeOf(b)];
      const value = signedVolts(looked(), red, black);
      note?.({ quantity: 'direct-volts', red, black, value });
      return value;
    },
    directAmps: (element) => {
      const branch = installed.branches.get(element)!;
      const value = ampsThrough(directOf(looked()), branch);
      note?.({ quantity: 'direct-amps', branch, value });
      return value;
    },
    hears,
  };
}
