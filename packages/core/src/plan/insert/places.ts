/** Where a safety can break a circuit: ahead of everything, on the way to the thermostat, in the call, in the load. */
import type { Circuit, End, TerminalId } from '../../circuit';
import { endNode, findConductor, landedOn, otherEnd } from '../../circuit';
import { energisedLoads } from '../../behaviour';
import type { Supplied } from '../../prove';
import { asksOf, runCase } from '../../prove';
import { commonAt } from '../field/common';
import type { ConductorFunction, Lead } from '../field/functions';
import { factsOf } from '../field/functions';
import type { Feed } from './series';

export type PlaceId =
  /** In the hot of the transformer, before anything else. */
  | 'ahead'
  /** In the hot that goes to the thermostat. */
  | 'R'
  /** In the cooling call on its way from the thermostat. */
  | 'Y'
  /** In what goes on from the unit to the outdoor unit. */
  | 'outdoor'
  /** Right at a coil or valve. */
  | 'load';

export interface Place {
  id: PlaceId;
  conductor: string;
  end: End;
  feed: Feed | null;
}

/** Which end of a conductor is landed on a terminal. */
const endAt = (circuit: Circuit, conductor: string, terminal: TerminalId): End =>
  endNode(findConductor(circuit, conductor)!, 'from') === terminal ? 'from' : 'to';

/** The only conductor landed on a terminal, one apart. */
function onlyOn(circuit: Circuit, terminal: TerminalId, apart: string | null) {
  const others = landedOn(circuit, terminal).filter(({ conductor }) => conductor.id !== apart);
  return others.length === 1 ? others[0]!.conductor.id : null;
}

/** The hot of the transformer that a conductor's current comes from. */
function sourceOf({ network }: Supplied, { domain }: Lead): Feed | null {
  const own = network.secondaries.find(({ common }) => network.nodes[common] === domain);
  return own ? { hot: network.nodes[own.hot]!, common: network.nodes[own.common]! } : null;
}

/** Hot sides of the coils and valves that run with cooling and not with the fan alone. */
function coolingCoils(supplied: Supplied, circuit: Circuit): TerminalId[] {
  const { network } = supplied;
  const asked = asksOf(circuit).find(({ id }) => id === 'cool-far');
  if (!asked) return [];
  const { steady } = runCase(supplied, { asked, trip: null, mains: 1 });
  return energisedLoads(network, steady).flatMap(({ load, branch }) =>
    (load.nature === 'coil' || load.nature === 'valve') && (load.serves === 'cool' || load.serves === 'pump')
      ? [network.nodes[network.branches[branch]!.nodes[0]!]!]
      : [],
  );
}

/** Every place in a circuit where a safety can be put, the nearest to the supply first. */
export function placesOf(circuit: Circuit, thermostat: string, supplied: Supplied): Place[] {
  const { leads } = factsOf(circuit, thermostat);
  const leadFor = (role: ConductorFunction) => leads.find((lead) => lead.role === role && lead.far !== null);
  const [hot, call] = [leadFor('hot'), leadFor('Y')];
  const common = hot ? commonAt(circuit, hot) : null;
  const feed: Feed | null = hot?.far && common ? { hot: hot.far, common } : null;
  const source = hot ? sourceOf(supplied, hot) : null;
  const first = source && onlyOn(circuit, source.hot, hot!.conductor.id);
  const further = call ? onlyOn(circuit, call.far!, call.conductor.id) : null;
  const inLead = (id: PlaceId, { conductor, end }: Lead): Place => ({
    id,
    conductor: conductor.id,
    end: otherEnd(end),
    feed,
  });
  const loads = coolingCoils(supplied, circuit).flatMap((terminal): Place[] => {
    const conductor = onlyOn(circuit, terminal, null);
    return conductor ? [{ id: 'load', conductor, end: endAt(circuit, conductor, terminal), feed }] : [];
  });
  return [
    ...(first
      ? [{ id: 'ahead', conductor: first, end: endAt(circuit, first, source.hot), feed: source } as const]
      : []),
    ...(hot ? [inLead('R', hot)] : []),
    ...(call ? [inLead('Y', call)] : []),
    ...(further
      ? [{ id: 'outdoor', conductor: further, end: endAt(circuit, further, call!.far!), feed } as const]
      : []),
    ...loads,
  ];
}
