import { defineDevice } from '../../define';
import { contact, inputOf } from '../../element';
import { boardElements, boardPowered, calledAt, when } from '../../parts/board';
import { boardFaults } from '../../parts/faults';
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

const OTHER = 'the outdoor module';

type IndoorState = LinkState & { Y: boolean; O: boolean };

/** The indoor module of a wireless link: it takes the calls that would go outdoors, and gives back what defrost asks for. */
export const linkIndoor = defineDevice({
  kind: 'link-indoor',
  title: 'Link, indoor module',
  designations: () => [
    { mark: 'R', role: 'hot', purpose: '24 V hot in.' },
    { mark: 'C', role: 'common', purpose: 'Common of the indoor unit.' },
    { mark: 'Y', role: 'call', purpose: 'Compressor call in.' },
    { mark: 'O', role: 'call', purpose: 'Reversing valve call in.', aliases: ['B'] },
    {
      mark: 'W',
      role: 'call',
      purpose: 'Back-up heat out, while the outdoor unit defrosts.',
      aliases: ['AUX', 'W1'],
    },
  ],
  params: linkParams,
  settings: linkSettings,
  controls: linkControls,
  elements: ({ params, mains }) => [
    ...boardElements(params, mains.hertz, ['Y', 'O']),
    contact('relay-W', 'R', 'W'),
  ],
  radio: {
    pair: pairOf,
    speaks: { 'link-Y': inputOf('Y'), 'link-O': inputOf('O') },
    heeds: { 'relay-W': 'link-D' },
    stands: linkStands,
  },
  seenAs: ['link'],
  initial: { ...LINK_AT_REST, Y: false, O: false } as IndoorState,
  positions: ({ taken }) => ({ 'relay-W': when(taken.includes('D')) }),
  next: (state, senses, moment) => {
    if (!boardPowered(senses)) return { ...LINK_AT_REST, Y: false, O: false };
    const { params, controls } = moment;
    const called = calledAt(senses, params);
    const isHeard = controls.radio === 'clear' && hearsPair(senses, 'link-outdoors', params.pair);
    const heard = isHeard ? (hearsPair(senses, 'link-D', params.pair) ? 'D' : '') : null;
    return { ...linkAfter(state, heard, moment), Y: called('Y'), O: called('O') };
  },
  gives: ({ powered, Y, O }, { params, controls }) =>
    says(
      params.pair,
      powered && controls.radio === 'clear' ? { 'link-indoors': true, 'link-Y': Y, 'link-O': O } : {},
    ),
  waits: (state, moment) => linkWaits(state, moment, OTHER),
  face: (state, moment) => {
    if (!state.powered) return { text: 'dark', tone: 'off' };
    if (hasLost(state, moment))
      return {
        text: 'no link',
        tone: 'tripped',
        detail: `It hears nothing of ${OTHER}: no 24 V there, another pairing, or too much between them.`,
      };
    return state.Y || state.O ? { text: 'sends', tone: 'busy' } : { text: 'ready', tone: 'ok' };
  },
  faults: [
    ...boardFaults(['Y', 'O']),
    { mode: 'radio', title: 'Radio dead', likelihood: 1, controls: { radio: 'blocked' } },
  ],
});
