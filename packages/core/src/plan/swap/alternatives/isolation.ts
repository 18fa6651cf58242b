import { addDevice, findDevice, land, otherEnd, splitTerminal, freeDeviceId } from '../../../circuit';
import { PARTS, hotsOf } from '../../../devices';
import type { Lead } from '../../field/functions';
import { addLeads } from '../../field/cable';
import type { SwapContext, Alternative } from './context';
import { MINUTES, givenFor, plain } from './context';

/** A relay repeats the heating call on the heating transformer, so that one hot is enough at the thermostat. */
export function isolationRelay(ground: SwapContext): Alternative[] {
  const { circuit, facts, wish, needs, allocation } = ground;
  const hots = facts.leads.filter(({ role }) => role === 'hot');
  const { cooling, heating } = hotsOf(wish.terminals);
  if (hots.length < 2 || cooling !== heating || allocation.missing.length > 0) return [];
  const heat = needs.find(({ role }) => role === 'W');
  const lead = (role: Lead['role'], domain: string | null) =>
    facts.leads.find((entry) => entry.role === role && entry.domain === domain);
  const heatDomain = heat && facts.leads.find(({ conductor }) => conductor.id === heat.now)?.domain;
  const other = hots.find(({ domain }) => domain !== heatDomain);
  const common = other && needs.find(({ role }) => role === 'common')?.far;
  const heatHot = heatDomain ? lead('hot', heatDomain)?.far : undefined;
  if (!heat || !common || !heatHot) return [];
  const way = plain(ground);
  const { station } = findDevice(circuit, splitTerminal(heat.far).deviceId)!;
  const relay = freeDeviceId(way.circuit, 'isolation');
  const carrier = givenFor(way.given, 'W')!.to;
  let landed = addDevice(way.circuit, {
    id: relay,
    kind: PARTS.relay,
    station,
    label: 'Isolation relay',
    params: { serves: 'heat' },
    settings: {},
  });
  landed = land(landed, carrier.conductor.id, otherEnd(carrier.near), `${relay}.A1`);
  landed = addLeads(landed, 'isolationLeads', 'Isolation relay leads', [
    ['BU', `${relay}.A2`, common],
    ['RD', heatHot, `${relay}.COM`],
    ['WH', `${relay}.NO`, heat.far],
  ]);
  return [
    {
      ...way,
      circuit: landed,
      method: { id: 'isolation-relay' },
      parts: [{ type: 'isolation-relay' }],
      extraMinutes: MINUTES.relay,
      lost: [],
    },
  ];
}
