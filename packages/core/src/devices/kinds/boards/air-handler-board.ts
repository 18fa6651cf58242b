import {
  SUPPLY_TAKES,
  boardElements,
  boardParams,
  boardPowered,
  calledAt,
  heedingLeak,
  leakDesignations,
  leakInputs,
  leakTerminal,
  stepDelayed,
  when,
} from '../../parts/board';
import { motorImpedance } from '../../parts/burner-train';
import { flow } from '../../channels';
import { defineDevice } from '../../define';
import { boardFaults, openFault } from '../../parts/faults';
import { contact, impedanceOf, load } from '../../element';
import { choice, num, seconds } from '../../fields';

type HandlerState = {
  powered: boolean;
  blower: boolean;
  blowerAt: number | null;
  first: boolean;
  firstAt: number | null;
  second: boolean;
  secondAt: number | null;
};

const atRest: HandlerState = {
  powered: false,
  blower: false,
  blowerAt: null,
  first: false,
  firstAt: null,
  second: false,
  secondAt: null,
};

/** The board of an electric air handler: blower, and strips in two banks behind a limit. */
export const airHandlerBoard = defineDevice({
  kind: 'air-handler-board',
  title: 'Air handler board',
  designations: ({ leak }) => [
    {
      mark: 'R',
      role: 'hot',
      purpose: '24 V hot out to the thermostat and the outdoor unit.',
      takes: SUPPLY_TAKES,
    },
    { mark: 'Y', role: 'call', purpose: 'Compressor call: passes through to the outdoor unit.' },
    { mark: 'Y2', role: 'call', purpose: 'Second compressor stage: passes through.' },
    {
      mark: 'O',
      role: 'call',
      purpose: 'Reversing valve: passes through to the outdoor unit.',
      aliases: ['B'],
    },
    { mark: 'G', role: 'call', purpose: 'Fan call: runs the blower.' },
    { mark: 'W1', role: 'call', purpose: 'First bank of strips.', aliases: ['W2', 'AUX'] },
    { mark: 'W2', role: 'call', purpose: 'Second bank of strips.', aliases: ['E', 'W3'] },
    ...leakDesignations(leak),
    { mark: 'C', role: 'common', purpose: 'Common: every 24 V load returns here.', takes: SUPPLY_TAKES },
    { mark: 'L1', role: 'line', purpose: 'First leg in.' },
    { mark: 'L2', role: 'line', purpose: 'Second leg in.' },
  ],
  params: {
    ...boardParams,
    leak: leakTerminal,
    lineVolts: num({
      label: 'Line supply',
      unit: 'V',
      default: 240,
      min: 200,
      max: 277,
      source: 'read the label',
    }),
    blowerVa: num({
      label: 'Blower',
      unit: 'VA',
      default: 500,
      min: 50,
      max: 2000,
      source: 'read the label',
    }),
    stripKw: num({
      label: 'Each bank of strips',
      unit: 'kW',
      default: 5,
      min: 1,
      max: 15,
      source: 'read the label',
    }),
  },
  settings: {
    blowerOffS: seconds('Blower off, after the call', 60, 300),
    stripOnS: seconds('Second bank on, after the call', 10, 120),
  },
  controls: { limit: choice('Strip limit', { closed: 'Closed', tripped: 'Tripped' }, 'closed') },
  elements: ({ params, mains }) => {
    const bank = impedanceOf(params.lineVolts, params.stripKw * 1000, 1, mains.hertz);
    return [
      ...boardElements(params, mains.hertz, ['G', 'W1', 'W2', ...leakInputs(params.leak)]),
      contact('blower-relay', 'L1', '#blower'),
      load('blower', '#blower', 'L2', motorImpedance(params.lineVolts, params.blowerVa, mains.hertz)),
      contact('limit', 'L1', '#limit'),
      contact('strip-1-relay', '#limit', '#strip1'),
      load('strip-1', '#strip1', 'L2', bank),
      contact('strip-2-relay', '#limit', '#strip2'),
      load('strip-2', '#strip2', 'L2', bank),
    ];
  },
  loads: () => [
    { id: 'blower', title: 'Blower', element: 'blower', nature: 'motor', serves: 'fan' },
    { id: 'strip-1', title: 'First strip bank', element: 'strip-1', nature: 'strip', serves: 'heat' },
    { id: 'strip-2', title: 'Second strip bank', element: 'strip-2', nature: 'strip', serves: 'heat' },
  ],
  interrupts: ['limit'],
  actuatedBy: {
    'blower-relay': [
      ['input-G', 'logic'],
      ['input-W1', 'logic'],
      ['input-W2', 'logic'],
      ['input-LK', 'logic'],
    ],
    'strip-1-relay': [['input-W1', 'logic']],
    'strip-2-relay': [['input-W2', 'logic']],
  },
  initial: atRest,
  positions: (state, { controls }) => ({
    'blower-relay': when(state.blower),
    limit: when(controls.limit === 'closed'),
    'strip-1-relay': when(state.first),
    'strip-2-relay': when(state.second),
  }),
  next: (state, senses, { params, settings, now }) => {
    if (!boardPowered(senses)) return atRest;
    const called = heedingLeak(calledAt(senses, params), params.leak);
    const delays = { onS: 0, offS: 0 };
    const first = stepDelayed({ on: state.first, at: state.firstAt }, called('W1'), delays, now);
    const second = stepDelayed(
      { on: state.second, at: state.secondAt },
      called('W2'),
      { onS: settings.stripOnS, offS: 0 },
      now,
    );
    // Strips never run without air: the board holds the blower with them.
    const air = called('G') || first.on || second.on;
    const blower = stepDelayed(
      { on: state.blower, at: state.blowerAt },
      air,
      { onS: 0, offS: settings.blowerOffS },
      now,
    );
    return {
      powered: true,
      blower: blower.on,
      blowerAt: blower.at,
      first: first.on,
      firstAt: first.at,
      second: second.on,
      secondAt: second.at,
    };
  },
  gives: ({ blower, first, second }, { params: { stripKw } }) => ({
    blows: flow(blower ? 1 : 0),
    warms: flow((Number(first) + Number(second)) * stripKw * 1000),
  }),
  waits: ({ blowerAt, secondAt }, { settings }) => {
    const waits = [];
    if (blowerAt !== null)
      waits.push({
        until: blowerAt,
        text: `blower runs on ${settings.blowerOffS} s`,
        done: `blower off ${settings.blowerOffS} s after the call`,
      });
    if (secondAt !== null)
      waits.push({ until: secondAt, text: `second bank follows ${settings.stripOnS} s after its call` });
    return waits;
  },
  face: (state, { controls }) =>
    !state.powered
      ? { text: 'no lamp', tone: 'off', detail: 'The board has no 24 V.' }
      : controls.limit === 'tripped'
        ? {
            text: 'limit open',
            tone: 'tripped',
            detail: 'Strip limit open: find the airflow fault. Never bypass it.',
          }
        : state.first || state.second
          ? { text: 'strips on', tone: 'busy' }
          : { text: state.blower ? 'blower on' : 'lamp steady', tone: state.blower ? 'busy' : 'ok' },
  faults: [
    {
      mode: 'blower-relay-open',
      title: 'Blower relay open',
      likelihood: 2,
      elements: { 'blower-relay': 'open' },
    },
    {
      mode: 'strip-open',
      title: 'First bank burnt open',
      likelihood: 2,
      elements: { 'strip-1': 'open' },
      part: 'First strip bank',
    },
    {
      mode: 'strip-stuck',
      title: 'First bank relay welded',
      likelihood: 1,
      elements: { 'strip-1-relay': { ohms: 0.01 } },
    },
    openFault('strip-2', 'Second bank burnt open', 1, 'Second strip bank'),
    openFault('blower', 'Blower motor open', 2, 'Blower motor'),
    {
      mode: 'limit-open',
      title: 'Strip limit open',
      likelihood: 2,
      controls: { limit: 'tripped' },
      mend: 'defer',
    },
    ...boardFaults(['G', 'W1', 'W2']),
  ],
});
