/**
 * What the two halves of a ductless unit have in common: the terminals of the run between them, and the current loop that goes
 * over it. Supply goes out on 1 and 2, and from 3 back to 2 goes a direct current that both feel: its levels are from memory, and
 * the maker's sheet wins.
 */
import type { Designation, Senses } from '../context';
import type { Face, FaultMode, Wait } from '../define';
import type { Element } from '../element';
import { EARTH, impedanceOf, load, path } from '../element';
import { choice, num, seconds } from '../fields';

/** What is printed on the terminals of the run, by how they are labelled: line, neutral and signal. */
const LABELS = {
  plain: ['1', '2', '3'],
  neutral: ['1', '2N', '3'],
  signal: ['S1', 'S2', 'S3'],
} as const;

export const interconnectParams = {
  labels: choice(
    'The run is marked',
    { plain: '1 2 3', neutral: '1 2N 3', signal: 'S1 S2 S3' },
    'plain',
    'read the label',
  ),
  supplied: choice(
    'Its label lets the supply in',
    { here: 'Here', other: 'At the other unit', either: 'At either' },
    'either',
    'read the label',
  ),
  volts: num({ label: 'Rated volts', unit: 'V', default: 230, min: 100, max: 277, source: 'read the label' }),
  boardVa: num({ label: 'Board, VA', unit: 'VA', default: 15, min: 1, max: 200, source: 'from memory' }),
  loopVolts: num({ label: 'Signal supply', unit: 'V', default: 24, min: 5, max: 60, source: 'from memory' }),
  loopOhms: num({
    label: 'In the signal loop, each',
    unit: 'Ω',
    default: 1000,
    min: 50,
    max: 20_000,
    source: 'from memory',
  }),
  burnsMa: num({
    label: 'Signal side burns from',
    unit: 'mA',
    default: 60,
    min: 10,
    max: 1000,
    source: 'from memory',
  }),
};

interface InterconnectValues {
  labels: keyof typeof LABELS;
  supplied: 'here' | 'other' | 'either';
  volts: number;
  boardVa: number;
  loopVolts: number;
  loopOhms: number;
  burnsMa: number;
}

/** A fault of the signal is told after so long: what is lost for a moment is asked for again. */
export const signalSettings = { faultS: seconds('No signal is told after', 120, 600) };

/** Marks of a unit's run, by what they are for. */
interface RunMarks {
  line: string;
  neutral: string;
  signal: string;
  earth: string;
}

const EARTH_MARK = 'PE';

export function runMarks({ labels }: Pick<InterconnectValues, 'labels'>): RunMarks {
  const [line, neutral, signal] = LABELS[labels];
  return { line, neutral, signal, earth: EARTH_MARK };
}

const others = (at: 0 | 1 | 2, own: string) =>
  Object.values(LABELS).flatMap((marks) => (marks[at] === own ? [] : [marks[at]]));

/** Terminals of a unit: where its supply may come in, and the run to its other half. */
export function unitTerminals(values: InterconnectValues, other: string): Designation[] {
  const { line, neutral, signal } = runMarks(values);
  return [
    { mark: 'L', role: 'line', purpose: 'Supply, line; unused where the other unit is fed.' },
    { mark: 'N', role: 'neutral', purpose: 'Supply, neutral or the second line.' },
    {
      mark: line,
      role: 'line',
      purpose: `Line to ${other}.`,
      aliases: others(0, line),
      serves: 'run-line',
      run: true,
    },
    {
      mark: neutral,
      role: 'neutral',
      purpose: `Neutral to ${other}; the signal comes back on it.`,
      aliases: others(1, neutral),
      serves: 'run-neutral',
      run: true,
    },
    {
      mark: signal,
      role: 'line',
      purpose: `Signal to ${other}: a direct current to ${neutral}.`,
      aliases: others(2, signal),
      serves: 'run-signal',
      run: true,
    },
    {
      mark: EARTH_MARK,
      role: 'earth',
      purpose: 'Protective earth, of the supply and of the run.',
      takes: 3,
      serves: 'earth',
      run: true,
    },
  ];
}

/** A strap of the terminal block, and the earth of the case, ohms. From memory. */
const STRAP_OHMS = 0.01;
/** A case that nothing earths: what a hand would find of it, ohms. */
const CASE_OHMS = 1e6;

/** What both units have: straps from supply to run, the case on its earth terminal, the board behind its fuse. */
export function unitElements(values: InterconnectValues, hertz: number): Element[] {
  const { line, neutral } = runMarks(values);
  return [
    path('line', 'L', line, STRAP_OHMS),
    path('neutral', 'N', neutral, STRAP_OHMS),
    path('case', EARTH_MARK, '#case', STRAP_OHMS),
    load('case-leak', '#case', EARTH, { ohms: CASE_OHMS }),
    fuse('fuse', line, '#fused'),
    load('board', '#fused', neutral, impedanceOf(values.volts, values.boardVa, 0.6, hertz)),
  ];
}

/** A fuse on the board: whole or blown. */
function fuse(id: string, a: string, b: string): Element {
  return { kind: 'branch', id, a, b, nature: 'path', positions: { whole: { ohms: 0.05 }, blown: 'open' } };
}

/** Below this share of its volts a board sleeps. */
const WAKES_FROM = 0.7;

export const isAwake = (
  senses: Senses,
  { volts }: Pick<InterconnectValues, 'volts'>,
  neutral: string,
): boolean => senses.volts('#fused', neutral) >= WAKES_FROM * volts && senses.amps('board') > 0;

/** Alternating current beside the direct one beyond which nothing can be made of it, A. From memory. */
const HUM_AMPS = 0.003;

/** Direct current in a signal path, mA; nothing where mains hums on it. */
export const signalMa = (senses: Senses, elements: readonly string[]): number =>
  elements.some((id) => senses.amps(id) > HUM_AMPS)
    ? 0
    : elements.reduce((sum, id) => sum + senses.directAmps(id), 0) * 1000;

/** A loop current as a share of what flows with nothing but the sender's own resistance in it: 1 with the signal shorted. */
export const loopShare = (
  milliamps: number,
  { loopVolts, loopOhms }: Pick<InterconnectValues, 'loopVolts' | 'loopOhms'>,
): number => (milliamps * loopOhms) / (loopVolts * 1000);

/** From this share of the loop's current on the other half is there. From memory. */
export const THERE_SHARE = 0.25;

/** Whether mains goes through the signal side of a unit: it does not live through that. */
const isBurning = (
  senses: Senses,
  element: string,
  { burnsMa }: Pick<InterconnectValues, 'burnsMa'>,
): boolean => senses.amps(element) * 1000 >= burnsMa;

/** Which board is in a half: what is burnt stays so until there is another. */
export const boardControls = {
  board: choice('Board', { first: 'The one it came with', second: 'A new one', third: 'One more' }, 'first'),
};

/** The board in a half, and whether its signal side is burnt. */
interface BoardState {
  board: string;
  burnt: boolean;
}

/** What has become of the board of a half while mains went through an element of its signal side, or not. */
export const boardAfter = (
  before: BoardState,
  senses: Senses,
  element: string,
  params: Pick<InterconnectValues, 'burnsMa'>,
  board: string,
): BoardState => ({
  board,
  burnt: (before.burnt && before.board === board) || isBurning(senses, element, params),
});

/** Since when a half has heard nothing, and what is told of that. */
interface Silence {
  silentSince: number | null;
}
interface Told {
  params: Pick<InterconnectValues, 'labels'>;
  settings: { faultS: number };
  now: number;
}

const isFault = ({ silentSince }: Silence, { settings, now }: Told) =>
  silentSince !== null && now >= silentSince + settings.faultS;

export const silenceWaits = (state: Silence, told: Told, other: string): Wait[] =>
  state.silentSince === null || isFault(state, told)
    ? []
    : [
        {
          until: state.silentSince + told.settings.faultS,
          text: `waits for ${other}`,
          done: 'signal fault',
        },
      ];

/** What a half shows: dark, that it hears nothing, that it runs, or that it is ready. */
export function unitFace(
  state: Silence & { awake: boolean },
  told: Told,
  runs: boolean,
  other: string,
): Face {
  if (!state.awake) return { text: 'dark', tone: 'off' };
  const { signal, neutral } = runMarks(told.params);
  if (isFault(state, told))
    return {
      text: 'signal fault',
      tone: 'tripped',
      detail: `It hears nothing of ${other}. That is the signal, not the supply: read ${signal} against ${neutral} here, then at the other end.`,
    };
  return runs ? { text: 'runs', tone: 'busy' } : { text: 'ready', tone: 'ok' };
}

/** How the board of either half fails; it is at line voltage. */
export const unitFaults: readonly FaultMode[] = [
  { mode: 'dead', title: 'Board dead', likelihood: 1, elements: { board: 'open' }, mend: 'defer' },
  {
    mode: 'fuse',
    title: 'Fuse of the board blown',
    likelihood: 1,
    elements: { fuse: 'open' },
    mend: 'defer',
  },
  {
    mode: 'signal-burnt',
    title: 'Signal side burnt',
    likelihood: 2,
    elements: { signal: 'open' },
    mend: 'defer',
  },
];
