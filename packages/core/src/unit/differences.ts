/** As found against the diagram: every difference, what it would do, and whether it may stay. */
import type { Circuit, End, TerminalId } from '../circuit';
import { ENDS } from '../circuit';
import type { ColourCode } from '../standards';
import { isEarthColour } from '../standards';
import type { Finding, Progress, Proof } from '../prove';
import { prove } from '../prove';
import type { DrawnWire, UnitDiagram } from './diagram';
import { asDrawn, foundWires, unitStation, wiresOfUnit } from './diagram';

export interface EndFound {
  end: End;
  drawn: TerminalId;
  /** `null` where it is free. */
  found: TerminalId | null;
}

/** What is otherwise about one wire. */
export interface WireFound {
  wire: DrawnWire;
  ends: readonly EndFound[];
  /** The colour and the number it has instead; a number of `null` where it has none. */
  colour?: ColourCode;
  number?: string | null;
}

/** A wire against its conductor; `null` where they are alike. */
function differenceOf(wire: DrawnWire, circuit: Circuit, diagram: UnitDiagram): WireFound | null {
  const conductor = foundWires(circuit, diagram).get(wire.id);
  const found = conductor ?? { from: null, to: null, colour: wire.colour, number: wire.number };
  // A wire has no direction: landed the other way round it is as drawn.
  const turned = found.from === wire.to && found.to === wire.from;
  const ends = ENDS.flatMap((end): EndFound[] =>
    turned || found[end] === wire[end] ? [] : [{ end, drawn: wire[end], found: found[end] }],
  );
  const colour = found.colour === wire.colour ? {} : { colour: found.colour };
  const number = found.number === wire.number ? {} : { number: found.number ?? null };
  const alike = ends.length === 0 && !('colour' in colour) && !('number' in number);
  return alike ? null : { wire, ends, ...colour, ...number };
}

/** Wires that differ together: one sits where the other belongs. */
export type Difference = readonly WireFound[];

export interface Told {
  difference: Difference;
  /** What it would do by itself, everything else as drawn; gravest first. */
  does: readonly Finding[];
  /**
   * `stay`: nothing about the circuit is otherwise. `equal`: landed otherwise, to the same effect. `go`: it must be put
   * right. `earth`: an earth's colour where there is no earth, or the other way round.
   */
  verdict: 'stay' | 'equal' | 'go' | 'earth';
}

export interface UnitReport {
  told: readonly Told[];
  /** Wires inside the unit that are not on its diagram. */
  undrawn: readonly DrawnWire[];
  /** What the unit as found does that the unit as drawn does not, all of it together. */
  together: readonly Finding[];
  asFound: Proof;
  /** With everything that must go put right; what may stay is left as it was found. */
  mended: Circuit;
}

/** Puts wires together that sit on one another's terminals. */
function grouped(all: readonly WireFound[]): Difference[] {
  const groups: WireFound[][] = [];
  const meets = (one: WireFound, other: WireFound) =>
    one.ends.some(({ found }) => found !== null && other.ends.some(({ drawn }) => drawn === found));
  for (const one of all) {
    const near = groups.filter((group) => group.some((other) => meets(one, other) || meets(other, one)));
    const rest = groups.filter((group) => !near.includes(group));
    groups.splice(0, groups.length, ...rest, [...near.flat(), one]);
  }
  return groups;
}

const key = ({ property, about }: Finding) => `${property} ${about}`;

/** What one proof finds that the other does not. */
const beyond = (proof: Proof, known: Proof): Finding[] => {
  const before = new Set(known.findings.map(key));
  return proof.findings.filter((finding) => !before.has(key(finding)));
};

/** A circuit as drawn, but for one difference. */
const withOnly = (circuit: Circuit, diagram: UnitDiagram, difference: Difference): Circuit =>
  asDrawn(
    circuit,
    diagram,
    diagram.wires.flatMap(({ id }) => (difference.some(({ wire }) => wire.id === id) ? [] : [id])),
  );

const isEarthly = ({ wire, colour }: WireFound) =>
  colour !== undefined && isEarthColour(colour) !== isEarthColour(wire.colour);

/** Whether other wires of the diagram join two terminals: past a contact they are not the same, whatever runs. */
function isJoined(wires: readonly DrawnWire[], one: TerminalId, other: TerminalId): boolean {
  const reached = new Set([one]);
  for (const at of reached)
    for (const { from, to } of wires) {
      if (from === at) reached.add(to);
      if (to === at) reached.add(from);
    }
  return reached.has(other);
}

function verdictOf(
  difference: Difference,
  does: readonly Finding[],
  { wires }: UnitDiagram,
): Told['verdict'] {
  if (difference.some(isEarthly)) return 'earth';
  if (difference.every(({ ends }) => ends.length === 0)) return 'stay';
  const others = wires.filter(({ id }) => !difference.some(({ wire }) => wire.id === id));
  const isSame = difference.every(({ ends }) =>
    ends.every(({ drawn, found }) => found !== null && isJoined(others, drawn, found)),
  );
  return does.length === 0 && isSame ? 'equal' : 'go';
}

/** Wires landed as drawn, each in the colour and with the number it was found with; an earth in an earth's colour. */
function mendedBy(circuit: Circuit, told: readonly Told[]): Circuit {
  const wires = told.flatMap(({ verdict, difference }) =>
    verdict !== 'go' && verdict !== 'earth'
      ? []
      : difference.map((found): DrawnWire => {
          const { number: drawn, ...wire } = found.wire;
          const number = found.number === undefined ? drawn : (found.number ?? undefined);
          return {
            ...wire,
            colour: found.colour === undefined || isEarthly(found) ? wire.colour : found.colour,
            ...(number !== undefined && { number }),
          };
        }),
  );
  return asDrawn(circuit, { wires, walked: [] });
}

/** Wires inside the unit that its diagram does not have. */
function wiresBeside(circuit: Circuit, { wires }: UnitDiagram): DrawnWire[] {
  const station = unitStation(circuit);
  const known = new Set(wires.map(({ id }) => id));
  return station === null ? [] : wiresOfUnit(circuit, station).filter(({ id }) => !known.has(id));
}

/**
 * Compares what was found with the diagram and simulates every difference by itself, then all together.
 *
 * @returns `null` when `progress` answered `false`.
 */
export function unitReport(
  circuit: Circuit,
  diagram: UnitDiagram,
  progress: Progress = () => true,
): UnitReport | null {
  const drawn = asDrawn(circuit, diagram);
  const found = diagram.wires.flatMap((wire) => differenceOf(wire, circuit, diagram) ?? []);
  const differences = grouped(found);
  const all = differences.length + 2;
  const good = prove(drawn);
  if (!good || !progress(1, all)) return null;
  const told: Told[] = [];
  for (const difference of differences) {
    const lands = difference.some(({ ends }) => ends.length > 0);
    const proof = lands ? prove(withOnly(circuit, diagram, difference)) : good;
    if (!proof || !progress(told.length + 2, all)) return null;
    const does = beyond(proof, good);
    told.push({ difference, does, verdict: verdictOf(difference, does, diagram) });
  }
  const asFound = found.some(({ ends }) => ends.length > 0) ? prove(circuit) : good;
  if (!asFound || !progress(all, all)) return null;
  const undrawn = wiresBeside(circuit, diagram);
  return { told, undrawn, together: beyond(asFound, good), asFound, mended: mendedBy(circuit, told) };
}
