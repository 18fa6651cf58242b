/** A run with broken conductors: what it carries moved to its spares, a new cable pulled, or a wireless link outdoors. */
import type { Cable, Circuit, Conductor } from '../../circuit';
import { addCable, findCable, land, lift, removeCables, splitTerminal } from '../../circuit';
import type { Proof } from '../../prove';
import { prove } from '../../prove';
import { customaryColours } from '../../survey';
import { assign } from '../field/assign';
import { LANDING_MINUTES, cableFor, pullMinutes } from '../field/cable';
import type { Part, SpareUsed } from '../field/part';
import { cablePart } from '../field/part';
import { pigtailed } from '../field/pigtail';
import type { Landed } from './lines';
import { LINK_VA, byLink } from './link';
import { SHARED, sharedOn } from './shared';

/** How a run is put right, with what its name tells. */
export type RunMethod =
  | { id: 'spare'; spares: readonly SpareUsed[] }
  | { id: 'share'; calls: readonly [string, string] }
  | { id: 'new-cable'; conductors: number }
  | { id: 'link' };

export interface RunRepair {
  method: RunMethod;
  circuit: Circuit;
  parts: readonly Part[];
  minutes: number;
  proof: Proof;
}

const OTHER_COLOUR_MINUTES = 0.2;

/** Minutes it takes to have a conductor carry what another carries now. */
function moveCost(carried: Landed, candidate: Conductor): number {
  if (candidate.state === 'broken') return Infinity;
  if (candidate.id === carried.id) return 0;
  const taken = [candidate.from, candidate.to].filter((end) => end !== null).length;
  const usual = customaryColours(splitTerminal(carried.from).mark).includes(candidate.colour);
  return LANDING_MINUTES * (2 + taken) + (usual ? 0 : OTHER_COLOUR_MINUTES);
}

/** Moves what is carried to the conductors given, everything off first. */
function moved(circuit: Circuit, carried: readonly Landed[], to: readonly Conductor[]): Circuit {
  let changed = circuit;
  const moves = carried.flatMap((landed, i) => (to[i]!.id === landed.id ? [] : [{ landed, by: to[i]! }]));
  for (const { id } of [...moves.map(({ landed }) => landed), ...moves.map(({ by }) => by)])
    changed = lift(lift(changed, id, 'from'), id, 'to');
  for (const { landed, by } of moves)
    changed = land(land(changed, by.id, 'from', landed.from), by.id, 'to', landed.to);
  return changed;
}

function bySpare(circuit: Circuit, { conductors }: Cable, carried: readonly Landed[]): RunRepair[] {
  const columns = assign(carried.map((landed) => conductors.map((candidate) => moveCost(landed, candidate))));
  if (columns.some((column) => column < 0)) return [];
  const given = columns.map((column) => conductors[column]!);
  const spares = carried.flatMap((landed, i) =>
    given[i]!.id === landed.id ? [] : [{ colour: given[i]!.colour, mark: splitTerminal(landed.from).mark }],
  );
  if (spares.length === 0) return [];
  const after = moved(circuit, carried, given);
  return [
    {
      method: { id: 'spare', spares },
      circuit: after,
      parts: [],
      minutes: Math.round(carried.reduce((sum, landed, i) => sum + moveCost(landed, given[i]!), 0)),
      proof: prove(after)!,
    },
  ];
}

/** Minutes to mount the two halves of an adapter; from memory. */
const ADAPTER_MINUTES = 15;

/** Two calls on one conductor, where that leaves enough of them. */
function byShared(circuit: Circuit, { conductors }: Cable, carried: readonly Landed[]): RunRepair[] {
  const freed = carried.filter(({ id }) => id !== sharedOn(circuit, carried)?.freed.id);
  if (freed.length === carried.length) return [];
  const columns = assign(freed.map((landed) => conductors.map((candidate) => moveCost(landed, candidate))));
  if (columns.some((column) => column < 0)) return [];
  const given = columns.map((column) => conductors[column]!);
  const { freed: second, share } = sharedOn(circuit, carried)!;
  const without = lift(lift(circuit, second.id, 'from'), second.id, 'to');
  const { circuit: after, parts } = pigtailed(circuit, share(moved(without, freed, given)));
  const moves = freed.reduce((sum, landed, i) => sum + moveCost(landed, given[i]!), 0);
  return [
    {
      method: { id: 'share', calls: SHARED },
      circuit: after,
      parts: [{ type: 'sharing-adapter' }, ...parts],
      minutes: Math.round(ADAPTER_MINUTES + moves + 10 * LANDING_MINUTES),
      proof: prove(after)!,
    },
  ];
}

function byNewCable(circuit: Circuit, old: Cable, carried: readonly Landed[]): RunRepair[] {
  const cable = cableFor(
    circuit,
    old,
    carried.map(({ from, to }) => ({ mark: splitTerminal(from).mark, from, to })),
  );
  const after = addCable(removeCables(circuit, [old.id]), cable);
  return [
    {
      method: { id: 'new-cable', conductors: cable.conductors.length },
      circuit: after,
      parts: [cablePart(cable)],
      minutes: Math.round(pullMinutes(cable) + 2 * LANDING_MINUTES * carried.length),
      proof: prove(after)!,
    },
  ];
}

/** Minutes to mount two modules and a transformer and to pair them; from memory. */
const LINK_MINUTES = 45;

function overLink(circuit: Circuit, carried: readonly Landed[]): RunRepair[] {
  const link = byLink(circuit, carried);
  if (!link) return [];
  const { circuit: after, parts } = pigtailed(circuit, link.circuit);
  return [
    {
      method: { id: 'link' },
      circuit: after,
      parts: [{ type: 'link-set' }, { type: 'transformer', va: LINK_VA }, ...parts],
      minutes: Math.round(LINK_MINUTES + LANDING_MINUTES * (link.landings + 2 * carried.length)),
      proof: prove(after)!,
    },
  ];
}

/**
 * Ways to put right a run some of whose conductors are broken (tagged so), least work first.
 *
 * @throws RangeError when there is no such cable.
 */
export function planRun(circuit: Circuit, cableId: string): RunRepair[] {
  const cable = findCable(circuit, cableId);
  if (!cable) throw new RangeError(`There is no cable "${cableId}".`);
  const carried = cable.conductors.filter(
    (conductor): conductor is Landed => conductor.from !== null && conductor.to !== null,
  );
  if (!carried.some(({ state }) => state === 'broken')) return [];
  return [
    ...bySpare(circuit, cable, carried),
    ...[
      ...byShared(circuit, cable, carried),
      ...byNewCable(circuit, cable, carried),
      ...overLink(circuit, carried),
    ].sort((one, other) => one.minutes - other.minutes),
  ];
}
