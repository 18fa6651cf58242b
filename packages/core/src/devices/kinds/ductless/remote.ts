import { flow } from '../../channels';
import { defineDevice } from '../../define';
import type { Moment } from '../../context';
import { choice, num } from '../../fields';
import type { ValuesOf } from '../../fields';
import { demands } from '../../parts/thermostat-calls';
import type { Call } from '../../traits';

const controls = {
  mode: choice('System', { off: 'Off', heat: 'Heat', cool: 'Cool' }, 'off'),
  fan: choice('Fan', { auto: 'Auto', on: 'On' }, 'auto'),
  setC: num({ label: 'Set point', unit: '°C', default: 22, min: 16, max: 30, source: 'common practice' }),
  batteries: choice('Batteries', { good: 'Good', flat: 'Flat' }, 'good'),
};

type RemoteState = { powered: boolean; call: 'heat' | 'cool' | null; fan: boolean };
type RemoteMoment = Moment<object, object, ValuesOf<typeof controls>>;

/** What it asks for as it is held. */
function wanted({ controls, conditions }: RemoteMoment): RemoteState {
  if (controls.batteries === 'flat') return { powered: false, call: null, fan: false };
  return { powered: true, call: demands({ controls, conditions }), fan: controls.fan === 'on' };
}

/** The remote of a ductless unit: a thermostat without a wire, that its indoor half hears. */
export const ductlessRemote = defineDevice({
  kind: 'ductless-remote',
  title: 'Remote',
  designations: () => [],
  params: {},
  settings: {},
  controls,
  elements: () => [],
  initial: { powered: false, call: null, fan: false } as RemoteState,
  positions: () => ({}),
  next: (_state, _senses, moment) => wanted(moment),
  gives: ({ call, fan }) => ({
    ...(call === null ? {} : { [`asks-${call}`]: flow(1) }),
    ...(fan ? { 'asks-fan': flow(1) } : {}),
  }),
  asks: ({ powered, call, fan }) => {
    const calls: Call[] = powered && call !== null ? [call] : [];
    return powered && fan ? [...calls, 'fan'] : calls;
  },
  face: ({ powered }, { controls: { mode } }) =>
    powered
      ? { text: mode, tone: mode === 'off' ? 'ok' : 'busy' }
      : { text: 'blank', tone: 'tripped', detail: 'The screen is blank: no good batteries.' },
  faults: [
    {
      mode: 'batteries-flat',
      title: 'Batteries flat',
      likelihood: 4,
      controls: { batteries: 'flat' },
      part: 'Batteries',
    },
  ],
});
