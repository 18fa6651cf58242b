/**
 * The catalogue. A new kind of device is one file beside this one and one line in
 * the list below; solver, drawings, exports and checks pick it up from here.
 */
import { bladeFuse } from './blade-fuse';
import { breaker } from './breaker';
import { contactor } from './contactor';
import { controlTransformer } from './control-transformer';
import type { DeviceKind } from './define';
import { doorSwitch } from './door-switch';
import { floatSwitch } from './float-switch';
import { furnaceBoard } from './furnace-board';
import { jumper } from './jumper';
import { outdoorUnit } from './outdoor-unit';
import { pressureSwitch } from './pressure-switch';
import { serviceSwitch } from './service-switch';
import { thermostat } from './thermostat';
import { wireNut } from './wire-nut';

export const CATALOGUE: readonly DeviceKind[] = [
  breaker,
  serviceSwitch,
  doorSwitch,
  controlTransformer,
  bladeFuse,
  furnaceBoard,
  thermostat,
  floatSwitch,
  pressureSwitch,
  contactor,
  outdoorUnit,
  wireNut,
  jumper,
];

const byKind = new Map(CATALOGUE.map((kind) => [kind.kind, kind]));

/** The kind of a device by its name in the document, or `undefined`. */
export function findKind(kind: string): DeviceKind | undefined {
  return byKind.get(kind);
}

/**
 * The kind of a device already checked.
 * @throws Error when the catalogue has no such kind.
 */
export function kindOf(kind: string): DeviceKind {
  const found = byKind.get(kind);
  if (!found) throw new Error(`No device kind "${kind}" in the catalogue`);
  return found;
}

export * from './define';
export * from './element';
export * from './fields';
export { STRAP_OHMS } from './jumper';
export { demands } from './thermostat-calls';
