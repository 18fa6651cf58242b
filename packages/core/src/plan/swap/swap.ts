/** Plans a thermostat swap: every way that can work, built, proven and compared. */
import type { Circuit, TerminalId } from '../../circuit';
import { findConductor, findDevice, otherEnd } from '../../circuit';
import { kindOf } from '../../devices';
import type { Finding, Proof } from '../../prove';
import { prove } from '../../prove';
import type { Facts } from '../field/functions';
import { factsOf } from '../field/functions';
import { joinedBackUp } from './joined';
import { LANDING_MINUTES } from '../field/cable';
import { pigtailed } from '../field/pigtail';
import { allocate, candidatesOf, isEmpty, needsOf } from './landing';
import { differenceOf } from '../diff';
import { harmOf } from '../harm';
import type { SwapContext, Alternative, Method } from './alternatives';
import {
  batteries,
  fanToCommon,
  isolationRelay,
  newCable,
  plugIn,
  share,
  straight,
  wireless,
} from './alternatives';
import type { EmptyReason, JumperReason, LandingReason, Loss, Obstacle } from './reason';
import type { SetUp, SwapRequest } from './swap-request';
import { emptyReason, marksOfWish, setUpOf, shortcomings } from './swap-request';

/** A way with what it costs and what its proof says. */
export interface SwapOption extends Omit<Alternative, 'given' | 'extraMinutes'> {
  minutes: number;
  proof: Proof;
  /** Where each conductor goes at the thermostat and at the unit, and why. */
  landings: readonly {
    conductor: string;
    screw: TerminalId;
    far: TerminalId;
    was: string | null;
    reason: LandingReason;
  }[];
  /** Screws of the new thermostat with nothing on them, and why. */
  empties: readonly { terminal: TerminalId; reason: EmptyReason }[];
  setUp: readonly SetUp[];
  /** Jumpers of the change and why, by link: fitted at the new thermostat, or taken away with the old one. */
  jumpers: readonly { id: string; joins: readonly TerminalId[]; fitted: boolean; reason: JumperReason }[];
}

export interface Swap {
  facts: Facts;
  /** What no way helps against; empty when it can be done. */
  cannot: readonly Obstacle[];
  /** Best first. */
  options: readonly SwapOption[];
  /** Ways that would work but are not proposed, for what they would add. */
  leftOut: readonly { method: Method; circuit: Circuit; adds: readonly Finding[] }[];
}

/** Weight of a part against minutes of work when ways are ranked, from memory; a connector is in every pocket. */
const PART_MINUTES = 20;
const CONNECTOR_MINUTES = 2;

const WAYS: readonly ((ground: SwapContext) => Alternative[])[] = [
  straight,
  share,
  fanToCommon,
  plugIn,
  batteries,
  wireless,
  newCable,
];

/** Minutes of a way: what it takes by itself, each end landed or lifted, each place walked to. */
function minutesOf(before: Circuit, way: Alternative): number {
  const { ends, added } = differenceOf(before, way.circuit);
  const landings =
    ends.filter(({ to }) => to !== null).length + 2 * added.flatMap(({ conductors }) => conductors).length;
  const walks = before.stations
    .filter(({ kind }) => kind !== 'outdoor' || way.method.id === 'new-cable')
    .reduce((sum, { access }) => sum + access, 0);
  return Math.round(way.extraMinutes + landings * LANDING_MINUTES + walks);
}

function asOption(ground: SwapContext, way: Alternative, lost: readonly Loss[]): SwapOption {
  const { circuit, facts, wish } = ground;
  const { method, given, thermostat, parts } = way;
  return {
    method,
    circuit: way.circuit,
    thermostat,
    parts,
    lost: [...way.lost, ...lost],
    minutes: minutesOf(circuit, way),
    proof: prove(way.circuit)!,
    landings: given.map(({ need, to }) => {
      const { id } = to.conductor;
      const landed = findConductor(way.circuit, id)!;
      const was = facts.leads.find(({ conductor }) => conductor.id === id);
      return {
        conductor: id,
        screw: landed[to.near]!,
        far: landed[otherEnd(to.near)]!,
        was: was ? was.mark : null,
        reason: need.reason,
      };
    }),
    empties: marksOfWish(wish)
      .map((mark) => ({ terminal: `${way.thermostat}.${mark}`, reason: emptyReason(mark, facts) }))
      .filter(({ terminal }) => isEmpty(way.circuit, terminal)),
    setUp: setUpOf(facts, wish).map((line) =>
      line.name === 'joiner'
        ? { ...line, value: String(findDevice(way.circuit, way.thermostat)!.settings.joiner) }
        : line,
    ),
    jumpers: jumpersOf(ground, way),
  };
}

/** What becomes of E joined to W2/AUX: the old thermostat's jumper, and the new one's where it has its place. */
function jumpersOf({ circuit, facts, wish }: SwapContext, way: Alternative): SwapOption['jumpers'] {
  const joined = joinedBackUp(circuit, facts, wish);
  if (!joined) return [];
  const { link, reason } = joined;
  const fitted = way.circuit.links.find(
    ({ id, joins }) =>
      id !== link.id && joined.to?.every((mark) => joins.includes(`${way.thermostat}.${mark}`)),
  );
  return fitted
    ? [{ id: fitted.id, joins: fitted.joins, fitted: true, reason }]
    : [{ id: link.id, joins: link.joins, fitted: false, reason }];
}

const gravity = ({ proof }: SwapOption, severity: 'danger' | 'fault') =>
  proof.findings.filter((finding) => finding.severity === severity).length;

const weighed = ({ minutes, parts }: SwapOption) =>
  parts.reduce((sum, { type }) => sum + (type === 'connector' ? CONNECTOR_MINUTES : PART_MINUTES), minutes);

/** Dangers first, then what does not work, then work and parts. */
const better = (one: SwapOption, other: SwapOption) =>
  gravity(one, 'danger') - gravity(other, 'danger') ||
  gravity(one, 'fault') - gravity(other, 'fault') ||
  weighed(one) - weighed(other);

/**
 * The ways worth comparing. A swap that fits as it is needs no others; two hots that meet on one screw
 * leave only the relay; a spare taken into use is compared with doing without. Where no common can be
 * had at all, only the ways that bring power otherwise are left.
 */
function waysFrom(ground: SwapContext, noCommon: boolean): Alternative[] {
  const relay = isolationRelay(ground);
  if (relay.length > 0) return relay;
  const [fits] = straight(ground);
  if (fits?.method.id === 'as-is' && !noCommon) return [fits];
  const powered: readonly Method['id'][] = ['plug-in', 'batteries'];
  return WAYS.flatMap((way) => way(ground)).filter(({ method }) => !noCommon || powered.includes(method.id));
}

/** Told before each way is proven; planning stops when it answers `false`. */
export type Planning = (method: Method, done: number, all: number) => boolean;

/**
 * Plans the exchange of a thermostat: what each conductor does is found by trying it, conductors are
 * given out at the least work, and when they are short every way out is built, proven and ranked.
 *
 * @param jackets - further cables between the same places whose conductors may be used.
 * @throws RangeError when there is no such thermostat.
 * @returns `null` when `planning` answered `false`.
 */
export function planSwap(
  circuit: Circuit,
  wish: SwapRequest,
  jackets: readonly string[] = [],
  planning: Planning = () => true,
): Swap | null {
  const facts = factsOf(circuit, wish.device);
  const { cannot, lost } = shortcomings(facts, wish);
  if (!facts.leads.some(({ role }) => role === 'hot')) cannot.push({ type: 'no-hot', device: wish.device });
  if (kindOf(findDevice(circuit, wish.device)!.kind).pairs) cannot.push({ type: 'talks' });
  if (cannot.length > 0) return { facts, cannot, options: [], leftOut: [] };
  const { needs, noCommon } = needsOf(circuit, facts, wish);
  const candidates = candidatesOf(circuit, facts, jackets);
  const allocation = allocate(needs, candidates);
  const ground: SwapContext = { circuit, facts, wish, needs, candidates, allocation };
  const ways = waysFrom(ground, noCommon);
  const now = prove(circuit)!;
  const options: SwapOption[] = [];
  const leftOut: Swap['leftOut'][number][] = [];
  for (const [i, way] of ways.entries()) {
    if (!planning(way.method, i, ways.length)) return null;
    const { circuit: jointed, parts } = pigtailed(circuit, way.circuit);
    const option = asOption(ground, { ...way, circuit: jointed, parts: [...way.parts, ...parts] }, lost);
    const adds = harmOf(now, option.proof);
    if (adds.length === 0) options.push(option);
    else leftOut.push({ method: way.method, circuit: option.circuit, adds });
  }
  return {
    facts,
    cannot: options.length > 0 ? [] : [{ type: leftOut.length > 0 ? 'all-add-harm' : 'none-works' }],
    options: options.sort(better),
    leftOut,
  };
}
