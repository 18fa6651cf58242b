/**
 * The catalogue. A new kind of device is one file beside this one and one line in
 * the list below; solver, drawings, exports and checks pick it up from here.
 */
import { airHandlerBoard } from './air-handler-board';
import { bladeFuse } from './blade-fuse';
import { boilerControl } from './boiler-control';
import { breaker } from './breaker';
import { callCombiner } from './call-combiner';
import { callSplitter } from './call-splitter';
import { contactor } from './contactor';
import { controlTransformer } from './control-transformer';
import type { DeviceKind } from './define';
import { doorSwitch } from './door-switch';
import { floatSwitch } from './float-switch';
import { furnaceBoard } from './furnace-board';
import { heatPumpBoard } from './heat-pump-board';
import { jumper } from './jumper';
import { lineLoad } from './line-load';
import { outdoorUnit } from './outdoor-unit';
import { pressureSwitch } from './pressure-switch';
import { relay } from './relay';
import { rooftopController } from './rooftop-controller';
import { sequencer } from './sequencer';
import { serviceSwitch } from './service-switch';
import { smokeDetector } from './smoke-detector';
import { thermostat } from './thermostat';
import { travellingValve } from './travelling-valve';
import { unitHeaterBoard } from './unit-heater-board';
import { wireNut } from './wire-nut';

export const CATALOGUE: readonly DeviceKind[] = [
  breaker,
  serviceSwitch,
  doorSwitch,
  controlTransformer,
  bladeFuse,
  furnaceBoard,
  airHandlerBoard,
  heatPumpBoard,
  unitHeaterBoard,
  boilerControl,
  rooftopController,
  thermostat,
  floatSwitch,
  pressureSwitch,
  smokeDetector,
  contactor,
  relay,
  sequencer,
  travellingValve,
  outdoorUnit,
  lineLoad,
  wireNut,
  jumper,
  callCombiner,
  callSplitter,
];

/** Kinds of the parts that a plan adds by itself. */
export const PARTS = {
  outlet: breaker.kind,
  transformer: controlTransformer.kind,
  relay: relay.kind,
  combiner: callCombiner.kind,
  splitter: callSplitter.kind,
  thermostat: thermostat.kind,
} as const;

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
export { ratedAmps } from './limited-winding';
export { BLADE_HOLDS, bladeFuseSeconds } from './overcurrent';
export {
  CALL_MARKS,
  SCREWS,
  backUpScrews,
  callAt,
  hasRows,
  hasScrew,
  hotsOf,
  screwsOf,
} from './thermostat-screws';
export type { Terminals } from './thermostat-screws';
export { demands } from './thermostat-calls';
export type { Mode } from './thermostat-calls';
