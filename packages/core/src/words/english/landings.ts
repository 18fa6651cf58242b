/** Landings as a table (CSV, RFC 4180), and what is said on every sheet that leaves a job. */
import type { Circuit } from '../../circuit';
import { writeCsv } from '../../formats';
import { cardsOf } from '../../wire';
import { namesIn } from '../names';
import { otherEndText } from './end';

export const PAPER_CAUTION =
  'Prove dead before you touch. Local code, the equipment’s own diagram and licensed practice win over this sheet.';

const FIELDS = ['place', 'terminal', 'colour', 'tag', 'cable', 'strip_mm', 'other_end'];

/** Every landing of a circuit, by place; lengths in mm. */
export function landingsCsv(circuit: Circuit): string {
  const names = namesIn(circuit);
  const rows = cardsOf(circuit).flatMap(({ name: place, landings }) =>
    landings.map(({ name, colour, tag, cable, stripMm, otherEnd }) => ({
      place,
      terminal: name,
      colour,
      tag,
      cable,
      strip_mm: stripMm,
      other_end: otherEndText(names, otherEnd),
    })),
  );
  return writeCsv(FIELDS, rows);
}
