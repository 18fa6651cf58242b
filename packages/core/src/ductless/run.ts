/**
 * The run between the halves of a ductless unit. Whatever is landed on whatever, the circuit is run as it is: what then has its
 * supply, what the signal comes to, what burns, what a hand finds on a case.
 */
import type { Cable, Circuit, End, TerminalId, UnitHalf } from '../circuit';
import { ENDS, halvesOf, land, splitTerminal } from '../circuit';
import type { Severity, Violation } from '../prove';
import { GRAVITY, SEVERITY, asksOf, judgeRun, runCase, supply } from '../prove';

export interface Run {
  cable: Cable;
  halves: readonly [UnitHalf, UnitHalf];
}

export interface RunEffect {
  /** Both halves are awake, they hear one another, and what is asked for runs. */
  works: boolean;
  /** Halves without supply. */
  dark: readonly string[];
  /** Halves that are awake and hear nothing. */
  deaf: readonly string[];
  /** Halves whose signal side burns. */
  burnt: readonly string[];
  /** What of it is dangerous or faulty, the gravest first. */
  violations: readonly Violation[];
  /** The worst of it. */
  harm: Severity | null;
}

/** The run of a circuit: the cable with a conductor from one half to the other; `null` without two halves and one. */
export function runOf(circuit: Circuit): Run | null {
  const [one, other, ...more] = halvesOf(circuit);
  if (!one || !other || more.length > 0) return null;
  const ends = new Set([one.device.id, other.device.id]);
  const isHalf = (terminal: TerminalId | null) =>
    terminal !== null && ends.has(splitTerminal(terminal).deviceId);
  const cable = circuit.cables.find(({ conductors }) =>
    conductors.some(({ from, to }) => isHalf(from) && isHalf(to)),
  );
  return cable ? { cable, halves: [one, other] } : null;
}

/** Calls in which a run is looked at: with the other halves' compressor asked for, by whichever way its remote can. */
const CALLED = 'cool';

/**
 * What the circuit as it is does while cooling is called.
 *
 * @throws RangeError when there is no run.
 */
export function runEffect(circuit: Circuit): RunEffect {
  const run = runOf(circuit);
  if (!run) throw new RangeError('There are no two halves with a run between them.');
  const { halves } = run;
  const asked = asksOf(circuit).find(({ id }) => id === CALLED)!;
  const supplied = supply(circuit, 1);
  const { steady, look, violations: inCall } = runCase(supplied, { asked, trip: null, mains: 1 });
  const gravity = ({ property }: Violation) => GRAVITY[SEVERITY[property]];
  const violations = [...inCall, ...judgeRun(supplied.network)].sort(
    (one, other) => gravity(one) - gravity(other),
  );
  const stands = halves.map(({ device: { id }, at }) => ({ id, ...at.stands(steady.world.states[id]!) }));
  const those = (is: (one: (typeof stands)[number]) => boolean) => stands.filter(is).map(({ id }) => id);
  const cools = look.loads.some(({ nature, energised }) => nature === 'compressor' && energised);
  return {
    works: cools && stands.every(({ awake, hears }) => awake && hears),
    dark: those(({ awake }) => !awake),
    deaf: those(({ awake, hears }) => awake && !hears),
    burnt: those(({ burnt }) => burnt),
    violations,
    harm: violations[0] ? SEVERITY[violations[0].property] : null,
  };
}

/** The run landed otherwise at one half: its conductors on each other's terminals there. */
export interface RunWay {
  /** By conductor of the run, the terminal it is on. */
  landed: Readonly<Record<string, TerminalId>>;
  effect: RunEffect;
}

function permuted<T>(items: readonly T[]): T[][] {
  if (items.length < 2) return [[...items]];
  return items.flatMap((first, i) =>
    permuted([...items.slice(0, i), ...items.slice(i + 1)]).map((rest) => [first, ...rest]),
  );
}

/** The ends of the run's conductors at a half. */
const endsAt = (
  { conductors }: Cable,
  { device }: UnitHalf,
): { conductor: string; end: End; terminal: TerminalId }[] =>
  conductors.flatMap(({ id, ...ends }) =>
    ENDS.flatMap((end) => {
      const terminal = ends[end];
      return terminal !== null && splitTerminal(terminal).deviceId === device.id
        ? [{ conductor: id, end, terminal }]
        : [];
    }),
  );

/**
 * Every way to land the run's conductors on the terminals they are on at one half, the way they are first. Of both halves the
 * same ways come out: what a run does hangs on which terminal it joins to which.
 *
 * @throws RangeError when there is no run.
 */
export function runWays(circuit: Circuit, half: 0 | 1 = 1): RunWay[] {
  const run = runOf(circuit);
  if (!run) throw new RangeError('There are no two halves with a run between them.');
  const ends = endsAt(run.cable, run.halves[half]);
  return permuted(ends.map(({ terminal }) => terminal)).map((terminals): RunWay => {
    const landed = ends.reduce(
      (now, { conductor, end }, i) => land(now, conductor, end, terminals[i]!),
      circuit,
    );
    return {
      landed: Object.fromEntries(ends.map(({ conductor }, i) => [conductor, terminals[i]!])),
      effect: runEffect(landed),
    };
  });
}
