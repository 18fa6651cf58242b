/** What is said of an outdoor unit that is traced wire by wire. */
import type { CapacitorVerdict, Difference, DrawnWire, Told, WindingVerdict, WireFound } from '../../unit';
import { colourName } from '../../standards';
import type { Names } from '../names';
import { capital, listed } from '../phrases';

/** "4 blue": a wire as a diagram calls it. */
export const wireTitle = ({ colour, number }: Pick<DrawnWire, 'colour' | 'number'>): string =>
  [number, colourName(colour)].filter(Boolean).join(' ');

export const wireEnds = ({ node }: Names, { from, to }: Pick<DrawnWire, 'from' | 'to'>): string =>
  `${node(from)} to ${node(to)}`;

/** What is otherwise about a wire, each thing a sentence. */
export function foundText({ node }: Names, { wire, ends, colour, number }: WireFound): string[] {
  return [
    ...ends.map(({ drawn, found }) =>
      found === null
        ? `${wireTitle(wire)} belongs on ${node(drawn)} and is off.`
        : `${wireTitle(wire)} belongs on ${node(drawn)} and is on ${node(found)}.`,
    ),
    ...(colour ? [`${wireTitle(wire)} is ${colourName(colour)}.`] : []),
    ...(number === undefined
      ? []
      : [number === null ? `${wireTitle(wire)} has no number.` : `${wireTitle(wire)} has number ${number}.`]),
  ].map(capital);
}

export const differenceTitle = (difference: Difference): string =>
  `${capital(listed(difference.map(({ wire }) => wireTitle(wire))))}${difference.length > 1 ? ' exchanged' : ''}`;

export const UNIT_VERDICT: Readonly<Record<Told['verdict'], string>> = {
  stay: 'May stay: it joins what the diagram joins. Write colour and number on the diagram at the unit.',
  equal:
    'Joins the same points by another terminal: it may stay if the terminal takes it. Write it on the diagram.',
  go: 'Must go: put it on as drawn.',
  earth:
    'Must go: green and green-yellow are earth and nothing else, and earth has no other colour. Replace the wire.',
};

const LEAD = ['1', '2', '3'] as const;

/** What three resistances say of a motor. */
export function windingText(verdict: WindingVerdict): string {
  switch (verdict.type) {
    case 'named':
      return `${verdict.pins.map((pin, i) => `Lead ${LEAD[i]!} is ${pin}`).join(', ')}. Run winding ${verdict.run} Ω, start winding ${verdict.start} Ω; the largest reading is their sum.`;
    case 'open':
      return verdict.lead === null
        ? 'Nothing reads: all open. Wait until it has cooled, an overload inside may have opened; read again before it is condemned.'
        : `Lead ${LEAD[verdict.lead]!} reads to neither of the others: its winding is open, or the overload inside if that lead is C and it is warm.`;
    case 'shorted':
      return `Leads ${LEAD[verdict.between[0]!]!} and ${LEAD[verdict.between[1]!]!} read as nothing: shorted. Take both off and read again before it is condemned.`;
    case 'grounded':
      return `Lead ${LEAD[verdict.lead]!} reads to the shell: a winding is grounded. Do not power it.`;
    case 'no-sum':
      return `The largest reading should be the sum of the other two (${verdict.sum.toFixed(1)} Ω) and is ${Number.isFinite(verdict.largest) ? `${verdict.largest.toFixed(1)} Ω` : 'open'}: read all three again, on bare metal, with every lead off.`;
  }
}

export function capacitorText(farads: number, label: number, verdict: CapacitorVerdict): string {
  const measured = `${(farads * 1e6).toFixed(1)} µF of ${(label * 1e6).toFixed(1)}`;
  switch (verdict) {
    case 'within':
      return `${measured}: within its tolerance.`;
    case 'weak':
      return `${measured}: weak. Replace it with one of the same microfarads and no fewer volts.`;
    case 'over':
      return `${measured}: too much. Check what is printed on it, and that it is the one the motor’s label asks for.`;
  }
}

/** Before anything is touched in an opened unit. */
export const UNIT_CAUTION =
  'Line voltage, and capacitors that hold a charge with the power off. Power off and locked, proven dead, every capacitor discharged, then hands in. Work on it is for who is licensed and qualified where you are.';

/** What is read besides, before power. */
export const UNIT_BEFORE_POWER: readonly string[] = [
  'Contactor: A1 to A2 some ohms, neither open nor none; L1 to T1 and L2 to T2 open at rest.',
  'Each capacitor terminal has its own wire: HERM goes to the compressor’s start pin, FAN to the fan’s start lead, C to the run side.',
  'Nothing reads to the cabinet but earth.',
];
