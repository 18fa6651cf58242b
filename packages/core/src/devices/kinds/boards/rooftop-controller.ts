import { SUPPLY_TAKES, boardElements, boardParams, boardPowered, calledAt, when } from '../../parts/board';
import { defineDevice } from '../../define';
import { boardFaults, openFault } from '../../parts/faults';
import { contact } from '../../element';
import { choice, seconds } from '../../fields';

type RooftopState = {
  powered: boolean;
  cool1: boolean;
  cool2: boolean;
  /** Cooling is called and held back by the rest. */
  held: boolean;
  restUntil: number | null;
  fan: boolean;
  heat: boolean;
};

const atRest: RooftopState = {
  powered: false,
  cool1: false,
  cool2: false,
  held: false,
  restUntil: null,
  fan: false,
  heat: false,
};

/**
 * The unit controller of a packaged rooftop unit. Its outputs are the calls passed on, and only
 * while the smoke input is closed and the thermostat does not ask for both at once.
 */
export const rooftopController = defineDevice({
  kind: 'rooftop-controller',
  title: 'Unit controller',
  designations: () => [
    { mark: 'R', role: 'hot', purpose: '24 V hot out to the thermostat.', takes: SUPPLY_TAKES },
    { mark: 'Y1', role: 'call', purpose: 'First cooling stage.', aliases: ['Y'] },
    { mark: 'Y2', role: 'call', purpose: 'Second cooling stage.' },
    { mark: 'G', role: 'call', purpose: 'Fan call.' },
    { mark: 'W1', role: 'call', purpose: 'Heating call.', aliases: ['W'] },
    { mark: 'C', role: 'common', purpose: 'Common.', takes: SUPPLY_TAKES },
    { mark: 'SD1', role: 'contact', purpose: 'Smoke input: out to the detector’s normally closed contact.' },
    { mark: 'SD2', role: 'contact', purpose: 'Smoke input: back from the detector. Open stops everything.' },
    { mark: 'CC1', role: 'contact', purpose: 'Out to the first compressor’s contactor coil.' },
    { mark: 'CC2', role: 'contact', purpose: 'Out to the second compressor’s contactor coil.' },
    { mark: 'IFC', role: 'contact', purpose: 'Out to the indoor fan contactor.' },
    { mark: 'HC', role: 'contact', purpose: 'Out to the heater contactor.' },
  ],
  params: { ...boardParams },
  settings: { restS: seconds('Compressor rest between runs', 180, 600, 'common practice') },
  controls: { panel: choice('Controller', { run: 'Run', test: 'Held off' }, 'run') },
  seenAs: ['blower'],
  elements: ({ params, mains }) => [
    ...boardElements(params, mains.hertz, ['Y1', 'Y2', 'G', 'W1', 'SD2']),
    contact('smoke-feed', 'R', 'SD1'),
    contact('cool-1', 'R', 'CC1'),
    contact('cool-2', 'R', 'CC2'),
    contact('fan', 'R', 'IFC'),
    contact('heat', 'R', 'HC'),
  ],
  actuatedBy: {
    'cool-1': [['input-Y1', 'input-SD2', 'logic']],
    'cool-2': [['input-Y2', 'input-SD2', 'logic']],
    fan: [
      ['input-G', 'input-SD2', 'logic'],
      ['input-Y1', 'input-SD2', 'logic'],
      ['input-W1', 'input-SD2', 'logic'],
    ],
    heat: [['input-W1', 'input-SD2', 'logic']],
  },
  initial: atRest,
  positions: (state) => ({
    'smoke-feed': 'closed',
    'cool-1': when(state.cool1),
    'cool-2': when(state.cool2),
    fan: when(state.fan),
    heat: when(state.heat),
  }),
  next: (state, senses, { params, settings, controls, now }) => {
    const rest = (wasOn: boolean, on: boolean) =>
      wasOn && !on
        ? now + settings.restS
        : state.restUntil !== null && now < state.restUntil
          ? state.restUntil
          : null;
    if (!boardPowered(senses)) return { ...atRest, restUntil: rest(state.cool1, false) };
    const called = calledAt(senses, params);
    const free = called('SD2') && controls.panel === 'run';
    const wantsHeat = free && called('W1');
    const wantsCool = free && called('Y1') && !wantsHeat;
    const rested = state.restUntil === null || now >= state.restUntil;
    const cool1 = wantsCool && (state.cool1 || rested);
    return {
      powered: true,
      cool1,
      held: wantsCool && !cool1,
      cool2: cool1 && called('Y2'),
      restUntil: rest(state.cool1, cool1),
      fan: free && (called('G') || cool1 || wantsHeat),
      heat: wantsHeat,
    };
  },
  waits: ({ held, restUntil }) =>
    restUntil === null
      ? []
      : [
          {
            until: restUntil,
            text: 'compressor rests before it may start again',
            done: 'compressor rested',
            quiet: !held,
          },
        ],
  face: (state, { controls }) =>
    !state.powered
      ? { text: 'no lamp', tone: 'off', detail: 'The controller has no 24 V.' }
      : controls.panel === 'test'
        ? { text: 'held off', tone: 'off' }
        : state.cool1 || state.heat || state.fan
          ? { text: state.heat ? 'heating' : state.cool1 ? 'cooling' : 'fan', tone: 'busy' }
          : { text: 'lamp steady', tone: 'ok' },
  faults: [
    { mode: 'smoke-input-open', title: 'Smoke input dead', likelihood: 1, elements: { 'input-SD2': 'open' } },
    { mode: 'fan-output-open', title: 'Fan output dead', likelihood: 1, elements: { fan: 'open' } },
    openFault('cool-1', 'First cooling output dead', 1),
    openFault('cool-2', 'Second cooling output dead', 1),
    openFault('heat', 'Heating output dead', 1),
    {
      mode: 'held-off',
      title: 'Held off at its panel',
      likelihood: 1,
      controls: { panel: 'test' },
      mend: 'reset',
    },
    ...boardFaults(['Y1', 'Y2', 'G', 'W1']),
  ],
});
