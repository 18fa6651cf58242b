import type { Channel } from '../../channels';
import { defineDevice } from '../../define';
import type { Senses } from '../../context';
import { contact } from '../../element';
import { choice, num } from '../../fields';
import { when } from '../../parts/board';

/** Where the water it floats on is noticed. */
const FLOATS_ON = {
  line: { lowest: 'coil-pan', highest: 'coil-pan' },
  port: { lowest: 'coil-pan', highest: 'coil-pan' },
  pan: { lowest: 'lower-pan', highest: 'lower-pan-high' },
  rim: { lowest: 'lower-pan', highest: 'lower-pan-high' },
} as const satisfies Record<string, Record<string, Channel>>;

/** A level that has just been reached counts as reached, mm. */
const HAIR_MM = 1e-6;

/** A condensate float: its COM–NC contact opens when the water rises. */
export const floatSwitch = defineDevice({
  kind: 'float-switch',
  title: 'Float switch',
  inline: true,
  designations: () => [
    { mark: 'COM', role: 'contact', purpose: 'Common side of the float contact.' },
    { mark: 'NC', role: 'contact', purpose: 'Closed while dry; opens when the float rises.' },
  ],
  params: {
    place: choice(
      'It sits',
      {
        pan: 'In the pan under the unit',
        rim: 'Clipped to that pan’s rim',
        line: 'In the drain line',
        port: 'In the coil pan’s second port',
      },
      'pan',
    ),
    corner: choice('At its', { lowest: 'Lowest corner', highest: 'Highest corner' }, 'lowest'),
    heightMm: num({
      label: 'Opens at a depth of',
      unit: 'mm',
      default: 15,
      min: 1,
      max: 150,
      source: 'from memory',
    }),
    differenceMm: num({
      label: 'Closes again, lower by',
      unit: 'mm',
      default: 5,
      min: 1,
      max: 50,
      source: 'from memory',
    }),
  },
  settings: {},
  controls: { level: choice('Float', { dry: 'As the water stands', wet: 'Lifted' }, 'dry') },
  elements: () => [contact('contact', 'COM', 'NC')],
  interrupts: ['contact'],
  initial: { up: false as boolean, moves: null as number | null },
  positions: ({ up }, { controls }) => ({ contact: when(controls.level === 'dry' && !up) }),
  next: ({ up: was }, senses: Senses, { params, now }) => {
    const { place, corner, heightMm, differenceMm } = params;
    const [water] = senses.hears(FLOATS_ON[place][corner]);
    if (!water) return { up: false, moves: null };
    const falls = heightMm - differenceMm;
    const up = was ? water.amount > falls + HAIR_MM : water.amount >= heightMm - HAIR_MM;
    const moves = water.reaches!(up ? falls : heightMm);
    return { up, moves: Number.isFinite(moves) && moves > now ? moves : null };
  },
  waits: ({ up, moves }) =>
    moves === null ? [] : [{ until: moves, text: up ? 'the float falls' : 'the float rises', quiet: true }],
  face: ({ up }, { controls }) =>
    controls.level === 'dry' && !up
      ? { text: 'dry', tone: 'ok' }
      : { text: 'wet', tone: 'tripped', detail: 'Float up: clear the drain before anything else.' },
  // The water comes from cooling; the fan may go on. What runs over at the coil comes to the pan below, not the other way.
  safety: {
    control: 'level',
    // At the highest corner the pan may run over before it rises: it stands in for none that sits lower.
    notices: ({ place, corner }) =>
      place === 'line' || place === 'port'
        ? ['coil-water']
        : corner === 'highest'
          ? ['pan-water']
          : ['coil-water', 'pan-water'],
    tripped: 'wet',
    stops: ['chilled'],
    retrofit: true,
  },
  faults: [
    { mode: 'stuck-closed', title: 'Stuck closed', likelihood: 2, elements: { contact: { ohms: 0.01 } } },
    { mode: 'stuck-open', title: 'Stuck open', likelihood: 1, elements: { contact: 'open' } },
  ],
});
