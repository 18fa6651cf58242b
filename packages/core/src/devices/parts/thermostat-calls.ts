import type { Conditions } from '../context';
import type { Call } from '../traits';

/** Which of a thermostat's calls are made; screws follow them as the set-up says. */
export type ThermostatCalls = {
  Y: boolean;
  Y2: boolean;
  G: boolean;
  W: boolean;
  W2: boolean;
  O: boolean;
  B: boolean;
  E: boolean;
};

export const NO_CALLS: ThermostatCalls = {
  Y: false,
  Y2: false,
  G: false,
  W: false,
  W2: false,
  O: false,
  B: false,
  E: false,
};

export type Mode = 'off' | 'heat' | 'cool' | 'emergency';

interface Question {
  controls: { mode: Mode; fan: 'auto' | 'on'; setC: number };
  settings: {
    system: 'conventional' | 'heat-pump';
    fanWithHeat: 'unit' | 'thermostat';
    stageTwoK: number;
    backUpK: number;
    /** What heats when the heat pump does not. */
    backUp: 'strips' | 'furnace';
    lockoutC: number;
  };
  conditions: Conditions;
}

/** Whether the room is on the calling side of the set point. */
export function demands({
  controls,
  conditions,
}: Pick<Question, 'controls' | 'conditions'>): Exclude<Call, 'fan'> | null {
  if (controls.mode === 'cool' && conditions.indoorC > controls.setC) return 'cool';
  const heating = controls.mode === 'heat' || controls.mode === 'emergency';
  return heating && conditions.indoorC < controls.setC ? 'heat' : null;
}

/**
 * The heating calls of a heat pump. Strips help it; a furnace as back-up takes over from it,
 * because compressor and burner must not run together (dual fuel, common practice).
 */
function pumpHeat({ controls, settings, conditions }: Question, apart: number): Partial<ThermostatCalls> {
  const second = apart > settings.stageTwoK;
  const backUp = apart > settings.backUpK;
  const furnace = settings.backUp === 'furnace';
  const withFurnace = settings.fanWithHeat === 'thermostat';
  if (controls.mode === 'emergency') return { W2: true, E: true, G: furnace ? withFurnace : true };
  if (furnace && (backUp || conditions.outdoorC < settings.lockoutC)) return { W2: true, G: withFurnace };
  return { Y: true, Y2: second, W2: backUp, G: true };
}

/**
 * The calls a thermostat would make before its compressor protection has its say.
 * As a heat pump Y runs the compressor both ways, O is energised in cooling, B in
 * heating, and W2 brings the back-up heat.
 */
export function wantedCalls(question: Question): ThermostatCalls {
  const { controls, settings, conditions } = question;
  const demand = demands(question);
  const fanOn = controls.fan === 'on';
  const apart = Math.abs(conditions.indoorC - controls.setC);
  const pump = settings.system === 'heat-pump';
  const heating = controls.mode === 'heat' || controls.mode === 'emergency';
  const valves = pump ? { O: controls.mode === 'cool', B: heating } : {};
  const idle = { ...NO_CALLS, ...valves, G: fanOn };
  if (demand === null) return idle;
  if (demand === 'cool') return { ...idle, Y: true, Y2: apart > settings.stageTwoK, G: true };
  if (!pump)
    return {
      ...idle,
      W: true,
      W2: apart > settings.stageTwoK,
      G: fanOn || settings.fanWithHeat === 'thermostat',
    };
  const calls = pumpHeat(question, apart);
  return { ...idle, ...calls, G: fanOn || calls.G === true };
}
