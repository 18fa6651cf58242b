/** What there is to wire: kinds of device, described once for every part of the product. */
export { CATALOGUE, PARTS, contextOf, elementsOf, enrol, findKind, kindOf, loadsOf } from './catalogue';
export type { Channel, Signal } from './channels';
export * from './context';
export * from './define';
export * from './element';
export * from './fields';
export * from './traits';
export { STRAP_OHMS } from './kinds/wiring/jumper';
export { ratedAmps } from './parts/limited-winding';
export { BLADE_HOLDS, bladeFuseSeconds } from './parts/overcurrent';
export {
  CALL_MARKS,
  SCREWS,
  backUpScrews,
  callAt,
  hasRows,
  hasScrew,
  hotsOf,
  screwsOf,
} from './parts/thermostat-screws';
export type { Terminals } from './parts/thermostat-screws';
export { demands } from './parts/thermostat-calls';
export type { Mode } from './parts/thermostat-calls';
