import { defineDevice } from '../../define';
import type { FaultMode } from '../../define';
import type { BranchElement } from '../../element';
import { choice, num } from '../../fields';

/** Series resistance of a film capacitor, ohms, from memory. */
const FILM_OHMS = 0.05;
/** What a weak one is left with, of its label: the motor no longer starts on it. From memory. */
const WEAK_SHARE = 0.45;
const MICRO = 1e-6;

type Side = 'film-herm' | 'film-fan';

/** A side is in two parts, so that a fault can take one of them from it. */
const side = (id: Side, to: string, farads: number): BranchElement[] =>
  [
    [id, WEAK_SHARE],
    [`${id}-lost`, 1 - WEAK_SHARE],
  ].map(([part, share]) => ({
    kind: 'branch',
    id: String(part),
    a: 'C',
    b: to,
    nature: 'path',
    positions: { on: { ohms: FILM_OHMS, farads: farads * Number(share) } },
  }));

const microfarads = (label: string, usual: number) =>
  num({ label, unit: 'µF', default: usual, min: 1, max: 200, source: 'read the label' });

const failing = (id: Side, mark: string): FaultMode[] => [
  {
    mode: `${mark.toLowerCase()}-weak`,
    title: `${mark} side weak`,
    likelihood: 4,
    elements: { [`${id}-lost`]: 'open' },
  },
  {
    mode: `${mark.toLowerCase()}-open`,
    title: `${mark} side open`,
    likelihood: 3,
    elements: { [id]: 'open', [`${id}-lost`]: 'open' },
  },
];

/** A run capacitor; a dual one has a side for the compressor and one for the fan on a common terminal. */
export const runCapacitor = defineDevice({
  kind: 'run-capacitor',
  title: 'Run capacitor',
  known: { 'run capacitor': {}, 'dual capacitor': {}, capacitor: {}, cap: {}, 'run cap': {}, 'dual cap': {} },
  sealed: true,
  designations: ({ type }) => [
    { mark: 'C', role: 'line', purpose: 'Common of the capacitor, on the run side of the motors.', takes: 4 },
    {
      mark: 'HERM',
      role: 'line',
      purpose: 'To the compressor’s start winding. Holds its charge: discharge it first.',
      aliases: ['H', 'HE'],
      serves: 'compressor-start',
      takes: 3,
    },
    ...(type === 'dual'
      ? [
          {
            mark: 'FAN',
            role: 'line' as const,
            purpose: 'To the fan’s start winding. Holds its charge: discharge it first.',
            aliases: ['F'],
            serves: 'fan-start',
            takes: 3,
          },
        ]
      : []),
  ],
  params: {
    type: choice('Type', { dual: 'Dual', single: 'For the compressor alone' }, 'dual'),
    hermMicrofarads: microfarads('HERM', 35),
    fanMicrofarads: microfarads('FAN', 5),
    tolerance: num({
      label: 'Tolerance',
      unit: '%',
      default: 6,
      min: 1,
      max: 20,
      source: 'common practice',
    }),
  },
  settings: {},
  controls: {},
  elements: ({ params }) => [
    ...side('film-herm', 'HERM', params.hermMicrofarads * MICRO),
    ...(params.type === 'dual' ? side('film-fan', 'FAN', params.fanMicrofarads * MICRO) : []),
  ],
  capacitances: ({ params: { type, hermMicrofarads, fanMicrofarads, tolerance } }) => [
    { between: ['C', 'HERM'], farads: hermMicrofarads * MICRO, tolerance: tolerance / 100 },
    ...(type === 'dual'
      ? [{ between: ['C', 'FAN'] as const, farads: fanMicrofarads * MICRO, tolerance: tolerance / 100 }]
      : []),
  ],
  initial: {},
  positions: () => ({}),
  next: (state) => state,
  faults: [...failing('film-herm', 'HERM'), ...failing('film-fan', 'FAN')],
});
