/** The strips of a zone panel: one for every zone's thermostat and damper, one for the unit. */
import type { Designation } from '../context';
import { choice } from '../fields';
import type { ZoneCall } from './zone-calls';

const NUMBERS = { two: ['1', '2'], three: ['1', '2', '3'], four: ['1', '2', '3', '4'] } as const;

export const stripParams = {
  zones: choice('Zones', { two: 'Two', three: 'Three', four: 'Four' }, 'two'),
  strip: choice(
    'Each zone takes',
    { plain: 'R C Y G W', staged: 'R C Y Y2 G W W2 O/B' },
    'plain',
    'read the label',
  ),
};

interface StripValues {
  zones: keyof typeof NUMBERS;
  strip: 'plain' | 'staged';
}

export const numbered = (zones: StripValues['zones']): readonly string[] => NUMBERS[zones];

const PLAIN = ['Y', 'G', 'W'] as const;
const STAGED = ['Y', 'Y2', 'G', 'W', 'W2', 'OB'] as const;

/** Marks a zone's thermostat calls on. */
export const callMarks = ({ strip }: StripValues): readonly (typeof STAGED)[number][] =>
  strip === 'staged' ? STAGED : PLAIN;

const CALLS: Readonly<Record<(typeof STAGED)[number], readonly [purpose: string, ...aliases: string[]]>> = {
  Y: ['cooling, or the compressor', 'Y'],
  Y2: ['the second stage of it', 'Y2'],
  G: ['the fan', 'G'],
  W: ['heat', 'W', 'AUX'],
  W2: ['the second stage of heat', 'W2', 'E'],
  OB: ['the reversing valve', 'O/B', 'O', 'B'],
};

/** A zone's strip: a thermostat lands there as it would at a unit. */
export const zoneStrip = (n: string, values: StripValues): Designation[] =>
  [
    { mark: `${n}R`, role: 'hot' as const, purpose: `Hot for the thermostat of zone ${n}.`, aliases: ['R'] },
    {
      mark: `${n}C`,
      role: 'common' as const,
      purpose: `Common for the thermostat of zone ${n}.`,
      aliases: ['C'],
    },
    ...callMarks(values).map((mark) => {
      const [purpose, ...aliases] = CALLS[mark];
      return {
        mark: `${n}${mark}`,
        role: 'call' as const,
        purpose: `Zone ${n} calls for ${purpose}.`,
        aliases,
      };
    }),
    {
      mark: `${n}OPEN`,
      role: 'contact' as const,
      purpose: `Power that opens the damper of zone ${n}.`,
      serves: 'opening',
    },
    {
      mark: `${n}CLOSE`,
      role: 'contact' as const,
      purpose: `Power that closes the damper of zone ${n}.`,
      serves: 'closing',
    },
    { mark: `${n}COM`, role: 'common' as const, purpose: `Common of the damper of zone ${n}.` },
  ].map((one): Designation => ({ ...one, strip: n }));

export const EQUIPMENT: readonly Designation[] = [
  { mark: 'R', role: 'hot', purpose: 'Hot from the unit.' },
  { mark: 'C', role: 'common', purpose: 'Common from the unit.' },
  { mark: 'Y', role: 'call', purpose: 'Cooling, to Y of the unit.' },
  { mark: 'Y2', role: 'call', purpose: 'Second cooling stage, to Y2 of the unit.' },
  { mark: 'G', role: 'call', purpose: 'Fan, to G of the unit.' },
  {
    mark: 'W',
    role: 'call',
    purpose: 'Heat, to W of the unit; back-up heat of a heat pump.',
    aliases: ['W1', 'AUX'],
  },
  { mark: 'W2', role: 'call', purpose: 'Second heating stage, to W2 of the unit.' },
  { mark: 'O', role: 'call', purpose: 'Reversing valve that is energised in cooling.' },
  { mark: 'B', role: 'call', purpose: 'Reversing valve that is energised in heating.' },
  { mark: '24H', role: 'hot', purpose: 'Its own 24 V, hot: from a transformer of its own.' },
  { mark: '24C', role: 'common', purpose: 'Its own 24 V, common.' },
  { mark: 'S1', role: 'contact', purpose: 'Supply-air sensor.' },
  { mark: 'S2', role: 'contact', purpose: 'Supply-air sensor, other side.' },
];

interface StripHabit {
  /** What thermostats the zones have. */
  thermostats: 'plain' | 'pump';
  /** What O/B is energised in. */
  valve: 'O' | 'B';
}

/** What a zone asks for, out of the marks that are live on its strip. */
export function zoneCall(live: ReadonlySet<string>, { thermostats, valve }: StripHabit): ZoneCall {
  const [y, w, more] = [live.has('Y'), live.has('W'), live.has('Y2') || live.has('W2')];
  const fan = live.has('G');
  if (thermostats === 'plain') return { cool: y, heat: w, fan, second: more };
  const turnedToHeat = live.has('OB') === (valve === 'B');
  return { cool: y && !turnedToHeat, heat: (y && turnedToHeat) || w, fan, second: more || (w && y) };
}
