/** From an element to the stamp it is in the matrix. */
import type { Element, Position } from '../devices';

export interface Admittance {
  re: number;
  im: number;
}

export type BranchOrigin =
  | { type: 'device'; device: string; element: string }
  | { type: 'conductor'; conductor: string }
  | { type: 'link'; link: string }
  | { type: 'jacket' }
  | { type: 'bridge' };

/** One stamp of the network. */
export interface Branch {
  /** `board:gas-valve`, `wire:c1`, `link:j1`: unique in the network. */
  id: string;
  origin: BranchOrigin;
  nature: 'load' | 'path' | 'capacitor' | 'source' | 'transformer';
  /** Node indices, −1 for earth, and the weight of each in the stamp. */
  nodes: readonly number[];
  weights: readonly number[];
  /** Weights at 0 Hz, where a transformer couples nothing. */
  dcWeights: readonly number[];
  positions: readonly string[];
  /** How many of them its device chooses between; those beyond are faults laid ready. */
  natural: number;
  /** By position, at mains frequency and at 0 Hz. */
  ac: readonly Admittance[];
  dc: readonly Admittance[];
  /** Open-circuit volts behind the admittance, for sources. */
  emf?: { ac: Admittance; dc: Admittance };
  /** The element as the catalogue gave it, for the netlist. */
  element: Element;
}

/** Branches held in positions, by index. */
export type Overlay = readonly { branch: number; position: number }[];

export const OPEN: Admittance = { re: 0, im: 0 };

/** Admittance of an impedance, siemens; `omega` in rad/s, 0 for direct current. */
export function admittance(impedance: Position, omega: number): Admittance {
  if (impedance === 'open') return OPEN;
  if (impedance.farads !== undefined && omega === 0) return OPEN;
  const reactance =
    omega * (impedance.henries ?? 0) - (impedance.farads ? 1 / (omega * impedance.farads) : 0);
  const square = impedance.ohms ** 2 + reactance ** 2;
  return { re: impedance.ohms / square, im: -reactance / square };
}

/** A branch before its nodes are numbered. */
export type Draft = Omit<Branch, 'nodes'> & { points: readonly string[] };

export function draftBranch(id: string, origin: BranchOrigin, element: Element, omega: number): Draft {
  const stamp = stampOf(element, omega);
  return { id, origin, element, ...stamp, natural: stamp.positions.length };
}

type Stamp = Omit<Draft, 'id' | 'origin' | 'element' | 'natural'>;

function stampOf(element: Element, omega: number): Stamp {
  const pair = { weights: [1, -1], dcWeights: [1, -1] };
  const single = (impedance: Position) => ({
    positions: ['on'],
    ac: [admittance(impedance, omega)],
    dc: [admittance(impedance, 0)],
  });
  if (element.kind === 'branch') {
    const impedances = Object.values(element.positions);
    return {
      nature: element.nature,
      points: [element.a, element.b],
      ...pair,
      positions: Object.keys(element.positions),
      ac: impedances.map((impedance) => admittance(impedance, omega)),
      dc: impedances.map((impedance) => admittance(impedance, 0)),
    };
  }
  if (element.kind === 'capacitor') {
    const ac = { re: 0, im: omega * element.farads };
    return {
      nature: 'capacitor',
      points: [element.a, element.b],
      ...pair,
      positions: ['on'],
      ac: [ac],
      dc: [OPEN],
    };
  }
  if (element.kind === 'source') {
    const angle = (element.phaseDegrees * Math.PI) / 180;
    const phasor = { re: element.volts * Math.cos(angle), im: element.volts * Math.sin(angle) };
    const emf =
      element.frequency === 'mains'
        ? { ac: phasor, dc: OPEN }
        : { ac: OPEN, dc: { re: element.volts, im: 0 } };
    return {
      nature: 'source',
      points: [element.a, element.b],
      ...pair,
      ...single(element.impedance),
      emf,
    };
  }
  const turns = 1 / element.ratio;
  return {
    nature: 'transformer',
    points: [...element.secondary, ...element.primary],
    weights: [1, -1, -turns, turns],
    dcWeights: [1, -1, 0, 0],
    ...single(element.impedance),
  };
}

/** A plain resistance between two points. */
export const wire = (a: string, b: string, ohms: number): Element => ({
  kind: 'branch',
  id: 'wire',
  a,
  b,
  nature: 'path',
  positions: { on: { ohms } },
});
