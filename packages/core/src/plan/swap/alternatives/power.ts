/** Ways to power the thermostat without a conductor of its own for C. */
import { addDevice, addLink, findDevice, freeLinkId, setValue, freeDeviceId } from '../../../circuit';
import { PARTS, hotsOf } from '../../../devices';
import { allocate, exchangeThermostat, landAll } from '../landing';
import { addLeads } from '../../field/cable';
import type { SwapContext, Alternative } from './context';
import { MINUTES, withoutCommon } from './context';

/** The fan's conductor becomes C; the fan then follows the equipment. */
export function fanToCommon(ground: SwapContext): Alternative[] {
  const { circuit, facts, wish, needs, candidates, allocation } = ground;
  const fan = needs.find(({ role }) => role === 'G');
  if (!fan || allocation.missing.length !== 1 || allocation.missing[0]!.role !== 'common') return [];
  const kept = allocate(
    needs.filter((need) => need !== fan),
    candidates,
  );
  if (kept.missing.length > 0) return [];
  const fresh = exchangeThermostat(circuit, facts, wish);
  const landed = landAll(fresh.circuit, fresh.thermostat, facts, kept);
  // Where cooling alone moves no air, or heat alone does not, a jumper at the unit makes the fan follow.
  const leader = needs.find(({ role }) => role === (facts.fanWithCool ? 'W' : 'Y'));
  const follows =
    facts.fanWithCool && facts.fanWithHeat ? undefined : (leader ?? needs.find(({ role }) => role === 'W'));
  const jumpered = follows
    ? addLink(landed, { id: freeLinkId(landed), kind: 'jumper', joins: [follows.far, fan.far] })
    : landed;
  return [
    {
      circuit: jumpered,
      thermostat: fresh.thermostat,
      given: kept.given,
      method: { id: 'fan-to-common' },
      parts: follows ? [{ type: 'jumper' }] : [],
      extraMinutes: 0,
      lost: ['fan-by-itself'],
    },
  ];
}

/** The common size of a plug-in transformer, VA; from memory. */
const PLUG_VA = 20;

/** A transformer in a wall outlet by the thermostat. */
export function plugIn(ground: SwapContext): Alternative[] {
  const { circuit, facts, wish } = ground;
  const allocation = withoutCommon(ground);
  if (allocation.missing.length > 0) return [];
  const fresh = exchangeThermostat(circuit, facts, wish);
  const { thermostat } = fresh;
  const { cooling, heating } = hotsOf(wish.terminals);
  const onlyHeat = !facts.leads.some(({ role }) => ['Y', 'Y2', 'G', 'valve'].includes(role));
  // With two hots and heat alone the unit's hot goes on RH, the plug's on RC, and the two never meet.
  const apart = cooling !== heating && onlyHeat;
  const given = apart
    ? allocation.given.map((entry) =>
        entry.need.role === 'hot'
          ? {
              ...entry,
              need: {
                ...entry.need,
                screw: heating,
                reason: { runs: [], screw: { type: 'apart-from-plug' as const } },
              },
            }
          : entry,
      )
    : allocation.given;
  let landed = landAll(fresh.circuit, thermostat, facts, { given });
  const { station } = findDevice(landed, thermostat)!;
  const outlet = freeDeviceId(landed, 'outlet');
  landed = addDevice(landed, {
    id: outlet,
    kind: PARTS.outlet,
    station,
    label: 'Wall outlet',
    params: {},
    settings: {},
  });
  const plug = freeDeviceId(landed, 'plug');
  landed = addDevice(landed, {
    id: plug,
    kind: PARTS.transformer,
    station,
    label: 'Plug-in transformer',
    params: { va: PLUG_VA, protection: 'limited' },
    settings: { bond: 'floating' },
  });
  landed = addLeads(landed, 'plugLeads', 'Plug', [
    ['BK', `${outlet}.L1`, `${plug}.P120`],
    ['WH', `${outlet}.N`, `${plug}.PC`],
  ]);
  landed = addLeads(
    landed,
    'plugCord',
    'Plug-in cord',
    [
      ['RD', `${plug}.R`, `${thermostat}.${cooling}`],
      ['BK', `${plug}.C`, `${thermostat}.C`],
    ],
    2,
  );
  if (apart) landed = setValue(landed, thermostat, 'settings', 'joiner', 'out');
  return [
    {
      circuit: landed,
      thermostat,
      given,
      method: { id: 'plug-in', apart },
      parts: [{ type: 'plug-in-transformer', va: PLUG_VA }],
      extraMinutes: MINUTES.plugIn,
      lost: ['outlet-and-cord'],
    },
  ];
}

/** Without C on its batteries, where it has them. */
export function batteries(ground: SwapContext): Alternative[] {
  const { circuit, facts, wish } = ground;
  const allocation = withoutCommon(ground);
  if (wish.supply !== 'both' || allocation.missing.length > 0) return [];
  const fresh = exchangeThermostat(circuit, facts, wish, { supply: 'battery' });
  return [
    {
      circuit: landAll(fresh.circuit, fresh.thermostat, facts, allocation),
      thermostat: fresh.thermostat,
      given: allocation.given,
      method: { id: 'batteries' },
      parts: [{ type: 'batteries' }],
      extraMinutes: 1,
      lost: ['wired-power'],
    },
  ];
}
