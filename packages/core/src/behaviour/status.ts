/** The one line that says what the circuit is doing and what to do next, worked out from the model. */
import type { Call, Face, Value } from '../devices';
import type { Network } from '../network';
import { COLD_COOLING_LIMIT_C } from '../standards';
import { waitsOf } from './advance';
import { readLoads, readTransformers } from './loads';
import type { Scene, ShowCelsius } from './scene';
import { CALL_NAMES, capital, inSentence, labelOf, listed, thermostatsOf, whereItStops } from './scene';
import type { Inputs, Settled } from './settle';
import { runningOn } from './running-on';
import { explainShort } from './short';

export interface Status {
  tone: 'idle' | 'running' | 'waiting' | 'caution' | 'fault';
  text: string;
  /** What to do, or why there is nothing to do. */
  next: string;
  /** When the wait ends, absolute seconds on the bench's clock. */
  until?: number;
}

function chattering(scene: Scene): Status | null {
  const { chattering: found } = scene.settled;
  if (!found) return null;
  const names = listed(found.devices.map((id) => labelOf(scene, id)));
  return {
    tone: 'fault',
    text: `Chattering: ${names} cannot settle`,
    next: 'Its own action takes away what holds it. Look at the volts under load and at what feeds it.',
  };
}

function openedOnOverload(scene: Scene): Status | null {
  for (const { device, kind, branches } of scene.network.devices) {
    const { protects } = kind;
    if (!protects || !scene.settled.world.states[device.id]!.open) continue;
    const branch = branches.get(protects.element)!;
    const position = scene.network.branches[branch]!.positions.indexOf(protects.held);
    const short = explainShort(scene.network, scene.settled.point, { branch, position });
    const event = protects.event ?? `${device.label} tripped`;
    return {
      tone: 'fault',
      text: short ? `${event}: ${short}` : event,
      next: 'Clear the short before fitting another fuse or resetting.',
    };
  }
  return null;
}

function calls(scene: Scene): Set<Call> {
  return new Set(thermostatsOf(scene).flatMap(({ asks }) => asks));
}

/** Heating and cooling at once: two thermostats of different minds, or a conductor on the wrong screw. */
function together(scene: Scene, active: ReadonlySet<Call>): Status | null {
  if (!active.has('heat') || !active.has('cool')) return null;
  const on = (serves: Call) => scene.loads.some((load) => load.serves === serves && load.energised);
  if (!on('heat') || !on('cool')) return null;
  return {
    tone: 'fault',
    text: 'Heating and cooling run together',
    next: 'Thermostats in parallel must be in the same mode. Set them alike and label them.',
  };
}

function crossed(scene: Scene, active: ReadonlySet<Call>): Status | null {
  for (const [asked, other] of [
    ['cool', 'heat'],
    ['heat', 'cool'],
  ] as const) {
    if (active.has(other)) continue;
    const runsOn = runningOn(scene.network, scene.inputs, scene.settled);
    const wrong = scene.loads.filter((load) => load.serves === other && load.energised && !runsOn(load));
    if (wrong.length === 0) continue;
    const on = listed(wrong.map(({ title }) => inSentence(title)));
    return active.has(asked)
      ? {
          tone: 'fault',
          text: `${CALL_NAMES[asked]} called, but ${CALL_NAMES[other].toLowerCase()} runs: ${on}`,
          next: `Check where the ${asked === 'cool' ? 'Y' : 'W'} conductor is landed at both ends.`,
        }
      : {
          tone: 'fault',
          text: `${capital(on)} on without a call`,
          next: 'Follow its path: something feeds it that should not.',
        };
  }
  return null;
}

function blank(scene: Scene): Status | null {
  for (const { installed, label, state } of thermostatsOf(scene)) {
    if (state.powered) continue;
    const supply = installed.branches.get('supply');
    const stop = supply === undefined ? null : whereItStops(scene, supply);
    const weak = scene.transformers.some(({ volts }) => volts > 5 && volts < 20);
    const why = stop ?? (weak ? 'the transformer is pulled down' : 'the transformer gives nothing');
    return {
      tone: 'fault',
      text: `${label} is blank: ${why}`,
      next: 'Read R to C here, then at the board, then at the transformer.',
    };
  }
  return null;
}

function waiting(scene: Scene, active: ReadonlySet<Call>): Status | null {
  const waits = waitsOf(scene.network, scene.inputs, scene.settled.world).filter(({ quiet }) => !quiet);
  for (const { id, moment } of thermostatsOf(scene)) {
    const held = waits.find(({ device }) => device === id);
    if (held)
      return {
        tone: 'waiting',
        text: `${moment.controls.mode === 'cool' ? 'Cooling' : 'Heating'} called; ${held.text}`,
        next: 'Wait, it is not a fault.',
        until: held.until,
      };
  }
  const [wait] = waits;
  if (!wait) return null;
  const called = (['heat', 'cool'] as const).find((serves) => active.has(serves));
  const subject = `${labelOf(scene, wait.device)}: ${wait.text}`;
  return {
    tone: 'waiting',
    text: called ? `${CALL_NAMES[called]} called; ${subject}` : subject,
    next: 'The board is timing; nothing to do.',
    until: wait.until,
  };
}

function stopped(scene: Scene, active: ReadonlySet<Call>): Status | null {
  for (const serves of ['cool', 'heat', 'fan'] as const) {
    if (!active.has(serves)) continue;
    const wanted = scene.loads.filter((load) => load.serves === serves);
    if (wanted.length === 0 && serves !== 'fan')
      return {
        tone: 'caution',
        text: `${CALL_NAMES[serves]} called, but nothing here ${serves === 'cool' ? 'cools' : 'heats'}`,
        next: 'Check the thermostat’s set-up against what the unit can do.',
      };
    if (wanted.length === 0 || wanted.some((load) => load.energised)) continue;
    const stop = whereItStops(scene, wanted[0]!.branch);
    return {
      tone: 'fault',
      text: `${CALL_NAMES[serves]} called; ${stop ?? `too few volts reach the ${inSentence(wanted[0]!.title)}`}`,
      next: `Open the path of ${inSentence(wanted[0]!.title)} and follow the volts.`,
    };
  }
  return null;
}

/** A safety the surroundings hold open while nothing asks for it, so that it is not forgotten. */
function tripped(scene: Scene): Status | null {
  for (const [id, face] of scene.faces)
    if (face.tone === 'tripped')
      return {
        tone: 'caution',
        text: `${labelOf(scene, id)}: ${face.text}`,
        next: face.detail ?? 'See what tripped it.',
      };
  return null;
}

function overloaded(scene: Scene): Status | null {
  const over = scene.transformers.find(({ share }) => share > 1);
  return over
    ? {
        tone: 'caution',
        text: `${labelOf(scene, over.device)} carries ${Math.round(over.share * 100)} % of its nameplate`,
        next: 'Take load off it or fit the next size.',
      }
    : null;
}

function running(scene: Scene, active: ReadonlySet<Call>): Status | null {
  const on = scene.loads.filter(({ energised }) => energised).map(({ title }) => inSentence(title));
  if (on.length === 0) return null;
  const called = [...active]
    .filter((serves) => serves !== 'fan' || active.size === 1)
    .map((serves) => CALL_NAMES[serves]);
  const cold = active.has('cool') && scene.inputs.conditions.outdoorC < COLD_COOLING_LIMIT_C;
  return cold
    ? {
        tone: 'caution',
        text: `Cooling runs at ${scene.showCelsius(scene.inputs.conditions.outdoorC)} outdoors`,
        next: `Too cold for a compressor (under ${scene.showCelsius(COLD_COOLING_LIMIT_C)}). Open the outdoor disconnect and prove the 24 V side only.`,
      }
    : {
        tone: 'running',
        text: `${listed(called) || 'No call'}: ${listed(on)} on`,
        next: 'Put the probes where you want to know.',
      };
}

function idle(scene: Scene): Status {
  if (scene.network.devices.length === 0)
    return {
      tone: 'idle',
      text: 'Nothing here yet',
      next: 'Survey it: identify the system, then record the landings.',
    };
  for (const { moment } of thermostatsOf(scene)) {
    const { mode, setC } = moment.controls as Record<string, Value>;
    const indoor = scene.showCelsius(scene.inputs.conditions.indoorC);
    if (mode === 'cool')
      return {
        tone: 'idle',
        text: `Set to cool, no call: ${indoor} indoors is not above ${scene.showCelsius(Number(setC))}`,
        next: 'Lower the set point to call.',
      };
    if (mode === 'heat' || mode === 'emergency')
      return {
        tone: 'idle',
        text: `Set to heat, no call: ${indoor} indoors is not below ${scene.showCelsius(Number(setC))}`,
        next: 'Raise the set point to call.',
      };
  }
  const live = scene.transformers.some(({ volts }) => volts > 20);
  return live
    ? { tone: 'idle', text: '24 V present, no call', next: 'Make a call: fan first, then heat, then cool.' }
    : {
        tone: 'idle',
        text: 'No 24 V: the transformer is dead',
        next: 'Prove it dead with the meter before you touch it.',
      };
}

/** Works out the status line of a settled circuit; the gravest finding wins. */
export function statusOf(
  network: Network,
  inputs: Inputs,
  settled: Settled,
  faces: ReadonlyMap<string, Face>,
  showCelsius: ShowCelsius,
): Status {
  const scene: Scene = {
    network,
    inputs,
    settled,
    faces,
    showCelsius,
    loads: readLoads(network, settled),
    transformers: readTransformers(network, settled.point),
  };
  const active = calls(scene);
  return (
    chattering(scene) ??
    openedOnOverload(scene) ??
    blank(scene) ??
    together(scene, active) ??
    crossed(scene, active) ??
    waiting(scene, active) ??
    stopped(scene, active) ??
    overloaded(scene) ??
    tripped(scene) ??
    running(scene, active) ??
    idle(scene)
  );
}
