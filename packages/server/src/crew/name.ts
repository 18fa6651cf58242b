/**
 * Names of people. What looks the same is the same name: compatibility forms are folded (Unicode UAX #15, NFKC), what cannot be seen
 * is refused, and letters of other scripts that look like Latin ones count as those (after Unicode UTS #39, the common ones, from
 * memory).
 */

/** Letters that are taken for the Latin one under them. */
const LOOKS = {
  from: 'аеорсухіјѕԁһӏԛԝαονιυτκχρ',
  to: 'aeopcyxijsdhlqwaoviutkxp',
} as const;

const LOOK_ALIKE: ReadonlyMap<string, string> = new Map(
  [...LOOKS.from].map((letter, i) => [letter, [...LOOKS.to][i]!]),
);

/** A name as it is kept: in its usual form, with single spaces. */
export const nameKept = (name: string): string => name.normalize('NFKC').trim().replace(/\s+/g, ' ');

/** What two names have in common that nobody can tell apart by looking. */
export const nameKey = (name: string): string =>
  [...nameKept(name).toLowerCase()].map((letter) => LOOK_ALIKE.get(letter) ?? letter).join('');
