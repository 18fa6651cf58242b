import { addDevice, findDevice, land, lift, otherEnd, freeDeviceId } from '../../../circuit';
import { allocate, exchangeThermostat, landAll } from '../landing';
import { PARTS } from '../../../devices';
import { addLeads } from '../../field/cable';
import type { SwapContext, Alternative } from './context';
import { MINUTES, givenFor, stationOf } from './context';

/** Two calls on one conductor through an adapter; the conductor won serves what is missing. */
export function share(ground: SwapContext): Alternative[] {
  const { circuit, facts, wish, needs, candidates, allocation } = ground;
  const [missing] = allocation.missing;
  const hot = givenFor(allocation.given, 'hot');
  const pair = (['G', 'W', 'W2'] as const).find((role) => givenFor(allocation.given, role));
  const [first, second] = [givenFor(allocation.given, 'Y'), pair && givenFor(allocation.given, pair)];
  if (allocation.missing.length !== 1 || !missing || !hot || !first || !second) return [];
  const common = missing.role === 'common' ? missing.far : givenFor(allocation.given, 'common')?.need.far;
  if (!common || stationOf(circuit, first.need.far) !== stationOf(circuit, second.need.far)) return [];
  const kept = allocate(
    needs.filter((need) => need !== second.need),
    candidates,
  );
  if (kept.missing.length > 0) return [];
  const shared = givenFor(kept.given, 'Y')!.to;
  const fresh = exchangeThermostat(circuit, facts, wish);
  const { thermostat } = fresh;
  let landed = landAll(fresh.circuit, thermostat, facts, kept);
  const [wall, plant] = [findDevice(landed, thermostat)!.station, stationOf(landed, first.need.far)];
  const combiner = freeDeviceId(landed, 'combiner');
  landed = addDevice(landed, {
    id: combiner,
    kind: PARTS.combiner,
    station: wall,
    label: 'Call combiner',
    params: {},
    settings: {},
  });
  const splitter = freeDeviceId(landed, 'splitter');
  landed = addDevice(landed, {
    id: splitter,
    kind: PARTS.splitter,
    station: plant,
    label: 'Call splitter',
    params: {},
    settings: {},
  });
  landed = lift(landed, shared.conductor.id, otherEnd(shared.near));
  landed = land(landed, shared.conductor.id, shared.near, `${combiner}.OUT`);
  landed = land(landed, shared.conductor.id, otherEnd(shared.near), `${splitter}.IN`);
  landed = addLeads(landed, 'combinerLeads', 'Combiner leads', [
    ['YE', `${thermostat}.${first.need.screw}`, `${combiner}.IN1`],
    ['GN', `${thermostat}.${second.need.screw}`, `${combiner}.IN2`],
  ]);
  landed = addLeads(landed, 'splitterLeads', 'Splitter leads', [
    ['RD', hot.need.far, `${splitter}.R`],
    ['BU', common, `${splitter}.C`],
    ['YE', `${splitter}.OUT1`, first.need.far],
    ['GN', `${splitter}.OUT2`, second.need.far],
  ]);
  return [
    {
      circuit: landed,
      thermostat,
      given: kept.given,
      method: { id: 'share', calls: [first.need.screw, second.need.screw] },
      parts: [{ type: 'sharing-adapter' }],
      extraMinutes: MINUTES.adapter,
      lost: [],
    },
  ];
}
