/**
 * The catalogue. A new kind of device is one file under `kinds/` and one line in the
 * list below; solver, drawings, exports and checks pick it up from here.
 */
import { airHandlerBoard } from './kinds/boards/air-handler-board';
import { bladeFuse } from './kinds/power/blade-fuse';
import { boilerControl } from './kinds/boards/boiler-control';
import { breaker } from './kinds/power/breaker';
import { callCombiner } from './kinds/wiring/call-combiner';
import { callSplitter } from './kinds/wiring/call-splitter';
import { condensatePump } from './kinds/water/condensate-pump';
import { contactor } from './kinds/relays/contactor';
import { controlTransformer } from './kinds/power/control-transformer';
import { coilSensor } from './kinds/outdoors/coil-sensor';
import { compressor } from './kinds/outdoors/compressor';
import { crankcaseHeater } from './kinds/outdoors/crankcase-heater';
import { earthLug } from './kinds/outdoors/earth-lug';
import { fanMotor } from './kinds/outdoors/fan-motor';
import { plug } from './kinds/outdoors/plug';
import { reversingValve } from './kinds/outdoors/reversing-valve';
import { runCapacitor } from './kinds/outdoors/run-capacitor';
import type { Context, Mains } from './context';
import type { DeviceKind } from './define';
import type { Element } from './element';
import type { Values } from './fields';
import { fill } from './fields';
import type { Load } from './traits';
import { bypassDamper } from './kinds/zones/bypass-damper';
import { damperMotor } from './kinds/zones/damper-motor';
import { dataControl } from './kinds/communicating/data-control';
import { dataIndoor } from './kinds/communicating/data-indoor';
import { dataOutdoor } from './kinds/communicating/data-outdoor';
import { detectorStation } from './kinds/fire/detector-station';
import { doorSwitch } from './kinds/power/door-switch';
import { drainPan } from './kinds/water/drain-pan';
import { ductlessIndoor } from './kinds/ductless/indoor';
import { ductlessOutdoor } from './kinds/ductless/outdoor';
import { ductlessRemote } from './kinds/ductless/remote';
import { ductSystem } from './kinds/zones/duct-system';
import { endOfLine } from './kinds/fire/end-of-line';
import { floatSwitch } from './kinds/safeties/float-switch';
import { freezestat } from './kinds/safeties/freezestat';
import { furnaceBoard } from './kinds/boards/furnace-board';
import { heatPumpBoard } from './kinds/boards/heat-pump-board';
import { house } from './kinds/zones/house';
import { initiatingLoop } from './kinds/fire/initiating-loop';
import { jumper } from './kinds/wiring/jumper';
import { leakController } from './kinds/safeties/leak-controller';
import { linkIndoor } from './kinds/link/link-indoor';
import { linkOutdoor } from './kinds/link/link-outdoor';
import { limitSwitch } from './kinds/safeties/limit-switch';
import { lineLoad } from './kinds/loads/line-load';
import { moistureSensor } from './kinds/safeties/moisture-sensor';
import { outdoorUnit } from './kinds/loads/outdoor-unit';
import { pressureSwitch } from './kinds/safeties/pressure-switch';
import { relay } from './kinds/relays/relay';
import { rooftopController } from './kinds/boards/rooftop-controller';
import { sequencer } from './kinds/relays/sequencer';
import { serviceSwitch } from './kinds/power/service-switch';
import { smokeDetector } from './kinds/fire/smoke-detector';
import { sounder } from './kinds/safeties/sounder';
import { supplySensor } from './kinds/zones/supply-sensor';
import { thermostat } from './kinds/thermostats/thermostat';
import { travellingValve } from './kinds/relays/travelling-valve';
import { zonePanel } from './kinds/zones/zone-panel';
import { unitHeaterBoard } from './kinds/boards/unit-heater-board';
import { wireNut } from './kinds/wiring/wire-nut';

export const CATALOGUE: readonly DeviceKind[] = [
  coilSensor,
  compressor,
  crankcaseHeater,
  earthLug,
  fanMotor,
  plug,
  reversingValve,
  runCapacitor,
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
  moistureSensor,
  condensatePump,
  drainPan,
  freezestat,
  leakController,
  limitSwitch,
  linkIndoor,
  linkOutdoor,
  sounder,
  pressureSwitch,
  smokeDetector,
  detectorStation,
  initiatingLoop,
  endOfLine,
  contactor,
  relay,
  sequencer,
  travellingValve,
  damperMotor,
  bypassDamper,
  ductSystem,
  house,
  supplySensor,
  zonePanel,
  outdoorUnit,
  dataControl,
  dataIndoor,
  dataOutdoor,
  ductlessIndoor,
  ductlessOutdoor,
  ductlessRemote,
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
  pan: drainPan.kind,
  sounder: sounder.kind,
  joint: wireNut.kind,
  fuse: bladeFuse.kind,
  zonePanel: zonePanel.kind,
  damper: damperMotor.kind,
  bypass: bypassDamper.kind,
  ducts: ductSystem.kind,
  rooms: house.kind,
  leakController: leakController.kind,
  linkIndoor: linkIndoor.kind,
  linkOutdoor: linkOutdoor.kind,
} as const;

const byKind = new Map(CATALOGUE.map((kind) => [kind.kind, kind]));

/**
 * Takes a kind into the catalogue that is no part of it, and answers how to take it out again.
 *
 * @throws Error when there is a kind of that name already.
 */
export function enrol(kind: DeviceKind): () => void {
  if (byKind.has(kind.kind)) throw new Error(`There is a kind "${kind.kind}" already`);
  byKind.set(kind.kind, kind);
  return () => void byKind.delete(kind.kind);
}

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

/** A device as a circuit describes it. */
interface Described {
  kind: string;
  params: Values;
  settings: Values;
}

/** What a device's kind is told of it: its values filled up with the defaults. */
export function contextOf({ kind, params, settings }: Described, mains: Mains): Context {
  const found = kindOf(kind);
  return { params: fill(found.params, params), settings: fill(found.settings, settings), mains };
}

/** What a device is made of, and the loads in it, with its values filled up. */
export const elementsOf = (device: Described, mains: Mains): readonly Element[] =>
  kindOf(device.kind).elements(contextOf(device, mains));
export const loadsOf = (device: Described, mains: Mains): readonly Load[] =>
  kindOf(device.kind).loads(contextOf(device, mains));
