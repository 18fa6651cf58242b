import { when } from '../../parts/board';
import { defineDevice } from '../../define';
import type { Designation, Senses } from '../../context';
import { openFault } from '../../parts/faults';
import type { StationWay } from '../../parts/station-signal';
import { STATION_WAYS, isAsked, restOf } from '../../parts/station-signal';
import type { Element } from '../../element';
import { contact, impedanceOf, load, path } from '../../element';
import { choice, num } from '../../fields';

/** Volts from which the detector works, and from which it takes a tied one's alarm. From memory. */
const WORKS_FROM_VOLTS = 18;
const TIED_FROM_VOLTS = 12;
/** What its own supply passes to the station through, and what listens at TIE, Ω. From memory. */
const FEED_OHMS = 0.05;
const TIE_OHMS = 5000;

const SUPPLY: readonly Designation[] = [
  { mark: 'R', role: 'hot', purpose: 'Supply, hot.' },
  { mark: 'C', role: 'common', purpose: 'Supply, common.' },
  { mark: 'COM', role: 'contact', purpose: 'Auxiliary contact, common.' },
  { mark: 'NC', role: 'contact', purpose: 'Auxiliary contact, opens on alarm.' },
];

const MORE: readonly Designation[] = [
  { mark: 'NO', role: 'contact', purpose: 'Auxiliary contact, closes on alarm. Insulate it if unused.' },
  { mark: 'AL1', role: 'contact', purpose: 'Alarm contact, closes on alarm: across the panel’s loop.' },
  { mark: 'AL2', role: 'contact', purpose: 'Alarm contact, other side.' },
  { mark: 'TR1', role: 'contact', purpose: 'Trouble contact, closed while it is well and has supply.' },
  { mark: 'TR2', role: 'contact', purpose: 'Trouble contact, other side.' },
  { mark: 'S+', pairs: true, role: 'hot', purpose: 'Supply of the remote station.' },
  { mark: 'S-', pairs: true, role: 'common', purpose: 'Supply of the remote station, common.' },
  { mark: 'LAMP', pairs: true, role: 'call', purpose: 'Red lamp of the remote station: hot on alarm.' },
  {
    mark: 'T/R',
    pairs: true,
    role: 'contact',
    purpose: 'Test and reset from the remote station, if it is of its own kind.',
  },
  { mark: 'TIE', pairs: true, role: 'contact', purpose: 'To TIE of another: an alarm of one shows on both.' },
];

/** Contacts, station and tie of a detector that has them all. */
const moreElements = (station: StationWay): Element[] => [
  contact('auxNo', 'COM', 'NO'),
  contact('alarm', 'AL1', 'AL2'),
  contact('trouble', 'TR1', 'TR2'),
  path('stationHot', 'R', 'S+', FEED_OHMS),
  path('stationCommon', 'C', 'S-', FEED_OHMS),
  contact('lamp', 'R', 'LAMP'),
  restOf(station),
  contact('tie', 'R', 'TIE'),
  path('listen', 'TIE', 'C', TIE_OHMS),
];

/**
 * A duct smoke detector: its auxiliary contact opens on alarm and stays so until it is reset. One with all its terminals has
 * an alarm contact for a fire panel's loop, a trouble contact, a remote station and a tie to another detector.
 */
export const smokeDetector = defineDevice({
  kind: 'smoke-detector',
  title: 'Duct smoke detector',
  designations: ({ terminals }) => (terminals === 'all' ? [...SUPPLY, ...MORE] : SUPPLY),
  params: {
    terminals: choice(
      'Terminals',
      { auxiliary: 'Supply and auxiliary contact', all: 'With alarm, trouble, station and tie' },
      'auxiliary',
    ),
    station: choice('Its remote station has', STATION_WAYS, 'key'),
    va: num({ label: 'Draws', unit: 'VA', default: 2, min: 0.2, max: 10, source: 'from memory' }),
  },
  settings: {},
  controls: {
    duct: choice('Air in the duct', { clear: 'Clear', smoke: 'Smoke' }, 'clear'),
    reset: choice('Button at it', { out: 'Not pressed', pressed: 'Reset', test: 'Test' }, 'out'),
    housing: choice(
      'Housing',
      { sound: 'Sound and dry', wet: 'Water in it', cracked: 'Cracked: draws other air' },
      'sound',
    ),
    caps: choice('Caps of its tubes', { off: 'Off', on: 'Still on: it draws no air' }, 'off'),
  },
  elements: ({ params, mains }) => [
    load('supply', 'R', 'C', impedanceOf(24, params.va, 0.9, mains.hertz)),
    contact('aux', 'COM', 'NC'),
    ...(params.terminals === 'all' ? moreElements(params.station) : []),
  ],
  interrupts: ['aux'],
  alarm: 'auxNo',
  loopContacts: { alarm: 'alarm', trouble: 'trouble' },
  initial: {
    alarm: false as boolean,
    tied: false as boolean,
    live: false as boolean,
    asked: false as boolean,
  },
  positions: ({ alarm, tied, live }) => ({
    aux: when(!alarm && !tied),
    auxNo: when(alarm || tied),
    alarm: when(alarm || tied),
    trouble: when(live),
    lamp: when(alarm || tied),
    tie: when(alarm && live),
  }),
  next: (state, senses: Senses, { controls, params }) => {
    const supply = senses.volts('R', 'C');
    const live = supply >= WORKS_FROM_VOLTS && senses.amps('supply') > 0;
    const all = params.terminals === 'all';
    const asked = all && live && isAsked(params.station, senses.volts('T/R', 'C'), supply);
    const smells = controls.duct === 'smoke' && controls.caps === 'off' && controls.housing !== 'cracked';
    const cause = live && (smells || controls.housing === 'wet');
    const [pressed, tested] = [asked && !state.asked, controls.reset === 'test'];
    const own = tested
      ? live
      : state.alarm
        ? controls.reset === 'out' && !pressed
        : pressed && !state.tied && live;
    const alarm = cause || own;
    // Its own alarm stands at TIE too: only what stands there without it is another's.
    const tied = all && !state.alarm && !alarm && live && senses.volts('TIE', 'C') >= TIED_FROM_VOLTS;
    return { live, alarm, tied, asked };
  },
  face: ({ alarm, tied, live }, { controls }) =>
    tied && !alarm
      ? {
          text: 'alarm, of another',
          tone: 'tripped',
          detail: 'Another detector that it is tied to is in alarm: look there, reset there.',
        }
      : alarm
        ? {
            text: 'alarm',
            tone: 'tripped',
            detail:
              controls.housing === 'wet'
                ? 'There is water in its housing: it alarms again until that is dry and where it came from is mended.'
                : 'Look before you reset. It may be a life-safety device reserved to licensed people; have the panel put on test first.',
          }
        : live
          ? { text: 'normal', tone: 'ok' }
          : { text: 'no lamp', tone: 'off', detail: 'The detector has no supply.' },
  safety: {
    control: 'duct',
    notices: () => ['smoke'],
    tripped: 'smoke',
    stops: ['cool', 'heat', 'fan'],
    retrofit: true,
  },
  faults: [
    {
      mode: 'stuck-closed',
      title: 'Contact stuck closed',
      likelihood: 1,
      elements: { aux: { ohms: 0.01 } },
      mend: 'defer',
    },
    {
      mode: 'stuck-open',
      title: 'Contact stuck open',
      likelihood: 2,
      elements: { aux: 'open' },
      mend: 'defer',
    },
    { ...openFault('supply', 'Takes no current', 1), mend: 'defer' },
  ],
});
