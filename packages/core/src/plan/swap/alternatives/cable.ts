/** Ways that leave the old cable: a new one, or none. */
import { addCable, lift, otherEnd, removeCables } from '../../../circuit';
import { customaryColours } from '../../../survey';
import { addLeads, cableFor, pullMinutes } from '../../field/cable';
import { cablePart } from '../../field/part';
import { exchangeThermostat } from '../landing';
import type { SwapContext, Alternative } from './context';
import { MINUTES, stationOf } from './context';

/** A new cable with a spare conductor more than is needed. */
export function newCable(ground: SwapContext): Alternative[] {
  const { circuit, facts, wish, needs } = ground;
  const [first] = facts.leads;
  if (!first || needs.length === 0) return [];
  const fresh = exchangeThermostat(circuit, facts, wish);
  const { thermostat } = fresh;
  const cable = cableFor(
    circuit,
    first.cable,
    needs.map(({ screw, far }) => ({ mark: screw, from: `${thermostat}.${screw}`, to: far })),
  );
  const gone = facts.leads.map((lead) => lead.cable.id);
  const landed = addCable(removeCables(fresh.circuit, gone), cable);
  return [
    {
      circuit: landed,
      thermostat,
      given: needs.map((need, i) => ({
        need,
        to: { cable, conductor: cable.conductors[i]!, near: 'from' as const },
      })),
      method: { id: 'new-cable', conductors: cable.conductors.length },
      parts: [cablePart(cable)],
      extraMinutes: pullMinutes(cable),
      lost: [],
    },
  ];
}

/** The thermostat's contacts move to a receiver at the unit; what hangs on the wall has batteries and no wire. */
export function wireless(ground: SwapContext): Alternative[] {
  const { circuit, facts, wish, needs } = ground;
  const hot = needs.find(({ role }) => role === 'hot');
  const common = needs.find(({ role }) => role === 'common');
  if (!hot || !common) return [];
  const station = stationOf(circuit, hot.far);
  const fresh = exchangeThermostat(circuit, facts, wish, {
    station,
    label: 'Wireless receiver',
    supply: 'wired',
  });
  let landed = fresh.circuit;
  for (const { conductor, end } of facts.leads)
    landed = lift(lift(landed, conductor.id, end), conductor.id, otherEnd(end));
  landed = addLeads(
    landed,
    'receiverLeads',
    'Receiver leads',
    needs.map(
      ({ screw, far }) => [customaryColours(screw)[0] ?? 'BN', `${fresh.thermostat}.${screw}`, far] as const,
    ),
  );
  return [
    {
      circuit: landed,
      thermostat: fresh.thermostat,
      given: [],
      method: { id: 'wireless' },
      parts: [{ type: 'wireless-thermostat' }, { type: 'batteries' }],
      extraMinutes: MINUTES.wireless,
      lost: ['wire-to-wall'],
    },
  ];
}
