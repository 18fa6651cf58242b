/** What is said of the run between the halves of a unit. */
import type { RunWay } from '../../ductless';
import type { HalvesObstacle, HalvesPlan, RunLine, RunReading, RunRole } from '../../plan';
import type { LineRegion } from '../../standards';
import { splitTerminal } from '../../circuit';
import type { Names } from '../names';
import { capital } from '../phrases';

export const REGIONS: Readonly<Record<LineRegion, string>> = {
  iec: 'IEC',
  america: 'North America',
  japan: 'Japan',
};

export const HALVES_OBSTACLE: Readonly<Record<HalvesObstacle, string>> = {
  'no-halves': 'There are no two halves of a unit here.',
  'not-fed':
    'No supply is recorded at either half: find where the cable from the breaker ends, and land it there.',
  'fed-twice':
    'Both halves have a supply of their own. Only one may: the label says which. Take the other one off first.',
  'no-run': 'No cable is recorded from one half to the other: record its colours at both ends under Survey.',
  'too-few':
    'The run has too few conductors for line, neutral, signal and earth: it needs one with four, of its own and without a joint.',
  'no-earth':
    'Nothing in this run is green-yellow or green. Earth may have no other colour, and nothing else may have that: pull a run that has it.',
};

const ROLE: Readonly<Record<RunRole, string>> = {
  line: 'line',
  neutral: 'neutral',
  signal: 'signal',
  earth: 'earth',
};

/** "1 to S1, line": a number of the run at both its ends. */
export const runLineTitle = ({ role, at }: Pick<RunLine, 'role' | 'at'>): string =>
  `${at.map((terminal) => splitTerminal(terminal).mark).join(' to ')}, ${ROLE[role]}`;

/** What is done with the conductor of a number. */
export function runLineText({ node }: Names, { at, found }: Pick<RunLine, 'at' | 'found'>): string {
  const moves = at.flatMap((to, i) => {
    const was = found[i]!;
    if (was === to) return [];
    return [was === null ? `land it on ${node(to)}` : `move it from ${node(was)} to ${node(to)}`];
  });
  return moves.length === 0 ? 'Stays as it is.' : `${capital(moves.join(', then '))}.`;
}

/** What a reading must come to once it is powered. */
export function runReadingText({ node }: Names, reading: RunReading): string {
  const [red, black] = reading.probes;
  const at = `${node(red)} to ${splitTerminal(black).mark}`;
  switch (reading.type) {
    case 'supply':
      return `${at}: ${Math.round(reading.volts)} V a.c., the supply.`;
    case 'signal':
      return `${at}: about ${reading.rest.toFixed(0)} V d.c. at rest, about ${reading.called.toFixed(0)} V while cooling is called. It must move; a real one jumps about. Levels from memory: the maker’s sheet wins.`;
    case 'through':
      return `${at}: ${Math.round(reading.volts)} V a.c. That is the supply seen through the boards: it says nothing of the signal.`;
  }
}

/** Before power, with both ends off. */
export const RUN_BEFORE_POWER: readonly string[] = [
  'Both ends off: each conductor end to end under 1 Ω, none to another, none to earth.',
  'Then number by number: the same colour on the same number at both ends, green-yellow on earth and nowhere else.',
];

/** What a way does at its worst: in the order in which it is told. */
const WORST = [
  ['live-case', 'put mains on a case'],
  ['short', 'open the breaker'],
  ['line-on-signal', 'put mains on the signal: it burns boards, or may'],
  ['unearthed', 'leave a case without earth'],
  ['unanswered', 'leave it standing still'],
] as const;

/** What all the other ways to land a run come to. */
export function runWaysText(ways: readonly RunWay[]): string[] {
  const wrong = ways.filter(({ effect }) => effect.harm !== null);
  const safe = ways.length - wrong.length;
  const counts = new Map<string, number>();
  for (const { effect } of wrong) {
    const found = WORST.find(([property]) => effect.violations.some((one) => one.property === property));
    const text = found?.[1] ?? 'do something else that is wrong';
    counts.set(text, (counts.get(text) ?? 0) + 1);
  }
  const working = wrong.filter(({ effect }) => effect.works).length;
  return [
    `Of ${ways.length} ways to land them there ${safe === 1 ? 'one is' : `${safe} are`} right.`,
    ...WORST.flatMap(([, text]) => (counts.has(text) ? [`${counts.get(text)} ${text}.`] : [])),
    ...(working > 0
      ? [
          `${working} of these ${working === 1 ? 'works' : 'work'} all the same, over the earth: that it runs proves nothing.`,
        ]
      : []),
  ];
}

/** Where the work begins. */
export const beginText = ({ device }: Names, { fed, other }: Pick<HalvesPlan, 'fed' | 'other'>): string =>
  `The supply comes in at ${device(fed)}: begin there, then go to ${device(other)}.`;

export const HALVES_CAUTIONS: readonly string[] = [
  'Line voltage: in most places this run is work for who is licensed for it. Local code goes before anything said here.',
  'Open the breaker, lock it, prove it dead at both halves, wait for the capacitors of the outdoor board (its label says how long).',
  'No joint in this run, no other circuit in its jacket. A shielded one is earthed at one end only.',
];
