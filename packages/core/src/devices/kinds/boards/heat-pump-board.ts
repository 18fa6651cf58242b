import { boardElements, boardParams, boardPowered, calledAt, when } from '../../parts/board';
import { coilElement, coilParams, pulledIn } from '../../parts/coil';
import { flow, heard } from '../../channels';
import { defineDevice } from '../../define';
import { boardFaults, contactFaults, openFault } from '../../parts/faults';
import type { Moment, Senses } from '../../context';
import { contact, path } from '../../element';
import { choice, seconds } from '../../fields';
import type { ValuesOf } from '../../fields';

const params = {
  ...boardParams,
  valve: choice('Reversing valve is energised in', { O: 'Cooling (O)', B: 'Heating (B)' }, 'O'),
  stages: choice('Compressor stages', { one: 'One', two: 'Two' }, 'one'),
  valveCoil: choice('Reversing valve’s coil', { own: 'At the board', leads: 'On leads, RV1 and RV2' }, 'own'),
  coilSensor: choice('Coil sensor', { own: 'At the board', leads: 'On leads, TS1 and TS2' }, 'own'),
  ...coilParams(7, 20),
};

const settings = {
  restS: seconds('Compressor rest between runs', 180, 600, 'common practice'),
  defrostEveryS: seconds('Defrost no sooner than, of heating', 3600, 7200),
  defrostForS: seconds('Defrost at most', 600, 900),
};

const controls = { coil: choice('Outdoor coil', { clear: 'Clear', frosted: 'Frosted' }, 'clear') };

/** A trace of a board, what a sensor is read through, and the ohms between which one is believed; from memory. */
const TRACE_OHMS = 0.01;
const SENSING_OHMS = 10_000;
const BELIEVED_OHMS = { least: 500, most: 200_000 };

type PumpState = {
  powered: boolean;
  compressor: boolean;
  /** The valve's coil is fed, and its armature is in. */
  valveFed: boolean;
  /** Y is called and held back by the rest. */
  held: boolean;
  /** End of the compressor's rest; `null` when it may start at once. */
  restUntil: number | null;
  valveIn: boolean;
  /** Start of the present stretch of heating, and the end of a defrost. */
  heatingSince: number | null;
  defrostUntil: number | null;
};

type PumpMoment = Moment<ValuesOf<typeof params>, ValuesOf<typeof settings>, ValuesOf<typeof controls>>;

const atRest: PumpState = {
  powered: false,
  compressor: false,
  valveFed: false,
  held: false,
  restUntil: null,
  valveIn: false,
  heatingSince: null,
  defrostUntil: null,
};

/** Whether the coil's temperature is known: without it the board never defrosts. */
function isSensed(senses: Senses, { coilSensor }: PumpMoment['params']): boolean {
  if (coilSensor === 'own') return true;
  const [volts, amps] = [senses.volts('TS1', 'TS2'), senses.amps('sensing')];
  return volts > BELIEVED_OHMS.least * amps && volts < BELIEVED_OHMS.most * amps;
}

/** Whether the valve's coil should be energised: defrost turns the circuit to cooling. */
const valveAsked = (called: boolean, defrost: boolean, valve: 'O' | 'B') =>
  defrost ? valve === 'O' : called;

/** Which way the refrigerant is driven; defrost is part of heating. */
const turnedTo = (
  { valveIn, defrostUntil }: PumpState,
  { params }: { params: { valve: 'O' | 'B' } },
): 'heat' | 'cool' => (defrostUntil !== null || valveIn === (params.valve === 'B') ? 'heat' : 'cool');

function next(state: PumpState, senses: Senses, { params, settings, controls, now }: PumpMoment): PumpState {
  if (!boardPowered(senses))
    return { ...atRest, restUntil: state.compressor ? now + settings.restS : state.restUntil };
  const called = calledAt(senses, params);
  const rested = state.restUntil === null || now >= state.restUntil;
  const compressor = called('Y') && (state.compressor || rested);
  const restUntil = state.compressor && !compressor ? now + settings.restS : rested ? null : state.restUntil;
  const heating = compressor && called('O') === (params.valve === 'B');
  const heatingSince = heating ? (state.heatingSince ?? now) : null;
  const due = heatingSince !== null && now >= heatingSince + settings.defrostEveryS;
  const over = state.defrostUntil !== null && now >= state.defrostUntil;
  const frosted = controls.coil === 'frosted' && isSensed(senses, params);
  const defrosting = heating && frosted && !over && (state.defrostUntil !== null || due);
  return {
    powered: true,
    compressor,
    held: called('Y') && !compressor,
    valveFed: valveAsked(called('O'), defrosting, params.valve),
    restUntil,
    valveIn:
      params.valveCoil === 'leads'
        ? heard(senses, 'valve') > 0
        : pulledIn(state.valveIn, { volts: senses.volts('#valve', 'C'), amps: senses.amps('valve') }, params),
    heatingSince: over ? now : heatingSince,
    defrostUntil: defrosting ? (state.defrostUntil ?? now + settings.defrostForS) : null,
  };
}

/**
 * The outdoor board of a heat pump: passes Y to the contactor after its own rest, drives the
 * reversing valve, and in defrost turns the valve over, stops the outdoor fan and asks
 * for back-up heat on D.
 */
export const heatPumpBoard = defineDevice({
  kind: 'heat-pump-board',
  title: 'Outdoor board',
  known: { 'defrost board': {}, 'defrost control': {}, board: {}, db: {} },
  designations: ({ stages, valveCoil, coilSensor }) => [
    { mark: 'R', role: 'hot', purpose: '24 V hot from the indoor unit.' },
    { mark: 'Y', role: 'call', purpose: 'Compressor call, for heating and cooling alike.' },
    ...(stages === 'two' ? [{ mark: 'Y2', role: 'call' as const, purpose: 'Second compressor stage.' }] : []),
    { mark: 'O', role: 'call', purpose: 'Reversing valve call.', aliases: ['B'] },
    {
      mark: 'D',
      role: 'call',
      purpose: 'Asks for back-up heat during defrost; lands on W indoors.',
      aliases: ['W2'],
    },
    { mark: 'C', role: 'common', purpose: 'Common from the indoor unit.' },
    { mark: 'CC', role: 'contact', purpose: 'Out to the contactor coil.' },
    { mark: 'F1', role: 'line', purpose: 'Outdoor fan relay, feed side.' },
    { mark: 'F2', role: 'line', purpose: 'Outdoor fan relay, to the fan. Open in defrost.' },
    ...(valveCoil === 'leads'
      ? [
          { mark: 'RV1', role: 'contact' as const, purpose: 'Out to the coil of the reversing valve.' },
          { mark: 'RV2', role: 'common' as const, purpose: 'Back from that coil.', onward: true as const },
        ]
      : []),
    ...(coilSensor === 'leads'
      ? [
          { mark: 'TS1', role: 'contact' as const, purpose: 'Coil sensor.' },
          { mark: 'TS2', role: 'contact' as const, purpose: 'Coil sensor.' },
        ]
      : []),
  ],
  params,
  settings,
  controls,
  elements: ({ params, mains }) => [
    ...boardElements(params, mains.hertz, params.stages === 'two' ? ['Y', 'Y2', 'O'] : ['Y', 'O']),
    contact('timer', 'Y', 'CC'),
    ...(params.valveCoil === 'leads'
      ? [contact('valve-relay', 'R', 'RV1'), path('valve-return', 'RV2', 'C', TRACE_OHMS)]
      : [contact('valve-relay', 'R', '#valve'), coilElement('valve', '#valve', 'C', params, mains.hertz)]),
    ...(params.coilSensor === 'leads'
      ? [path('sensing', 'R', 'TS1', SENSING_OHMS), path('sensed', 'TS2', 'C', TRACE_OHMS)]
      : []),
    contact('defrost-relay', 'R', 'D'),
    contact('fan-relay', 'F1', 'F2'),
    ...(params.stages === 'two'
      ? [contact('stage-relay', 'Y2', '#stage'), coilElement('stage', '#stage', 'C', params, mains.hertz)]
      : []),
  ],
  loads: ({ params }) => [
    ...(params.valveCoil === 'own'
      ? [
          {
            id: 'valve',
            title: 'Reversing valve',
            element: 'valve',
            nature: 'valve' as const,
            serves: 'valve' as const,
          },
        ]
      : []),
    ...(params.stages === 'two'
      ? [
          {
            id: 'stage',
            title: 'Second stage solenoid',
            element: 'stage',
            nature: 'coil' as const,
            serves: 'pump' as const,
          },
        ]
      : []),
  ],
  occasions: [
    {
      title: 'defrost',
      forced:
        'Run it in heating some minutes, then bridge the outdoor board’s test pins as its own sheet says, and take the bridge off again.',
      control: 'coil',
      value: 'frosted',
      during: 'heat',
      active: ({ defrostUntil }) => defrostUntil !== null,
    },
  ],
  actuatedBy: {
    timer: [['input-Y', 'logic']],
    'valve-relay': [['input-O', 'logic']],
    'stage-relay': [['input-Y', 'logic']],
    'fan-relay': [['logic']],
  },
  initial: atRest,
  positions: (state, { params }) => {
    const defrost = state.defrostUntil !== null;
    const coil = state.valveIn ? 'sealed' : 'inrush';
    return {
      timer: when(state.compressor),
      'valve-relay': when(state.valveFed),
      valve: params.valveCoil === 'own' ? coil : undefined,
      'defrost-relay': when(defrost),
      'fan-relay': when(!defrost),
      'stage-relay': when(state.compressor),
      stage: params.stages === 'two' ? 'sealed' : undefined,
    };
  },
  next,
  turns: turnedTo,
  gives: (state, moment) => ({ turned: flow(turnedTo(state, moment) === 'heat' ? 1 : -1) }),
  waits: ({ held, restUntil, heatingSince, defrostUntil }, { settings, controls }) => {
    const waits = [];
    if (restUntil !== null)
      waits.push({
        until: restUntil,
        text: 'compressor rests before it may start again',
        done: 'compressor rested',
        quiet: !held,
      });
    if (defrostUntil !== null)
      waits.push({ until: defrostUntil, text: 'defrost, the strips temper the air', done: 'defrost over' });
    else if (heatingSince !== null && controls.coil === 'frosted')
      waits.push({ until: heatingSince + settings.defrostEveryS, text: 'defrost due', quiet: true });
    return waits;
  },
  face: (state) =>
    !state.powered
      ? { text: 'no lamp', tone: 'off', detail: 'The board has no 24 V.' }
      : state.defrostUntil !== null
        ? {
            text: 'defrost',
            tone: 'busy',
            detail: 'Valve turned over, fan stopped, back-up heat asked for on D.',
          }
        : { text: state.compressor ? 'running' : 'lamp steady', tone: state.compressor ? 'busy' : 'ok' },
  faults: [
    {
      mode: 'valve-open',
      title: 'Reversing valve coil open',
      likelihood: 3,
      elements: { valve: 'open' },
      part: 'Reversing valve coil',
    },
    { mode: 'timer-open', title: 'Y not passed on', likelihood: 2, elements: { timer: 'open' } },
    {
      mode: 'defrost-stuck',
      title: 'Defrost relay stuck',
      likelihood: 1,
      elements: { 'defrost-relay': { ohms: 0.01 } },
    },
    {
      mode: 'valve-shorted',
      part: 'Reversing valve coil',
      title: 'Reversing valve coil shorted',
      likelihood: 1,
      elements: { valve: { ohms: 0.5 } },
    },
    openFault('stage', 'Second stage solenoid open', 2, 'Second stage solenoid'),
    ...contactFaults('fan-relay', 'Outdoor fan relay'),
    ...boardFaults(['Y', 'Y2', 'O']),
  ],
});
