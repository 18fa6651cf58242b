/** The thermostat wanted, and which of its screws each conductor belongs on. */
import type { Values } from '../../devices';
import { hasRows, hasScrew, hotsOf, screwsOf } from '../../devices';
import type { Terminals } from '../../devices';
import type { Facts, Lead, ConductorFunction } from '../field/functions';
import type { EmptyReason, LandingReason, Loss, Obstacle, ScrewReason, SetUpReason } from './reason';

export type Supply = 'none' | 'battery' | 'wired' | 'both' | 'stealing';

export interface SwapRequest {
  /** The thermostat to be replaced. */
  device: string;
  terminals: Terminals;
  supply: Supply;
}

/** Whether it lives on C, if it can. */
export const wantsCommon = ({ supply }: SwapRequest) => supply === 'wired' || supply === 'both';

/** A screw for a conductor and why; `null` when the thermostat has none for it. */
interface Screw {
  mark: string | null;
  reason: LandingReason;
}

/** A screw before it is said what its conductor runs; what has none needs no reason. */
interface Chosen {
  mark: string | null;
  reason: ScrewReason | null;
}

const NO_SCREW: Chosen = { mark: null, reason: null };

/** Screws for what a heat pump's conductors do. */
function pumpScrew(role: ConductorFunction, facts: Facts, { terminals }: SwapRequest): Chosen {
  const rows = hasRows(terminals);
  const has = (mark: string) => hasScrew(terminals, mark);
  const backUp = has('AUX') ? 'AUX' : has('W2') ? 'W2' : null;
  if (role === 'valve') {
    const valve = facts.valve ?? 'O';
    const turnsTo = valve === 'B' ? 'heating' : 'cooling';
    const mark = rows ? 'W' : has('OB') ? 'OB' : has(valve) ? valve : null;
    return { mark, reason: { type: 'valve', turnsTo, valve, rows } };
  }
  if (role === 'W') return { mark: backUp, reason: { type: 'back-up' } };
  if (role === 'W2') {
    if (has('E')) return { mark: 'E', reason: { type: 'emergency-bank' } };
    return rows
      ? { mark: 'Y2', reason: { type: 'emergency-row' } }
      : { mark: backUp, reason: { type: 'shares-first-bank' } };
  }
  // In the heat-pump row the screw of Y2 is E.
  if (role === 'Y2' && rows) return NO_SCREW;
  return { mark: has(role) ? role : null, reason: null };
}

/** Screws for hots: with two transformers each has its own, or the heating one's has none. */
function hotScrew(lead: Lead, { leads }: Facts, { terminals }: SwapRequest): Chosen {
  const { cooling, heating } = hotsOf(terminals);
  const oneScrew = cooling === heating;
  if (leads.filter(({ role }) => role === 'hot').length < 2)
    return { mark: cooling, reason: { type: oneScrew ? 'only-hot' : 'only-hot-joined' } };
  const heats = leads.some(({ role, domain }) => role === 'W' && domain === lead.domain);
  if (!oneScrew)
    return {
      mark: heats ? heating : cooling,
      reason: { type: 'side-hot', side: heats ? 'heating' : 'cooling' },
    };
  // On the same screw as the other, a second transformer's hot would tie the two together.
  return heats ? NO_SCREW : { mark: cooling, reason: { type: 'cooling-hot' } };
}

function chosenFor(lead: Lead, facts: Facts, wish: SwapRequest): Chosen {
  const has = (mark: string) => hasScrew(wish.terminals, mark);
  const { role } = lead;
  if (role === 'hot') return hotScrew(lead, facts, wish);
  if (role === 'none') return NO_SCREW;
  if (role === 'common') return { mark: has('C') ? 'C' : null, reason: { type: 'common' } };
  if (facts.heatPump && role !== 'Y' && role !== 'G') return pumpScrew(role, facts, wish);
  return { mark: has(role) ? role : role === 'W2' && has('AUX') ? 'AUX' : null, reason: null };
}

/** The screw a conductor belongs on at the thermostat wanted. */
export function screwFor(lead: Lead, facts: Facts, wish: SwapRequest): Screw {
  const { mark, reason } = chosenFor(lead, facts, wish);
  return { mark, reason: { runs: lead.runs, screw: reason } };
}

export interface SetUp {
  name: string;
  value: string;
  reason: SetUpReason;
}

/** How the thermostat must be set up for what the trials found. */
export function setUpOf(facts: Facts, wish: SwapRequest): SetUp[] {
  const { cooling, heating } = hotsOf(wish.terminals);
  const two = facts.leads.filter(({ role }) => role === 'hot').length > 1;
  const setUp: SetUp[] = [
    {
      name: 'system',
      value: facts.heatPump ? 'heat-pump' : 'conventional',
      reason: facts.heatPump ? 'compressor-heats' : 'heat-by-itself',
    },
    {
      name: 'fanWithHeat',
      // eslint-disable-next-line no-restricted-syntax -- The setting's option is called so, it is no kind.
      value: facts.fanWithHeat || !facts.hasFan ? 'unit' : 'thermostat',
      reason: !facts.hasFan ? 'no-fan' : facts.fanWithHeat ? 'unit-runs-fan' : 'no-fan-with-heat',
    },
  ];
  if (facts.valve)
    setUp.push({
      name: 'valve',
      value: facts.valve,
      reason: facts.valve === 'O' ? 'turned-to-cooling' : 'turned-to-heating',
    });
  if (facts.heatPump)
    setUp.push({
      name: 'backUp',
      value: facts.backUp,
      reason: facts.backUp === 'furnace' ? 'back-up-burns' : 'back-up-electric',
    });
  if (cooling !== heating)
    setUp.push({
      name: 'joiner',
      value: two ? 'out' : 'in',
      reason: two ? 'two-transformers' : 'one-transformer',
    });
  return setUp;
}

/** Why a screw of the new thermostat stays empty. */
export function emptyReason(mark: string, { heatPump, valve }: Facts): EmptyReason {
  if (mark === 'W' && heatPump) return 'heats-with-every-call';
  if ((mark === 'O' || mark === 'B') && heatPump) return valve === 'B' ? 'valve-is-B' : 'valve-is-O';
  if (['O', 'B', 'OB'].includes(mark)) return heatPump ? 'no-valve-conductor' : 'no-valve';
  if (mark === 'RH' || mark === 'RC') return 'joined-to-hot';
  if (mark === 'C') return 'no-common';
  return mark === 'E' && heatPump ? 'emergency-closes-back-up' : 'nothing-for-it';
}

/** What the old system needs and the new thermostat has no screw for. */
export function shortcomings(facts: Facts, wish: SwapRequest): { cannot: Obstacle[]; lost: Loss[] } {
  const cannot: Obstacle[] = [];
  const lost: Loss[] = [];
  if (wantsCommon(wish) && !hasScrew(wish.terminals, 'C')) cannot.push({ type: 'no-common-screw' });
  for (const lead of facts.leads) {
    const { role } = lead;
    if (role === 'none' || role === 'common' || role === 'hot') continue;
    if (screwFor(lead, facts, wish).mark !== null) continue;
    if (role === 'Y2') lost.push('second-compressor-stage');
    else if (role === 'W2') lost.push('second-heating-stage');
    else if (role === 'valve') cannot.push({ type: 'no-valve-screw' });
    else if (role === 'W') cannot.push({ type: facts.heatPump ? 'no-back-up-screw' : 'no-heat-screw' });
    else cannot.push({ type: 'no-screw', mark: role });
  }
  return { cannot, lost };
}

/** Params of the new thermostat. */
export const paramsOf = ({ terminals, supply }: SwapRequest): Values => ({ terminals, supply });
export const marksOfWish = ({ terminals }: SwapRequest): string[] =>
  screwsOf(terminals).map(({ mark }) => mark);
