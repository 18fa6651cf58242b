/**
 * The run between the halves of a ductless unit. Whatever is landed on whatever, the circuit is run as it is: what then has its
 * supply, what the signal comes to, what burns, what a hand finds on a case.
 */
import type { Inputs, Settled } from '../behaviour';
import { NEW_WORLD, energisedLoads, holding, untilSteady } from '../behaviour';
import type { Cable, Circuit, Device, End, TerminalId } from '../circuit';
import { ENDS, land, splitTerminal } from '../circuit';
import type { Interconnect } from '../devices';
import { fill, kindOf } from '../devices';
import type { Network } from '../network';
import { ampsThrough, compile, makeSolver, pathNets, voltsOf } from '../network';

/** One half, and its terminals of the run. */
interface Half {
  device: Device;
  at: Interconnect;
}

export interface Run {
  cable: Cable;
  halves: readonly [Half, Half];
}

/** What is dangerous about a way to land the run, whatever else it does. */
export type RunDanger =
  /** Mains is on the signal: what it does to a board hangs on the board, and some do not live through it. */
  | 'line-on-signal'
  /** Mains goes through the signal side of a board. */
  | 'burns'
  /** A case has so much on it that a hand may not touch it. */
  | 'live-case'
  /** A case is no longer earthed: whatever fails inside makes it live. */
  | 'no-earth'
  /** Current flows in the protective earth. */
  | 'earth-current'
  /** A breaker opens. */
  | 'short';

export interface RunEffect {
  /** Both halves are awake, they hear one another, and what is asked for runs. */
  works: boolean;
  /** Halves without supply. */
  dark: readonly string[];
  /** Halves that are awake and hear nothing. */
  deaf: readonly string[];
  /** Halves whose signal side burns. */
  burnt: readonly string[];
  dangers: readonly RunDanger[];
  /** The most on any case against earth, V. */
  caseVolts: number;
}

/** Where a current through a person begins to be dangerous: conventional touch-voltage limit of IEC 60364-4-41, a.c., from memory. */
const TOUCH_VOLTS = 50;
/** Less than this in the earth is leakage of filters, A; from memory. */
const LEAKAGE_AMPS = 0.01;
/** Alternating current through a signal side that is more than what strays into it, A. From memory. */
const SIGNAL_AMPS = 0.001;
const WATCHED_S = 600;

const halvesOf = ({ devices }: Circuit): Half[] =>
  devices.flatMap((device) => {
    const kind = kindOf(device.kind);
    const at = kind.interconnect?.(fill(kind.params, device.params));
    return at ? [{ device, at }] : [];
  });

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

/** Everything in its best order, the halves told to run. */
const asking = (halves: readonly Half[]): Inputs =>
  holding(
    { controls: {}, conditions: { indoorC: 22, outdoorC: 20 } },
    Object.fromEntries(
      halves.flatMap(({ device, at }) =>
        at.asks ? [[device.id, { [at.asks.control]: at.asks.value }]] : [],
      ),
    ),
  );

/** Terminals of the protective earth that is not the unit's own. */
const earthsOf = ({ devices }: Circuit): TerminalId[] =>
  devices.flatMap(({ id, kind, params }) => {
    const found = kindOf(kind);
    if (found.interconnect) return [];
    const marks = found.designations(fill(found.params, params));
    return marks.filter(({ role }) => role === 'earth').map(({ mark }) => `${id}.${mark}`);
  });

/** Conductors that are landed on an earth terminal at either end. */
function earthConductors({ devices, cables }: Circuit): Set<string> {
  const earths = new Set(
    devices.flatMap(({ id, kind, params }) => {
      const found = kindOf(kind);
      const marks = found.designations(fill(found.params, params));
      return marks.filter(({ role }) => role === 'earth').map(({ mark }) => `${id}.${mark}`);
    }),
  );
  const all = cables.flatMap(({ conductors }) => conductors);
  return new Set(
    all
      .filter(({ from, to }) => [from, to].some((end) => end !== null && earths.has(end)))
      .map(({ id }) => id),
  );
}

function dangersOf(circuit: Circuit, halves: readonly Half[], network: Network, settled: Settled) {
  const { point, world } = settled;
  const cases = halves.map(({ device, at }) => network.indexOf(`${device.id}${at.case}`));
  const caseVolts = Math.max(...cases.map((node) => voltsOf(point, node, -1)));
  const nets = pathNets(network);
  const earthed = new Set(earthsOf(circuit).map((terminal) => nets(network.indexOf(terminal))));
  const inEarth = earthConductors(circuit);
  const earthAmps = network.branches.map(({ origin }, b) =>
    origin.type === 'conductor' && inEarth.has(origin.conductor) ? ampsThrough(point, b) : 0,
  );
  const onSignal = halves.some(({ device: { id }, at }) => {
    const branch = network.devices.find(({ device }) => device.id === id)!.branches.get(at.signalPath)!;
    return ampsThrough(point, branch) > SIGNAL_AMPS;
  });
  const opened = network.devices.some(
    ({ kind, device: { id } }) => kind.protects && world.states[id]!.open === true,
  );
  const dangers: RunDanger[] = [
    ...(onSignal ? (['line-on-signal'] as const) : []),
    ...(opened ? (['short'] as const) : []),
    ...(caseVolts > TOUCH_VOLTS ? (['live-case'] as const) : []),
    ...(cases.some((node) => !earthed.has(nets(node))) ? (['no-earth'] as const) : []),
    ...(Math.max(...earthAmps) > LEAKAGE_AMPS ? (['earth-current'] as const) : []),
  ];
  return { dangers, caseVolts };
}

/**
 * What the circuit as it is does with the halves told to run.
 *
 * @throws RangeError when there is no run.
 */
export function runEffect(circuit: Circuit): RunEffect {
  const run = runOf(circuit);
  if (!run) throw new RangeError('There are no two halves with a run between them.');
  const { halves } = run;
  const network = compile(circuit);
  const settled = untilSteady(network, asking(halves), NEW_WORLD, WATCHED_S, makeSolver(network));
  const stands = halves.map(({ device: { id }, at }) => ({ id, ...at.stands(settled.world.states[id]!) }));
  const those = (is: (one: (typeof stands)[number]) => boolean) => stands.filter(is).map(({ id }) => id);
  const burnt = those((one) => one.burnt);
  const { dangers, caseVolts } = dangersOf(circuit, halves, network, settled);
  const cools = energisedLoads(network, settled).some(({ load }) => load.nature === 'compressor');
  return {
    works: cools && stands.every(({ awake, hears }) => awake && hears),
    dark: those(({ awake }) => !awake),
    deaf: those(({ awake, hears }) => awake && !hears),
    burnt,
    dangers: [...(burnt.length > 0 ? (['burns'] as const) : []), ...dangers],
    caseVolts,
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
  { device }: Half,
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
