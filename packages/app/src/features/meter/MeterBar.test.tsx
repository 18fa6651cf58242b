import { act, fireEvent } from '@testing-library/react';
import type { Reading } from '@zygostat/core/network';
import { furnaceAirConditioner } from '@zygostat/core/systems';
import { answered, probePlaced } from '../bench/slice';
import { renderWithStore } from '../../testing/render';
import { MeterBar } from './MeterBar';

const circuit = furnaceAirConditioner('Meter');

function renderBar(reading: Reading | null) {
  const { store, screen } = renderWithStore(<MeterBar circuit={circuit} />);
  act(() => {
    store.dispatch(probePlaced({ probe: 'red', node: 'board.G' }));
    store.dispatch(probePlaced({ probe: 'black', node: 'board.C' }));
    store.dispatch(
      answered({ world: { now: 0, states: {} }, view: null, reading, path: [] } as unknown as Parameters<
        typeof answered
      >[0]),
    );
  });
  return { store, screen };
}

test('shows where the probes are, the reading, and what a healthy circuit gives', () => {
  const { screen } = renderBar({ ok: true, value: 26.2, unit: 'V' });
  expect(screen.getByText('Furnace board G')).toBeTruthy();
  expect(screen.getByText('Furnace board C')).toBeTruthy();
  expect(screen.getByText('26.2')).toBeTruthy();
  expect(screen.getByText(/expected 24\.\d–28\.\d/)).toBeTruthy();
});

test('says why it refuses, and does not offer to log that', () => {
  const { screen } = renderBar({ ok: false, misuse: { type: 'ohms-live', volts: 24.2 } });
  expect(
    screen.getByText('24.2 V here. Ohms need a dead circuit: open the breaker, prove dead.'),
  ).toBeTruthy();
  expect(screen.getByLabelText('Log what your meter reads').getAttribute('aria-disabled')).toBe('true');
});

test('a tap picks a probe up, a second puts it down', () => {
  const { store, screen } = renderBar(null);
  fireEvent.click(screen.getByTestId('probe-red'));
  expect(store.getState().bench.armed).toBe('red');
  fireEvent.click(screen.getByTestId('probe-red'));
  expect(store.getState().bench.armed).toBeNull();
});

test('the mode goes round', () => {
  const { store, screen } = renderBar(null);
  const seen = [1, 2, 3, 4].map(() => {
    fireEvent.click(screen.getByTestId('meter-mode'));
    return store.getState().bench.meter.mode;
  });
  expect(seen).toEqual(['dc-volts', 'ohms', 'amps', 'ac-volts']);
});
