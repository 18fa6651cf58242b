/**
 * The tests that prove a job, in the order they are safe to make: dead before anything is touched, then the supply, the
 * fan, heat, cooling, what comes and goes, each safety by its own means, the restart. What each should show is run.
 */
import { energisedLoads } from '../behaviour';
import type { Circuit } from '../circuit';
import { designationsOf } from '../circuit';
import { kindOf } from '../devices';
import type { Network, OperatingPoint } from '../network';
import { ampsThrough, voltsAcross, voltsBetween } from '../network';
import type { Asked, Case, Supplied, Trip, Violation } from '../prove';
import { DEAD_TEST } from './standing';
import { SEVERITY, asksOf, runCase, runsAgain, supply, tripsOf } from '../prove';

/** Volts to be read between two terminals, of a control circuit. */
export interface ExpectedVolts {
  red: string;
  black: string;
  volts: number;
}

interface TestOf {
  id: string;
  readings: readonly ExpectedVolts[];
  /** What the circuit as it is recorded does wrong then: such a test proves nothing until it is mended. */
  wrong: readonly Violation[];
}

export type CommissionTest =
  /** Power off: nothing anywhere before a hand goes in. */
  | (TestOf & { type: 'dead' })
  /** Power on, nothing called: volts at every transformer and thermostat. */
  | (TestOf & { type: 'supply' })
  | (TestOf & {
      type: 'call' | 'restart';
      case: Case;
      /** Loads that should run, by `device/load`. */
      runs: readonly string[];
      /** Until all of that runs, s: whoever waits condemns nothing. */
      afterS: number;
      /** Through the hot of each transformer that gives something, A. */
      amps: readonly { device: string; amps: number }[];
      /** Outdoors at least, °C, where a compressor cools. */
      outdoorC: number | null;
    })
  /** A safety tripped by its own means, in a call. */
  | (TestOf & {
      type: 'trip';
      case: Case & { trip: Trip };
      stops: readonly string[];
      runs: readonly string[];
      /** Of one that keeps a delay of its own: until all runs again once it is put back, s. */
      againS: number | null;
    });

/** Below this a compressor that cools can be harmed: 55 °F, common practice, from memory; the maker's sheet wins. */
export const COOLING_OUTDOOR_C = 13;
/** Control circuits are no higher; what is above is read by who may. */
const CONTROL_VOLTS = 60;
/** Calls to make, in order; the rest of a proof's states are its own. */
const CALLS = ['fan', 'heat', 'heat-middle', 'heat-far', 'emergency', 'cool', 'cool-far'];
/** Calls in which safeties are tripped: the fewest in which everything runs that can. */
const TRIPPED_IN = ['fan', 'heat-far', 'cool-far'];
const RESTARTS = ['cool-back', 'heat-back'];

const keyOf = ({ device, load }: { device: string; load: { id: string } }) => `${device}/${load.id}`;

/** Hot and common of every transformer that feeds a control circuit, and of every thermostat. */
function suppliesOf(circuit: Circuit, network: Network): { red: string; black: string }[] {
  const secondaries = network.secondaries.map(({ hot, common }) => ({
    red: network.nodes[hot]!,
    black: network.nodes[common]!,
  }));
  const stats = circuit.devices.flatMap((device) => {
    const { id, kind } = device;
    if (!kindOf(kind).asks) return [];
    const marks = designationsOf(device);
    const common = marks.find(({ role }) => role === 'common');
    if (!common) return [];
    return marks
      .filter(({ role }) => role === 'hot')
      .map(({ mark }) => ({ red: `${id}.${mark}`, black: `${id}.${common.mark}` }));
  });
  return [...secondaries, ...stats];
}

/** What lies inside a device has no screws to put probes on. */
const isReachable = (node: string) => !node.includes('#') && node !== 'earth';

/** Less than this is no supply: a thermostat that lives on batteries has none at its C. */
const SUPPLY_VOLTS = 18;

const readAt = (point: OperatingPoint, pairs: readonly { red: string; black: string }[]): ExpectedVolts[] =>
  pairs.map(({ red, black }) => ({ red, black, volts: voltsBetween(point, red, black) }));

/** What a case comes to: what runs, the volts across its coils and valves, the amperes it draws, and how long it takes. */
function outcomeOf(supplied: Supplied, subject: Case) {
  const { network, rest } = supplied;
  const { steady, violations } = runCase(supplied, subject);
  const on = energisedLoads(network, steady);
  const { point } = steady;
  const coils = on.filter(({ branch }) => voltsAcross(point, branch) < CONTROL_VOLTS);
  const nodesOf = (branch: number) =>
    network.branches[branch]!.nodes.slice(0, 2).map((node) => (node < 0 ? 'earth' : network.nodes[node]!));
  return {
    on,
    runs: on.map(keyOf),
    wrong: violations.filter(({ property }) => SEVERITY[property] !== 'caution'),
    readings: coils.flatMap(({ branch }): ExpectedVolts[] => {
      const [red, black] = nodesOf(branch) as [string, string];
      const reached = [red, black].every(isReachable);
      return reached ? [{ red, black, volts: voltsAcross(point, branch) }] : [];
    }),
    amps: network.secondaries.map(({ device, branch }) => ({ device, amps: ampsThrough(point, branch) })),
    afterS: Math.max(0, steady.world.now - rest.world.now),
  };
}

const isCooling = ({ situation }: Asked) => situation.type === 'call' && situation.call === 'cool';

function callTest(supplied: Supplied, type: 'call' | 'restart', asked: Asked): CommissionTest {
  const subject: Case = { asked, trip: null, mains: 1 };
  const { on, runs, readings, amps, afterS, wrong } = outcomeOf(supplied, subject);
  const cools = isCooling(asked) && on.some(({ load }) => load.nature === 'compressor');
  return {
    type,
    id: `${type} ${asked.id}`,
    case: subject,
    runs,
    wrong,
    readings,
    // What comes by itself is brought about by whoever tests it, and not waited for.
    afterS: asked.situation.type === 'occasion' ? 0 : afterS,
    amps: amps.filter((one) => one.amps > 0),
    outdoorC: cools ? COOLING_OUTDOOR_C : null,
  };
}

/** Every call that runs what no call before it ran alike. */
function callTests(supplied: Supplied, asks: readonly Asked[]): CommissionTest[] {
  const seen = new Set<string>();
  const byId = new Map(asks.map((asked) => [asked.id, asked]));
  const passing = asks.filter(({ situation }) => situation.type === 'occasion');
  const wanted = [...CALLS.flatMap((id) => byId.get(id) ?? []), ...passing];
  return wanted.flatMap((asked) => {
    const test = callTest(supplied, 'call', asked);
    const key = 'runs' in test ? test.runs.join() : '';
    if (key === '' || seen.has(key)) return [];
    seen.add(key);
    return [test];
  });
}

/** Seconds until all runs again once a safety is put back; only of one that is tested by means it has for that. */
function againAfter(
  supplied: Supplied,
  { devices }: Circuit,
  { asked, trip }: { asked: Asked; trip: Trip },
  ran: number,
): number | null {
  const { kind } = devices.find(({ id }) => id === trip.device)!;
  return kindOf(kind).safety?.test === undefined ? null : runsAgain(supplied, asked, trip, ran);
}

/**
 * Each safety in every call in which it stops something; one that stops nothing in any, as it is wired, is still a test:
 * it fails.
 */
function tripTests(supplied: Supplied, circuit: Circuit, asks: readonly Asked[]): CommissionTest[] {
  const within = asks.filter(({ id }) => TRIPPED_IN.includes(id));
  return tripsOf(circuit).flatMap((trip): CommissionTest[] => {
    const all = within.map((asked): CommissionTest & { type: 'trip' } => {
      const sound = outcomeOf(supplied, { asked, trip: null, mains: 1 }).runs;
      const subject = { asked, trip, mains: 1 };
      const { runs, wrong } = outcomeOf(supplied, subject);
      const stops = sound.filter((load) => !runs.includes(load));
      return {
        type: 'trip',
        id: `trip ${trip.device} ${asked.id}`,
        case: subject,
        stops,
        runs,
        wrong,
        readings: [],
        againS: stops.length > 0 ? againAfter(supplied, circuit, subject, sound.length) : null,
      };
    });
    const told = all.filter(({ stops }) => stops.length > 0);
    return told.length > 0 ? told : all.slice(-1);
  });
}

/** The tests of a circuit, in order. Ids stay while the circuit has what they are about. */
export function commissionOf(circuit: Circuit): CommissionTest[] {
  const asks = asksOf(circuit);
  const supplied = supply(circuit, 1);
  const { network, rest } = supplied;
  const pairs = suppliesOf(circuit, network).filter(
    ({ red, black }) =>
      isReachable(red) && isReachable(black) && voltsBetween(rest.point, red, black) > SUPPLY_VOLTS,
  );
  const dead = pairs.map((pair) => ({ ...pair, volts: 0 }));
  return [
    { type: 'dead', id: DEAD_TEST, readings: dead, wrong: [] },
    { type: 'supply', id: 'supply', readings: readAt(rest.point, pairs), wrong: [] },
    ...callTests(supplied, asks),
    ...tripTests(supplied, circuit, asks),
    ...RESTARTS.flatMap((id) => {
      const asked = asks.find((one) => one.id === id);
      return asked ? [callTest(supplied, 'restart', asked)] : [];
    }).filter((test) => 'runs' in test && test.runs.length > 0),
  ];
}
