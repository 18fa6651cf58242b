/**
 * A fire panel's loop, and the station, moved from one detector to another: the loop only taken on, or the old detector taken
 * out. Jackets that nothing needs any more are used again where they have the conductors; otherwise a cable is pulled. The
 * resistor goes to the last device. Whatever comes of it is proven, and the loop gone over as it then is.
 */
import type { Inputs } from '../../behaviour';
import { facesOf, holding, settle } from '../../behaviour';
import type { Circuit, End, TerminalId } from '../../circuit';
import {
  ENDS,
  findCable,
  findConductor,
  findDevice,
  land,
  lift,
  otherEnd,
  removeDevice,
  splitTerminal,
} from '../../circuit';
import { elementsOf, kindOf } from '../../devices';
import type { Jacket, JacketFunction, Landed, Loop, Lost } from '../../fire';
import { jacketEffect, jacketsAt, loopsOf, protectionLost } from '../../fire';
import type { Finding, Proof } from '../../prove';
import { compile } from '../../network';
import { prove } from '../../prove';
import { addLeads } from '../field/cable';
import { harmOf } from '../harm';
import type { Free, Wanted } from './joining';
import { joint, takeOn } from './joining';

/** A new cable between two places that no other goes between, m; to be measured. */
const PULLED_M = 15;

export type MoveWay = 'on' | 'over';

export interface LoopMove {
  /** `on`: the old detector stays and the loop goes on to the new one. `over`: the old one is taken out. */
  way: MoveWay;
  circuit: Circuit;
  /** Jackets that carry something else now, and new ones; labels. */
  reused: readonly string[];
  pulled: readonly string[];
  /** Jackets that nothing needs any more: both ends insulated. */
  retired: readonly string[];
  /** Stations that test and reset nothing any more: they do not mix with the new detector. */
  deadStations: readonly string[];
  loops: readonly Loop[];
  lost: readonly Lost[];
  proof: Proof;
  /** What it would violate that is not violated now. */
  harm: readonly Finding[];
}

/** Whether it may be offered: nothing is worse than it was, and the panel hears and watches all there is. */
export const isSound = ({ harm, lost, loops }: LoopMove): boolean =>
  harm.length === 0 &&
  lost.length === 0 &&
  loops.every(
    ({ reads, unwatched, unheard }) => reads === 'normal' && unwatched.length === 0 && unheard.length === 0,
  );

const IDLE: Inputs = { controls: {}, conditions: { indoorC: 22, outdoorC: 20 } };

const stationOf = (circuit: Circuit, terminal: TerminalId | null) =>
  terminal === null ? undefined : findDevice(circuit, splitTerminal(terminal).deviceId)?.station;

interface Sorted extends Jacket {
  does: JacketFunction;
}

/** Where the other end of a landed conductor is. */
const farOf = (circuit: Circuit, { conductor, end }: Landed): TerminalId | null =>
  findConductor(circuit, conductor)![otherEnd(end)];

/** A job between two detectors. */
interface Move {
  circuit: Circuit;
  from: string;
  to: string;
  /** Places of the two. */
  place: string;
  dest: string;
  jackets: readonly Sorted[];
}

function moveOf(circuit: Circuit, from: string, to: string): Move {
  const place = findDevice(circuit, from)!.station;
  const dest = findDevice(circuit, to)!.station;
  const jackets = jacketsAt(circuit, from).map((jacket) => ({
    ...jacket,
    does: jacketEffect(circuit, from, jacket).does,
  }));
  return { circuit, from, to, place, dest, jackets };
}

/** Length of what goes between the two places already. */
const lengthBetween = ({ circuit, jackets, dest }: Move): number =>
  Math.max(
    0,
    ...jackets
      .filter((jacket) => jacket.landed.some((one) => stationOf(circuit, farOf(circuit, one)) === dest))
      .map(({ cable }) => findCable(circuit, cable)!.lengthM),
  ) || PULLED_M;

/** Every resistor's leads from one detector to the same marks of the other, and the resistor to its place. */
function resistorMoved(circuit: Circuit, { from, to, dest }: Pick<Move, 'from' | 'to' | 'dest'>): Circuit {
  const resistors = new Set(
    circuit.devices.filter(({ kind }) => kindOf(kind).terminates).map(({ id }) => id),
  );
  const idOf = (terminal: TerminalId | null) => (terminal === null ? '' : splitTerminal(terminal).deviceId);
  const moved = new Set<string>();
  let now = circuit;
  for (const { conductors } of circuit.cables)
    for (const conductor of conductors)
      for (const end of ENDS) {
        const [terminal, far] = [conductor[end], idOf(conductor[otherEnd(end)])];
        if (terminal === null || idOf(terminal) !== from || !resistors.has(far)) continue;
        now = land(now, conductor.id, end, `${to}.${splitTerminal(terminal).mark}`);
        moved.add(far);
      }
  return {
    ...now,
    devices: now.devices.map((one) => (moved.has(one.id) ? { ...one, station: dest } : one)),
  };
}

interface Made {
  circuit: Circuit;
  reused: string[];
  pulled: string[];
  retired: string[];
}

/** The loop taken on from the old detector to the new one. */
function takenOn(move: Move): Made {
  const { circuit, from, to } = move;
  const marks = alarmMarks(circuit, from);
  const label = `Loop on to ${findDevice(circuit, to)!.label}`;
  const leads = marks.map((mark, i) => [i === 0 ? 'RD' : 'BK', `${from}.${mark}`, `${to}.${mark}`] as const);
  const ended = resistorMoved(circuit, move);
  return {
    circuit: addLeads(ended, 'loopOn', label, leads, lengthBetween(move)),
    reused: [],
    pulled: [label],
    retired: [],
  };
}

/** Marks of a detector's contact for a loop. */
function alarmMarks(circuit: Circuit, id: string): string[] {
  const device = findDevice(circuit, id)!;
  const { alarm } = kindOf(device.kind).loopContacts!;
  const element = elementsOf(device, circuit.mains).find(({ id: own }) => own === alarm);
  return element?.kind === 'branch' ? [element.a, element.b] : [];
}

/** Conductors of jackets that hang at the place, each to the same mark of the new detector. */
const wantedOf = (jacket: Sorted, to: string): Wanted[] =>
  jacket.landed.map(({ conductor, end, terminal }) => {
    const { mark } = splitTerminal(terminal);
    return { ends: [{ conductor, end }], to: `${to}.${mark}`, name: mark };
  });

/** Which end of a jacket's conductors is at the old detector. */
const nearOf = ({ landed }: Jacket): End => landed[0]!.end;

const bothOff = (circuit: Circuit, cable: string): Circuit =>
  findCable(circuit, cable)!.conductors.reduce(
    (now, { id }) => lift(lift(now, id, 'from'), id, 'to'),
    circuit,
  );

/** The old detector taken out: its loop and station go to the new one, the thermostat's circuit is closed, the rest is let go. */
function takenOver(move: Move): Made {
  const { circuit, from, to, place, dest, jackets } = move;
  const of = (does: JacketFunction) => jackets.filter((jacket) => jacket.does === does);
  const atDest = ({ landed }: Jacket) =>
    landed.every((one) => stationOf(circuit, farOf(circuit, one)) === dest);
  const made: Made = { circuit: resistorMoved(circuit, move), reused: [], pulled: [], retired: [] };
  const labelOf = (cable: string) => findCable(circuit, cable)!.label;
  made.circuit = removeDevice(made.circuit, from);

  // What ended at the new detector's own place is closed there with a lead; its jacket is free.
  const freed: Sorted[] = [...of('on')];
  for (const jacket of [...of('power'), ...of('hold')]) {
    const far = jacket.landed.map((one) => farOf(circuit, one));
    const leads =
      jacket.does === 'power'
        ? jacket.landed.map(({ terminal }, i) => [far[i]!, `${to}.${splitTerminal(terminal).mark}`] as const)
        : [[far[0]!, far[1]!] as const];
    if (atDest(jacket) && leads.every(([one, other]) => one && other)) {
      freed.push(jacket);
      const label = jacket.does === 'power' ? 'Detector leads' : 'Thermostat lead';
      const stem = jacket.does === 'power' ? 'detectorLeads' : 'holdLead';
      made.circuit = addLeads(
        bothOff(made.circuit, jacket.cable),
        stem,
        label,
        leads.map(([one, other], i) => [i === 0 ? 'RD' : 'BU', one, other] as const),
      );
    } else if (jacket.does === 'hold') made.circuit = joint(made.circuit, place, 'R', jacket.landed).circuit;
  }
  for (const jacket of freed) made.circuit = bothOff(made.circuit, jacket.cable);

  // The loop first: it wants the fewest; a jacket has one function.
  for (const jacket of [
    ...of('loop'),
    ...of('station'),
    ...of('power').filter((one) => !freed.includes(one)),
  ]) {
    const wanted = wantedOf(jacket, to);
    const over = freed
      .filter(({ cable }) => findCable(circuit, cable)!.conductors.length >= wanted.length)
      .sort((one, other) => sizeOf(circuit, one) - sizeOf(circuit, other))[0];
    const label = `${labelOf(jacket.cable)}, on to ${findDevice(circuit, to)!.label}`;
    const way: Free | { label: string; lengthM: number } = over
      ? { cable: over.cable, near: nearOf(over) }
      : { label, lengthM: lengthBetween(move) };
    if (over) freed.splice(freed.indexOf(over), 1);
    made.circuit = takeOn(made.circuit, place, wanted, way);
    if (over) made.reused.push(labelOf(over.cable));
    else made.pulled.push(label);
  }
  for (const jacket of of('nothing')) made.circuit = bothOff(made.circuit, jacket.cable);
  made.retired.push(...[...freed, ...of('nothing')].map(({ cable }) => labelOf(cable)));
  return made;
}

const sizeOf = (circuit: Circuit, { cable }: Jacket) => findCable(circuit, cable)!.conductors.length;

/** Stations that test nothing: held in the model, no detector shows it. */
function deadStations(circuit: Circuit): string[] {
  const network = compile(circuit);
  const shown = (inputs: Inputs) => {
    const faces = facesOf(network, inputs, settle(network, inputs).world);
    return network.devices
      .filter(({ kind }) => kind.loopContacts)
      .map(({ device }) => faces.get(device.id)?.text)
      .join();
  };
  const rest = shown(IDLE);
  return network.devices
    .filter(({ device, kind: { tests } }) => {
      if (!tests) return false;
      return shown(holding(IDLE, { [device.id]: { [tests.control]: tests.value } })) === rest;
    })
    .map(({ device }) => device.id);
}

/**
 * Both ways to move a loop from one detector to another, each proven.
 *
 * @param from - the detector it is at, with all its terminals; `to` the one it goes to.
 */
export function planLoopMove(circuit: Circuit, from: string, to: string): LoopMove[] {
  const move = moveOf(circuit, from, to);
  const before = prove(circuit)!;
  return ([['on', takenOn] as const, ['over', takenOver] as const] as const).map(([way, make]) => {
    const made = make(move);
    const proof = prove(made.circuit)!;
    return {
      way,
      ...made,
      deadStations: deadStations(made.circuit),
      loops: loopsOf(made.circuit, IDLE),
      lost: protectionLost(circuit, made.circuit, way === 'over' ? { [from]: to } : {}),
      proof,
      harm: harmOf(before, proof),
    };
  });
}
