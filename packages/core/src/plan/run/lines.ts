/** What the conductors of a run outdoors are for, and where each ends. */
import type { Circuit, Conductor, TerminalId } from '../../circuit';
import { splitTerminal, terminalFunctions } from '../../circuit';

/** A conductor with both its landings. */
export type Landed = Conductor & { from: TerminalId; to: TerminalId };

/** What a run carries besides hot and common: compressor and valve calls outwards, what defrost asks for back. */
export type Carried = 'Y' | 'O' | 'D';

/** One conductor of the run: what it is for, and where it ends. */
export interface Line {
  role: Carried | 'hot' | 'common';
  indoors: TerminalId;
  outdoors: TerminalId;
}

const isOutdoors = ({ stations, devices }: Circuit, terminal: TerminalId): boolean => {
  const device = devices.find(({ id }) => id === splitTerminal(terminal).deviceId);
  return stations.find(({ id }) => id === device?.station)?.kind === 'outdoor';
};

function roleOf(functions: ReadonlySet<string>, mark: string): Line['role'] | null {
  if (functions.has('hot')) return 'hot';
  if (functions.has('common')) return 'common';
  // Defrost is asked for on a terminal that is a call to everybody else.
  if (mark === 'D') return 'D';
  if (functions.has('Y')) return 'Y';
  return functions.has('O') || functions.has('B') ? 'O' : null;
}

/** What each conductor of a run is for; `null` where one is for something else, or the run is no run outdoors. */
export function linesOf(circuit: Circuit, carried: readonly Landed[]): Line[] | null {
  const functions = terminalFunctions(circuit);
  const lines: Line[] = [];
  for (const { from, to } of carried) {
    const [indoors, outdoors] = isOutdoors(circuit, to) ? [from, to] : [to, from];
    if (isOutdoors(circuit, indoors) || !isOutdoors(circuit, outdoors)) return null;
    const role = roleOf(functions(outdoors), splitTerminal(outdoors).mark);
    if (role === null || lines.some((line) => line.role === role)) return null;
    lines.push({ role, indoors, outdoors });
  }
  return lines.some(({ role }) => role === 'Y') ? lines : null;
}
