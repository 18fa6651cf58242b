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
      id: 'fan-to-common',
      title: 'Give up G for C',
      parts: follows ? ['Jumper at the unit'] : [],
      extraMinutes: 0,
      lost: ['The fan by itself: it only follows heating and cooling.'],
      lookOut: [
        'Insulate nothing by halves: the old G conductor moves to C at both ends.',
        'Tell the people there that Fan On does nothing any more.',
      ],
    },
  ];
}

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
                reason: 'The unit’s hot, kept apart from the plug’s on RC.',
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
    params: { va: 20, protection: 'limited' },
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
      id: 'plug-in',
      title: 'Plug-in transformer at the thermostat',
      parts: ['Plug-in transformer, 24 V, 20 VA'],
      extraMinutes: MINUTES.plugIn,
      lost: ['An outlet by the thermostat, and a cord on the wall.'],
      lookOut: [
        apart
          ? 'Two sources: unit on RH, plug on RC, joiner out. In, it would tie them.'
          : 'Two sources meet on R: join nothing else. A second joint, or a bonded common, ties the transformers.',
        'Switching the unit off leaves the thermostat live: prove dead at the plug too.',
      ],
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
      id: 'batteries',
      title: 'Stay on batteries',
      parts: ['Batteries'],
      extraMinutes: 1,
      lost: [
        'Wired power: batteries to change every year, and whatever needs C (radio, backlight) is limited.',
      ],
      lookOut: ['A coin cell only keeps the clock: it never powers the thermostat.'],
    },
  ];
}
