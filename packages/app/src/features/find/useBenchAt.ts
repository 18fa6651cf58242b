import { useAppStore } from '../../store';
import { useEffect } from 'react';
import type { Circuit } from '@zygostat/core/circuit';
import type { Step } from '@zygostat/core/diagnose';
import type { Call } from '../bench/calls';
import { activeCalls, pressCall } from '../bench/calls';
import { conditionsSet, controlSet, probePlaced } from '../bench/slice';

const CALLS: readonly string[] = ['off', 'fan', 'cool', 'heat'] satisfies Call[];
const isCall = (state: string): state is Call => CALLS.includes(state);

/** Sets the drawing's bench as the next step wants it: its call made, its probes placed, what a sound circuit gives beside. */
export function useBenchAt(circuit: Circuit, step: Step | undefined): void {
  const store = useAppStore();
  const state = step && 'state' in step ? step.state : '';
  const [red, black] = step?.type === 'reading' ? [step.red, step.black] : [null, null];
  useEffect(() => {
    if (!isCall(state)) return;
    const press = (call: Call) => {
      const { controls, indoorC } = pressCall(circuit, store.getState().bench.inputs, call);
      for (const control of controls) store.dispatch(controlSet(control));
      if (indoorC !== undefined) store.dispatch(conditionsSet({ indoorC }));
    };
    const active = activeCalls(circuit, store.getState().bench.inputs);
    if (active.size === 1 && active.has(state)) return;
    press('off');
    if (state !== 'off') press(state);
  }, [circuit, state, store]);
  useEffect(() => {
    if (red === null || black === null) return;
    store.dispatch(probePlaced({ probe: 'red', node: red }));
    store.dispatch(probePlaced({ probe: 'black', node: black }));
  }, [red, black, store]);
}
