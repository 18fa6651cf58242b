/** What is right: waiting, running, or nothing to do. */
import type { Value } from '../../devices';
import { COLD_COOLING_LIMIT_C } from '../../standards';
import { waitsOf } from '../advance';
import { CALL_NAMES, inSentence, labelOf, listed, thermostatsOf } from '../scene';
import type { StatusContext, Status } from './status';

export function waiting({ scene, active }: StatusContext): Status | null {
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

/** A safety the surroundings hold open while nothing asks for it, so that it is not forgotten. */
export function tripped({ scene }: StatusContext): Status | null {
  for (const [id, face] of scene.faces)
    if (face.tone === 'tripped')
      return {
        tone: 'caution',
        text: `${labelOf(scene, id)}: ${face.text}`,
        next: face.detail ?? 'See what tripped it.',
        parts: [id],
      };
  return null;
}

export function running({ scene, active }: StatusContext): Status | null {
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

/** Volts from which a secondary is there at all. */
const PRESENT_VOLTS = 20;

export function idle({ scene }: StatusContext): Status {
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
  const dead = scene.transformers.filter(({ volts }) => volts <= PRESENT_VOLTS);
  if (dead.length === scene.transformers.length)
    return {
      tone: 'idle',
      text: 'No 24 V: the transformer is dead',
      next: 'Prove it dead with the meter before you touch it.',
    };
  // A handle or a fuse is off by itself; a board that is dark only follows it.
  const handles = new Set(
    scene.network.devices.flatMap(({ device: { id }, kind }) =>
      kind.interrupts.length > 0 && !scene.loads.some(({ device }) => device === id) ? [id] : [],
    ),
  );
  const off = [...scene.faces].filter(([id, { tone }]) => tone === 'off' && handles.has(id));
  const open = [
    ...dead.map(({ device }) => `${labelOf(scene, device)} gives nothing`),
    ...off.map(([id, { text }]) => `${labelOf(scene, id)} ${text}`),
  ];
  return open.length === 0
    ? { tone: 'idle', text: '24 V present, no call', next: 'Make a call: fan first, then heat, then cool.' }
    : {
        tone: 'idle',
        text: `24 V at the transformer, no call; ${listed(open)}`,
        next: 'A call goes no further than what is open.',
        parts: off.map(([id]) => id),
      };
}
