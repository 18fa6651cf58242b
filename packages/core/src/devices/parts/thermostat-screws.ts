/** The screws of a thermostat: what each is for and which call closes it. */
import type { Designation, TerminalRole } from '../context';
import { marksIn } from '../fields';
import type { MarkRule, MarkSet, MarksField } from '../fields';
import type { ThermostatCalls } from './thermostat-calls';

const PURPOSES: Readonly<Record<string, readonly [TerminalRole, string, ...string[]]>> = {
  R: ['hot', '24 V hot: what every call is switched from.'],
  RC: ['hot', 'Hot from the cooling transformer.'],
  RH: ['hot', 'Hot from the heating transformer.'],
  C: ['common', 'Common: powers the thermostat.', 'X'],
  Y: ['call', 'Compressor, first stage. On a heat pump it runs in heating too.', 'Y1'],
  Y2: ['call', 'Compressor, second stage.'],
  W: ['call', 'Conventional heat. On a heat pump nothing lands here.', 'W1'],
  W2: ['call', 'Second stage or back-up heat.'],
  AUX: ['call', 'Back-up heat of a heat pump; second stage otherwise.', 'W2'],
  E: ['call', 'Emergency heat: the back-up without the heat pump.'],
  G: ['call', 'Indoor fan.'],
  O: ['call', 'Reversing valve, energised in cooling.'],
  B: ['call', 'Reversing valve, energised in heating.'],
  OB: ['call', 'Reversing valve; set-up says whether it is energised in cooling (O) or heating (B).', 'O/B'],
};

/** What is printed beside a screw, where it is not the mark itself. */
const PRINTED: Readonly<Record<string, string>> = { OB: 'O/B', AUX: 'W2/AUX' };
/** Screws that serve in the place of others, and two that come together. */
const INSTEAD: readonly (readonly [string, readonly string[]])[] = [
  ['R', ['RC', 'RH']],
  ['OB', ['O', 'B']],
  ['AUX', ['W2']],
];
const TOGETHER = ['RC', 'RH'];

const ruleOf = (mark: string): MarkRule => ({
  shown: PRINTED[mark] ?? mark,
  instead: INSTEAD.flatMap(([one, others]) => (one === mark ? others : others.includes(mark) ? [one] : [])),
  beside: TOGETHER.includes(mark) ? TOGETHER.filter((other) => other !== mark) : [],
});

const marks = Object.fromEntries(Object.keys(PURPOSES).map((mark) => [mark, ruleOf(mark)]));
const setOf = (...chosen: string[]): MarkSet => ({
  label: chosen.map((mark) => marks[mark]!.shown).join(' '),
  marks: chosen,
});

/** Two rows of names for one row of screws. */
const ROWS = 'rows';

/** The screws a thermostat may have. */
export const SCREWS: MarksField = {
  type: 'marks',
  label: 'Terminals',
  marks,
  sets: {
    five: setOf('R', 'Y', 'G', 'W', 'C'),
    two: setOf('RC', 'RH', 'Y', 'G', 'W', 'C'),
    stages: setOf('R', 'Y', 'Y2', 'G', 'W', 'W2', 'C'),
    full: setOf('RC', 'RH', 'Y', 'Y2', 'G', 'W', 'W2', 'O', 'B', 'C'),
    pump: setOf('R', 'Y', 'Y2', 'G', 'OB', 'AUX', 'E', 'C'),
    apart: setOf('R', 'Y', 'Y2', 'G', 'W', 'OB', 'AUX', 'C'),
    heat: setOf('R', 'W', 'C'),
    [ROWS]: {
      label: 'Two rows, conventional and heat pump',
      marks: ['RC', 'RH', 'W', 'Y', 'G', 'W2', 'Y2', 'C'],
      whole: true,
    },
  },
  needs: [['R', 'RC'], Object.entries(PURPOSES).flatMap(([mark, [role]]) => (role === 'call' ? [mark] : []))],
  default: 'five',
  source: 'read the label',
};

/** Id of a ready-made set, or marks with a space between. */
export type Terminals = string;

const chosen = (terminals: Terminals) => marksIn(SCREWS, terminals);

/** Row names of a two-row sub-base, where the heat-pump row differs from the conventional one. */
const PUMP_ROW: Readonly<Record<string, string>> = { W: 'O/B', W2: 'AUX', Y2: 'E' };

export function screwsOf(terminals: Terminals): Designation[] {
  return chosen(terminals).map((mark): Designation => {
    const [role, purpose, ...aliases] = PURPOSES[mark]!;
    const pump = hasRows(terminals) ? PUMP_ROW[mark] : undefined;
    if (pump === undefined) return { mark, role, purpose, ...(aliases.length > 0 && { aliases }) };
    return {
      mark,
      role,
      aliases: [pump],
      purpose: `Two rows: ${mark} in the conventional row, ${pump} in the heat-pump row. The set-up says which row counts.`,
    };
  });
}

/** The hots a set of screws switches from. */
export function hotsOf(terminals: Terminals): { cooling: 'R' | 'RC'; heating: 'R' | 'RH' } {
  return hasScrew(terminals, 'RC') ? { cooling: 'RC', heating: 'RH' } : { cooling: 'R', heating: 'R' };
}

export const hasScrew = (terminals: Terminals, mark: string) => chosen(terminals).includes(mark);

/** Screws whose call is switched from the heating hot. */
const FROM_HEATING = new Set(['W', 'W2']);

/** Every screw that a contact closes, with the hot it closes to. */
export function contactsOf(terminals: Terminals): { mark: string; hot: string }[] {
  const hots = hotsOf(terminals);
  return chosen(terminals)
    .filter((mark) => PURPOSES[mark]![0] === 'call')
    .map((mark) => ({ mark, hot: FROM_HEATING.has(mark) ? hots.heating : hots.cooling }));
}

/** The call that closes a screw, as the thermostat is set up. */
export function callAt(
  mark: string,
  setUp: { terminals: Terminals; system: 'conventional' | 'heat-pump'; valve: 'O' | 'B' },
): keyof ThermostatCalls {
  if (mark === 'OB') return setUp.valve;
  if (mark === 'AUX') return 'W2';
  if (hasRows(setUp.terminals) && setUp.system === 'heat-pump') {
    if (mark === 'W') return setUp.valve;
    if (mark === 'Y2') return 'E';
  }
  return mark as keyof ThermostatCalls;
}

/** Whether its screws have two rows of names, so that the set-up says what each is for. */
export const hasRows = (terminals: Terminals) => terminals === ROWS;

/** The screws of emergency and of back-up heat on a heat pump's thermostat. */
export function backUpScrews(terminals: Terminals): { emergency: string | null; backUp: string | null } {
  if (hasRows(terminals)) return { emergency: 'Y2', backUp: 'W2' };
  const first = (...marks: string[]) => marks.find((mark) => hasScrew(terminals, mark)) ?? null;
  return { emergency: first('E'), backUp: first('AUX', 'W2') };
}

/** Marks of calls between thermostat and equipment, aliases included. */
export const CALL_MARKS: ReadonlySet<string> = new Set([
  ...Object.entries(PURPOSES).flatMap(([mark, [role, , ...aliases]]) =>
    role === 'call' ? [mark, ...aliases] : [],
  ),
  'D',
]);
