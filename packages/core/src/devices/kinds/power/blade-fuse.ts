import { defineDevice } from '../../define';
import { path } from '../../element';
import { choice, num } from '../../fields';
import { BLADE_HOLDS, bladeFuseSeconds, carrying, stepOverload } from '../../parts/overcurrent';

/** Cold resistance of a blade fuse: about 0.1 V dropped at rated current, from memory. */
const VOLTS_AT_RATING = 0.1;

/** The low-voltage fuse on a board: opens on I²t and stays open until a new one is fitted. */
export const bladeFuse = defineDevice({
  kind: 'blade-fuse',
  title: 'Low-voltage fuse',
  inline: true,
  designations: () => [
    { mark: '1', role: 'hot', purpose: 'Feed side, from the transformer.' },
    { mark: '2', role: 'hot', purpose: 'Protected side, to the board.' },
  ],
  params: {
    rating: num({ label: 'Rating', unit: 'A', default: 3, min: 0.25, max: 30, source: 'read the label' }),
  },
  settings: {},
  controls: { holder: choice('Holder', { fitted: 'Fuse fitted', empty: 'Fuse pulled' }, 'fitted') },
  elements: ({ params }) => {
    const fuse = path('link', '1', '2', VOLTS_AT_RATING / params.rating);
    return [{ ...fuse, positions: { ...fuse.positions, blown: 'open' } }];
  },
  interrupts: ['link'],
  initial: carrying,
  positions: (state, { controls }) => ({ link: state.open || controls.holder === 'empty' ? 'blown' : 'on' }),
  next: (state, senses, { controls, params, now }) =>
    // Pulling the fuse is how a blown one is replaced: the next one fitted is new.
    controls.holder === 'empty'
      ? carrying
      : stepOverload(state, bladeFuseSeconds(senses.amps('link') / params.rating), now),
  waits: ({ opensAt }) =>
    opensAt === null ? [] : [{ until: opensAt, text: `over ${BLADE_HOLDS} × its rating, about to open` }],
  face: (state, { controls, params }) =>
    controls.holder === 'empty'
      ? { text: 'pulled', tone: 'off' }
      : state.open
        ? { text: 'blown', tone: 'tripped', detail: 'Find the short before fitting another.' }
        : { text: `${params.rating} A`, tone: 'ok' },
  protects: {
    element: 'link',
    held: 'on',
    fitted: 'rating',
    event: 'Fuse blown',
    opensIn: (amps, { rating }) => bladeFuseSeconds(amps / Number(rating)),
  },
  faults: [{ mode: 'blown', title: 'Fuse blown', likelihood: 2, elements: { link: 'open' }, shows: 'blown' }],
});
