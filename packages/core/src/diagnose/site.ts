/** A place with something wrong that answers whoever asks: for practice, for tests, and to measure how good advice is. */
import type { Circuit } from '../circuit';
import { kindOf } from '../devices';
import type { Probes } from '../network';
import type { Prediction } from './dictionary';
import { makeDictionary } from './dictionary';
import type { Hypothesis } from './hypotheses';
import { foundAs, testedModes } from './hypotheses';
import type { Step } from './next/candidates';
import type { Observation } from './observation';
import { badParts, badWires, isCuredBySwap, shownAt } from './observation';
import { seenRunning } from './seen';
import { callStates } from './states';

/** How readings go wrong; without it they are what they should be. */
export interface Noise {
  /** Uniform in [0, 1). */
  random(): number;
  /** Spread of a reading, share and V; and how often it is plainly wrong. */
  share: number;
  volts: number;
  misread: number;
}

/** The mulberry32 generator, from memory: the same faults and the same noise for the same seed. */
export function seeded(seed: number): () => number {
  let now = seed;
  return () => {
    now = (now + 0x6d2b79f5) | 0;
    let mixed = Math.imul(now ^ (now >>> 15), 1 | now);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

export const NO_NOISE: Noise = { random: () => 0.5, share: 0, volts: 0, misread: 0 };

export interface Site {
  circuit: Circuit;
  /** What may be called there. */
  states: readonly string[];
  /** How it stands in a state. */
  stands(state: string): Prediction;
  /** What a meter shows; `null` where it must not be used like that. */
  read(probes: Probes, state: string): number | 'open' | null;
  /** What is observed when a step is done. */
  observe(step: Step): Observation[];
}

/** Plainly wrong figures fall anywhere up to this. */
const ANYWHERE = 150;

/** @param unit - the meter's floor, in its figure's units, against that of volts. */
function noisy(figure: number, { random, share, volts, misread }: Noise, unit = 1): number {
  if (random() < misread) return ANYWHERE * random();
  // A normal deviate by Box and Muller.
  const deviate = Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  return Math.max(0, figure + deviate * Math.hypot(share * figure, volts * unit));
}

/** Amperes are told to a quarter of what volts are. */
const AMPS_UNIT = 0.25;

/**
 * A circuit with something wrong that nobody is told of.
 *
 * @param truth - what is wrong with it, alone or two at once.
 */
export function siteWith(circuit: Circuit, truth: Hypothesis, noise: Noise = NO_NOISE): Site {
  const states = callStates(circuit);
  const dictionary = makeDictionary(circuit, [truth], states);
  let opened: readonly string[] = [];
  let last: { state: string; stands: Prediction } | null = null;
  // What has blown in one call is blown in the next.
  const stands = (state: string) => {
    if (last?.state !== state) last = { state, stands: dictionary.predict(0, state, opened) };
    ({ opened } = last.stands);
    return last.stands;
  };
  const testOf = (device: string) =>
    found(badParts(truth, device)) ??
    (opened.includes(device) ? (testedModes(circuit, device)[0] ?? null) : null);
  const read = (probes: Probes, state: string) => {
    const reading = stands(state).read(probes);
    if (!reading.ok) return null;
    if (reading.value === Infinity) return 'open' as const;
    return noisy(reading.value, noise, probes.mode === 'amps' ? AMPS_UNIT : 1);
  };
  const found = ([first]: readonly Hypothesis[]) => (first ? foundAs(first) : null);
  return {
    circuit,
    states: states.map(({ id }) => id),
    stands,
    read,
    observe(step) {
      switch (step.type) {
        case 'reading': {
          const { state, mode, red, black } = step;
          const probes = { mode, red, black, meter: 'high-z' } as const;
          const value = read(probes, state);
          return value === null ? [] : [{ type: 'reading', state, probes, value }];
        }
        case 'clamp': {
          const { state, conductor } = step;
          const amps = noisy(stands(state).clamp(conductor), noise, AMPS_UNIT);
          return [{ type: 'clamp', state, conductor, amps }];
        }
        case 'face': {
          const { state, device } = step;
          return [{ type: 'face', state, device, text: stands(state).faces.get(device) ?? '' }];
        }
        case 'call':
        case 'jumper':
          return seenRunning(circuit, step.state, stands(step.state));
        case 'look':
          return [{ type: 'look', device: step.device, found: found(shownAt(truth, circuit, step.device)) }];
        case 'test':
          return [{ type: 'test', device: step.device, found: testOf(step.device) }];
        case 'swap':
          return [{ type: 'swapped', device: step.device, helped: isCuredBySwap(truth, step.device) }];
        case 'wires':
          return [{ type: 'wires', cable: step.cable.id, found: found(badWires(truth, step.cable)) }];
      }
    },
  };
}

/** What a customer says: the call that goes wrong, and what is seen of it. */
export interface Complaint {
  state: string;
  seen: readonly Observation[];
}

/** What is seen of a call: what runs, what comes out, what the thermostats show. */
function toldOf({ circuit, stands }: Site, state: string): Observation[] {
  const seen = stands(state);
  return [
    ...seenRunning(circuit, state, seen),
    ...circuit.devices.flatMap(({ id, kind }): Observation[] =>
      kindOf(kind).asks ? [{ type: 'face', state, device: id, text: seen.faces.get(id) ?? '' }] : [],
    ),
  ];
}

/** What a customer complains of: the first call that does not do as in the sound circuit; `null` when none shows anything. */
export function complaintOf(sound: Site, site: Site): Complaint | null {
  for (const state of [...site.states].reverse()) {
    const seen = toldOf(site, state);
    if (JSON.stringify(seen) !== JSON.stringify(toldOf(sound, state))) return { state, seen };
  }
  return null;
}
