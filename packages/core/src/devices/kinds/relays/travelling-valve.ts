import { when } from '../../parts/board';
import { flow } from '../../channels';
import { defineDevice } from '../../define';
import { contactFaults } from '../../parts/faults';
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

type ValveState = {
  /** Share open when the present movement began. */
  from: number;
  /** Where it is going, 0 or 1, and since when; `null` at rest. */
  to: number;
  since: number | null;
};

const controls = { stem: choice('Stem', { free: 'Free', stuck: 'Stuck' }, 'free') };

type ValveMoment = Moment<ValuesOf<typeof params>, ValuesOf<typeof settings>, ValuesOf<typeof controls>>;

/** Share open at a time. */
function shareOpen({ from, to, since }: ValveState, { settings, now }: ValveMoment): number {
  if (since === null) return to;
  const travel = to > from ? settings.openS : settings.closeS;
  const moved = travel === 0 ? 1 : (now - since) / travel;
  return to > from ? Math.min(to, from + moved) : Math.max(to, from - moved);
}

function next(state: ValveState, senses: Senses, moment: ValveMoment): ValveState {
  const { params, controls, now } = moment;
  const driven = (element: string) => senses.amps(element) >= (TURNS_FROM * params.va) / 24;
  const at = shareOpen(state, moment);
  if (controls.stem === 'stuck') return { from: at, to: at, since: null };
  const opening = driven('open');
  const closing = params.drive === 'spring' ? !opening : driven('close') && !opening;
  const to = opening ? 1 : closing ? 0 : at;
  if (at === to) return { from: to, to, since: null };
  return to === state.to && state.since !== null ? state : { from: at, to, since: now };
}

/** When the movement under way ends; `null` at rest. */
function arrival(
  { from, to, since }: ValveState,
  { openS, closeS }: ValuesOf<typeof settings>,
): number | null {
  if (since === null || from === to) return null;
  return since + Math.abs(to - from) * (to > from ? openS : closeS);
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
  initial: { from: 0, to: 0, since: null } as ValveState,
  positions: (state, moment) => ({ 'end-switch': when(shareOpen(state, moment) === 1) }),
  next,
  gives: (state, moment) =>
    moment.params.serves === 'cool' ? { chills: flow(CHILLED_W * shareOpen(state, moment)) } : {},
  waits: (state, { settings }) => {
    const until = arrival(state, settings);
    return until === null
      ? []
      : [
          {
            until,
            text: state.to === 1 ? 'valve opens' : 'valve closes',
            done: state.to === 1 ? 'valve open' : 'valve closed',
          },
        ];
  },
  face: (state, moment) => {
    const share = shareOpen(state, moment);
    const text = share === 1 ? 'open' : share === 0 ? 'closed' : state.to === 1 ? 'opening' : 'closing';
    return { text, tone: share === 0 ? 'ok' : 'busy' };
  },
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
