/**
 * Which conductor carries what: the functions needed between thermostat and unit against the conductors
 * that are good, at the least work.
 */
import type { Cable, Circuit, Conductor, End, TerminalId } from '../../circuit';
import {
  addDevice,
  addLink,
  findCable,
  findConductor,
  findDevice,
  freeDeviceId,
  freeLinkId,
  land,
  landedOn,
  lift,
  otherEnd,
  removeDevice,
} from '../../circuit';
import { PARTS } from '../../devices';
import { customaryColours } from '../../survey';
import { assign } from '../field/assign';
import { LANDING_MINUTES } from '../field/cable';
import { commonAt } from '../field/common';
import type { Facts, ConductorFunction } from '../field/functions';
import { joinedBackUp } from './joined';
import type { LandingReason } from './reason';
import type { SwapRequest } from './swap-request';
import { paramsOf, screwFor, setUpOf, wantsCommon } from './swap-request';

/** Something a conductor is needed for. */
export interface Need {
  role: ConductorFunction;
  /** Screw at the new thermostat and terminal at the unit. */
  screw: string;
  far: TerminalId;
  reason: LandingReason;
  /** Conductor that carries it now, if one does. */
  now: string | null;
}

/** A conductor that may carry something. */
export interface Candidate {
  cable: Cable;
  conductor: Conductor;
  /** Its end at the thermostat. */
  near: End;
}

/** Minutes: small things that tip the balance between equals. */
const OTHER_COLOUR = 0.2;
const OTHER_JACKET = 0.5;
const THIN = 1;
/** Thinner than this is kept off hot and common, AWG number. */
const THIN_GAUGE = 20;

/** Functions in the order in which they are served when conductors are short. */
const ORDER: readonly ConductorFunction[] = ['hot', 'Y', 'W', 'valve', 'G', 'Y2', 'W2', 'common'];

/** What the new thermostat needs a conductor for, in the order of importance. */
export function needsOf(
  circuit: Circuit,
  facts: Facts,
  wish: SwapRequest,
): { needs: Need[]; noCommon: boolean } {
  const needs = facts.leads.flatMap((lead): Need[] => {
    const { mark, reason } = screwFor(lead, facts, wish);
    if (mark === null || lead.far === null || lead.role === 'none') return [];
    return [{ role: lead.role, screw: mark, far: lead.far, reason, now: lead.conductor.id }];
  });
  const powers = facts.leads.find(
    ({ role, conductor }) =>
      role === 'hot' && needs.some(({ now, screw }) => now === conductor.id && screw !== 'RH'),
  );
  const has = needs.some(({ role }) => role === 'common');
  const far = wantsCommon(wish) && !has && powers ? commonAt(circuit, powers) : null;
  if (far)
    needs.push({
      role: 'common',
      screw: 'C',
      far,
      reason: { runs: [], screw: { type: 'new-common' } },
      now: null,
    });
  needs.sort((one, other) => ORDER.indexOf(one.role) - ORDER.indexOf(other.role));
  return { needs, noCommon: wantsCommon(wish) && !has && far === null };
}

/** Conductors between thermostat and unit that are on the thermostat or free at its end, dead ones left out. */
export function candidatesOf(circuit: Circuit, facts: Facts, jackets: readonly string[]): Candidate[] {
  const cables = new Set([...facts.leads.map(({ cable }) => cable.id), ...jackets]);
  return [...cables].flatMap((id) => {
    const cable = findCable(circuit, id);
    if (!cable) return [];
    const lead = facts.leads.find((entry) => entry.cable.id === id);
    const near: End = lead?.end ?? 'from';
    return cable.conductors
      .filter(
        ({ id: conductor, state, ...ends }) =>
          state !== 'broken' &&
          (ends[near] === null || facts.leads.some((entry) => entry.conductor.id === conductor)),
      )
      .map((conductor) => ({ cable, conductor, near }));
  });
}

/** Minutes it takes to have a conductor carry something. */
export function costOf(need: Need, { cable, conductor, near }: Candidate, home: string): number {
  if ((need.role === 'hot' || need.role === 'common') && cable.gauge > THIN_GAUGE + 2) return Infinity;
  const far = conductor[otherEnd(near)];
  return (
    LANDING_MINUTES +
    (far === need.far ? 0 : far === null ? LANDING_MINUTES : 2 * LANDING_MINUTES) +
    (customaryColours(need.screw).includes(conductor.colour) ? 0 : OTHER_COLOUR) +
    (cable.id === home ? 0 : OTHER_JACKET) +
    ((need.role === 'hot' || need.role === 'common') && cable.gauge > THIN_GAUGE ? THIN : 0)
  );
}

export interface Allocation {
  given: readonly { need: Need; to: Candidate }[];
  /** What no conductor is left for. */
  missing: readonly Need[];
  minutes: number;
}

/** Gives every need a conductor at the least work; what comes last goes without when they are short. */
export function allocate(needs: readonly Need[], candidates: readonly Candidate[]): Allocation {
  const home = candidates[0]?.cable.id ?? '';
  const cost = needs.map((need) => candidates.map((candidate) => costOf(need, candidate, home)));
  const columns = candidates.length === 0 ? needs.map(() => -1) : assign(cost);
  const given = needs.flatMap((need, i) => (columns[i]! < 0 ? [] : [{ need, to: candidates[columns[i]!]! }]));
  return {
    given,
    missing: needs.filter((_, i) => columns[i]! < 0),
    minutes: columns.reduce((sum, column, i) => sum + (column < 0 ? 0 : cost[i]![column]!), 0),
  };
}

/** The new thermostat in the old one's place, set up, with nothing landed on it; every conductor that was on the old one is free there. */
export function exchangeThermostat(
  circuit: Circuit,
  facts: Facts,
  wish: SwapRequest,
  changes: { station?: string; label?: string; supply?: SwapRequest['supply'] } = {},
): { circuit: Circuit; thermostat: string } {
  const old = findDevice(circuit, wish.device)!;
  const id = freeDeviceId(circuit, wish.device);
  const settings = Object.fromEntries(setUpOf(facts, wish).map(({ name, value }) => [name, value]));
  const fresh = addDevice(circuit, {
    id,
    kind: PARTS.thermostat,
    station: changes.station ?? old.station,
    label: changes.label ?? `New ${old.label.charAt(0).toLowerCase()}${old.label.slice(1)}`,
    params: {
      ...paramsOf({ ...wish, supply: changes.supply ?? wish.supply }),
      // It hangs where the old one hung.
      ...(old.params.zone !== undefined && { zone: old.params.zone }),
    },
    settings,
  });
  const exchanged = removeDevice(fresh, wish.device);
  const joined = joinedBackUp(circuit, facts, wish)?.to;
  return {
    circuit: joined
      ? addLink(exchanged, {
          id: freeLinkId(circuit),
          kind: 'jumper',
          joins: joined.map((mark) => `${id}.${mark}`),
        })
      : exchanged,
    thermostat: id,
  };
}

/** Lands an allocation on the new thermostat and frees, at both ends, what carries nothing any more. */
export function landAll(
  circuit: Circuit,
  thermostat: string,
  facts: Facts,
  { given }: Pick<Allocation, 'given'>,
): Circuit {
  const used = new Set(given.map(({ to }) => to.conductor.id));
  let landed = circuit;
  for (const { conductor, end } of facts.leads)
    if (!used.has(conductor.id)) landed = lift(lift(landed, conductor.id, end), conductor.id, otherEnd(end));
  // All far ends first off, so that two that change places never meet on one terminal.
  for (const { need, to } of given)
    if (findConductor(landed, to.conductor.id)![otherEnd(to.near)] !== need.far)
      landed = lift(landed, to.conductor.id, otherEnd(to.near));
  for (const { need, to } of given) {
    landed = land(landed, to.conductor.id, otherEnd(to.near), need.far);
    landed = land(landed, to.conductor.id, to.near, `${thermostat}.${need.screw}`);
  }
  return landed;
}

/** Whether a terminal has anything landed on it. */
export const isEmpty = (circuit: Circuit, terminal: TerminalId) =>
  landedOn(circuit, terminal).length === 0 && !circuit.links.some(({ joins }) => joins.includes(terminal));
