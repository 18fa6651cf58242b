/** Ways that leave the old cable: a new one, or none. */
import type { Cable, Circuit, TerminalId } from '../../circuit';
import { lift, otherEnd } from '../../circuit';
import type { ColourCode } from '../../standards';
import { COLOUR_CODES, metresToFeet } from '../../standards';
import { SPARE, customaryColours } from '../../survey';
import { exchangeThermostat } from '../landing';
import type { SwapContext, Alternative } from './context';
import { CABLE_SIZES, MINUTES, NEW_CABLE_GAUGE, addLeads, freeCableId, stationOf } from './context';

/** A new cable in an old one's place, for these landings, with at least one spare conductor more. */
export function cableFor(
  circuit: Circuit,
  old: Cable,
  landings: readonly { mark: string; from: TerminalId; to: TerminalId }[],
): Cable {
  const count = CABLE_SIZES.find((conductors) => conductors > landings.length) ?? landings.length + 1;
  const colours: ColourCode[] = [];
  for (const { mark } of landings)
    colours.push([...customaryColours(mark), ...COLOUR_CODES].find((code) => !colours.includes(code))!);
  while (colours.length < count) colours.push(COLOUR_CODES.find((code) => !colours.includes(code))!);
  const id = freeCableId(circuit, 'newCable');
  return {
    id,
    label: `New ${old.label.charAt(0).toLowerCase()}${old.label.slice(1)}`,
    gauge: NEW_CABLE_GAUGE,
    lengthM: old.lengthM,
    conductors: colours.map((colour, i) => ({
      id: `${id}-${colour}`,
      colour,
      from: landings[i]?.from ?? null,
      to: landings[i]?.to ?? null,
      ...(!landings[i] && { tag: SPARE }),
    })),
  };
}

/** What a cable is asked for at the counter. */
export const cablePart = ({ conductors, gauge, lengthM }: Cable): string =>
  `${conductors.length}-conductor ${gauge} AWG cable, ${Math.ceil(lengthM)} m (${Math.ceil(metresToFeet(lengthM))} ft)`;

export const pullMinutes = ({ lengthM }: Cable): number => MINUTES.cable + MINUTES.cablePerMetre * lengthM;
export const PULLING: readonly string[] = [
  'Tie it to the old cable only if that is not stapled.',
  'Leave the spare insulated at both ends.',
];

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
  const gone = new Set(facts.leads.map((lead) => lead.cable.id));
  const landed = {
    ...fresh.circuit,
    cables: [...fresh.circuit.cables.filter((entry) => !gone.has(entry.id)), cable],
  };
  return [
    {
      circuit: landed,
      thermostat,
      given: needs.map((need, i) => ({
        need,
        to: { cable, conductor: cable.conductors[i]!, near: 'from' as const },
      })),
      id: 'new-cable',
      title: `Pull a new ${cable.conductors.length}-conductor cable`,
      parts: [cablePart(cable)],
      extraMinutes: pullMinutes(cable),
      lost: [],
      lookOut: PULLING,
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
      id: 'wireless',
      title: 'Wireless thermostat with a receiver at the unit',
      parts: ['Wireless thermostat and receiver', 'Batteries'],
      extraMinutes: MINUTES.wireless,
      lost: ['The wire: batteries at the wall to change every year.'],
      lookOut: [
        'Check its range with the doors shut before anything is screwed on.',
        'Insulate the old cable at both ends.',
      ],
    },
  ];
}
