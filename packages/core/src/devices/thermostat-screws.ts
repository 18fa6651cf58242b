/** The screws of a thermostat: what each is for and which call closes it. */
import type { Designation, Role } from './define';
import type { ThermostatCalls } from './thermostat-calls';

const PURPOSES: Readonly<Record<string, readonly [Role, string, ...string[]]>> = {
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

export const SCREWS = {
  five: ['R', 'Y', 'G', 'W', 'C'],
  two: ['RC', 'RH', 'Y', 'G', 'W', 'C'],
  stages: ['R', 'Y', 'Y2', 'G', 'W', 'W2', 'C'],
  full: ['RC', 'RH', 'Y', 'Y2', 'G', 'W', 'W2', 'O', 'B', 'C'],
  pump: ['R', 'Y', 'Y2', 'G', 'OB', 'AUX', 'E', 'C'],
  heat: ['R', 'W', 'C'],
  rows: ['RC', 'RH', 'W', 'Y', 'G', 'W2', 'Y2', 'C'],
} as const;

export type Terminals = keyof typeof SCREWS;

/** Row names of a two-row sub-base, where the heat-pump row differs from the conventional one. */
const PUMP_ROW: Readonly<Record<string, string>> = { W: 'O/B', W2: 'AUX', Y2: 'E' };

export function screwsOf(terminals: Terminals): Designation[] {
  return SCREWS[terminals].map((mark): Designation => {
    const [role, purpose, ...aliases] = PURPOSES[mark]!;
    const pump = terminals === 'rows' ? PUMP_ROW[mark] : undefined;
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
  const screws: readonly string[] = SCREWS[terminals];
  return screws.includes('RC') ? { cooling: 'RC', heating: 'RH' } : { cooling: 'R', heating: 'R' };
}

export const hasScrew = (terminals: Terminals, mark: string) =>
  (SCREWS[terminals] as readonly string[]).includes(mark);

/** Screws whose call is switched from the heating hot. */
const FROM_HEATING = new Set(['W', 'W2']);

/** Every screw that a contact closes, with the hot it closes to. */
export function contactsOf(terminals: Terminals): { mark: string; hot: string }[] {
  const hots = hotsOf(terminals);
  return SCREWS[terminals]
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
  if (setUp.terminals === 'rows' && setUp.system === 'heat-pump') {
    if (mark === 'W') return setUp.valve;
    if (mark === 'Y2') return 'E';
  }
  return mark as keyof ThermostatCalls;
}

/** Marks of calls between thermostat and equipment, aliases included. */
export const CALL_MARKS: ReadonlySet<string> = new Set([
  ...Object.entries(PURPOSES).flatMap(([mark, [role, , ...aliases]]) =>
    role === 'call' ? [mark, ...aliases] : [],
  ),
  'D',
]);
