import { flow } from '../../channels';
import { defineDevice } from '../../define';
import { openFault } from '../../parts/faults';
import type { Travel } from '../../parts/travel';
import { movedTo, shareOpen, stopped, travelWaits, travelWord } from '../../parts/travel';
import type { Senses } from '../../context';
import { impedanceOf, load } from '../../element';
import { choice, num, seconds } from '../../fields';

/** Share of its rated volts from which the motor turns, from memory. */
const TURNS_FROM = 0.75;
/** A blade that slips on its shaft hangs half shut. */
const SLIPPED = 0.5;

/**
 * The motor of a zone damper. Three wires: power one way or the other, and it stays where power leaves it. Two wires: power
 * one way, a spring the other. At its end a power motor is switched off by itself; a spring's motor stalls and holds.
 */
export const damperMotor = defineDevice({
  kind: 'damper-motor',
  title: 'Zone damper',
  designations: ({ drive, zone: strip }) => [
    { mark: 'COM', role: 'common', purpose: 'Motor, returning to the common of the panel.', strip },
    ...(drive === 'spring-open'
      ? []
      : [
          {
            mark: 'OPEN',
            role: 'call' as const,
            purpose: 'Power here opens the damper.',
            serves: 'opening',
            strip,
          },
        ]),
    ...(drive === 'spring-closed'
      ? []
      : [
          {
            mark: 'CLOSE',
            role: 'call' as const,
            purpose: 'Power here closes the damper.',
            serves: 'closing',
            strip,
          },
        ]),
  ],
  params: {
    zone: choice(
      'Sits in the duct of',
      { '1': 'Zone 1', '2': 'Zone 2', '3': 'Zone 3', '4': 'Zone 4' },
      '1',
      'common practice',
    ),
    drive: choice(
      'Driven',
      {
        power: 'Both ways (three wires)',
        'spring-open': 'Closed by power, opened by a spring',
        'spring-closed': 'Opened by power, closed by a spring',
      },
      'power',
    ),
    va: num({ label: 'Moving', unit: 'VA', default: 6, min: 1, max: 15, source: 'from memory' }),
    holdVa: num({ label: 'Holding', unit: 'VA', default: 3, min: 0.5, max: 15, source: 'from memory' }),
  },
  settings: {
    openS: seconds('Opens in', 45, 300),
    closeS: seconds('Closes in', 45, 300),
  },
  controls: {
    shaft: choice('Shaft', { free: 'Free', stuck: 'Stuck', slipped: 'Slips: the blade stays' }, 'free'),
  },
  elements: ({ params, mains }) => {
    const moving = impedanceOf(24, params.va, 0.8, mains.hertz);
    const holding = impedanceOf(24, Math.min(params.holdVa, params.va), 0.8, mains.hertz);
    // Three wires: the end switch inside opens its winding; two: the motor holds against its spring.
    const atEnd = params.drive === 'power' ? ('open' as const) : holding;
    const winding = (id: string, mark: string) => ({
      ...load(id, mark, 'COM', moving),
      positions: { moving, end: atEnd },
    });
    return [
      ...(params.drive === 'spring-open' ? [] : [winding('open', 'OPEN')]),
      ...(params.drive === 'spring-closed' ? [] : [winding('close', 'CLOSE')]),
    ];
  },
  // New out of the box a motor driven both ways stands anywhere; the others where their spring puts them.
  initial: { from: 1, to: 1, since: null } as Travel,
  positions: (state, { settings, now }) => {
    const share = shareOpen(state, settings, now);
    return { open: share === 1 ? 'end' : 'moving', close: share === 0 ? 'end' : 'moving' };
  },
  next: (state, senses: Senses, { params, settings, controls, now }) => {
    const share = shareOpen(state, settings, now);
    const powered = (mark: string, element: string) =>
      (params.drive === 'power' || element === (params.drive === 'spring-open' ? 'close' : 'open')) &&
      senses.volts(mark, 'COM') >= TURNS_FROM * 24;
    if (controls.shaft === 'stuck') return stopped(state, settings, now);
    const [opening, closing] = [
      params.drive !== 'spring-open' && powered('OPEN', 'open'),
      params.drive !== 'spring-closed' && powered('CLOSE', 'close'),
    ];
    // Both at once: the windings fight, and it stays.
    if (opening && closing) return stopped(state, settings, now);
    const rest = params.drive === 'power' ? null : params.drive === 'spring-open' ? 1 : 0;
    const to = opening ? 1 : closing ? 0 : rest;
    return share === to ? { from: share, to: share, since: null } : movedTo(state, to, settings, now);
  },
  conducts: 'zone',
  gives: (state, { params: { zone }, settings, controls: { shaft }, now }) => ({
    [`damper-${zone}`]:
      shaft === 'slipped' ? flow(SLIPPED) : { amount: state.to, stands: shareOpen(state, settings, now) },
  }),
  waits: (state, { settings }) => travelWaits(state, settings, 'damper'),
  face: (state, { settings, controls, now }) => ({
    text: `${travelWord(state, settings, now)}${controls.shaft === 'slipped' ? ', blade slips' : ''}`,
    tone: state.since !== null ? 'busy' : shareOpen(state, settings, now) > 0 ? 'ok' : 'off',
  }),
  faults: [
    { mode: 'stuck', title: 'Stuck', likelihood: 1, controls: { shaft: 'stuck' } },
    openFault('open', 'Opening winding dead', 1),
    openFault('close', 'Closing winding dead', 1),
  ],
});
