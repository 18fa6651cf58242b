import { useEffect } from 'react';
import { useAppDispatch, useAppSelector } from '../../store';
import type { Sheet } from './slice';
import { pickedUp, sheetOpened } from './slice';
import { probeArmed } from '../bench/slice';
import type { Pane } from './panes';
import type { TraceActions } from './useTraceActions';

export const KEYS = [
  { keys: 'O F H C', does: 'calls: off, fan, heat, cool' },
  { keys: 'R B', does: 'pick up the red or the black probe' },
  { keys: 'S', does: 'skip ahead to the end of the wait' },
  { keys: 'L D P E N', does: 'loom, ladder, path, time, log' },
  { keys: 'T', does: 'temperatures' },
  { keys: 'Z, Y', does: 'undo, redo' },
  { keys: 'Esc', does: 'put down what is in hand, close a sheet' },
  { keys: '?', does: 'this list' },
] as const;

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));

/** Single keys for everything that is done often on a wide screen. */
export function useTraceKeys(actions: TraceActions, skip: () => void, go: (to: Pane) => void): void {
  const dispatch = useAppDispatch();
  const areOn = useAppSelector(({ settings }) => settings.keys === 'on');
  useEffect(() => {
    const pane = (to: Pane) => () => go(to);
    const sheet = (to: Sheet) => () => void dispatch(sheetOpened(to));
    const byKey: Record<string, () => void> = {
      o: () => actions.call('off'),
      f: () => actions.call('fan'),
      h: () => actions.call('heat'),
      c: () => actions.call('cool'),
      r: () => void dispatch(probeArmed('red')),
      b: () => void dispatch(probeArmed('black')),
      s: skip,
      l: pane('loom'),
      d: pane('ladder'),
      p: pane('path'),
      e: pane('time'),
      n: pane('readings'),
      t: sheet({ type: 'conditions' }),
      z: actions.undo,
      y: actions.redo,
      '?': sheet({ type: 'keys' }),
      escape: () => {
        dispatch(probeArmed(null));
        dispatch(pickedUp(null));
      },
    };
    const onKey = (event: KeyboardEvent) => {
      const chord = event.ctrlKey || event.metaKey;
      const key = event.key.toLowerCase();
      if (event.altKey || isTyping(event.target) || (chord && key !== 'z' && key !== 'y')) return;
      const act = chord && key === 'z' && event.shiftKey ? actions.redo : byKey[key];
      // Esc is no letter, and stays.
      if (!act || (!areOn && !chord && key !== 'escape')) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [actions, dispatch, skip, go, areOn]);
}
