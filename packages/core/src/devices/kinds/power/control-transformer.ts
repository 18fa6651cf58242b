import { defineDevice } from '../../define';
import type { Element } from '../../element';
import { EARTH, load, path } from '../../element';
import { choice, num } from '../../fields';
import {
  ownProtection,
  protectorElement,
  protectorPosition,
  protectorWaits,
  stepProtector,
} from '../../parts/limited-winding';
import { carrying } from '../../parts/overcurrent';

/** Primary taps by designation: nominal volts. */
const TAPS = { P120: 120, P208: 208, P240: 240 } as const;
/** Volts at which the core is modelled; the taps are turns either side of it. */
const CORE_VOLTS = 120;
/** Share of the copper resistance that sits in the primary, from memory. */
const PRIMARY_SHARE = 0.5;
/** No-load current as a share of full load, and core loss as a share of nameplate, from memory. */
const MAGNETISING_SHARE = 0.12;
const CORE_LOSS_SHARE = 0.06;
const MAGNETISING_OHMS = 0.5;
/** Leakage reactance as a share of the copper resistance of a small transformer, from memory. */
const REACTANCE_SHARE = 0.15;
/** Capacitance between windings, farads, from memory. */
const INTERWINDING_FARADS = 300e-12;
const BOND_OHMS = 0.05;
/** What a few shorted turns load the core with, ohms at the primary; from memory. */
const SHORTED_TURNS_OHMS = 120;

/**
 * A multi-tap control transformer, its primary included: what is applied to whichever
 * tap is wired sets the secondary, so a dead primary, a wrong tap and two
 * transformers tied together all follow from the equations.
 */
export const controlTransformer = defineDevice({
  kind: 'control-transformer',
  title: 'Control transformer',
  sealed: true,
  designations: () => [
    { mark: 'PC', role: 'neutral', purpose: 'Primary common: neutral, or the second leg.', aliases: ['COM'] },
    { mark: 'P120', role: 'line', purpose: 'Primary tap for 120 V.' },
    { mark: 'P208', role: 'line', purpose: 'Primary tap for 208 V.' },
    { mark: 'P240', role: 'line', purpose: 'Primary tap for 230 or 240 V.' },
    { mark: 'R', role: 'hot', purpose: '24 V hot out of the secondary.' },
    { mark: 'C', role: 'common', purpose: 'The other side of the secondary: every load returns here.' },
  ],
  params: {
    va: num({ label: 'Nameplate', unit: 'VA', default: 40, min: 5, max: 200, source: 'read the label' }),
    ratedVolts: num({
      label: 'Secondary at full load',
      unit: 'V',
      default: 24,
      min: 12,
      max: 48,
      source: 'read the label',
    }),
    openVolts: num({
      label: 'Secondary with no load',
      unit: 'V',
      default: 27,
      min: 12,
      max: 60,
      source: 'from memory',
    }),
    protection: choice(
      'Protection inside',
      { none: 'None', limited: 'Inherently limited: opens by itself' },
      'none',
    ),
  },
  settings: {
    phase: choice('Secondary phase', { normal: 'Normal', reversed: 'Reversed' }, 'normal', 'from memory'),
    bond: choice(
      'Secondary common',
      { earthed: 'Bonded to the cabinet', floating: 'Floating' },
      'earthed',
      'common practice',
    ),
  },
  controls: {},
  elements: ({ params, settings, mains }) => {
    const omega = 2 * Math.PI * mains.hertz;
    const ratedAmps = params.va / params.ratedVolts;
    const ratio = CORE_VOLTS / params.openVolts;
    const copper = Math.max(params.openVolts - params.ratedVolts, 0.02 * params.ratedVolts) / ratedAmps;
    const secondaryOhms = copper * (1 - PRIMARY_SHARE);
    const primaryOhms = copper * PRIMARY_SHARE * ratio ** 2;
    const tap = (mark: 'P208' | 'P240'): Element => ({
      kind: 'transformer',
      id: `tap-${mark}`,
      primary: ['#core', 'PC'],
      secondary: [mark, 'PC'],
      ratio: CORE_VOLTS / TAPS[mark],
      impedance: { ohms: primaryOhms * (TAPS[mark] / CORE_VOLTS) ** 2 },
    });
    return [
      path('tap-P120', 'P120', '#core', primaryOhms),
      tap('P208'),
      tap('P240'),
      load('magnetising', '#core', 'PC', {
        ohms: MAGNETISING_OHMS,
        henries: CORE_VOLTS ** 2 / (MAGNETISING_SHARE * params.va * omega),
      }),
      load('core-loss', '#core', 'PC', { ohms: CORE_VOLTS ** 2 / (CORE_LOSS_SHARE * params.va) }),
      {
        kind: 'transformer',
        id: 'secondary',
        supplies: true,
        primary: ['#core', 'PC'],
        secondary: [params.protection === 'limited' ? '#hot' : 'R', 'C'],
        ratio: settings.phase === 'reversed' ? -ratio : ratio,
        impedance: { ohms: secondaryOhms, henries: (copper * REACTANCE_SHARE) / omega },
      },
      ...(params.protection === 'limited' ? [protectorElement('R')] : []),
      { kind: 'capacitor', id: 'interwinding', a: 'PC', b: 'C', farads: INTERWINDING_FARADS },
      ...(settings.bond === 'earthed' ? [path('bond', 'C', EARTH, BOND_OHMS)] : []),
    ];
  },
  conflict: ({ ratedVolts, openVolts }) =>
    ratedVolts > openVolts
      ? {
          param: 'ratedVolts',
          message: `must not be above the ${openVolts} V it has with no load`,
        }
      : undefined,
  primary: {
    taps: Object.entries(TAPS).map(([mark, volts]) => ({ mark, volts })),
    common: 'PC',
    core: 'magnetising',
  },
  protects: ownProtection,
  initial: carrying,
  positions: (state, { params }) =>
    params.protection === 'limited' ? { protector: protectorPosition(state) } : {},
  next: (state, senses, { params, now }) =>
    params.protection === 'limited'
      ? stepProtector(state, senses, senses.volts('#core', 'PC'), params, now)
      : carrying,
  waits: protectorWaits,
  face: ({ open }, { params }) =>
    open
      ? {
          text: 'opened',
          tone: 'tripped',
          detail: 'Find the short; it closes again after a while without power.',
        }
      : { text: `${params.va} VA`, tone: 'ok' },
  faults: [
    {
      mode: 'primary-open',
      title: 'Primary open',
      likelihood: 3,
      elements: {
        'tap-P120': 'open',
        'tap-P208': 'open',
        'tap-P240': 'open',
        magnetising: 'open',
        'core-loss': 'open',
      },
    },
    { mode: 'secondary-open', title: 'Secondary open', likelihood: 3, elements: { secondary: 'open' } },
    // Turns that touch load the core like a secondary of their own: it runs hot and gives too little.
    {
      mode: 'turns-shorted',
      title: 'Turns shorted',
      likelihood: 0.5,
      elements: { 'core-loss': { ohms: SHORTED_TURNS_OHMS } },
    },
  ],
});
