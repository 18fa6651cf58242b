/** A settled circuit as the status line looks at it, and the words it is told in. */
import type { Call, Face } from '../devices';
import type { Network } from '../network';
import type { LoadReading, TransformerReading } from './loads';
import { momentOf } from './moment';
import type { Inputs } from './inputs';
import type { Settled } from './settle';

/** Formats a temperature for the reader. */
export type ShowCelsius = (celsius: number) => string;

export interface Scene {
  network: Network;
  inputs: Inputs;
  settled: Settled;
  loads: readonly LoadReading[];
  transformers: readonly TransformerReading[];
  faces: ReadonlyMap<string, Face>;
  showCelsius: ShowCelsius;
}

export const CALL_NAMES: Record<Call, string> = { cool: 'Cooling', heat: 'Heating', fan: 'Fan' };
/** Volts on a terminal that count as a call, from memory. */
export const CALL_VOLTS = 12;

export const labelOf = ({ network }: Scene, id: string) =>
  network.circuit.devices.find((device) => device.id === id)!.label;
export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
/** A name inside a sentence: its capital goes, a unit or an abbreviation stays. */
export const inSentence = (text: string) =>
  /^[A-Z][a-z]/.test(text) ? text.charAt(0).toLowerCase() + text.slice(1) : text;
export const listed = (items: readonly string[]) =>
  items.length < 2 ? (items[0] ?? '') : `${items.slice(0, -1).join(', ')} and ${items[items.length - 1]}`;

/** Every thermostat with its state, its controls and what it asks for. */
export function thermostatsOf(scene: Scene) {
  return scene.network.devices.flatMap((installed) => {
    const { device, kind } = installed;
    if (!kind.asks) return [];
    const state = scene.settled.world.states[device.id]!;
    const moment = momentOf(installed, scene.inputs, scene.settled.world.now);
    return [{ installed, id: device.id, label: device.label, state, moment, asks: kind.asks(state, moment) }];
  });
}
