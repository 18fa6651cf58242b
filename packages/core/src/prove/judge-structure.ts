/**
 * Judges what the wiring is, whatever is called: hots that leave unprotected, overcurrent devices that do not
 * fit, guards passed by, a thermostat between two transformers.
 */
import { ENDS, designationsOf, otherEnd } from '../circuit';
import type { Cable, Conductor, End } from '../circuit';
import type { TerminalRole } from '../devices';
import { ratedAmps } from '../devices';
import type { Base, Choice, Installed, Network, OperatingPoint, Secondary } from '../network';
import { adjacent, ampsThrough, bridgeChange, bypassesIn, makeBase, passing, solveChanged } from '../network';
import { SHORT_OHMS, ohmsPerMetre, transformerStands } from '../standards';
import { judgeRun } from './judge-interconnect';
import type { Violation } from './violation';
import { fieldConductors } from './terminals';

/** A network at rest, with the branches that pass current in some state of the proof. */
interface Structure {
  network: Network;
  point: OperatingPoint;
  everPasses: (branch: number) => boolean;
  field: ReadonlyMap<string, { cable: Cable; conductor: Conductor }>;
}

const installedAt = (network: Network, device: string): Installed =>
  network.devices.find((entry) => entry.device.id === device)!;

/** Branches that open on overload, with the device they belong to. */
function protections(network: Network): Map<number, Installed> {
  return new Map(
    network.devices.flatMap((installed) => {
      const branch = installed.kind.protects && installed.branches.get(installed.kind.protects.element);
      return branch === undefined ? [] : [[branch, installed] as const];
    }),
  );
}

interface Reach {
  /** Nodes the current of a hot reaches over conductors and contacts. */
  nodes: Set<number>;
  /** Field conductors on the way, by the end it comes in at. */
  field: { cable: Cable; conductor: Conductor; end: End }[];
  /** Branches it was stopped at. */
  stops: Set<number>;
}

/** Where a hot gets to, over everything that ever passes current, stopping at some branches. */
function reachFrom(
  { network, everPasses, field }: Structure,
  start: number,
  stop: ReadonlySet<number>,
): Reach {
  const beside = adjacent(network);
  const reach: Reach = { nodes: new Set([start]), field: [], stops: new Set() };
  for (const node of reach.nodes)
    for (const { branch, to } of beside[node]!) {
      if (stop.has(branch)) {
        reach.stops.add(branch);
        continue;
      }
      if (reach.nodes.has(to) || !everPasses(branch)) continue;
      reach.nodes.add(to);
      const { origin } = network.branches[branch]!;
      const found = origin.type === 'conductor' ? field.get(origin.conductor) : undefined;
      if (found) {
        const end = ENDS.find((one) => found.conductor[one] === network.nodes[node]);
        if (end) reach.field.push({ ...found, end });
      }
    }
  return reach;
}

/** Amperes a branch would carry if the far end of a run were shorted to its transformer's common. */
function shortAmps(base: Base, node: number, common: number, returnOhms: number, through: number): number {
  const change = bridgeChange(node, common, SHORT_OHMS + returnOhms);
  return ampsThrough({ ...base.point, ...solveChanged(base, [change]) }, through);
}

const runOhms = ({ gauge, lengthM }: Cable) => ohmsPerMetre(gauge) * lengthM;

/** Every hot that leaves its compartment passes something that opens before transformer or conductor suffers. */
function protection(structure: Structure): Violation[] {
  const { network, point } = structure;
  const guards = protections(network);
  const stop = new Set(guards.keys());
  const base = makeBase(network, point.choice);
  return network.secondaries.flatMap((secondary): Violation[] => {
    const reach = reachFrom(structure, secondary.hot, stop);
    // A common that is reached is shorted: that is another property's.
    if (reach.nodes.has(secondary.common)) return [];
    const [leaves] = reach.field;
    const at = leaves?.conductor[leaves.end];
    const amps = (terminal: string) =>
      shortAmps(base, network.indexOf(terminal), secondary.common, 0, secondary.branch);
    return [
      ...(at
        ? [
            {
              property: 'protected' as const,
              about: secondary.device,
              terminal: at,
              amps: amps(at),
            },
          ]
        : []),
      ...[...reach.stops].flatMap((branch) =>
        unfit(structure, base, secondary, branch, guards.get(branch)!, stop),
      ),
    ];
  });
}

/** An overcurrent device that a short somewhere behind it does not open before the transformer suffers. */
function unfit(
  structure: Structure,
  base: Base,
  secondary: Secondary,
  branch: number,
  guard: Installed,
  stop: ReadonlySet<number>,
): Violation[] {
  const { network } = structure;
  const transformer = installedAt(network, secondary.device);
  const rated = ratedAmps(transformer.context.params);
  const [a, z] = network.branches[branch]!.nodes as [number, number];
  const feed = reachFrom(structure, secondary.hot, stop).nodes.has(a) ? z : a;
  const behind = reachFrom(structure, feed, stop);
  if (behind.nodes.has(secondary.common)) return [];
  const places = [
    { node: feed, ohms: 0 },
    ...behind.field.map(({ cable, conductor, end }) => ({
      node: network.indexOf(conductor[otherEnd(end)]!),
      ohms: runOhms(cable),
    })),
  ];
  const { opensIn } = guard.kind.protects!;
  for (const { node, ohms } of places) {
    const amps = shortAmps(base, node, secondary.common, ohms, branch);
    const opens = opensIn(amps, guard.context.params);
    const stands = transformerStands(amps / rated);
    if (amps <= rated || opens < stands) continue;
    return [
      {
        property: 'rating',
        about: guard.device.id,
        node: network.nodes[node]!,
        amps,
        opensS: opens,
        transformer: transformer.device.id,
        standsS: stands,
      },
    ];
  }
  return [];
}

/** Guards with a jumper or a conductor across them. */
const bypassed = ({ network }: Structure): Violation[] =>
  bypassesIn(network).map(({ device, nodes }) => ({ property: 'bypassed', about: device, nodes }));

/** Secondaries whose hot, or whose common, a node is joined to by conductors and closed contacts alone. */
const sourcesAt = (structure: Structure, node: number, side: 'hot' | 'common'): string[] => {
  const { nodes } = reachFrom(structure, node, new Set());
  return structure.network.secondaries.filter((entry) => nodes.has(entry[side])).map(({ device }) => device);
};

/** Hot and common of every supply a device takes: what a thermostat lives on, a panel's own beside the unit's. */
function suppliesOf(network: Network, { device, kind, branches }: Installed): (readonly [number, number])[] {
  const wire = kind.livesOn && branches.get(kind.livesOn.wire);
  const beside = kind.ownSupply ? [kind.ownSupply.own, kind.ownSupply.unit] : [];
  return [
    ...(wire === undefined ? [] : [network.branches[wire]!.nodes as [number, number]]),
    ...beside.map(
      ([hot, common]) =>
        [network.indexOf(`${device.id}.${hot}`), network.indexOf(`${device.id}.${common}`)] as const,
    ),
  ];
}

/** A device's supply from one transformer's hot to another's common: one violation a device. */
function foreignCommon(structure: Structure): Violation[] {
  return structure.network.devices.flatMap((installed): Violation[] =>
    suppliesOf(structure.network, installed)
      .flatMap(([hot, common]): Violation[] => {
        const from = sourcesAt(structure, hot, 'hot');
        const to = sourcesAt(structure, common, 'common');
        return from.length === 0 || to.length === 0 || from.some((id) => to.includes(id))
          ? []
          : [
              {
                property: 'foreign-common',
                about: installed.device.id,
                hot: from[0]!,
                common: to[0]!,
              },
            ];
      })
      .slice(0, 1),
  );
}

/** A device whose hot terminal lies on a transformer's common, and its common on that transformer's hot. */
function reversed(structure: Structure): Violation[] {
  const { network } = structure;
  return network.devices.flatMap(({ device, kind }): Violation[] => {
    if (kind.inline) return [];
    const designations = designationsOf(device);
    const on = (role: TerminalRole, side: 'hot' | 'common') =>
      designations
        .filter((one) => one.role === role)
        .flatMap(({ mark }) => sourcesAt(structure, network.indexOf(`${device.id}.${mark}`), side));
    const feeds = on('hot', 'common').filter((id) => on('common', 'hot').includes(id));
    const [supply] = feeds.filter((id) => !on('hot', 'hot').includes(id));
    return supply === undefined ? [] : [{ property: 'reversed', about: device.id, supply }];
  });
}

/** Commons of the transformers that the loads behind a call return to. */
function returnsOf(structure: Structure, call: number): Set<string> {
  const { network } = structure;
  const { nodes } = reachFrom(structure, call, new Set());
  const found = new Set<string>();
  network.branches.forEach(({ nature, nodes: ends }) => {
    if (nature !== 'load') return;
    const [a, z] = ends as [number, number];
    for (const [near, far] of [
      [a, z],
      [z, a],
    ] as const)
      if (near >= 0 && far >= 0 && nodes.has(near) && !nodes.has(far))
        for (const id of sourcesAt(structure, far, 'common')) found.add(id);
  });
  return found;
}

/** A hot screw of a thermostat, the transformers that feed it and those that its loads return to. */
interface Side {
  screw: string;
  from: readonly string[];
  returns: ReadonlySet<string>;
}

function sidesOf(structure: Structure, { kind, branches, context }: Installed): Side[] {
  const { network } = structure;
  const returns = new Map<number, Set<string>>();
  for (const { mark } of kind.designations(context.params).filter(({ role }) => role === 'call')) {
    const branch = branches.get(mark);
    if (branch === undefined) continue;
    const [hot, call] = network.branches[branch]!.nodes as [number, number];
    const known = returns.get(hot) ?? new Set<string>();
    for (const id of returnsOf(structure, call)) known.add(id);
    returns.set(hot, known);
  }
  return [...returns].map(([hot, found]) => ({
    screw: network.nodes[hot]!,
    from: sourcesAt(structure, hot, 'hot'),
    returns: found,
  }));
}

/** Hots from a transformer that their loads do not return to: two exchanged, or one that feeds what is not its own. */
function crossedHots(resting: Structure): Violation[] {
  return resting.network.devices.flatMap((installed): Violation[] => {
    const { device, kind } = installed;
    if (!kind.asks) return [];
    const [one, other] = sidesOf(resting, installed).filter(
      ({ from, returns }) => from.length === 1 && returns.size > 0 && !returns.has(from[0]!),
    );
    if (!one) return [];
    // Two screws fed from one and the same transformer are not exchanged.
    const found = { property: 'crossed-hots' as const, about: device.id };
    const [from] = one.from as [string];
    return other && other.from[0] !== from
      ? [{ ...found, exchanged: [from, other.from[0]!] }]
      : [{ ...found, exchanged: null, screw: one.screw, from, returns: [...one.returns][0]! }];
  });
}

/**
 * Every property the wiring by itself violates.
 *
 * @param point - the network at rest.
 * @param closed - choices of the states gone through: what passes current in any of them counts as closed.
 */
export function judgeStructure(
  network: Network,
  point: OperatingPoint,
  closed: readonly Choice[],
): Violation[] {
  const all = [point.choice, ...closed];
  const passes = network.branches.map((_, branch) => all.some((choice) => passing(network, choice, branch)));
  const structure: Structure = {
    network,
    point,
    everPasses: (branch) => passes[branch]!,
    field: new Map(fieldConductors(network.circuit).map((entry) => [entry.conductor.id, entry])),
  };
  // The calls themselves would join the hots: looked at with none made.
  const resting = { ...structure, everPasses: (branch: number) => passing(network, point.choice, branch) };
  return [
    ...protection(structure),
    ...bypassed(structure),
    ...foreignCommon(resting),
    ...reversed(resting),
    ...crossedHots(resting),
    ...judgeRun(network),
  ];
}
