/** What to do next: the most expected information about what is to be done, for its minutes. */
import type { Costs, Whereabouts } from '../costs';
import { COSTS, reachMinutes, stateMinutes, walkMinutes } from '../costs';
import type { Dictionary } from '../dictionary';
import type { Hypothesis } from '../hypotheses';
import { isListed } from '../hypotheses';
import { MISSED } from '../likelihood';
import type { Check } from '../confirm';
import { isSupplied } from '../confirm';
import type { Ranking } from '../rank';
import { checkFor } from '../rank';
import { triedIn } from '../states';
import type { Answer } from './answers';
import { answersTo, eachAnswer } from './answers';
import type { Step } from './candidates';
import { candidatesOf } from './candidates';

export interface Advice {
  step: Step;
  answers: readonly (Answer & { share: number })[];
  /** Expected, bits about the remedy. */
  gain: number;
  minutes: number;
}

/** Hypotheses less likely than this are not asked about. */
const LEAST_SHARE = 2e-4;
const LEAST_GAIN = 0.02;

/** Sums up the shares of one answer by what is to be done about them, and tells how undecided that leaves it. */
class Heap {
  private readonly masses: Float64Array;
  private readonly touched: number[] = [];

  constructor(groups: number) {
    this.masses = new Float64Array(groups);
  }

  add(group: number, share: number): void {
    if (this.masses[group] === 0) this.touched.push(group);
    this.masses[group]! += share;
  }

  /** Tells the sum and its bits, and begins anew. */
  close(tell: (mass: number, bits: number) => void): void {
    let total = 0;
    for (const group of this.touched) total += this.masses[group]!;
    let bits = 0;
    for (const group of this.touched) {
      const share = this.masses[group]! / total;
      bits -= share * Math.log2(share);
      this.masses[group] = 0;
    }
    this.touched.length = 0;
    tell(total, bits);
  }
}

/** Minutes of a step from where a person is. */
function minutesOf(
  { circuit }: Pick<Dictionary, 'circuit'>,
  costs: Costs,
  at: Whereabouts,
  step: Step,
): number {
  const call = 'state' in step ? triedIn(step.state)!.call : null;
  const set = call === null ? 0 : stateMinutes(circuit, costs, at, call);
  const reach = () => reachMinutes(circuit, costs, at, step.station);
  const off = at.dark ? 0 : costs.powerOff;
  switch (step.type) {
    case 'reading':
      return step.mode === 'ohms'
        ? reach() + off + costs.reading
        : set + reach() + costs.reading + (step.line ? costs.line : 0);
    case 'clamp':
      return set + reach() + costs.reading + (step.line ? costs.line : 0);
    case 'jumper':
      return set + reach() + costs.jumper;
    case 'look':
      return reach() + costs.look + (step.line ? off : 0);
    case 'test':
      return reach() + off + costs.test;
    case 'swap':
      return reach() + off + costs.swap;
    case 'face':
      return set + walkMinutes(circuit, at.station, step.station) + costs.look;
    case 'wires': {
      const there = { ...at, station: step.station };
      const far = step.other === step.station ? 0 : reachMinutes(circuit, costs, there, step.other);
      return reach() + far + off + costs.wire * step.cable.conductors.length;
    }
    case 'call':
      return set + costs.look;
  }
}

/** The hypotheses a step can tell of: those left of them, the sum of their shares, and how undecided they are. */
interface Asked {
  alive: Int32Array;
  total: number;
  bits: number;
}

/** What may be asked about what is left. */
interface Adviser {
  /** Expected of a step, bits about what is to be done, and its minutes. */
  weigh(step: Step): { gain: number; minutes: number };
  /** The same with its answers, the likeliest first. */
  advise(step: Step): Advice;
}

/** Tells of a step what its answers would be, and how much they would tell about what is to be done. */
export function adviser(
  dictionary: Dictionary,
  { shares, groups }: Ranking,
  at: Whereabouts,
  costs: Costs = COSTS,
  minutes = (step: Step): number => minutesOf(dictionary, costs, at, step),
): Adviser {
  const groupOf = new Int32Array(shares.length);
  groups.forEach(({ members }, group) => members.forEach((member) => (groupOf[member] = group)));
  const heap = new Heap(groups.length);
  const askedAbout = (isAsked: (hypothesis: Hypothesis) => boolean): Asked => {
    const alive = Int32Array.from(shares.keys()).filter(
      (i) => shares[i]! >= LEAST_SHARE && isAsked(dictionary.hypotheses[i]!),
    );
    for (const member of alive) heap.add(groupOf[member]!, shares[member]!);
    const asked = { alive, total: 0, bits: 0 };
    heap.close((total, bits) => Object.assign(asked, { total, bits }));
    return asked;
  };
  const all = askedAbout(() => true);
  const listed = askedAbout(isListed);
  // Nobody knows what anything would read where what is wrong is not listed: only a look tells.
  const askedBy = (step: Step) => (step.type === 'look' ? all : listed);
  const gainOf = (step: Step) => {
    const { alive, total, bits: before } = askedBy(step);
    if (total === 0) return 0;
    let after = 0;
    const close = () => heap.close((mass, bits) => (after += (mass / total) * bits));
    eachAnswer(dictionary, step, alive, (i) => heap.add(groupOf[i]!, shares[i]!), close);
    return (1 - MISSED) * (total / all.total) * (before - after);
  };
  const weigh = (step: Step) => ({ gain: gainOf(step), minutes: minutes(step) });
  const shareOf = (members: readonly number[], { total }: Asked) =>
    members.reduce((sum, member) => sum + shares[member]!, 0) / total;
  return {
    weigh,
    advise: (step) => ({
      step,
      answers: answersTo(dictionary, step, askedBy(step).alive)
        .map((answer) => ({ ...answer, share: shareOf(answer.members, askedBy(step)) }))
        .sort((one, other) => other.share - one.share),
      ...weigh(step),
    }),
  };
}

export interface Wanted {
  costs?: Costs;
  most?: number;
  /** Calls that may be asked for, by id; all there are when left out. */
  states?: readonly string[];
  allowed?: (step: Step) => boolean;
  /** Of a step, where they are not what they cost on the spot. */
  minutes?: (step: Step) => number;
}

function isCheck(dictionary: Dictionary, step: Step, check: Check): boolean {
  if (check.type === 'line') return step.type === 'reading' && step.mode === 'ac-volts' && step.line;
  if (check.type === 'call') return step.type === 'call' && step.state === check.state;
  if (check.type === 'volts')
    return (
      step.type === 'reading' &&
      step.mode === 'ac-volts' &&
      !step.line &&
      isSupplied(dictionary, step.state, step.red, step.black)
    );
  if (step.type !== check.type) return false;
  return (step.type === 'wires' ? step.cable.id : 'device' in step ? step.device : null) === check.at;
}

/**
 * The best next steps, best first: what would show the likeliest once it is likely enough; otherwise expected bits about what is to be done, over minutes. Looking two steps ahead was
 * measured too, and took longer.
 *
 * @returns at most `most` steps; none when nothing left would tell anything.
 */
export function nextSteps(
  dictionary: Dictionary,
  ranking: Ranking,
  at: Whereabouts,
  {
    costs = COSTS,
    most = 3,
    states = dictionary.states.map(({ id }) => id),
    allowed = () => true,
    minutes,
  }: Wanted = {},
): Advice[] {
  const { weigh, advise } = adviser(dictionary, ranking, at, costs, minutes);
  const all = candidatesOf(dictionary, states).filter(allowed);
  const check = checkFor(ranking);
  const byWorth = all
    .map((step) => ({ step, ...weigh(step) }))
    .filter(({ gain }) => gain >= LEAST_GAIN)
    .sort((one, other) => other.gain / other.minutes - one.gain / one.minutes)
    .map(({ step }) => step);
  const checks = check ? all.filter((step) => isCheck(dictionary, step, check)) : [];
  const first = byWorth.find((step) => checks.includes(step)) ?? checks[0];
  return (first ? [first, ...byWorth.filter((step) => step !== first)] : byWorth).slice(0, most).map(advise);
}

/** Where a person is once a step is done, and what stands open. */
export const afterStep = (at: Whereabouts, step: Step): Whereabouts => ({
  station: step.station,
  open: [...new Set([...at.open, ...openedFor(step)])],
  state: isLive(step) ? triedIn(step.state)!.call : at.state,
  dark: !isLive(step) && (isDark(step) || at.dark === true),
});

type Live = Extract<Step, { state: string }>;

/** Done with the power on, in a call. */
const isLive = (step: Step): step is Live =>
  'state' in step && !(step.type === 'reading' && step.mode === 'ohms');

/** Done with the power off. */
const isDark = (step: Step): boolean => step.type !== 'look' || step.line;

/** Places whose covers a step takes off. */
function openedFor(step: Step): readonly string[] {
  if (step.type === 'face' || step.type === 'call') return [];
  return 'other' in step ? [step.station, step.other] : [step.station];
}
