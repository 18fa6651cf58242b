import { showLength } from '@zygostat/core/words';
import { useAppSelector } from '../../store';

/** Distances between two modules to choose from, m. */
const METRES = [10, 30, 100, 300];
/** Walls between them to choose from. */
export const WALLS = { '0': 'None', '1': '1', '3': '3', '6': '6' } as const;

/** The distances as whoever reads them counts. */
export function useDistances(): Readonly<Record<string, string>> {
  const length = useAppSelector(({ settings }) => settings.length);
  return Object.fromEntries(METRES.map((metres) => [String(metres), showLength(metres, length)]));
}
