/** E joined to the screw of the back-up heat by a jumper at the thermostat: whether the new one has it too, and why. */
import type { Circuit, Link } from '../../circuit';
import { findDevice } from '../../circuit';
import { backUpScrews, fill, kindOf } from '../../devices';
import type { Facts } from '../field/functions';
import type { JumperReason } from './reason';
import type { SwapRequest } from './swap-request';
import { screwFor } from './swap-request';

interface Joined {
  link: Link;
  /** The screws it joins at the old thermostat. */
  from: readonly [string, string];
  /** The screws it joins at the new one; `null` when it is taken away. */
  to: readonly [string, string] | null;
  reason: JumperReason;
}

/** The jumper between E and W2/AUX at the thermostat to be replaced; `null` when there is none. */
function joinedAt(circuit: Circuit, thermostat: string): Pick<Joined, 'link' | 'from'> | null {
  const { params, kind } = findDevice(circuit, thermostat)!;
  const { emergency, backUp } = backUpScrews(String(fill(kindOf(kind).params, params).terminals));
  if (emergency === null || backUp === null) return null;
  const from = [emergency, backUp] as const;
  const link = circuit.links.find(({ joins }) =>
    from.every((mark) => joins.includes(`${thermostat}.${mark}`)),
  );
  return link ? { link, from } : null;
}

/** Why the jumper has no place at the new thermostat; `null` when it has one. */
function whyNot(
  facts: Facts,
  wish: SwapRequest,
  screws: ReturnType<typeof backUpScrews>,
): JumperReason | null {
  if (!facts.heatPump) return { type: 'no-heat-pump' };
  if (screws.emergency === null) return { type: 'no-emergency' };
  if (screws.backUp === null) return { type: 'no-back-up-screw' };
  const own = facts.leads.some(
    (lead) => lead.role === 'W2' && screwFor(lead, facts, wish).mark === screws.emergency,
  );
  return own ? { type: 'own-conductor' } : null;
}

/** What becomes of the jumper between E and W2/AUX in the exchange; `null` when there was none. */
export function joinedBackUp(circuit: Circuit, facts: Facts, wish: SwapRequest): Joined | null {
  const found = joinedAt(circuit, wish.device);
  if (!found) return null;
  const screws = backUpScrews(wish.terminals);
  const against = whyNot(facts, wish, screws);
  if (against) return { ...found, to: null, reason: against };
  const { from } = found;
  const to = [screws.emergency!, screws.backUp!] as const;
  const kept = to[0] === from[0] && to[1] === from[1];
  return { ...found, to, reason: { type: kept ? 'kept' : 'moved', from, to } };
}
