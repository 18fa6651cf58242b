/**
 * A script of calls run through time: every load, contact and message as a lane, and for each
 * transition why it happened.
 */
import type { Fault, Network } from '../network';
import { compile, makeSolver } from '../network';
import type { DeviceWait } from './round';
import { waitsOf } from './advance';
import { contactsOf } from './contacts';
import type { Happening, Reason } from './reasons';
import { happeningsOf, reasonFor } from './reasons';
import type { LaneKind, Occasion, Snapshot } from './snapshot';
import { snapshot } from './snapshot';
import type { ScriptStep } from './script';
import { takeStep } from './script';
import type { Inputs } from './inputs';
import type { World } from './world';
import { settle } from './settle';
import { NEW_WORLD } from './world';

/** A stretch of a lane, until the next one begins. */
export interface Span {
  from: number;
  /** On, closed, or a message that is not rest. */
  on: boolean;
  text: string;
  why: Reason;
}

export interface Lane {
  id: string;
  kind: LaneKind;
  device: string;
  title: string;
  spans: Span[];
}

/** An instant at which something changed, with all that is needed to look at it again. */
export interface Instant {
  at: number;
  inputs: Inputs;
  world: World;
  happenings: readonly Happening[];
}

export interface Timeline {
  until: number;
  lanes: readonly Lane[];
  instants: readonly Instant[];
  /** How it ended early, when it did: a circuit that never rests, or too many events. */
  ended:
    ({ at: number } & ({ type: 'chattering'; devices: readonly string[] } | { type: 'too-many' })) | null;
}

/** Events after which a timeline is broken off, so that any circuit ends in bounded time. */
const MOST_EVENTS = 5000;

/** Air in which nothing calls. */
const MILD: Inputs = { controls: {}, conditions: { indoorC: 22, outdoorC: 20 } };

interface Shown {
  id: string;
  kind: LaneKind;
  device: string;
  title: string;
  on: boolean;
  text: string;
}

function shownOf(network: Network, { loads, contacts, faces }: Snapshot): Shown[] {
  const labels = new Map(network.circuit.devices.map(({ id, label }) => [id, label]));
  const dampers = new Set(network.devices.flatMap(({ device, kind }) => (kind.conducts ? [device.id] : [])));
  return [
    ...loads.map(({ id, device, title, energised }): Shown => ({
      id: `${device}/${id}`,
      kind: 'load',
      device,
      title,
      on: energised,
      text: energised ? 'on' : 'off',
    })),
    // The poles of one device move together and are one lane.
    ...contacts
      .filter(({ title }, i) => contacts.findIndex((other) => other.title === title) === i)
      .map(({ id, device, title, isClosed }): Shown => ({
        id,
        kind: 'contact',
        device,
        title,
        on: isClosed,
        text: isClosed ? 'closed' : 'open',
      })),
    ...[...faces].map(([device, { text, tone }]): Shown => ({
      id: `${device}!`,
      kind: 'message',
      device,
      title: labels.get(device)!,
      // A damper is on while air passes it.
      on: tone === 'busy' || tone === 'tripped' || (dampers.has(device) && tone === 'ok'),
      text,
    })),
  ];
}

/**
 * Runs a script from a cold start.
 *
 * @param script - steps in any order; those at the same time are taken together.
 * @param until - seconds to the end.
 * @param faults - laid over the circuit; the network's own when left out.
 */
export function runTimeline(
  network: Network,
  script: readonly ScriptStep[],
  until: number,
  faults: readonly Fault[] = network.faults,
): Timeline {
  const laid = faults === network.faults ? network : compile(network.circuit, faults);
  const contacts = contactsOf(laid);
  const solver = makeSolver(laid);
  const lanes = new Map<string, Lane>();
  const instants: Instant[] = [];
  let inputs = MILD;
  let world = NEW_WORLD;
  const rest = settle(laid, inputs, world, solver);
  let before: Snapshot = snapshot(laid, contacts, inputs, rest);
  world = rest.world;
  for (const shown of shownOf(laid, before))
    lanes.set(shown.id, {
      ...shown,
      spans: [{ from: 0, on: shown.on, text: shown.text, why: { type: 'start' } }],
    });
  let expired: DeviceWait[] = [];
  for (let events = 0; events < MOST_EVENTS; events++) {
    const steps = script.filter(({ at }) => at === world.now);
    inputs = steps.reduce(takeStep, inputs);
    const settled = settle(laid, inputs, world, solver);
    const after = snapshot(laid, contacts, inputs, settled);
    const occasion: Occasion = { before, after, steps, expired };
    for (const shown of shownOf(laid, after)) {
      const { spans } = lanes.get(shown.id)!;
      if (spans[spans.length - 1]!.text !== shown.text)
        spans.push({
          from: world.now,
          on: shown.on,
          text: shown.text,
          why: reasonFor(laid, shown, occasion),
        });
    }
    instants.push({ at: world.now, inputs, world: settled.world, happenings: happeningsOf(laid, occasion) });
    const run = { until, lanes: [...lanes.values()], instants };
    if (settled.chattering) {
      const restless = new Set(settled.chattering.devices);
      const devices = laid.circuit.devices.flatMap(({ id }) => (restless.has(id) ? [id] : []));
      return { ...run, ended: { at: world.now, type: 'chattering', devices } };
    }
    const waits = waitsOf(laid, inputs, settled.world);
    const next = Math.min(
      waits[0]?.until ?? Infinity,
      ...script.filter(({ at }) => at > world.now).map(({ at }) => at),
    );
    if (next > until) break;
    if (events === MOST_EVENTS - 1) return { ...run, ended: { at: world.now, type: 'too-many' } };
    expired = waits.filter((wait) => wait.until === next);
    world = { ...settled.world, now: next };
    before = after;
  }
  return { until, lanes: [...lanes.values()], instants, ended: null };
}

/** The instant that holds at a time. */
export function instantAt({ instants }: Timeline, at: number): Instant {
  const index = instants.findLastIndex((instant) => instant.at <= at);
  return instants[Math.max(index, 0)]!;
}
