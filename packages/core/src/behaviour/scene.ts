/** A settled circuit as the status line looks at it. */
import type { Face } from '../devices';
import type { Network } from '../network';
import type { LoadReading, TransformerReading } from './loads';
import { momentOf } from './moment';
import type { Inputs } from './inputs';
import type { Settled } from './world';

export interface Scene {
  network: Network;
  inputs: Inputs;
  settled: Settled;
  loads: readonly LoadReading[];
  transformers: readonly TransformerReading[];
  faces: ReadonlyMap<string, Face>;
}

/** Volts on a terminal that count as a call, from memory. */
export const CALL_VOLTS = 12;

/** Every thermostat with its state, its controls and what it asks for. */
export function thermostatsOf(scene: Scene) {
  return scene.network.devices.flatMap((installed) => {
    const { device, kind } = installed;
    if (!kind.asks) return [];
    const state = scene.settled.world.states[device.id]!;
    const moment = momentOf(installed, scene.inputs, scene.settled.world.now);
    return [{ installed, id: device.id, state, moment, asks: kind.asks(state, moment) }];
  });
}
