/** What may be wrong with conductors: broken, loose, touching, landed elsewhere. */
import type { Cable, Circuit, Conductor, End, TerminalId } from '../../circuit';
import {
  ENDS,
  designationsOf,
  endNode,
  findConductor,
  marksOf,
  otherEnd,
  splitTerminal,
} from '../../circuit';
import { EARTH, contextOf, kindOf } from '../../devices';
import type { Alteration } from '../../network';
import { TOUCHING_OHMS } from '../../network';
import type { LandedEnd, WrongLanding } from '../../prove';
import { displacedBy, fieldConductors, lineTerminals, wrongLandings } from '../../prove';
import { ohmsPerMetre } from '../../standards';
import { unitStation } from '../../unit';
import type { Hypothesis } from './hypothesis';
import { hypothesis } from './hypothesis';

/** Judgement: how often each is met against one conductor broken out of sight. */
const BROKEN = 1;
const LOOSE = 1;
const POOR_JOINT = 0.5;
const TOUCHING = 0.3;
const GROUNDED = 0.4;
const CUT_THROUGH = 0.3;
const WRONG_LANDING = 0.15;
const STRAND = 0.1;
const NO_JUMPER = 0.5;
/** Wires inside one place fail far less often than those in the walls. */
const INDOORS_SHARE = 0.2;

/** A joint that is loose or corroded, ohms; from memory. */
const POOR_JOINT_OHMS = 40;

const idOf = ({ id }: Conductor) => `wire:${id}`;
export const ohmsOf = ({ gauge, lengthM }: Cable) => ohmsPerMetre(gauge) * lengthM;

type Landed = Conductor & { from: TerminalId; to: TerminalId };
const isLanded = (conductor: Conductor): conductor is Landed =>
  conductor.from !== null && conductor.to !== null;

function ofConductor(cable: Cable, conductor: Landed, share: number, onLine: boolean): Hypothesis[] {
  const { id } = conductor;
  const open: Alteration = { positions: { [idOf(conductor)]: 'open' } };
  const ends = ENDS.flatMap((end): Hypothesis[] => [
    hypothesis({
      id: `${id} loose ${end}`,
      failure: { type: 'loose', conductor: id, end },
      remedy: { type: 'land', conductor: id, end },
      weight: LOOSE * share,
      alteration: open,
    }),
    // On line voltage a joint like this burns open.
    ...(onLine
      ? []
      : [
          hypothesis({
            id: `${id} poor ${end}`,
            failure: { type: 'poor-joint', conductor: id, end },
            remedy: { type: 'land', conductor: id, end },
            weight: POOR_JOINT * share,
            alteration: { positions: { [idOf(conductor)]: { ohms: ohmsOf(cable) + POOR_JOINT_OHMS } } },
          }),
        ]),
  ]);
  return [
    hypothesis({
      id: `${id} broken`,
      failure: { type: 'broken', conductor: id },
      remedy: { type: 'replace-conductor', conductor: id },
      weight: BROKEN * share,
      alteration: open,
    }),
    hypothesis({
      id: `${id} grounded`,
      failure: { type: 'grounded', conductor: id },
      remedy: { type: 'replace-conductor', conductor: id },
      weight: GROUNDED * share,
      alteration: { bridges: [{ red: endNode(conductor, 'from'), black: EARTH, ohms: TOUCHING_OHMS }] },
    }),
    ...ends,
  ];
}

/** Every two conductors of one jacket, pinched together. */
function touching({ conductors }: Cable, share: number): Hypothesis[] {
  return conductors.flatMap((one, i) =>
    conductors.slice(i + 1).flatMap((other): Hypothesis[] => {
      const [red, black] = [endNode(one, 'from'), endNode(other, 'from')];
      if (red === black) return [];
      return [
        hypothesis({
          id: `${one.id} touches ${other.id}`,
          failure: { type: 'touching', conductor: one.id, other: other.id },
          remedy: { type: 'replace-conductor', conductor: one.id },
          weight: TOUCHING * share,
          alteration: { bridges: [{ red, black, ohms: TOUCHING_OHMS }] },
        }),
      ];
    }),
  );
}

const cutThrough = (cable: Cable): Hypothesis =>
  hypothesis({
    id: `${cable.id} cut through`,
    failure: { type: 'cut-through', cable: cable.id },
    remedy: { type: 'replace-cable', cable: cable.id },
    weight: CUT_THROUGH,
    alteration: {
      positions: Object.fromEntries(cable.conductors.map((conductor) => [idOf(conductor), 'open'])),
    },
  });

/** A conductor's end on another terminal: open where it was, joined where it is. */
export function relanded(
  circuit: Circuit,
  moves: readonly { conductor: string; end: End; on: TerminalId }[],
): Alteration {
  return {
    positions: Object.fromEntries(moves.map(({ conductor }) => [`wire:${conductor}`, 'open' as const])),
    bridges: moves.map(({ conductor, end, on }) => {
      const found = findConductor(circuit, conductor)!;
      const cable = circuit.cables.find(({ conductors }) => conductors.includes(found))!;
      return { red: endNode(found, otherEnd(end)), black: on, ohms: ohmsOf(cable) };
    }),
  };
}

/** A supply landed on another tap of a transformer's primary than the one for its volts. */
const wrongTaps = (circuit: Circuit): WrongLanding[] =>
  circuit.devices.flatMap(({ id, kind }) => {
    const taps = (kindOf(kind).primary?.taps ?? []).map(({ mark }) => `${id}.${mark}`);
    return circuit.cables.flatMap(({ conductors }) =>
      conductors.flatMap((conductor) =>
        ENDS.flatMap((end): WrongLanding[] => {
          const terminal = conductor[end];
          if (terminal === null || !taps.includes(terminal)) return [];
          const landed = { conductor: conductor.id, end, terminal };
          return taps.flatMap((on) => (on === terminal ? [] : [{ type: 'moved', landed, on }]));
        }),
      ),
    );
  });

/** Where there is more than one, a control transformer's secondary the wrong way round: it bucks the others. */
function reversedPhases({ devices, cables }: Circuit): WrongLanding[] {
  const all = cables.flatMap(({ conductors }) => conductors);
  const landedOn = (terminal: TerminalId) =>
    all.flatMap((conductor) =>
      ENDS.flatMap((end) =>
        conductor[end] === terminal ? [{ conductor: conductor.id, end, terminal }] : [],
      ),
    );
  const secondaries = devices.flatMap((device) => {
    const { id, kind } = device;
    if (!kindOf(kind).primary) return [];
    const marks = designationsOf(device);
    const [hot, common] = (['hot', 'common'] as const).map((role) =>
      marks.find((mark) => mark.role === role),
    );
    return hot && common ? [[landedOn(`${id}.${hot.mark}`), landedOn(`${id}.${common.mark}`)] as const] : [];
  });
  if (secondaries.length < 2) return [];
  return secondaries.flatMap(([[one, ...moreHot], [other, ...moreCommon]]): WrongLanding[] =>
    one && other && moreHot.length + moreCommon.length === 0 ? [{ type: 'exchanged', one, other }] : [],
  );
}

const landingsOn = ({ cables }: Circuit, device: string): LandedEnd[] =>
  cables.flatMap(({ conductors }) =>
    conductors.flatMap((conductor) =>
      ENDS.flatMap((end) => {
        const terminal = conductor[end];
        return terminal !== null && splitTerminal(terminal).deviceId === device
          ? [{ conductor: conductor.id, end, terminal }]
          : [];
      }),
    ),
  );

/** In a unit that is there wire by wire: every two wires exchanged on a motor's pins, or on a run capacitor. */
function exchangedInUnit(circuit: Circuit): WrongLanding[] {
  const station = unitStation(circuit);
  const apart = circuit.devices.filter((device) => {
    const kind = kindOf(device.kind);
    const pins = designationsOf(device).filter(({ role }) => role === 'winding');
    const holds = kind.capacitances(contextOf(device, circuit.mains)).length > 0;
    return device.station === station && (holds || pins.length > 1);
  });
  return apart.flatMap(({ id }) => {
    const landings = landingsOn(circuit, id);
    return landings.flatMap((one, i) =>
      landings
        .slice(i + 1)
        .flatMap((other): WrongLanding[] =>
          other.terminal === one.terminal || other.conductor === one.conductor
            ? []
            : [{ type: 'exchanged', one, other }],
        ),
    );
  });
}

function landingHypotheses(circuit: Circuit): Hypothesis[] {
  const wrongs = [
    ...wrongLandings(circuit).flatMap(({ wrong, alike }) => [wrong, ...alike]),
    ...wrongTaps(circuit),
    ...reversedPhases(circuit),
    ...exchangedInUnit(circuit),
  ];
  const made = wrongs.map((wrong) => {
    const moves = displacedBy(wrong);
    const [first] = moves;
    return hypothesis({
      id: moves.map(({ conductor, end, on }) => `${conductor} ${end} on ${on}`).join(', '),
      failure: { type: 'landing', wrong },
      remedy: { type: 'land', conductor: first!.conductor, end: first!.end },
      weight: WRONG_LANDING,
      alteration: relanded(circuit, moves),
    });
  });
  const once = new Map(made.map((one) => [one.id, one]));
  return [...once.values()];
}

/** A strand from one terminal to the next on the same block, where both have a wire. */
function strands(circuit: Circuit, landed: ReadonlySet<TerminalId>): Hypothesis[] {
  return circuit.devices.flatMap((device) => {
    const terminals = marksOf(device).map((mark) => `${device.id}.${mark}`);
    return terminals.slice(1).flatMap((terminal, i): Hypothesis[] => {
      const pair = [terminals[i]!, terminal] as const;
      if (!pair.every((one) => landed.has(one))) return [];
      return [
        hypothesis({
          id: `strand ${pair.join(' ')}`,
          failure: { type: 'strand', terminals: pair },
          remedy: { type: 'tidy', terminals: pair },
          weight: STRAND,
          alteration: { bridges: [{ red: pair[0], black: pair[1], ohms: TOUCHING_OHMS }] },
        }),
      ];
    });
  });
}

const noJumpers = ({ links }: Circuit): Hypothesis[] =>
  links.map(({ id, joins }) =>
    hypothesis({
      id: `${id} missing`,
      failure: { type: 'no-jumper', link: id },
      remedy: { type: 'jumper', link: id },
      weight: NO_JUMPER,
      alteration: {
        positions: Object.fromEntries(joins.slice(1).map((_, i) => [`link:${id}:${i}`, 'open' as const])),
      },
    }),
  );

export function wiringHypotheses(circuit: Circuit): Hypothesis[] {
  const line = lineTerminals(circuit);
  const field = new Set(fieldConductors(circuit).map(({ conductor }) => conductor.id));
  const fieldEnds = new Set(
    fieldConductors(circuit).flatMap(({ conductor: { from, to } }) => [from, to].flatMap((end) => end ?? [])),
  );
  const cables = circuit.cables.map((cable) => ({
    cable,
    inField: cable.conductors.some(({ id }) => field.has(id)),
  }));
  return [
    ...cables.flatMap(({ cable, inField }) =>
      cable.conductors.flatMap((conductor) =>
        isLanded(conductor)
          ? ofConductor(
              cable,
              conductor,
              inField ? 1 : INDOORS_SHARE,
              line.has(conductor.from) || line.has(conductor.to),
            )
          : [],
      ),
    ),
    ...cables.flatMap(({ cable, inField }) => (inField ? touching(cable, 1) : [])),
    ...cables.flatMap(({ cable, inField }) =>
      inField && cable.conductors.length > 1 ? [cutThrough(cable)] : [],
    ),
    ...landingHypotheses(circuit),
    ...strands(circuit, fieldEnds),
    ...noJumpers(circuit),
  ];
}
