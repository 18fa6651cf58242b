import { heldBy, openingThatHolds } from '../../../air';
import type { Channel } from '../../channels';
import { defineDevice } from '../../define';
import type { Senses } from '../../context';
import { impedanceOf, load } from '../../element';
import { choice, num, seconds } from '../../fields';
import type { Travel } from '../../parts/travel';
import { movedTo, shareOpen, stopped, travelWaits, travelWord } from '../../parts/travel';

/** Volts under which its electronics give up, from memory. */
const WORKS_FROM_VOLTS = 17;

type Tubes = 'right' | 'exchanged' | 'supply-off' | 'return-off' | 'pinched';

/** What its sensor reads of the pressures at its probes, Pa: a tube that is off reads the room, a pinched one nothing. */
function sensed(tubes: Tubes, supply: number, back: number): number {
  if (tubes === 'pinched') return 0;
  if (tubes === 'exchanged') return back - supply;
  return (tubes === 'supply-off' ? 0 : supply) - (tubes === 'return-off' ? 0 : back);
}

/** How far it would open, with the dampers and the fan as they go. */
function aimOf(
  senses: Senses,
  tubes: Tubes,
  kind: 'powered' | 'barometric',
  setPa: number,
  shareNow: number,
): number {
  const at = (channel: Channel, open: number) =>
    senses
      .hears(channel)
      .reduce((sum, { amount, withBypass }) => sum + (withBypass ? withBypass(open) : amount), 0);
  // A weight hangs in the air itself; a motor believes its tubes.
  const through = kind === 'barometric' ? 'right' : tubes;
  const over = (open: number) =>
    sensed(through, at('supply-static', open), at('return-static', open)) - heldBy({ kind, setPa }, open);
  const aim = openingThatHolds(over);
  // What differs by less than it can tell leaves it where it is: no hunting.
  return Math.abs(aim - shareNow) < 1e-3 ? shareNow : Math.round(aim * 1000) / 1000;
}

/**
 * The damper of a bypass from supply to return. By a weight it opens as the pressure lifts it; by a motor it holds the
 * pressure its two probes feel, one facing the air in the supply, one in the return.
 */
export const bypassDamper = defineDevice({
  kind: 'bypass-damper',
  title: 'Bypass damper',
  designations: ({ moved }) =>
    moved === 'weight'
      ? []
      : [
          { mark: 'R', role: 'hot', purpose: 'Its own 24 V, hot.' },
          { mark: 'C', role: 'common', purpose: 'Its own 24 V, common.' },
        ],
  params: {
    moved: choice('Moved by', { motor: 'A motor, by pressure', weight: 'A weight' }, 'motor'),
    va: num({ label: 'Moving', unit: 'VA', default: 7, min: 1, max: 20, source: 'from memory' }),
    holdVa: num({ label: 'At rest', unit: 'VA', default: 2, min: 0.5, max: 20, source: 'from memory' }),
  },
  settings: {
    setPa: num({
      label: 'Holds, between supply and return',
      unit: 'Pa',
      default: 110,
      min: 10,
      max: 400,
      source: 'from memory',
    }),
    openS: seconds('Opens in', 30, 300),
    closeS: seconds('Closes in', 30, 300),
  },
  controls: {
    tubes: choice(
      'Tubes',
      {
        right: 'On, each to its probe',
        exchanged: 'Exchanged',
        'supply-off': 'Supply tube off',
        'return-off': 'Return tube off',
        pinched: 'Pinched',
      },
      'right',
    ),
    shaft: choice('Shaft', { free: 'Free', stuck: 'Stuck' }, 'free'),
  },
  elements: ({ params, mains }) => {
    if (params.moved === 'weight') return [];
    const moving = impedanceOf(24, params.va, 0.8, mains.hertz);
    const end = impedanceOf(24, Math.min(params.holdVa, params.va), 0.8, mains.hertz);
    return [{ ...load('motor', 'R', 'C', moving), positions: { moving, end } }];
  },
  initial: { from: 0, to: 0, since: null } as Travel,
  positions: ({ since }): { motor?: string } => ({ motor: since === null ? 'end' : 'moving' }),
  next: (state, senses: Senses, { params, settings, controls, now }) => {
    const share = shareOpen(state, settings, now);
    if (controls.shaft === 'stuck') return stopped(state, settings, now);
    if (params.moved === 'weight') {
      const to = aimOf(senses, controls.tubes, 'barometric', settings.setPa, share);
      return state.to === to && state.since === null ? state : { from: to, to, since: null };
    }
    if (senses.volts('R', 'C') < WORKS_FROM_VOLTS) return stopped(state, settings, now);
    const aim = aimOf(senses, controls.tubes, 'powered', settings.setPa, state.to);
    return movedTo(state, aim, settings, now);
  },
  gives: (state, { settings, now }) => ({
    bypass: { amount: state.to, stands: shareOpen(state, settings, now) },
  }),
  relieves: ({ moved }, { setPa }) => ({ kind: moved === 'weight' ? 'barometric' : 'powered', setPa }),
  waits: (state, { settings }) => travelWaits(state, settings, 'bypass'),
  face: (state, { settings, controls, now }) => ({
    text: travelWord(state, settings, now),
    tone:
      controls.tubes !== 'right' || controls.shaft === 'stuck' ? 'off' : state.since === null ? 'ok' : 'busy',
    ...(controls.tubes !== 'right' && { detail: 'A tube is not on its probe: it holds the wrong pressure.' }),
  }),
  faults: [
    { mode: 'stuck', title: 'Stuck', likelihood: 1, controls: { shaft: 'stuck' } },
    { mode: 'tubes', title: 'Tubes exchanged', likelihood: 1, controls: { tubes: 'exchanged' } },
  ],
});
