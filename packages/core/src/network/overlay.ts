/**
 * Faults laid ready over one network: each only puts some branches into positions of its own or closes a bridge, so
 * that a circuit is compiled, and its pattern analysed, once for all of them.
 */
import type { Position } from '../devices';
import type { Network } from './compile';
import { link } from './compile';
import type { Admittance, Branch, Draft, Overlay } from './draft';
import { OPEN, admittance, draftBranch, wire } from './draft';
import type { Bridge } from './faults';
import { OPENED_OHMS } from './faults';

/** The network with its sources of mains at a share of their volts; the same nodes, branches and positions. */
export function fedAt(network: Network, share: number): Network {
  const scaled = ({ re, im }: Admittance) => ({ re: re * share, im: im * share });
  return {
    ...network,
    branches: network.branches.map((branch) =>
      branch.emf ? { ...branch, emf: { ...branch.emf, ac: scaled(branch.emf.ac) } } : branch,
    ),
    ...(network.under && { under: fedAt(network.under, share) }),
  };
}

/** What a fault does to a network. */
export interface Alteration {
  /** By branch id, the impedance it is held at; branches that are not there are passed over. */
  positions?: Readonly<Record<string, Position>>;
  bridges?: readonly Bridge[];
}

function withPosition<B extends Branch | Draft>(branch: B, impedance: Position, omega: number): B {
  const { element, nature } = branch;
  const at = (frequency: number) => {
    if (element.kind === 'capacitor') return OPEN;
    const opened = nature === 'source' || nature === 'transformer' ? { ohms: OPENED_OHMS } : 'open';
    return admittance(impedance === 'open' ? opened : impedance, frequency);
  };
  return {
    ...branch,
    positions: [...branch.positions, `held-${branch.positions.length}`],
    ac: [...branch.ac, at(omega)],
    dc: [...branch.dc, at(0)],
  };
}

const keyOf = (impedance: Position) =>
  impedance === 'open' ? 'open' : `${impedance.ohms} ${impedance.henries ?? 0} ${impedance.farads ?? ''}`;

/** Id of the branch between two points that a bridge closes. */
export const bridgeId = ({ red, black }: Pick<Bridge, 'red' | 'black'>): string =>
  `bridge:${[red, black].sort().join(' ')}`;

/**
 * A network that can be put into any of several alterations, and for each of them the positions to hold.
 * With none held it is the network as it was.
 */
export function layOver(
  network: Network,
  alterations: readonly Alteration[],
): { network: Network; overlays: readonly Overlay[] } {
  const { circuit, nodes, devices } = network;
  const omega = 2 * Math.PI * circuit.mains.hertz;
  const pointOf = (node: number) => (node < 0 ? 'earth' : nodes[node]!);
  const drafts = network.branches.map(({ nodes: ends, ...branch }): Draft => ({
    ...branch,
    points: ends.map(pointOf),
  }));
  const byId = new Map(drafts.map(({ id }, b) => [id, b]));
  const known = new Map<string, number>();
  const positionAt = (branch: number, impedance: Position) => {
    const key = `${branch} ${keyOf(impedance)}`;
    const found = known.get(key);
    if (found !== undefined) return found;
    drafts[branch] = withPosition(drafts[branch]!, impedance, omega);
    const position = drafts[branch]!.positions.length - 1;
    known.set(key, position);
    return position;
  };
  const bridges = new Map<string, number>();
  const bridgeAt = (bridge: Bridge) => {
    const { red, black, ohms } = bridge;
    const id = bridgeId(bridge);
    const branch = bridges.get(id) ?? drafts.length;
    if (branch === drafts.length) {
      const absent = draftBranch(id, { type: 'bridge' }, wire(red, black, ohms), omega);
      drafts.push({ ...absent, ac: [OPEN], dc: [OPEN] });
      bridges.set(id, branch);
    }
    return { branch, position: positionAt(branch, { ohms }) };
  };
  const overlays = alterations.map((alteration): Overlay => [
    ...Object.entries(alteration.positions ?? {}).flatMap(([id, impedance]) => {
      const branch = byId.get(id);
      return branch === undefined ? [] : [{ branch, position: positionAt(branch, impedance) }];
    }),
    ...(alteration.bridges ?? []).map(bridgeAt),
  ]);
  const laid = link(circuit, network.faults, devices, drafts);
  const under = network.under ?? network;
  return { network: laid.nodes.length === under.nodes.length ? { ...laid, under } : laid, overlays };
}
