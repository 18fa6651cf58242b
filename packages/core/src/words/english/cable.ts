/** A cable's conductors tested: what to join and read, and what came out. */
import { findConductor } from '../../circuit';
import type { CableReading, ConductorState } from '../../diagnose';
import { colourName } from '../../standards';
import type { Names } from '../names';
import { listed } from '../phrases';

const pairsOf = (group: readonly string[], from: number): (readonly [string, string])[] =>
  group.flatMap((one, i) =>
    i >= from && (i - from) % 2 === 0 && group[i + 1] !== undefined ? [[one, group[i + 1]!] as const] : [],
  );

/** Within one cable a conductor goes by its colour. */
const colourIn = ({ circuit }: Names, id: string) => colourName(findConductor(circuit, id)!.colour);

/** What to do for a reading, one line each. */
export function cableReadingLines(names: Names, reading: CableReading): string[] {
  const conductor = (id: string) => colourIn(names, id);
  const named = (group: readonly string[]) => listed(group.map(conductor));
  const joined = (pairs: readonly (readonly [string, string])[]) =>
    listed(pairs.map((pair) => pair.map(conductor).join(' with ')));
  switch (reading.type) {
    case 'to-metal':
      return [
        'Far end: all apart, touching nothing.',
        reading.group.length > 1 ? `Here: join ${named(reading.group)}.` : 'Here: all apart.',
        `Read from ${reading.group.length > 1 ? 'the joint' : named(reading.group)} to bare metal.`,
      ];
    case 'between':
      return [
        'Far end: all apart, touching nothing.',
        `Here: join ${named(reading.one)}${reading.one.length > 1 ? '' : ' alone'}; join ${named(reading.other)}${reading.other.length > 1 ? '' : ' alone'}.`,
        'Read from the one lot to the other.',
      ];
    case 'through': {
      const { group } = reading;
      const far = pairsOf(group, 0);
      const near = pairsOf(group, 1);
      const odd = group.length % 2 === 1;
      const last = conductor(group[group.length - 1]!);
      return [
        `Far end: ${[...(far.length > 0 ? [`join ${joined(far)}`] : []), ...(odd ? [`${last} to bare metal`] : [])].join('; ')}.`,
        `Here: ${near.length > 0 ? `join ${joined(near)}` : 'join nothing'}.`,
        `Read from ${conductor(group[0]!)} to ${odd ? 'bare metal' : last}.`,
      ];
    }
  }
}

const STATES: Readonly<Record<ConductorState, string>> = {
  whole: 'whole',
  open: 'broken',
  shorted: 'touches another',
  grounded: 'touches metal',
  unknown: 'not known yet',
};

/** "yellow: broken" */
export const conductorStateText = (names: Names, id: string, state: ConductorState): string =>
  `${colourIn(names, id)}: ${STATES[state]}`;
