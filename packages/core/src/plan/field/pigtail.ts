/** Screws that would hold more than they take: a joint beside them, and one lead from it to the screw. */
import type { Circuit, End, TerminalId } from '../../circuit';
import {
  ENDS,
  addDevice,
  designationsOf,
  findConductor,
  findDevice,
  freeDeviceId,
  land,
  landedOn,
  marksOf,
  splitTerminal,
} from '../../circuit';
import type { TerminalRole } from '../../devices';
import { PARTS, kindOf } from '../../devices';
import type { ColourCode } from '../../standards';
import { addLeads } from './cable';
import type { Part } from './part';

/** Conductors a screw takes where its label says nothing; common practice. */
const TAKES = 2;

const CONTROL: ReadonlySet<TerminalRole> = new Set(['hot', 'common', 'call', 'contact', 'coil']);

interface Landed {
  conductor: string;
  end: End;
}

const endsOn = (circuit: Circuit, terminal: TerminalId): Landed[] =>
  landedOn(circuit, terminal).map(({ conductor, end }) => ({ conductor: conductor.id, end }));

/** Control terminals that hold more than they take, and more than they held before. */
function overfull(before: Circuit, after: Circuit): { terminal: TerminalId; takes: number }[] {
  return after.devices.flatMap((device) => {
    if (kindOf(device.kind).splices) return [];
    return designationsOf(device)
      .filter(({ role }) => CONTROL.has(role))
      .flatMap(({ mark, takes = TAKES }) => {
        const terminal = `${device.id}.${mark}`;
        const now = endsOn(after, terminal).length;
        return now > takes && now > endsOn(before, terminal).length ? [{ terminal, takes }] : [];
      });
  });
}

/**
 * Makes a pigtail of every screw a change lands too much on: what is new there, and of what was there as much as must, goes
 * to a joint, and one lead from it to the screw.
 *
 * @returns the circuit, and the connectors to bring.
 */
export function pigtailed(before: Circuit, after: Circuit): { circuit: Circuit; parts: Part[] } {
  const parts: Part[] = [];
  let circuit = after;
  for (const { terminal, takes } of overfull(before, after)) {
    const was = new Set(endsOn(before, terminal).map(({ conductor, end }) => `${conductor} ${end}`));
    const isOld = ({ conductor, end }: Landed) => was.has(`${conductor} ${end}`);
    const ends = endsOn(circuit, terminal);
    // Whatever was there stays as far as it may: one place is for the lead.
    const staying = ends.filter(isOld).slice(0, takes - 1);
    const moving = ends.filter((one) => !staying.includes(one));
    const { deviceId, mark } = splitTerminal(terminal);
    const joint = freeDeviceId(circuit, 'joint');
    const colour: ColourCode = findConductor(circuit, moving[0]!.conductor)!.colour;
    circuit = addDevice(circuit, {
      id: joint,
      kind: PARTS.joint,
      station: findDevice(circuit, deviceId)!.station,
      label: `${mark} joint`,
      params: {},
      settings: {},
    });
    const at = `${joint}.${marksOf(findDevice(circuit, joint)!)[0]!}`;
    for (const { conductor, end } of moving) circuit = land(circuit, conductor, end, at);
    circuit = addLeads(circuit, `${joint}Lead`, `${mark} pigtail`, [[colour, at, terminal]], 0.15);
    parts.push({ type: 'connector', conductors: moving.length + 1 });
  }
  return { circuit, parts };
}

/** Ends landed anywhere, for counting what a change lands. */
export const landedEnds = ({ cables }: Circuit): Set<string> =>
  new Set(
    cables.flatMap(({ conductors }) =>
      conductors.flatMap((conductor) =>
        ENDS.flatMap((end) => (conductor[end] === null ? [] : [`${conductor.id} ${end} ${conductor[end]}`])),
      ),
    ),
  );
