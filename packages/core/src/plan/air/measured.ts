/** Ducts corrected by what a person measured, with dampers and bypass as they stood. */
import type { AirFit } from '../../air';
import { fitAir } from '../../air';
import type { AirView } from '../../behaviour';
import type { Circuit } from '../../circuit';
import { setValue } from '../../circuit';
import { fill, kindOf } from '../../devices';

/** What was read; pascals against the room, m³/s. */
export interface AirReadings {
  supplyPa?: number;
  returnPa?: number;
  flows: Readonly<Record<string, number>>;
}

export interface Corrected {
  circuit: Circuit;
  fit: Omit<AirFit, 'air'>;
}

/** A factor as it is kept: two decimals say more than a hood does. */
const kept = (factor: number, before: number) =>
  Math.min(6, Math.max(0.2, Math.round(factor * before * 100) / 100));

/**
 * The circuit with its ducts corrected, and how far they were off.
 *
 * @throws RangeError when nothing was measured, nothing blew, or a flow is not above 0.
 */
export function correctAir(circuit: Circuit, view: AirView, { flows, ...pressures }: AirReadings): Corrected {
  if (!(view.total > 0)) throw new RangeError('the fan must run while it is measured: call for it first');
  const ducts = circuit.devices.find(({ id }) => id === view.ducts)!;
  const kind = kindOf(ducts.kind);
  const params = fill(kind.params, ducts.params);
  const conveyed = kind.conveys!(params);
  const at = {
    zones: Object.fromEntries(view.zones.map(({ zone, open }) => [zone, open])),
    bypass: view.bypass?.open ?? 0,
    speed: view.speed,
  };
  const { back, zones, before, after } = fitAir(conveyed.air, [{ at, flows, ...pressures }]);
  const fit = { back, zones, before, after };
  const set = (now: Circuit, name: string, factor: number) =>
    setValue(now, ducts.id, 'params', name, kept(factor, Number(params[name])));
  const corrected = Object.entries(zones).reduce(
    (now, [zone, factor]) => set(now, `zone${zone}Times`, factor),
    set(circuit, 'backTimes', back),
  );
  return { circuit: corrected, fit };
}
