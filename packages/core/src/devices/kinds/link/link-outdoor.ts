import { defineDevice } from '../../define';
import { contact, inputOf } from '../../element';
import { boardElements, boardPowered, calledAt, when } from '../../parts/board';
import { boardFaults, contactFaults } from '../../parts/faults';
import type { LinkState } from '../../parts/link';
import {
  LINK_AT_REST,
  hasLost,
  hearsPair,
  linkAfter,
  linkControls,
  linkParams,
  linkSettings,
  linkStands,
  linkWaits,
  pairOf,
  says,
} from '../../parts/link';

const OTHER = 'the indoor module';

type OutdoorState = LinkState & { D: boolean };

/**
 * The outdoor module of a wireless link, on a transformer of its own: its relays send Y and O on from the hot they are given at K,
 * its own over a jumper or another. Silent too long, it lets both go.
 */
export const linkOutdoor = defineDevice({
  kind: 'link-outdoor',
  title: 'Link, outdoor module',
  designations: () => [
    { mark: 'R', role: 'hot', purpose: '24 V hot of its own transformer.', takes: 3 },
    {
      mark: 'C',
      role: 'common',
      purpose: 'Common of its own transformer, and of the outdoor unit.',
      takes: 3,
    },
    { mark: 'K', role: 'hot', purpose: 'Hot of its relays: a jumper from R, or another hot.' },
    { mark: 'Y', role: 'call', purpose: 'Compressor call out.' },
    { mark: 'O', role: 'call', purpose: 'Reversing valve call out.', aliases: ['B'] },
    {
      mark: 'W',
      role: 'call',
      purpose: 'Takes what the outdoor unit asks for on D in defrost.',
      aliases: ['D'],
    },
  ],
  params: linkParams,
  settings: linkSettings,
  controls: linkControls,
  elements: ({ params, mains }) => [
    ...boardElements(params, mains.hertz, ['W']),
    contact('relay-Y', 'K', 'Y'),
    contact('relay-O', 'K', 'O'),
  ],
  radio: {
    pair: pairOf,
    speaks: { 'link-D': inputOf('W') },
    heeds: { 'relay-Y': 'link-Y', 'relay-O': 'link-O' },
    stands: linkStands,
  },
  seenAs: ['link'],
  initial: { ...LINK_AT_REST, D: false } as OutdoorState,
  positions: ({ taken }) => ({
    'relay-Y': when(taken.includes('Y')),
    'relay-O': when(taken.includes('O')),
  }),
  next: (state, senses, moment) => {
    if (!boardPowered(senses)) return { ...LINK_AT_REST, D: false };
    const { params, controls } = moment;
    const hears = (channel: 'link-indoors' | 'link-Y' | 'link-O') => hearsPair(senses, channel, params.pair);
    const isHeard = controls.radio === 'clear' && hears('link-indoors');
    const calls = `${hears('link-Y') ? 'Y' : ''}${hears('link-O') ? 'O' : ''}`;
    return { ...linkAfter(state, isHeard ? calls : null, moment), D: calledAt(senses, params)('W') };
  },
  gives: ({ powered, D }, { params, controls }) =>
    says(params.pair, powered && controls.radio === 'clear' ? { 'link-outdoors': true, 'link-D': D } : {}),
  waits: (state, moment) => linkWaits(state, moment, OTHER),
  face: (state, moment) => {
    if (!state.powered) return { text: 'dark', tone: 'off' };
    if (hasLost(state, moment))
      return {
        text: 'no link',
        tone: 'tripped',
        detail: `It hears nothing of ${OTHER}: no 24 V there, another pairing, or too much between them.`,
      };
    return state.taken === '' ? { text: 'ready', tone: 'ok' } : { text: 'relays in', tone: 'busy' };
  },
  faults: [
    ...boardFaults(['W']),
    ...contactFaults('relay-Y', 'Y relay'),
    ...contactFaults('relay-O', 'O relay', 0.5),
    { mode: 'radio', title: 'Radio dead', likelihood: 1, controls: { radio: 'blocked' } },
  ],
});
