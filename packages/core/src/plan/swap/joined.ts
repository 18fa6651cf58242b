/** E joined to the screw of the back-up heat by a jumper at the thermostat: whether the new one has it too, and why. */
import type { Circuit, Link } from '../../circuit';
import { findDevice } from '../../circuit';
import { backUpScrews, fill, kindOf } from '../../devices';
import type { Facts } from '../field/functions';
import type { SwapRequest } from './swap-request';
import { screwFor } from './swap-request';

interface Joined {
  link: Link;
  /** The screws it joins at the old thermostat. */
  from: readonly [string, string];
  /** The screws it joins at the new one; `null` when it is taken away. */
  to: readonly [string, string] | null;
  reason: string;
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

/** Why the jumper has no place at the new thermostat; `undefined` when it has one. */
function whyNot(
  facts: Facts,
  wish: SwapRequest,
  screws: ReturnType<typeof backUpScrews>,
): string | undefined {
  if (!facts.heatPump) return 'This is no heat pump: E has nothing to do here.';
  if (screws.emergency === null)
    return 'The new thermostat has no E: in emergency heat it closes AUX by itself.';
  if (screws.backUp === null) return 'The new thermostat has no AUX or W2 to join E to.';
  const own = facts.leads.some(
    (lead) => lead.role === 'W2' && screwFor(lead, facts, wish).mark === screws.emergency,
  );
  return own
    ? 'E has a conductor of its own now: joined, every call for back-up heat would bring both banks at once.'
    : undefined;
}

/** What becomes of the jumper between E and W2/AUX in the exchange; `null` when there was none. */
export function joinedBackUp(circuit: Circuit, facts: Facts, wish: SwapRequest): Joined | null {
  const found = joinedAt(circuit, wish.device);
  if (!found) return null;
  const screws = backUpScrews(wish.terminals);
  const against = whyNot(facts, wish, screws);
  if (against !== undefined) return { ...found, to: null, reason: against };
  const to = [screws.emergency!, screws.backUp!] as const;
  const kept = to[0] === found.from[0] && to[1] === found.from[1];
  const moved = `it was on ${found.from.join(' and ')} and goes on ${to.join(' and ')}`;
  return {
    ...found,
    to,
    reason: `One conductor brings all the back-up heat, and emergency heat asks for it on ${to[0]}: ${kept ? 'the jumper is kept' : moved}.`,
  };
}
