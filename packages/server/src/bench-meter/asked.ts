/** What a bench meter is asked, as it is sent. */
import type { Circuit } from '@zygostat/core/circuit';
import { findCable, findConductor, findDevice, hasTerminal } from '@zygostat/core/circuit';
import type { Step } from '@zygostat/core/diagnose';
import { callStates, stateOf } from '@zygostat/core/diagnose';
import { METER_MODES } from '@zygostat/core/network';
import { listOf } from '@zygostat/core/validation';
import * as yup from 'yup';
import { Problem, invalid } from '../problem';
import { body } from '../schemas';
import type { Held } from './session';

const word = (most = 200) =>
  yup.string().strict().required('is required').max(most, `must be at most ${most} characters`);
const MOST_FAULTS = 2;

export const sessionSchema = body({
  job: word(40),
  faults: listOf(word(), MOST_FAULTS).min(1, 'must not be empty'),
  seed: yup.number().strict().integer('must be a whole number').min(0, 'must be 0 or more'),
  noisy: yup.boolean().strict(),
});

const heldSchema = body({
  state: word(),
  mode: yup
    .string()
    .strict()
    .oneOf([...METER_MODES], `must be one of ${METER_MODES.join(', ')}`)
    .required('is required'),
  red: word(),
  black: word(),
  meter: yup
    .string()
    .strict()
    .oneOf(['high-z', 'low-z'] as const, 'must be high-z or low-z'),
});

const refuse = (path: string, message: string): never => {
  throw new Problem(invalid([{ path, message }]));
};

function knownState(circuit: Circuit, state: string): string {
  const calls = callStates(circuit);
  if (stateOf(circuit, calls, state)) return state;
  return refuse('state', `must be a call of this circuit: ${calls.map(({ id }) => id).join(', ')}`);
}

/** Where the probes are put; `null` takes them off. */
export function readHeld(circuit: Circuit, given: unknown): Held | null {
  if (given === null || JSON.stringify(given) === '{}') return null;
  const { state, mode, red, black, meter = 'high-z' } = heldSchema.validateSync(given, { abortEarly: false });
  for (const [path, node] of Object.entries({ red, black }))
    if (node !== 'earth' && !hasTerminal(circuit, node)) refuse(path, 'must name a terminal of this circuit');
  return {
    state: knownState(circuit, state),
    probes: { mode: mode as Held['probes']['mode'], red, black, meter },
  };
}

/** What is looked at, called or tested, by its type. */
const askedSchema = body({
  type: yup
    .string()
    .strict()
    .oneOf(['face', 'call', 'jumper', 'look', 'test', 'swap', 'wires', 'clamp'] as const)
    .required('is required'),
  state: word().optional(),
  device: word().optional(),
  cable: word().optional(),
  conductor: word().optional(),
});

/** A step that is no reading with probes. */
export function readStep(circuit: Circuit, given: unknown): Step {
  const {
    type,
    state = '',
    device = '',
    cable = '',
    conductor = '',
  } = askedSchema.validateSync(given, {
    abortEarly: false,
  });
  const station = '';
  const at = () => findDevice(circuit, device)?.id ?? refuse('device', 'must name a device of this circuit');
  switch (type) {
    case 'face':
      return { type, station, state: knownState(circuit, state), device: at() };
    case 'look':
      return { type, station, device: at(), line: false };
    case 'test':
    case 'swap':
      return { type, station, device: at() };
    case 'call':
      return { type, station, state: knownState(circuit, state) };
    case 'jumper':
      return { type, station, state: knownState(circuit, state), jumper: ['', ''] };
    case 'clamp':
      if (!findConductor(circuit, conductor)) refuse('conductor', 'must name a conductor of this circuit');
      return { type, station, state: knownState(circuit, state), conductor, line: false };
    case 'wires': {
      const found = findCable(circuit, cable) ?? refuse('cable', 'must name a cable of this circuit');
      return { type, station, other: station, cable: found };
    }
  }
}

export const remedySchema = body({ remedy: word(400) });
