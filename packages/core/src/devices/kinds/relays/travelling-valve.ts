import { when } from '../../parts/board';
import { flow } from '../../channels';
import { defineDevice } from '../../define';
import { contactFaults } from '../../parts/faults';
import type { Travel } from '../../parts/travel';
import { movedTo, shareOpen, stopped, travelWaits, travelWord } from '../../parts/travel';
import type { Moment, Senses } from '../../context';
import { contact, impedanceOf, load } from '../../element';
import { choice, num, seconds } from '../../fields';
import type { ValuesOf } from '../../fields';

/** What a fan coil takes from the air with chilled water on, W; from memory. */
const CHILLED_W = 3500;
/** Share of its rated volts from which the motor turns, from memory. */
const TURNS_FROM = 0.75;

const params = {
  drive: choice('Closes by', { spring: 'Spring (two wires)', power: 'Power (three wires)' }, 'spring'),
  serves: choice('Carries', { heat: 'Hot water', cool: 'Chilled water' }, 'heat'),
  endSwitch: choice('End switch', { yes: 'Yes', no: 'No' }, 'no'),
  va: num({ label: 'Motor', unit: 'VA', default: 6, min: 1, max: 20, source: 'from memory' }),
};

const settings = {
  openS: seconds('Opens in', 60, 300),
  closeS: seconds('Closes in', 20, 300),
};

const controls = { stem: choice('Stem', { free: 'Free', stuck: 'Stuck' }, 'free') };

type ValveMoment = Moment<ValuesOf<typeof params>, ValuesOf<typeof settings>, ValuesOf<typeof controls>>;

function next(state: Travel, senses: Senses, { params, settings, controls, now }: ValveMoment): Travel {
  const driven = (element: string) => senses.amps(element) >= (TURNS_FROM * params.va) / 24;
  if (controls.stem === 'stuck') return stopped(state, settings, now);
  const opening = driven('open');
  const closing = params.drive === 'spring' ? !opening : driven('close') && !opening;
  return movedTo(state, opening ? 1 : closing ? 0 : null, settings, now);
}

/**
 * A water valve with a motor that takes its time: a zone valve with its end switch, or the
 * heating and cooling valves of a fan coil. On a spring it closes when power is lost.
 */
export const travellingValve = defineDevice({
  kind: 'travelling-valve',
  title: 'Water valve',
  designations: ({ drive, endSwitch }) => [
    { mark: 'OPEN', role: 'call', purpose: 'Motor, opening.', aliases: ['M1'] },
    ...(drive === 'power' ? [{ mark: 'CLOSE', role: 'call' as const, purpose: 'Motor, closing.' }] : []),
    { mark: 'COM', role: 'common', purpose: 'Motor, returning to C.', aliases: ['M2'] },
    ...(endSwitch === 'yes'
      ? [
          { mark: 'E1', role: 'contact' as const, purpose: 'End switch: closes once the valve is open.' },
          { mark: 'E2', role: 'contact' as const, purpose: 'End switch, other side.' },
        ]
      : []),
  ],
  params,
  settings,
  controls,
  elements: ({ params, mains }) => {
    const motor = impedanceOf(24, params.va, 0.8, mains.hertz);
    return [
      load('open', 'OPEN', 'COM', motor),
      ...(params.drive === 'power' ? [load('close', 'CLOSE', 'COM', motor)] : []),
      ...(params.endSwitch === 'yes' ? [contact('end-switch', 'E1', 'E2')] : []),
    ];
  },
  seenAs: ['water'],
  loads: ({ params }) => [{ id: 'open', element: 'open', nature: 'valve', serves: params.serves }],
  actuatedBy: { 'end-switch': [['open']] },
  initial: { from: 0, to: 0, since: null } as Travel,
  positions: (state, { settings, now }) => ({
    'end-switch': when(shareOpen(state, settings, now) === 1),
  }),
  next,
  gives: (state, { params: { serves }, settings, now }) =>
    serves === 'cool' ? { chills: flow(CHILLED_W * shareOpen(state, settings, now)) } : {},
  waits: (state, { settings }) => travelWaits(state, settings, 'valve'),
  face: (state, { settings, now }) => ({
    text: travelWord(state, settings, now),
    tone: shareOpen(state, settings, now) === 0 ? 'ok' : 'busy',
  }),
  faults: [
    { mode: 'stuck', title: 'Stuck', likelihood: 1, controls: { stem: 'stuck' } },
    {
      mode: 'hunting',
      title: 'Hunts: turns to and fro and never comes to its end',
      likelihood: 0.5,
      elements: { 'end-switch': 'open' },
      shows: 'turning to and fro',
    },
    { mode: 'motor-open', title: 'Motor open', likelihood: 3, elements: { open: 'open' } },
    ...contactFaults('end-switch', 'End switch', 2),
  ],
});
