/**
 * The run between the halves of a unit, put right: number to number, the colour free but the same at both ends, earth never
 * anything else. What is to be read there before and after power, and what every other way to land it would do.
 */
import type { Cable, Circuit, Conductor, End, TerminalId, UnitHalf } from '../../circuit';
import { ENDS, halvesOf, isFedAt, land, lift, otherEnd, splitTerminal } from '../../circuit';
import type { RunEffect, RunWay } from '../../ductless';
import { runEffect, runOf, runWays } from '../../ductless';
import type { Finding, Proof } from '../../prove';
import { prove } from '../../prove';
import type { LineRegion } from '../../standards';
import { RUN_COLOURS, isEarthColour } from '../../standards';
import { assign } from '../field/assign';
import { LANDING_MINUTES } from '../field/cable';
import { harmOf } from '../harm';
import type { RunReading } from './readings';
import { runReadings } from './readings';

/** What a conductor of the run is for. */
export const RUN_ROLES = ['line', 'neutral', 'signal', 'earth'] as const;
export type RunRole = (typeof RUN_ROLES)[number];

/** Why the run cannot be planned as it is recorded. */
export type HalvesObstacle =
  | 'no-halves'
  /** No supply is recorded at either half. */
  | 'not-fed'
  | 'fed-twice'
  /** No cable is recorded from one half to the other. */
  | 'no-run'
  | 'too-few'
  /** Nothing in the run has an earth's colour. */
  | 'no-earth';

/** One number of the run: where its conductor is, and where it belongs. */
export interface RunLine {
  role: RunRole;
  /** Its terminals at the fed half and at the other. */
  at: readonly [TerminalId, TerminalId];
  conductor: string;
  /** What that conductor is on now; `null` where it is landed nowhere. */
  found: readonly [TerminalId | null, TerminalId | null];
}

export interface HalvesPlan {
  /** Ids: where the supply comes in, and the other half. */
  fed: string;
  other: string;
  cable: string;
  lines: readonly RunLine[];
  /** What the run as it is recorded does; `null` while an end is missing. */
  asFound: RunEffect | null;
  circuit: Circuit;
  minutes: number;
  readings: readonly RunReading[];
  /** Every way to land it at the other half, number to number first. */
  ways: readonly RunWay[];
  proof: Proof;
  harm: readonly Finding[];
}

const terminal = ({ device }: UnitHalf, mark: string): TerminalId => `${device.id}.${mark}`;

/** A cable between the halves, and which of its ends is at the fed one. */
interface Between {
  cable: Cable;
  fedEnd: End;
}

/** Ends of a conductor that are at a half. */
const endsAt = (conductor: Conductor, { device }: UnitHalf): End[] =>
  ENDS.filter((end) => {
    const on = conductor[end];
    return on !== null && splitTerminal(on).deviceId === device.id;
  });

function between({ cables }: Circuit, fed: UnitHalf, other: UnitHalf): Between | null {
  for (const cable of cables) {
    const at = (half: UnitHalf) => cable.conductors.flatMap((conductor) => endsAt(conductor, half));
    const [here, there] = [at(fed), at(other)];
    const elsewhere = cable.conductors.some(({ from, to }) =>
      [from, to].some(
        (on) => on !== null && ![fed, other].some(({ device }) => splitTerminal(on).deviceId === device.id),
      ),
    );
    if (here.length > 0 && there.length > 0 && !elsewhere) return { cable, fedEnd: here[0]! };
  }
  return null;
}

/** So much sooner the other end is moved than the one at the fed half, where the work begins: minutes. */
const FED_END_MINUTES = 1;
/** Minutes a conductor of another colour than the usual one costs in looking twice; from memory. */
const OTHER_COLOUR_MINUTES = 0.2;

interface Wanted {
  role: RunRole;
  at: readonly [TerminalId, TerminalId];
}

const wantedOf = (fed: UnitHalf, other: UnitHalf): Wanted[] =>
  RUN_ROLES.map((role) => ({
    role,
    at: [terminal(fed, fed.at[role]), terminal(other, other.at[role])],
  }));

/** Minutes until a conductor serves a number; never where earth would be anything else, or anything else earth. */
function costOf({ role, at }: Wanted, conductor: Conductor, fedEnd: End, region: LineRegion): number {
  if (conductor.state === 'broken' || isEarthColour(conductor.colour) !== (role === 'earth')) return Infinity;
  const begins = conductor[fedEnd];
  const moves = [begins !== at[0], conductor[otherEnd(fedEnd)] !== at[1]];
  const usual = RUN_COLOURS[region][role] === conductor.colour;
  return (
    moves.filter(Boolean).length * LANDING_MINUTES +
    (begins !== null && begins !== at[0] ? FED_END_MINUTES : 0) +
    (usual ? 0 : OTHER_COLOUR_MINUTES)
  );
}

/** The run landed: everything of it that moves is lifted first, so that no two ever share a screw. */
function landed(circuit: Circuit, { cable, fedEnd }: Between, lines: readonly RunLine[]): Circuit {
  const otherOf = otherEnd(fedEnd);
  const wanted = new Map(
    lines.map(({ conductor, at }) => [
      conductor,
      { [fedEnd]: at[0], [otherOf]: at[1] } as Record<End, string>,
    ]),
  );
  const moves = cable.conductors.flatMap((conductor) =>
    ENDS.flatMap((end) => {
      const to = wanted.get(conductor.id)?.[end] ?? null;
      return conductor[end] === to ? [] : [{ id: conductor.id, end, to }];
    }),
  );
  const lifted = moves.reduce((now, { id, end }) => lift(now, id, end), circuit);
  return moves.reduce((now, { id, end, to }) => (to === null ? now : land(now, id, end, to)), lifted);
}

interface Found {
  fed: UnitHalf;
  other: UnitHalf;
  run: Between;
}

function foundIn(circuit: Circuit): Found | HalvesObstacle {
  const halves = halvesOf(circuit);
  if (halves.length !== 2) return 'no-halves';
  const supplied = halves.filter((half) => isFedAt(circuit, half));
  if (supplied.length !== 1) return supplied.length === 0 ? 'not-fed' : 'fed-twice';
  const [fed] = supplied as [UnitHalf];
  const other = halves.find((half) => half !== fed)!;
  const run = between(circuit, fed, other);
  return run ? { fed, other, run } : 'no-run';
}

/** The run of a circuit's two halves, number to number, in the colours usual in a region where it has them. */
export function planHalves(circuit: Circuit, region: LineRegion): HalvesPlan | HalvesObstacle {
  const found = foundIn(circuit);
  if (typeof found === 'string') return found;
  const { fed, other, run } = found;
  const { conductors, id } = run.cable;
  if (!conductors.some(({ colour, state }) => isEarthColour(colour) && state !== 'broken')) return 'no-earth';
  if (conductors.length < RUN_ROLES.length) return 'too-few';
  const wanted = wantedOf(fed, other);
  const columns = assign(
    wanted.map((one) => conductors.map((conductor) => costOf(one, conductor, run.fedEnd, region))),
  );
  if (columns.some((column) => column < 0)) return 'too-few';
  const lines = wanted.map(({ role, at }, i): RunLine => {
    const conductor = conductors[columns[i]!]!;
    return {
      role,
      at,
      conductor: conductor.id,
      found: [conductor[run.fedEnd], conductor[otherEnd(run.fedEnd)]],
    };
  });
  const made = landed(circuit, run, lines);
  const proof = prove(made)!;
  const moved = lines.flatMap(({ at, found: was }) => at.filter((to, i) => to !== was[i]));
  return {
    fed: fed.device.id,
    other: other.device.id,
    cable: id,
    lines,
    asFound: runOf(circuit) ? runEffect(circuit) : null,
    circuit: made,
    minutes: moved.length * LANDING_MINUTES,
    readings: runReadings(made, [fed, other]),
    ways: runWays(made, halvesOf(made).findIndex(({ device }) => device.id === other.device.id) as 0 | 1),
    proof,
    harm: harmOf(prove(circuit)!, proof),
  };
}
