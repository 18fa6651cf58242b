/**
 * Looks for the change that puts a finding right. What disagrees with the wiring's own marks is tried first;
 * each candidate is judged in the state that shows the finding, then over every state of the proof. One that
 * adds a violation, or takes a load past a guard, is never proposed.
 */
import { viewOf } from '../../behaviour';
import type { Circuit } from '../../circuit';
import { designationsOf, disagreementsOf, landedOn } from '../../circuit';
import { compile } from '../../network';
import type { Case } from '../cases';
import { casesOf, inputsOf } from '../cases';
import { judgeStructure } from '../judge-structure';
import { livesOn } from '../judge-isolation';
import { GRAVITY, SEVERITY } from '../properties';
import type { Finding, Progress, Shown } from '../prove';
import { gather, runCases } from '../prove';
import type { Supplied } from '../supplied';
import { runCase, supply } from '../supplied';
import type { PropertyId } from '../violation';
import { keyOf } from '../violation';
import type { Candidate, Suspects } from './candidate';
import type { Change } from './change';
import { WORK, bestFirst, candidatesFrom } from './candidate';
import { draftsOf } from './drafts';
import { guardsOf, keepsGuards } from './guards';
import type { Left } from './weigh';
import { heavier, leftOf, lighter, weightOf } from './weigh';

export interface Repair {
  /** What to do, one after another. */
  changes: readonly Change[];
  circuit: Circuit;
  /** Findings left once it is done. */
  left: number;
}

/**
 * How much is looked at, in states: for single changes, for what is only a caution, for pairs, and once a change serves, whether another
 * serves better.
 */
const MOST_STATES = 1000;
const MOST_STATES_FOR_CAUTION = 300;
const MOST_STATES_IN_PAIRS = 400;
const MOST_STATES_AFTER = 150;
/** Compiling a candidate and letting it rest costs about as much as so many states. */
const STATES_PER_CANDIDATE = 3;
const MOST_FIRSTS = 6;
const MOST_SECONDS = 12;

/** Properties that no single state shows. */
const STRUCTURAL: ReadonlySet<PropertyId> = new Set([
  'protected',
  'rating',
  'bypassed',
  'foreign-common',
  'crossed-hots',
  'reversed',
  'stays-live',
]);

/** Keys violated in the state of a finding, and by the wiring itself where the finding is of that kind. */
function keysIn(supplied: Supplied, { shownBy, property }: Finding): Set<string> {
  const { violations, steady } = runCase(supplied, shownBy);
  const structural = STRUCTURAL.has(property)
    ? [...judgeStructure(supplied.network, supplied.rest.point, [steady.point.choice]), ...livesOn(supplied)]
    : [];
  return new Set([...violations, ...structural].map(keyOf));
}

/** What a repair may not bring about even where it ends a danger: a unit that is dead is not mended. */
const DEADENS: ReadonlySet<PropertyId> = new Set(['unanswered', 'blank']);

/** Changes as good by the marks as one that mends all, that are proven too where that one puts several things behind a guard. */
const MOST_EVEN = 3;

/** Nothing dangerous or faulty is left. */
const serves = ({ best }: Search) => best !== null && best.rest.keys.size === 0;

/** A proof that stops as soon as it shows something new that is as grave as what is repaired, or graver. */
function proveBeside(circuit: Circuit, cases: readonly Case[], search: Search): Finding[] | null {
  const { before, finding } = search;
  const seen: Shown[] = [];
  const finished = runCases(circuit, cases, (shown) => {
    seen.push(...shown);
    search.left--;
    return shown.every(
      ({ violation }) =>
        before.has(keyOf(violation)) ||
        (GRAVITY[SEVERITY[violation.property]] > GRAVITY[finding.severity] &&
          !DEADENS.has(violation.property)),
    );
  });
  return finished ? gather(seen) : null;
}

/** Findings whose states are asked what is wrong there. */
const MOST_ASKED = 4;

/** Findings of what feeds a thermostat. */
const OF_SUPPLY: ReadonlySet<PropertyId> = new Set(['foreign-common', 'crossed-hots', 'reversed', 'blank']);

/** Terminals of the device a finding is about, or those that it is of, and the conductors landed there. */
function nearTo(circuit: Circuit, { about, property }: Finding): string[] {
  const device = circuit.devices.find(({ id }) => id === about);
  if (!device) return [];
  return designationsOf(device)
    .filter(({ role }) => !OF_SUPPLY.has(property) || role === 'hot' || role === 'common')
    .flatMap(({ mark }) => {
      const terminal = `${about}.${mark}`;
      return [terminal, ...landedOn(circuit, terminal).map(({ conductor }) => conductor.id)];
    });
}

/** What the status line names in states that show something; and what is landed where a finding shows. */
function suspectsOf(circuit: Circuit, finding: Finding, findings: readonly Finding[]): Suspects {
  const states = [...new Set([finding, ...findings].map(({ shownBy }) => shownBy))];
  const named = states.slice(0, MOST_ASKED).flatMap((shownBy) => {
    const supplied = supply(circuit, shownBy.mains);
    const { steady } = runCase(supplied, shownBy);
    const { parts = [], cause } = viewOf(supplied.network, inputsOf(shownBy), steady).status;
    // A terminal that no supply reaches is not what is wrong, but what is to be landed there may be.
    return cause?.type === 'unwired' && cause.terminal !== undefined ? [...parts, cause.terminal] : parts;
  });
  return { named: new Set(named), near: new Set(nearTo(circuit, finding)) };
}

interface Search {
  circuit: Circuit;
  finding: Finding;
  /** What the circuit violates as it is. */
  findings: readonly Finding[];
  before: ReadonlySet<string>;
  progress: Progress;
  /** States that may still be looked at. */
  left: number;
  tried: number;
  best: (Repair & { rest: Left; candidate: Candidate }) | null;
  /** Nothing better can be expected, but of so many that are as good by the marks. */
  done: boolean;
  even: number;
  stopped: boolean;
}

/** Whether one more candidate as good by the marks as the best is to be looked at. */
const isEven = (search: Search, candidate: Candidate) =>
  search.best !== null && search.even > 0 && bestFirst(search.best.candidate, candidate) === 0;

/** Tries candidates in order; those that mend the state are proven whole. */
function tryAll(search: Search, candidates: readonly Candidate[], before: readonly Change[] = []): void {
  const { circuit, finding, findings } = search;
  const guarded = guardsOf(compile(circuit));
  const key = keyOf(finding);
  const marks = disagreementsOf(circuit).length;
  const shownFirst = findings.map(({ shownBy }) => shownBy);
  for (const candidate of candidates) {
    if (search.left <= 0 || (search.done && !isEven(search, candidate))) break;
    const changed = candidate.make();
    if (!changed) continue;
    search.tried++;
    search.left -= STATES_PER_CANDIDATE;
    if (!search.progress(search.tried, candidates.length)) {
      search.stopped = true;
      break;
    }
    const supplied = supply(changed, finding.shownBy.mains);
    if (finding.property !== 'never' && keysIn(supplied, finding).has(key)) continue;
    const guards = guardsOf(supplied.network);
    if (!keepsGuards(guarded, guards)) continue;
    if (search.done) search.even--;
    const cases = casesOf(changed);
    const found = proveBeside(changed, failingFirst(cases, shownFirst), search);
    if (!found || found.some((one) => keyOf(one) === key)) continue;
    const behind = guards.stops - guarded.stops;
    const rest = leftOf(found, changed, candidate.work, behind);
    // What lands a wire against the marks and leaves more to mend is no advice.
    if (rest.keys.size > 0 && disagreementsOf(changed).length > marks) continue;
    if (
      search.best ? !lighter(rest, search.best.rest) : heavier(rest.weight, weightOf(findings, circuit, 0, 0))
    )
      continue;
    search.best = {
      changes: [...before, candidate.change],
      circuit: changed,
      left: found.length,
      rest,
      candidate,
    };
    // That two thermostats may disagree is no change's to mend.
    if (!search.done && found.every(({ property }) => property === 'disagree')) {
      search.done = true;
      search.even = behind > 1 ? MOST_EVEN : 0;
    }
    // One that leaves faults is no reason to stop looking: it may have traded a danger for a dead unit.
    if (serves(search)) search.left = Math.min(search.left, MOST_STATES_AFTER);
  }
}

const sameState = (one: Case, other: Case) =>
  one.asked.id === other.asked.id && one.mains === other.mains && one.trip?.device === other.trip?.device;

/** The states that showed something, before the others. */
function failingFirst(cases: readonly Case[], shown: readonly Case[]): Case[] {
  const failing = (subject: Case) => shown.some((one) => sameState(one, subject));
  return [...cases.filter(failing), ...cases.filter((subject) => !failing(subject))];
}

/** Two changes, where no single one serves: the first must gain by the wiring's marks, the second mend the state. */
function tryPairs(search: Search, singles: readonly Candidate[]): void {
  for (const first of singles.filter(({ gain }) => gain > 0).slice(0, MOST_FIRSTS)) {
    const changed = first.make();
    if (!changed) continue;
    const seconds = candidatesFrom(changed, draftsOf(changed), suspectsOf(changed, search.finding, []))
      .slice(0, MOST_SECONDS)
      .map((second) => ({ ...second, work: first.work + second.work }));
    tryAll(search, seconds, [first.change]);
    if (serves(search) || search.stopped) return;
  }
}

/** Properties that a larger transformer or thicker wire may mend, where no landing does. */
const WANTS_POWER: ReadonlySet<PropertyId> = new Set(['overload', 'weak-coil', 'coil-margin']);

/** What mends by its marks first, then sizes, then everything else. */
function sizesFirst(candidates: readonly Candidate[]): Candidate[] {
  const rank = ({ gain, work }: Candidate) => (gain > 0 ? 0 : work >= WORK.transformer ? 1 : 2);
  return [...candidates].sort((one, other) => rank(one) - rank(other));
}

/** Everything a circuit violates, with the states that show it. */
function findingsOf(circuit: Circuit): Finding[] {
  const seen: Shown[] = [];
  runCases(circuit, casesOf(circuit), (shown) => seen.push(...shown) > -1);
  return gather(seen);
}

/**
 * The change that puts a finding right and leaves the least else to be found, weighed by the states that show
 * it: dangers, then faults, then what still disagrees with its marks, then work, then cautions. `null` when none does without adding a violation or
 * weakening a protection, or when `progress` answered `false`.
 *
 * @param findings - what the circuit's proof found, if it is known.
 */
export function repairOf(
  circuit: Circuit,
  finding: Finding,
  progress: Progress = () => true,
  findings: readonly Finding[] = findingsOf(circuit),
): Repair | null {
  const search: Search = {
    circuit,
    finding,
    findings,
    before: new Set(findings.map(keyOf)),
    progress,
    left: finding.severity === 'caution' ? MOST_STATES_FOR_CAUTION : MOST_STATES,
    tried: 0,
    best: null,
    done: false,
    even: 0,
    stopped: false,
  };
  const all = candidatesFrom(circuit, draftsOf(circuit), suspectsOf(circuit, finding, findings));
  const singles = WANTS_POWER.has(finding.property) ? sizesFirst(all) : all;
  tryAll(search, singles);
  if (finding.severity !== 'caution' && !serves(search) && !search.stopped) {
    search.left = MOST_STATES_IN_PAIRS;
    tryPairs(search, singles);
  }
  if (!search.best || search.stopped) return null;
  const { changes, circuit: changed, left } = search.best;
  return { changes, circuit: changed, left };
}
