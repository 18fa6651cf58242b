/** The thermostat wanted, and which of its screws each conductor belongs on. */
import type { Values } from '../../devices';
import { hasRows, hasScrew, hotsOf, screwsOf } from '../../devices';
import type { Terminals } from '../../devices';
import type { Facts, Lead, ConductorFunction } from '../field/functions';

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
  reason: string;
}

/** "Runs Compressor, Outdoor fan when fed." */
const shown = ({ runs }: Pick<Lead, 'runs'>) =>
  runs.length > 0 ? `Fed by itself it runs: ${runs.join(', ')}.` : '';

/** Screws for what a heat pump's conductors do. */
function pumpScrew(role: ConductorFunction, { valve }: Facts, { terminals }: SwapRequest): Screw {
  const rows = hasRows(terminals);
  const has = (mark: string) => hasScrew(terminals, mark);
  if (role === 'valve') {
    const way = valve === 'B' ? 'heating' : 'cooling';
    const reason = `It turns the reversing valve over for ${way}: this is ${valve ?? 'O'}, and the set-up must say so.`;
    if (rows)
      return { mark: 'W', reason: `${reason} The screw is W in the upper row, O/B in the heat-pump row.` };
    return { mark: has('OB') ? 'OB' : has(valve ?? 'O') ? (valve ?? 'O') : null, reason };
  }
  if (role === 'W') {
    const mark = has('AUX') ? 'AUX' : has('W2') ? 'W2' : null;
    return {
      mark,
      reason:
        'It brings the back-up heat. On a heat pump it goes to AUX (W2), never to W: there it would run with every heating call.',
    };
  }
  if (role === 'W2')
    return has('E')
      ? { mark: 'E', reason: 'The second bank of back-up heat, brought in by emergency heat.' }
      : {
          mark: rows ? 'Y2' : has('AUX') ? 'AUX' : has('W2') ? 'W2' : null,
          reason: rows
            ? 'Emergency heat: the screw is E in the heat-pump row.'
            : 'The second bank of back-up heat: there is no E, so it shares the screw of the first.',
        };
  if (role === 'Y2' && rows) return { mark: null, reason: 'In the heat-pump row that screw is E.' };
  return { mark: has(role) ? role : null, reason: '' };
}

/** The screw a conductor belongs on at the thermostat wanted. */
export function screwFor(lead: Lead, facts: Facts, wish: SwapRequest): Screw {
  const { terminals } = wish;
  const has = (mark: string) => hasScrew(terminals, mark);
  const { role } = lead;
  const hots = facts.leads.filter((other) => other.role === 'hot');
  if (role === 'hot') {
    const { cooling, heating } = hotsOf(terminals);
    if (hots.length < 2)
      return {
        mark: cooling,
        reason:
          cooling === heating
            ? 'The only hot there is.'
            : 'The only hot there is: on RC with the joiner in, so that heating has it too.',
      };
    const heats = facts.leads.some((other) => other.role === 'W' && other.domain === lead.domain);
    if (cooling === heating)
      return {
        mark: heats ? null : cooling,
        reason: heats
          ? 'A second transformer’s hot: on the same screw as the other it would tie the two together.'
          : 'The hot of the cooling side, which also powers the thermostat.',
      };
    return {
      mark: heats ? heating : cooling,
      reason: `It comes from the ${heats ? 'heating' : 'cooling'} transformer. There really are two: the joiner must be out.`,
    };
  }
  if (role === 'common')
    return {
      mark: has('C') ? 'C' : null,
      reason: 'The other side of the transformer: it powers the thermostat.',
    };
  if (role === 'none')
    return { mark: null, reason: 'Fed by itself it runs nothing: insulate it at both ends.' };
  const own =
    facts.heatPump && role !== 'Y' && role !== 'G'
      ? pumpScrew(role, facts, wish)
      : { mark: has(role) ? role : role === 'W2' && has('AUX') ? 'AUX' : null, reason: '' };
  return { mark: own.mark, reason: `${shown(lead)} ${own.reason}`.trim() };
}

export interface SetUp {
  name: string;
  value: string;
  reason: string;
}

/** How the thermostat must be set up for what the trials found. */
export function setUpOf(facts: Facts, wish: SwapRequest): SetUp[] {
  const { cooling, heating } = hotsOf(wish.terminals);
  const two = facts.leads.filter(({ role }) => role === 'hot').length > 1;
  const setUp: SetUp[] = [
    {
      name: 'system',
      value: facts.heatPump ? 'heat-pump' : 'conventional',
      reason: facts.heatPump
        ? 'Y runs the compressor in heating too. Set conventional, heat would be asked for on W alone.'
        : 'Heat comes from its own conductor. Set as a heat pump, a heating call would run the cooling.',
    },
    {
      name: 'fanWithHeat',
      // eslint-disable-next-line no-restricted-syntax -- The setting's option is called so, it is no kind.
      value: facts.fanWithHeat || !facts.hasFan ? 'unit' : 'thermostat',
      reason: !facts.hasFan
        ? 'There is no fan to run.'
        : facts.fanWithHeat
          ? 'The unit runs its fan with heat by itself.'
          : 'With heat alone no fan runs: the thermostat must call it (electric heat).',
    },
  ];
  if (facts.valve)
    setUp.push({
      name: 'valve',
      value: facts.valve,
      reason: `Fed, the valve conductor turned the unit to ${facts.valve === 'O' ? 'cooling' : 'heating'}.`,
    });
  if (facts.heatPump)
    setUp.push({
      name: 'backUp',
      value: facts.backUp,
      reason:
        facts.backUp === 'furnace'
          ? 'The back-up burns gas: compressor and burner must never run together.'
          : 'The back-up is electric: it may help the compressor.',
    });
  if (cooling !== heating)
    setUp.push({
      name: 'joiner',
      value: two ? 'out' : 'in',
      reason: two
        ? 'Two transformers: in, it would tie them together.'
        : 'One transformer feeds cooling and heating alike.',
    });
  return setUp;
}

/** Why a screw of the new thermostat stays empty. */
export function emptyReason(mark: string, { heatPump, valve }: Facts): string {
  if (mark === 'W' && heatPump)
    return 'Stays empty on a heat pump: it would bring heat with every heating call.';
  if ((mark === 'O' || mark === 'B') && heatPump) return `Stays empty: the valve here is ${valve ?? 'O'}.`;
  if (['O', 'B', 'OB'].includes(mark)) return 'Stays empty: there is no reversing valve.';
  if (mark === 'RH' || mark === 'RC') return 'Stays empty: the joiner brings it its hot.';
  if (mark === 'C') return 'Stays empty: no common comes here.';
  if (mark === 'E' && heatPump)
    return 'Stays empty: in emergency heat AUX is closed too. Some thermostats need E joined to it: their sheet says so.';
  return 'Stays empty: the unit has nothing for it.';
}

/** What the old system needs and the new thermostat has no screw for. */
export function shortcomings(facts: Facts, wish: SwapRequest): { cannot: string[]; lost: string[] } {
  const cannot: string[] = [];
  const lost: string[] = [];
  if (wantsCommon(wish) && !hasScrew(wish.terminals, 'C'))
    cannot.push('It is to be powered by R and C, and has no C.');
  for (const lead of facts.leads) {
    if (lead.role === 'none' || lead.role === 'common' || lead.role === 'hot') continue;
    if (screwFor(lead, facts, wish).mark !== null) continue;
    if (lead.role === 'Y2')
      lost.push('The second compressor stage stays off: this thermostat has no screw for it.');
    else if (lead.role === 'W2')
      lost.push('The second heating stage stays off: this thermostat has no screw for it.');
    else if (lead.role === 'valve') cannot.push('It has no O/B: it cannot turn a heat pump over.');
    else if (lead.role === 'W')
      cannot.push(
        facts.heatPump
          ? 'It has no AUX or W2 for the back-up heat.'
          : 'It has no W: it can only heat with a heat pump.',
      );
    else cannot.push(`It has no ${lead.role} for a conductor that is in use.`);
  }
  return { cannot, lost };
}

/** Params of the new thermostat. */
export const paramsOf = ({ terminals, supply }: SwapRequest): Values => ({ terminals, supply });
export const marksOfWish = ({ terminals }: SwapRequest): string[] =>
  screwsOf(terminals).map(({ mark }) => mark);
