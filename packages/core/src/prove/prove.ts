/** Goes through every state of a circuit and reports what does not hold, each with a counterexample. */
import type { Inputs, LoadReading, World } from '../behaviour';
import type { Circuit } from '../circuit';
import type { Choice } from '../network';
import type { Case } from './cases';
import { casesOf, inputsOf } from './cases';
import { judgeStructure } from './judge-structure';
import { livesOn } from './judge-isolation';
import type { Severity } from './properties';
import { GRAVITY, PROPERTIES, SEVERITY } from './properties';
import type { Supplied } from './supplied';
import { runCase, supply } from './supplied';
import type { Violation } from './violation';
import { keyOf } from './violation';

export type Finding = Violation & {
  severity: Severity;
  /** The first state that shows it, and how many do. */
  shownBy: Case;
  states: number;
};

export interface Proof {
  /** States gone through and properties checked in each. */
  states: number;
  properties: number;
  findings: readonly Finding[];
}

/** Told after every state; a proof that is no longer wanted stops when it answers `false`. */
export type Progress = (done: number, all: number) => boolean;

/** A violation, the first state that shows it, and how many of a run of states do. */
export interface Shown {
  subject: Case;
  violation: Violation;
  states: number;
}

/** Findings of many violations: one for each property and subject. */
export function gather(seen: readonly Shown[]): Finding[] {
  const findings = new Map<string, Finding>();
  for (const { subject, violation, states } of seen) {
    const key = keyOf(violation);
    const found = findings.get(key);
    if (found) found.states += states;
    else {
      const severity = SEVERITY[violation.property];
      findings.set(key, { ...violation, severity, shownBy: subject, states });
    }
  }
  return [...findings.values()].sort((one, other) => GRAVITY[one.severity] - GRAVITY[other.severity]);
}

/** What ran in which way over the states, so that what never runs is found. */
class Coverage {
  private readonly all = new Map<string, LoadReading>();
  private readonly ran = new Set<string>();

  /** A reversible load has to run both ways; an igniter only ever runs between two states. */
  private static ways({ device, id, nature, reversible }: LoadReading, turns: boolean): string[] {
    if (nature === 'igniter') return [];
    const ways = reversible && turns ? ['cool', 'heat'] : [''];
    return ways.map((way) => `${device}/${id}/${way}`);
  }

  add({ network }: Supplied, loads: readonly LoadReading[]): void {
    const turns = network.devices.some(({ kind }) => kind.turns);
    for (const load of loads) {
      for (const way of Coverage.ways(load, turns)) {
        this.all.set(way, load);
        if (load.energised && (way.endsWith('/') || way.endsWith(`/${load.serves}`))) this.ran.add(way);
      }
    }
  }

  missing(): Violation[] {
    const idle = [...this.all].filter(([way]) => !this.ran.has(way));
    const both = new Set(idle.map(([way]) => way.slice(0, way.lastIndexOf('/'))));
    return [...both].map((which) => {
      const ways = idle.filter(([way]) => way.slice(0, way.lastIndexOf('/')) === which);
      const [way, load] = ways[0]!;
      const only = ways.length > 1 ? null : way.slice(way.lastIndexOf('/') + 1);
      return {
        property: 'never',
        about: which,
        load: load.title,
        way: only === 'heat' || only === 'cool' ? only : null,
      };
    });
  }
}

/** Told what each state shows, then what the wiring does in all of them; answers whether to go on. */
type Told = (shown: readonly Shown[]) => boolean;

/**
 * Runs all cases of a circuit in the order given, then judges what only all of them together, or the wiring
 * by itself, can show.
 *
 * @returns whether it came to its end.
 */
export function runCases(circuit: Circuit, cases: readonly Case[], told: Told): boolean {
  const supplies = new Map<number, Supplied>();
  const at = (mains: number) => {
    const known = supplies.get(mains) ?? supply(circuit, mains);
    supplies.set(mains, known);
    return known;
  };
  const coverage = new Coverage();
  const closed: Choice[] = [];
  for (const subject of cases) {
    const supplied = at(subject.mains);
    const { look, steady, violations } = runCase(supplied, subject);
    if (subject.mains === 1 && subject.trip === null) {
      coverage.add(supplied, look.loads);
      closed.push(steady.point.choice);
    }
    if (!told(violations.map((violation) => ({ subject, violation, states: 1 })))) return false;
  }
  const [first] = cases;
  if (!first) return true;
  const normal = at(1);
  const structural = judgeStructure(normal.network, normal.rest.point, closed);
  return told(
    [...structural, ...livesOn(normal), ...coverage.missing()].map((violation) => ({
      subject: first,
      violation,
      states: cases.length,
    })),
  );
}

/**
 * Proves a circuit: all calls and what comes with them, each safety tripped in turn, low, normal and high mains.
 *
 * @returns `null` when `progress` answered `false`.
 */
export function prove(circuit: Circuit, progress: Progress = () => true): Proof | null {
  const cases = casesOf(circuit);
  const seen: Shown[] = [];
  let done = 0;
  const finished = runCases(circuit, cases, (shown) => {
    seen.push(...shown);
    return done === cases.length || progress(++done, cases.length);
  });
  return finished ? { states: cases.length, properties: PROPERTIES.length, findings: gather(seen) } : null;
}

/** The bench as a case leaves it, to be looked at live. */
export function stageOf(circuit: Circuit, subject: Case): { inputs: Inputs; world: World } {
  const { steady } = runCase(supply(circuit, subject.mains), subject);
  return { inputs: inputsOf(subject), world: steady.world };
}

/** Nothing dangerous and nothing faulty was found; cautions do not keep a circuit from being proven. */
export const isProven = ({ findings }: Pick<Proof, 'findings'>): boolean =>
  findings.every(({ severity }) => severity === 'caution');
