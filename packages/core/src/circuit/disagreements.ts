/**
 * Places where the wiring disagrees with its own marks. A disagreement is no proof of a mistake (the model
 * proves that); it says where to look first.
 */
import type { TerminalRole } from '../devices';
import { kindOf } from '../devices';
import { findDevice } from './find';
import { designationsOf, marksOf, splitTerminal } from './terminals';
import { functionsAgree, mispaired, terminalFunctions } from './terminal-functions';
import type { Cable, Circuit, Conductor, Device, End, Link, TerminalId } from './types';

export type Disagreement =
  /** A conductor between terminals of different functions. */
  | { type: 'conductor'; cable: Cable; conductor: Conductor; from: TerminalId; to: TerminalId }
  /** A conductor that is landed at one end only. */
  | { type: 'loose'; cable: Cable; conductor: Conductor; free: End; landed: TerminalId }
  /** A jumper between terminals of different functions, or across a device that sits in a conductor. */
  | { type: 'link'; link: Link }
  /** A splice, a coil, a supply or a device in a conductor with nothing to join. */
  | { type: 'empty'; terminal: TerminalId };

/**
 * Whether a thermostat's screw goes to the terminal that carries its very mark, where the equipment has one:
 * AUX may land on W2, but not beside a terminal that is marked AUX too.
 */
function isNearest(
  circuit: Circuit,
  functions: ReturnType<typeof terminalFunctions>,
  from: TerminalId,
  to: TerminalId,
): boolean {
  for (const [screw, terminal] of [
    [from, to],
    [to, from],
  ] as const) {
    const { deviceId, mark } = splitTerminal(screw);
    const device = findDevice(circuit, deviceId);
    if (!device || !kindOf(device.kind).asks || functions(terminal).has(mark)) continue;
    const equipment = findDevice(circuit, splitTerminal(terminal).deviceId);
    const others = equipment ? marksOf(equipment).map((other) => `${equipment.id}.${other}`) : [];
    if (others.some((other) => other !== terminal && functions(other).has(mark))) return false;
  }
  return true;
}

function ofConductors(circuit: Circuit, functions: ReturnType<typeof terminalFunctions>): Disagreement[] {
  const isMispaired = mispaired(circuit);
  return circuit.cables.flatMap((cable) =>
    cable.conductors.flatMap((conductor): Disagreement[] => {
      const { from, to } = conductor;
      if (from === null && to === null) return [];
      if (from === null) return [{ type: 'loose', cable, conductor, free: 'from', landed: to! }];
      if (to === null) return [{ type: 'loose', cable, conductor, free: 'to', landed: from }];
      return functionsAgree(functions(from), functions(to)) &&
        isNearest(circuit, functions, from, to) &&
        !isMispaired(from, to)
        ? []
        : [{ type: 'conductor', cable, conductor, from, to }];
    }),
  );
}

const known = new WeakMap<Device, readonly { mark: string; least: number }[]>();

/** Marks of a device that need ends landed on them, and how many. */
function needsOf(device: Device): readonly { mark: string; least: number }[] {
  const before = known.get(device);
  if (before) return before;
  const kind = kindOf(device.kind);
  const { own, unit } = kind.ownSupply ?? { own: [], unit: [] };
  const supplied: readonly string[] = [...own, ...unit];
  // A transformer feeds something, and a safety that has a supply lives on it.
  const feeds = (role: TerminalRole) =>
    (kind.primary ?? kind.safety) && (role === 'hot' || role === 'common');
  const needs = designationsOf(device).flatMap(({ mark, role, pairs, onward }) => {
    const needed =
      kind.inline || role === 'coil' || supplied.includes(mark) || (!pairs && !onward && feeds(role));
    const least = role === 'splice' ? 2 : needed ? 1 : 0;
    return least > 0 ? [{ mark, least }] : [];
  });
  known.set(device, needs);
  return needs;
}

/** Terminals that are there to be landed on, and the ends they need. */
function emptyTerminals({ devices, cables, links }: Circuit): Disagreement[] {
  const landed = new Map<TerminalId, number>();
  const count = (terminal: TerminalId | null) => {
    if (terminal !== null) landed.set(terminal, (landed.get(terminal) ?? 0) + 1);
  };
  for (const { conductors } of cables)
    for (const { from, to } of conductors) {
      count(from);
      count(to);
    }
  for (const { joins } of links) for (const terminal of joins) count(terminal);
  return devices.flatMap((device) =>
    needsOf(device).flatMap(({ mark, least }): Disagreement[] => {
      const terminal = `${device.id}.${mark}`;
      return (landed.get(terminal) ?? 0) < least ? [{ type: 'empty', terminal }] : [];
    }),
  );
}

/** Whether a jumper lies across a device that is there to be passed through. */
const isAcross = (circuit: Circuit, { joins }: Link): boolean =>
  circuit.devices.some(
    ({ id, kind }) =>
      kindOf(kind).inline && joins.filter((terminal) => splitTerminal(terminal).deviceId === id).length > 1,
  );

/** Every disagreement of a circuit; a circuit wired by its marks has none. */
export function disagreementsOf(circuit: Circuit): Disagreement[] {
  const functions = terminalFunctions(circuit);
  return [
    ...ofConductors(circuit, functions),
    ...circuit.links.flatMap((link): Disagreement[] =>
      isAcross(circuit, link) ||
      link.joins.some((one) => link.joins.some((other) => !functionsAgree(functions(one), functions(other))))
        ? [{ type: 'link', link }]
        : [],
    ),
    ...emptyTerminals(circuit),
  ];
}
