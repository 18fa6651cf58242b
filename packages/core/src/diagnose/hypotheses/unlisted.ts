/**
 * What is wrong in a way that nobody listed. Without it the best of what is listed takes all the blame, however badly it
 * fits, and a good part stands first.
 */
import type { Circuit } from '../../circuit';
import { splitTerminal } from '../../circuit';
import { fieldConductors } from '../../prove';
import type { Hypothesis } from './hypothesis';
import { hypothesis } from './hypothesis';

/** Judgement: how often each is met against one conductor broken out of sight. */
const OTHERWISE = 0.1;
const OTHERWISE_INDOORS = 0.02;
const UNLISTED = 0.1;

/** Whether what a hypothesis would do is known. */
export const isListed = ({ failure: { type } }: Pick<Hypothesis, 'failure'>): boolean =>
  type !== 'otherwise' && type !== 'unlisted';

/** Id of the hypothesis that a device's block is otherwise. */
export const otherwiseAt = (device: string): string => `${device} otherwise`;

/** Devices at which one of these conductors is landed. */
const blocksOf = (conductors: readonly { from: string | null; to: string | null }[]): ReadonlySet<string> =>
  new Set(
    conductors.flatMap(({ from, to }) =>
      [from, to].flatMap((end) => (end === null ? [] : [splitTerminal(end).deviceId])),
    ),
  );

/** For every block that something is landed at, that it is otherwise; and that it is nothing of all this. */
export function unlistedHypotheses(circuit: Circuit): Hypothesis[] {
  const inField = blocksOf(fieldConductors(circuit).map(({ conductor }) => conductor));
  const blocks = blocksOf(circuit.cables.flatMap(({ conductors }) => conductors));
  return [
    ...[...blocks].map((device) =>
      hypothesis({
        id: otherwiseAt(device),
        failure: { type: 'otherwise', device },
        remedy: { type: 'compare', device },
        weight: inField.has(device) ? OTHERWISE : OTHERWISE_INDOORS,
      }),
    ),
    hypothesis({
      id: 'unlisted',
      failure: { type: 'unlisted' },
      remedy: { type: 'ask' },
      weight: UNLISTED,
    }),
  ];
}
