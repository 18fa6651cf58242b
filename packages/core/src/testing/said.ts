/** What the status line says of a circuit in a call, reached as a person reaches it: from rest, the call made, waited for. */
import type { Inputs } from '../behaviour';
import { NEW_WORLD, advance, untilSteady } from '../behaviour';
import type { Circuit } from '../circuit';
import { addLink } from '../circuit';
import type { Fault } from '../network';
import { compile, makeSolver } from '../network';
import { TEMPLATES } from '../systems';
import { callsOf } from './faulty';
import type { ToldStatus } from './tell';
import { toldView } from './tell';

export interface Had {
  faults?: readonly Fault[];
  /** Controls held otherwise than the call has them, by device. */
  controls?: Inputs['controls'];
  /** How long after the call, seconds; until nothing changes any more when left out. */
  after?: number;
}

/** Long enough for every compressor to have rested, and for every sequence to end, seconds. */
const REST_S = 420;
const LONGEST_S = 1200;

/** The status line in a call, from rest. */
export function said(
  circuit: Circuit,
  call: string,
  { faults = [], controls = {}, after }: Had = {},
): ToldStatus {
  const network = compile(circuit, faults);
  const solver = makeSolver(network);
  const calls = callsOf(circuit);
  const { world } = advance(network, calls[0]!.inputs, NEW_WORLD, REST_S, solver);
  const asked = calls.find(({ id }) => id === call)!.inputs;
  const inputs = { ...asked, controls: { ...asked.controls, ...controls } };
  const settled =
    after === undefined
      ? untilSteady(network, inputs, world, LONGEST_S, solver)
      : advance(network, inputs, world, after, solver);
  return toldView(network, inputs, settled).status;
}

export const ready = (id: string): Circuit =>
  TEMPLATES.find((template) => template.id === id)!.build('Ready');

/** One part failed. */
export const fault = (target: string, mode: string): Had => ({ faults: [{ target, mode }] });

/** One device's controls held. */
export const held = (device: string, controls: Record<string, string | number>): Had => ({
  controls: { [device]: controls },
});

export const strap = (circuit: Circuit, ...joins: string[]): Circuit =>
  addLink(circuit, { id: 'strap', kind: 'jumper', joins });

/** What is wrong, where, in which call; what is said of it, and the parts it names. */
export type Row = [what: string, circuit: Circuit, call: string, had: Had, text: string, parts: string[]];

export function expectSaid([, circuit, call, had, text, parts]: Row): void {
  const status = said(circuit, call, had);
  expect(status.text).toBe(text);
  expect(status.parts ?? []).toEqual(parts);
}
