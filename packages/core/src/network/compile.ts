/**
 * From a circuit document to a network ready to solve: every element becomes a
 * symmetric stamp y·u·uᵀ over a few nodes, with its possible admittances worked out
 * beforehand, at mains frequency and at 0 Hz.
 *
 * Sources and ideal transformers each have a series impedance, so the branch-current
 * unknowns of modified nodal analysis are eliminated here, element by element; what is
 * left is complex symmetric and as sparse as the wiring.
 */
import type { Circuit, Conductor, Device } from '../circuit';
import { endNode } from '../circuit';
import type { DeviceKind, Element } from '../devices';
import { EARTH, STRAP_OHMS, fill, kindOf } from '../devices';
import type { Context } from '../devices';
import { EARTH_FARADS_PER_METRE, JACKET_FARADS_PER_METRE, ohmsPerMetre } from '../standards';
import type { Bridge, Fault } from './faults';
import type { Branch, Draft, Overlay } from './draft';
import { draftBranch, wire } from './draft';
import { conductorFaults, overrideElements } from './faults';
import type { Pattern } from './ldl';
import { analyse } from './ldl';

/** Leak from every node to earth, siemens: floating islands keep a defined voltage. */
export const LEAK_SIEMENS = 1e-10;

/** A device of the circuit with its kind, its filled-in values and its branches. */
export interface Installed {
  device: Device;
  kind: DeviceKind;
  context: Context;
  /** Branch index by element id. */
  branches: ReadonlyMap<string, number>;
}

export interface Network {
  circuit: Circuit;
  /** What was laid over the circuit. */
  faults: readonly Fault[];
  /** Names of the nodes by index: terminals, `device#inner`, `conductor~end`. */
  nodes: readonly string[];
  indexOf(point: string): number;
  branches: readonly Branch[];
  devices: readonly Installed[];
  pattern: Pattern;
  /** Slots in the pattern that each branch's stamp adds to, row by row. */
  slots: readonly Int32Array[];
  diagonal: Int32Array;
  /** The secondaries of its control transformers. */
  secondaries: readonly Secondary[];
  /** The same without the branches laid over it, where its nodes are the same: much less is to be factorised. */
  under?: Network;
  /** Branches held in a position whatever their device chooses: a fault that was laid ready. */
  held?: Overlay;
}

/** A transformer's secondary, as node indices. */
export interface Secondary {
  device: string;
  branch: number;
  hot: number;
  common: number;
}

const secondariesOf = (devices: readonly Installed[], all: readonly Branch[]): Secondary[] =>
  devices.flatMap(({ device, kind, context, branches }) =>
    kind.elements(context).flatMap((element) => {
      if (element.kind !== 'transformer' || !element.supplies) return [];
      const branch = branches.get(element.id)!;
      const [hot, common] = all[branch]!.nodes as [number, number];
      return [{ device: device.id, branch, hot, common }];
    }),
  );

/** Shorter cables are loose leads inside a cabinet and couple nothing a meter could find, metres. */
const SHORTEST_JACKET_M = 2;

/** Names a device's local point in the whole network. */
const globalPoint = (device: string, local: string) =>
  local === EARTH ? EARTH : local.startsWith('#') ? `${device}${local}` : `${device}.${local}`;

function placed(device: string, element: Element): Element {
  const at = (local: string) => globalPoint(device, local);
  return element.kind === 'transformer'
    ? {
        ...element,
        primary: [at(element.primary[0]), at(element.primary[1])],
        secondary: [at(element.secondary[0]), at(element.secondary[1])],
      }
    : { ...element, a: at(element.a), b: at(element.b) };
}

/** Capacitance of each pair in a jacket and of each conductor to earth, half at either end. */
function jacketDrafts(conductors: readonly Conductor[], lengthM: number, omega: number): Draft[] {
  const drafts: Draft[] = [];
  const add = (id: string, a: string, b: string, perMetre: number) => {
    const element: Element = { kind: 'capacitor', id: 'jacket', a, b, farads: (perMetre * lengthM) / 2 };
    if (a !== b) drafts.push(draftBranch(id, { type: 'jacket' }, element, omega));
  };
  for (const end of ['from', 'to'] as const)
    conductors.forEach((one, i) => {
      add(`earth:${one.id}~${end}`, endNode(one, end), EARTH, EARTH_FARADS_PER_METRE);
      for (const other of conductors.slice(i + 1))
        add(
          `pair:${one.id}~${end}:${other.id}`,
          endNode(one, end),
          endNode(other, end),
          JACKET_FARADS_PER_METRE,
        );
    });
  return drafts;
}

/**
 * Compiles a valid circuit, with faults laid over it and bridges (a jumper lead, an
 * ammeter) held across it.
 *
 * @param copperC - temperature of the conductors, °C; 20 when left out.
 */
export function compile(
  circuit: Circuit,
  faults: readonly Fault[] = [],
  bridges: readonly Bridge[] = [],
  copperC?: number,
): Network {
  const omega = 2 * Math.PI * circuit.mains.hertz;
  const drafts: Draft[] = [];
  const devices: Installed[] = circuit.devices.map((device) => {
    const kind = kindOf(device.kind);
    const context: Context = {
      params: fill(kind.params, device.params),
      settings: fill(kind.settings, device.settings),
      mains: circuit.mains,
    };
    const branches = new Map<string, number>();
    for (const element of overrideElements(kind, device.id, kind.elements(context), faults)) {
      branches.set(element.id, drafts.length);
      const origin = { type: 'device', device: device.id, element: element.id } as const;
      drafts.push(draftBranch(`${device.id}:${element.id}`, origin, placed(device.id, element), omega));
    }
    return { device, kind, context, branches };
  });
  for (const cable of circuit.cables) {
    const ohms = ohmsPerMetre(cable.gauge, copperC) * cable.lengthM;
    for (const conductor of cable.conductors) {
      const broken = conductorFaults(conductor.id, faults).open;
      const element = wire(endNode(conductor, 'from'), endNode(conductor, 'to'), ohms);
      const held: Element =
        broken && element.kind === 'branch' ? { ...element, positions: { on: 'open' } } : element;
      drafts.push(
        draftBranch(`wire:${conductor.id}`, { type: 'conductor', conductor: conductor.id }, held, omega),
      );
    }
    if (cable.lengthM >= SHORTEST_JACKET_M)
      drafts.push(...jacketDrafts(cable.conductors, cable.lengthM, omega));
  }
  for (const link of circuit.links)
    link.joins.slice(1).forEach((terminal, i) => {
      const element = wire(link.joins[0]!, terminal, STRAP_OHMS);
      drafts.push(draftBranch(`link:${link.id}:${i}`, { type: 'link', link: link.id }, element, omega));
    });
  const shorts = circuit.cables.flatMap(({ conductors }) =>
    conductors.flatMap((one) => conductorFaults(one.id, faults).shorts(conductors, one)),
  );
  [...shorts, ...bridges].forEach(({ red, black, ohms }, i) =>
    drafts.push(draftBranch(`bridge:${i}`, { type: 'bridge' }, wire(red, black, ohms), omega)),
  );
  return link(circuit, faults, devices, drafts);
}

/** Numbers the nodes and lays out the matrix. */
export function link(
  circuit: Circuit,
  faults: readonly Fault[],
  devices: readonly Installed[],
  drafts: readonly Draft[],
): Network {
  const index = new Map<string, number>([[EARTH, -1]]);
  const nodes: string[] = [];
  const indexOf = (point: string) => {
    const known = index.get(point);
    if (known !== undefined) return known;
    index.set(point, nodes.length);
    return nodes.push(point) - 1;
  };
  for (const { device, kind, context } of devices)
    for (const { mark } of kind.designations(context.params)) indexOf(`${device.id}.${mark}`);
  const branches = drafts.map(({ points, ...draft }): Branch => ({ ...draft, nodes: points.map(indexOf) }));
  const adjacency = nodes.map(() => new Set<number>());
  for (const { nodes: ends } of branches)
    for (const one of ends)
      for (const other of ends) if (one >= 0 && other >= 0 && one !== other) adjacency[one]!.add(other);
  const pattern = analyse(adjacency);
  const slots = branches.map(({ nodes: ends }) =>
    Int32Array.from(
      ends.flatMap((one, i) =>
        ends.slice(i).map((other) => (one < 0 || other < 0 ? -1 : pattern.slot(one, other))),
      ),
    ),
  );
  const find = (point: string) => {
    const found = index.get(point);
    if (found === undefined) throw new RangeError(`There is no point "${point}" in this circuit`);
    return found;
  };
  const diagonal = Int32Array.from(nodes, (_, node) => pattern.slot(node, node));
  const secondaries = secondariesOf(devices, branches);
  return { circuit, faults, nodes, indexOf: find, branches, devices, pattern, slots, diagonal, secondaries };
}
