/** What every control board has: logic on R and C, call inputs, and delays. */
import type { Designation, Senses } from '../context';
import type { BranchElement } from '../element';
import { LOGIC, impedanceOf, inputOf, load } from '../element';
import { choice, num } from '../fields';

/** Volts at an input that count as a call, and supply volts under which a board resets. From memory. */
const CALL_VOLTS = 12;
const BOARD_VOLTS = 17;
/** Less than any board draws, A. */
const DEAD_AMPS = 1e-4;
/** Rated volts of everything on the control side. */
export const CONTROL_VOLTS = 24;

/** Its transformer's own lead comes to R and C on a tab, and the screw beside it takes two more; common practice. */
export const SUPPLY_TAKES = 3;

export const boardParams = {
  boardVa: num({ label: 'Board', unit: 'VA', default: 4, min: 0.5, max: 20, source: 'from memory' }),
  inputOhms: num({
    label: 'Each call input',
    unit: 'Ω',
    default: 1200,
    min: 50,
    max: 100000,
    source: 'from memory',
  }),
};

interface BoardValues {
  boardVa: number;
  inputOhms: number;
}

/** The logic's own load and one input to C for each call terminal. */
export function boardElements(
  { boardVa, inputOhms }: BoardValues,
  hertz: number,
  inputs: readonly string[],
): BranchElement[] {
  return [
    load(LOGIC, 'R', 'C', impedanceOf(CONTROL_VOLTS, boardVa, 0.9, hertz)),
    ...inputs.map((mark) => load(inputOf(mark), mark, 'C', { ohms: inputOhms })),
  ];
}

/** Its logic has its volts, and takes the current that goes with them: a dead board takes none. */
export const boardPowered = (senses: Senses) =>
  senses.volts('R', 'C') >= BOARD_VOLTS && senses.amps(LOGIC) >= DEAD_AMPS;

/** Whether a terminal is called: by current, so that an open input does what an open one does. */
export const calledAt =
  (senses: Senses, { inputOhms }: Pick<BoardValues, 'inputOhms'>) =>
  (mark: string): boolean =>
    senses.amps(inputOf(mark)) >= CALL_VOLTS / inputOhms;

/** A terminal of its own that a leak controller feeds, where a board has one. */
export const leakTerminal = choice(
  'Terminal for a leak',
  { none: 'None', LK: 'LK' },
  'none',
  'read the label',
);

export const leakDesignations = (leak: 'none' | 'LK'): readonly Designation[] =>
  leak === 'LK'
    ? [
        {
          mark: 'LK',
          role: 'call',
          purpose: 'While it is fed every call drops and the fan runs.',
          serves: 'leak',
        },
      ]
    : [];

export const leakInputs = (leak: 'none' | 'LK'): readonly string[] => (leak === 'LK' ? ['LK'] : []);

/** What counts as called while a leak may be told: nothing but the fan, once it is. */
export const heedingLeak = (
  called: (mark: string) => boolean,
  leak: 'none' | 'LK',
): ((mark: string) => boolean) => (leak === 'LK' && called('LK') ? (mark) => mark === 'G' : called);

/** Whether a 24 V load of the board carries what it needs to work. */
export const works = (senses: Senses, element: string, va: number) =>
  senses.amps(element) >= ((CALL_VOLTS / CONTROL_VOLTS) * va) / CONTROL_VOLTS;

/** Contact position for a condition. */
export const when = (closed: boolean) => (closed ? 'closed' : 'open');

/** Something switched on and off after a delay; `at` is when the pending change happens. */
interface Delayed {
  on: boolean;
  at: number | null;
}

/** Steps a delayed output; a change that is no longer asked for is forgotten. */
export function stepDelayed(
  { on, at }: Delayed,
  asked: boolean,
  delays: { onS: number; offS: number },
  now: number,
): Delayed {
  if (asked === on) return { on, at: null };
  const due = at ?? now + (asked ? delays.onS : delays.offS);
  return now >= due ? { on: asked, at: null } : { on, at: due };
}
