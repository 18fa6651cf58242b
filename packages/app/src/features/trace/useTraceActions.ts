import { useAppStore } from '../../store';
import { useCallback, useMemo } from 'react';
import type { Circuit, End } from '@zygostat/core/circuit';
import {
  EditError,
  addLink,
  endNode,
  findConductor,
  findDevice,
  freeLinkId,
  land,
  lift,
  nodeName,
  removeLink,
} from '@zygostat/core/circuit';
import type { Value } from '@zygostat/core/devices';
import { fill, kindOf } from '@zygostat/core/devices';
import { colourName } from '@zygostat/core/standards';
import type { Call } from '../bench/calls';
import { pressCall } from '../bench/calls';
import { toggleOf } from '../bench/toggle';
import type { RootState } from '../../store';
import type { Probe } from '../bench/slice';
import { conditionsSet, controlSet, probePlaced } from '../bench/slice';
import { pickedUp, sheetOpened } from './slice';
import { told } from '../../store/notice';
import { REDO, UNDO, edited } from '../circuit/slice';

/** Everything a person can do on Trace, for taps, sheets and keys alike. */
export function useTraceActions() {
  const store = useAppStore();
  const edit = useCallback(
    (note: string, change: (circuit: Circuit) => Circuit) => {
      const { circuit } = (store.getState() as RootState).edits.present;
      if (!circuit) return;
      try {
        store.dispatch(edited({ circuit: change(circuit), note }));
        store.dispatch(told(note));
      } catch (error) {
        if (!(error instanceof EditError)) throw error;
        store.dispatch(told(error.message));
      }
    },
    [store],
  );
  return useMemo(() => {
    const state = () => store.getState() as RootState;
    const circuitNow = () => state().edits.present.circuit;
    const wireName = (circuit: Circuit, id: string) => colourName(findConductor(circuit, id)!.colour);
    const actions = {
      edit,
      undo: () => void store.dispatch({ type: UNDO }),
      redo: () => void store.dispatch({ type: REDO }),
      call: (call: Call) => {
        const circuit = circuitNow();
        if (!circuit) return;
        const { controls, indoorC } = pressCall(circuit, state().bench.inputs, call);
        controls.forEach((change) => store.dispatch(controlSet(change)));
        if (indoorC !== undefined) store.dispatch(conditionsSet({ indoorC }));
      },
      setControl: (device: string, name: string, value: Value) =>
        void store.dispatch(controlSet({ device, name, value })),
      toggle: (id: string) => {
        const circuit = circuitNow();
        const device = circuit && findDevice(circuit, id);
        const toggle = device ? toggleOf(device.kind) : null;
        if (!device || !toggle) return;
        const now = fill(kindOf(device.kind).controls, state().bench.inputs.controls[id] ?? {})[toggle.name];
        const [one, other] = toggle.options;
        store.dispatch(controlSet({ device: id, name: toggle.name, value: now === one ? other : one }));
      },
      placeProbe: (probe: Probe, node: string | null) => {
        store.dispatch(probePlaced({ probe, node }));
        store.dispatch(sheetOpened(null));
      },
      liftEnd: (conductor: string, end: End) => {
        const circuit = circuitNow()!;
        const from = nodeName(circuit, endNode(findConductor(circuit, conductor)!, end));
        edit(`Lifted ${wireName(circuit, conductor)} off ${from}`, (c) => lift(c, conductor, end));
      },
      landEnd: (conductor: string, end: End, node: string) => {
        const circuit = circuitNow()!;
        edit(`Landed ${wireName(circuit, conductor)} on ${nodeName(circuit, node)}`, (c) =>
          land(c, conductor, end, node),
        );
      },
      removeJumper: (id: string) => edit('Took a jumper off', (c) => removeLink(c, id)),
      /** A stud was tapped: it gets the probe or conductor in hand, or opens its sheet. */
      tapStud: (node: string) => {
        const { armed } = state().bench;
        const { carried } = state().trace;
        if (armed) return actions.placeProbe(armed, node);
        if (!carried) return void store.dispatch(sheetOpened({ type: 'stud', node }));
        store.dispatch(pickedUp(null));
        if (carried.type === 'end') return actions.landEnd(carried.conductor, carried.end, node);
        const circuit = circuitNow()!;
        edit(`Jumper from ${nodeName(circuit, carried.from)} to ${nodeName(circuit, node)}`, (c) =>
          addLink(c, { id: freeLinkId(c), kind: 'jumper', joins: [carried.from, node] }),
        );
      },
    };
    return actions;
  }, [store, edit]);
}

export type TraceActions = ReturnType<typeof useTraceActions>;
