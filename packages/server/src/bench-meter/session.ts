/** A simulated site with something hidden that is wrong, and the meter a person holds there. */
import type { Circuit } from '@zygostat/core/circuit';
import type { Complaint, Hypothesis, Noise, Observation, Site, Step } from '@zygostat/core/diagnose';
import {
  comesAndGoes,
  NO_NOISE,
  bothOf,
  complaintOf,
  hypothesesOf,
  remedyKey,
  seeded,
  singlesOf,
  siteWith,
} from '@zygostat/core/diagnose';
import type { Probes } from '@zygostat/core/network';

/** A meter and eyes as they are: 3 % + 0.2 V, one reading in a hundred plainly wrong. */
const METER = { share: 0.03, volts: 0.2, misread: 0.01 } as const;

/** Where the probes are, and what is called meanwhile. */
export interface Held {
  state: string;
  probes: Probes;
}

/** What the display shows: `null` with the probes in the air, `open` beyond the range, `misused` where it must not be used so. */
export type Shown = number | 'open' | 'misused' | null;

/** What a session remembers, to be gone on with. */
export interface Remembered {
  faults: readonly string[];
  seed: number;
  noisy: boolean;
  held: Held | null;
}

export interface Session {
  circuit: Circuit;
  remembers(): Remembered;
  /** What the customer says; `null` where nothing shows. */
  complaint: Complaint | null;
  hold(held: Held | null): void;
  shows(): Shown;
  observe(step: Step): Observation[];
  /** Puts something right; whether the circuit is sound now. */
  repair(remedy: string): boolean;
}

/** A fault that shows nothing is drawn anew, so many times. */
const MOST_DRAWN = 30;

/** Drawn by likelihood, among all that is a fault and lasts. */
function drawn(hypotheses: readonly Hypothesis[], random: () => number): Hypothesis {
  const faults = hypotheses.filter((one) => one.failure.type !== 'none' && !comesAndGoes(one));
  let left = random() * faults.reduce((sum, { weight }) => sum + weight, 0);
  return faults.find(({ weight }) => (left -= weight) < 0) ?? faults[0]!;
}

/**
 * @param given - ids of what is wrong; drawn by likelihood when left out.
 * @throws RangeError when there is no such fault.
 */
export function startSession(
  circuit: Circuit,
  {
    faults,
    seed,
    noisy,
    held: before = null,
  }: { faults?: readonly string[] } & Pick<Remembered, 'seed' | 'noisy'> & Partial<Pick<Remembered, 'held'>>,
): Session {
  const random = seeded(seed);
  const hypotheses = hypothesesOf(circuit);
  const noise: Noise = noisy ? { random, ...METER } : NO_NOISE;
  const find = (id: string) => {
    const found = hypotheses.find((one) => one.id === id);
    if (!found) throw new RangeError(`There is no fault "${id}" in this circuit.`);
    return found;
  };
  const siteOf = (wrong: readonly Hypothesis[]): Site => {
    const [one = hypotheses[0]!, other] = wrong;
    return siteWith(circuit, (other && bothOf(one, other, 1)) ?? one, noise);
  };
  const sound = siteOf([]);
  let wrong = faults ? faults.map(find) : [drawn(hypotheses, random)];
  let site = siteOf(wrong);
  let complaint = complaintOf(sound, site);
  for (let tries = 0; !faults && !complaint && tries < MOST_DRAWN; tries++) {
    wrong = [drawn(hypotheses, random)];
    site = siteOf(wrong);
    complaint = complaintOf(sound, site);
  }
  let held = before;
  return {
    circuit,
    remembers: () => ({ faults: wrong.map(({ id }) => id), seed, noisy, held }),
    complaint,
    hold: (now) => (held = now),
    shows: () => (held ? (site.read(held.probes, held.state) ?? 'misused') : null),
    observe: (step) => site.observe(step),
    repair(remedy) {
      wrong = wrong.filter((one) => singlesOf(one).every((single) => remedyKey(single.remedy) !== remedy));
      site = siteOf(wrong);
      return wrong.length === 0;
    },
  };
}
