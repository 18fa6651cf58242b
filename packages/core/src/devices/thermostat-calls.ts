import type { Conditions } from './define';

/** Which of a thermostat's contacts are closed. */
export type ThermostatCalls = {
  Y: boolean;
  Y2: boolean;
  G: boolean;
  W: boolean;
  W2: boolean;
  O: boolean;
  B: boolean;
};

export const NO_CALLS: ThermostatCalls = {
  Y: false,
  Y2: false,
  G: false,
  W: false,
  W2: false,
  O: false,
  B: false,
};

interface Question {
  controls: { mode: 'off' | 'heat' | 'cool'; fan: 'auto' | 'on'; setC: number };
  settings: { system: 'conventional' | 'heat-pump'; fanWithHeat: 'unit' | 'thermostat'; stageTwoK: number };
  conditions: Conditions;
}

/** Whether the room is on the calling side of the set point. */
export function demands({
  controls,
  conditions,
}: Pick<Question, 'controls' | 'conditions'>): 'heat' | 'cool' | null {
  if (controls.mode === 'cool' && conditions.indoorC > controls.setC) return 'cool';
  if (controls.mode === 'heat' && conditions.indoorC < controls.setC) return 'heat';
  return null;
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
  const farOff = Math.abs(conditions.indoorC - controls.setC) > settings.stageTwoK;
  const pump = settings.system === 'heat-pump';
  const valves = pump ? { O: controls.mode === 'cool', B: controls.mode === 'heat' } : { O: false, B: false };
  if (demand === null) return { ...NO_CALLS, ...valves, G: fanOn };
  if (demand === 'cool') return { ...NO_CALLS, ...valves, Y: true, Y2: farOff, G: true };
  if (pump) return { ...NO_CALLS, ...valves, Y: true, Y2: farOff, W2: farOff, G: true };
  return { ...NO_CALLS, W: true, W2: farOff, G: fanOn || settings.fanWithHeat === 'thermostat' };
}
