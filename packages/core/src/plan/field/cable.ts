/** Working on cables: what is pulled, what it is asked for at the counter, and how long it takes. */
import type { Cable, Circuit, TerminalId } from '../../circuit';
import { addCable, freeCableId } from '../../circuit';
import type { ColourCode } from '../../standards';
import { COLOUR_CODES } from '../../standards';
import { customaryColours } from '../../survey';

/** Minutes to land one end, and to pull a cable: at all, and for each metre; from memory. */
export const LANDING_MINUTES = 1.5;
const PULL_MINUTES = { once: 30, perMetre: 1.2 } as const;
/** Multi-conductor thermostat cable as it is sold, from memory. */
const CABLE_SIZES = [2, 3, 4, 5, 6, 7, 8, 10, 12] as const;
const NEW_CABLE_GAUGE = 18;
/** Loose leads between neighbours at one place, m. */
const LEAD_M = 0.3;

type Landed = readonly [colour: ColourCode, from: TerminalId, to: TerminalId];

/** Adds a cable, or loose leads, landed at both ends. */
export function addLeads(
  circuit: Circuit,
  stem: string,
  label: string,
  leads: readonly Landed[],
  lengthM = LEAD_M,
): Circuit {
  const id = freeCableId(circuit, stem);
  return addCable(circuit, {
    id,
    label,
    gauge: NEW_CABLE_GAUGE,
    lengthM,
    conductors: leads.map(([colour, from, to], i) => ({ id: `${id}-${i + 1}`, colour, from, to })),
  });
}

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
      ...(!landings[i] && { state: 'spare' as const }),
    })),
  };
}

export const pullMinutes = ({ lengthM }: Cable): number =>
  PULL_MINUTES.once + PULL_MINUTES.perMetre * lengthM;
