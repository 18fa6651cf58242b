/** What is right, or at least no fault: waiting, running, nothing to do; and what must not be forgotten meanwhile. */
import type { Call, Value } from '../../devices';
import { COLD_COOLING_LIMIT_C } from '../../standards';
import { bypassesIn } from '../../network';
import { waitsOf } from '../advance';
import { liveEndsIn } from '../loose';
import type { Scene } from '../scene';
import { thermostatsOf } from '../scene';
import { halvesAtRest } from './halves';
import type { News, Status, StatusContext } from './status';

export function waiting({ scene, active }: StatusContext): Status | null {
  const waits = waitsOf(scene.network, scene.inputs, scene.settled.world).filter(({ quiet }) => !quiet);
  for (const { id, moment } of thermostatsOf(scene)) {
    const held = waits.find(({ device }) => device === id);
    if (held)
      return {
        tone: 'waiting',
        news: {
          type: 'waiting',
          device: id,
          wait: held.text,
          call: moment.controls.mode === 'cool' ? 'cool' : 'heat',
        },
        until: held.until,
      };
  }
  const [wait] = waits;
  if (!wait) return null;
  const call = (['heat', 'cool'] as const).find((serves) => active.has(serves)) ?? null;
  return {
    tone: 'waiting',
    news: { type: 'waiting', device: wait.device, wait: wait.text, call },
    until: wait.until,
  };
}

/** An end in the air that a hand or a case may meet while all else goes on as it should. */
export function liveEnd({ scene: { network }, trace: { seen } }: StatusContext): Status | null {
  const [worst] = liveEndsIn(network, seen).sort((one, other) => other.volts - one.volts);
  return worst ? { tone: 'caution', news: { type: 'live-end', ...worst }, parts: [worst.conductor] } : null;
}

/** Safeties the surroundings hold open, by id: those that stop something, or those that something lies across. */
function trippedOnes({ faces, network }: Scene, isBypassed: boolean): string[] {
  const open = [...faces].flatMap(([id, { tone }]) => (tone === 'tripped' ? [id] : []));
  if (open.length === 0) return [];
  const bypassed = new Set(bypassesIn(network).map(({ device }) => device));
  return open.filter((id) => bypassed.has(id) === isBypassed);
}

const trippedNews = ([id]: readonly string[]): Status | null =>
  id === undefined ? null : { tone: 'caution', news: { type: 'tripped', device: id }, parts: [id] };

/** A safety the surroundings hold open while nothing asks for it, so that it is not forgotten. */
export const tripped = ({ scene }: StatusContext) => trippedNews(trippedOnes(scene, false));

/** One that stops nothing, for it is bypassed: what is counting is said first, and can be skipped. */
export const trippedInVain = ({ scene }: StatusContext) => trippedNews(trippedOnes(scene, true));

export function running({ scene, active }: StatusContext): Status | null {
  const loads = scene.loads.filter(({ energised }) => energised).map(({ title }) => title);
  if (loads.length === 0) return null;
  const asked = [...active].filter((serves) => serves !== 'fan' || active.size === 1);
  const answered = (call: Call) => scene.loads.some(({ serves, energised }) => energised && serves === call);
  const calls = asked.filter(answered);
  const held = asked.filter((call) => !answered(call));
  const { outdoorC } = scene.inputs.conditions;
  return active.has('cool') && outdoorC < COLD_COOLING_LIMIT_C
    ? { tone: 'caution', news: { type: 'cold', outdoorC } }
    : { tone: 'running', news: { type: 'running', calls, loads, held } };
}

/** Volts from which a secondary is there at all. */
const PRESENT_VOLTS = 20;

export function idle(context: StatusContext): Status {
  const { scene } = context;
  const idly = (news: News, parts?: readonly string[]): Status => ({
    tone: 'idle',
    news,
    ...(parts && { parts }),
  });
  if (scene.network.devices.length === 0) return idly({ type: 'empty' });
  const { indoorC } = scene.inputs.conditions;
  for (const { moment } of thermostatsOf(scene)) {
    const { mode, setC } = moment.controls as Record<string, Value>;
    if (mode === 'off') continue;
    return idly({ type: 'satisfied', mode: mode === 'cool' ? 'cool' : 'heat', indoorC, setC: Number(setC) });
  }
  const atRest = scene.transformers.length === 0 ? halvesAtRest(context) : null;
  if (atRest) return atRest;
  const dead = scene.transformers.flatMap(({ device, volts }) => (volts <= PRESENT_VOLTS ? [device] : []));
  if (dead.length === scene.transformers.length) return idly({ type: 'no-supply' });
  // A handle or a fuse is off by itself; a board that is dark only follows it.
  const handles = new Set(
    scene.network.devices.flatMap(({ device: { id }, kind }) =>
      kind.interrupts.length > 0 && !scene.loads.some(({ device }) => device === id) ? [id] : [],
    ),
  );
  const off = [...scene.faces].flatMap(([id, { tone }]) => (tone === 'off' && handles.has(id) ? [id] : []));
  return idly({ type: 'ready', dead, off }, dead.length + off.length > 0 ? off : undefined);
}
