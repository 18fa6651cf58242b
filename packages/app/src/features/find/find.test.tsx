/** Find's cards without a worker between them: a cable tested to the end, and what its answer comes to. */
import { act, fireEvent } from '@testing-library/react';
import { findCable } from '@zygostat/core/circuit';
import type { CableAnswer, Observation } from '@zygostat/core/diagnose';
import { followCableTest } from '@zygostat/core/diagnose';
import { furnaceAirConditioner } from '@zygostat/core/systems';
import { cableReadingLines, namesIn } from '@zygostat/core/words';
import { takeUp } from '../circuit/slice';
import { renderWithStore } from '../../testing/render';
import { CableCard } from './CableCard';
import { PartFigures } from './PartFigures';

const circuit = furnaceAirConditioner('Bakery');
const cable = findCable(circuit, 'statCable')!;
const names = namesIn(circuit);

/** Every reading the card asks for, answered by a cable with one conductor broken. */
function tested(broken: string) {
  const done: (readonly Observation[])[] = [];
  const { store, screen } = renderWithStore(
    <CableCard cable={cable} names={names} onDone={(observed) => done.push(observed)} />,
  );
  act(() => void store.dispatch(takeUp(circuit)));
  fireEvent.click(screen.getByText('Test it step by step'));
  const answers: CableAnswer[] = [];
  for (;;) {
    const { next } = followCableTest(cable, answers);
    if (!next) break;
    for (const line of cableReadingLines(names, next)) screen.getByText(line);
    const passes = next.type === 'through' && !next.group.includes(broken);
    fireEvent.click(screen.getByText(passes ? 'It passes' : 'Open'));
    answers.push({ reading: next, passes });
  }
  fireEvent.click(screen.getByText('That is the answer'));
  return { done, store };
}

test('a broken conductor is found, named to the search and marked for the plan', () => {
  const { id, colour } = cable.conductors[1]!;
  const { done, store } = tested(id);
  expect(done).toEqual([[{ type: 'wires', cable: 'statCable', found: `${id} broken` }]]);
  const after = findCable(store.getState().edits.present.circuit!, 'statCable')!;
  expect(after.conductors.filter(({ state }) => state === 'broken').map((one) => one.colour)).toEqual([
    colour,
  ]);
});

// 2652 × A ÷ V at 60 Hz is µF, exact; beyond ±6 % it is replaced, common practice.
test('a run capacitor is told weak by its own amperes and volts', () => {
  const { screen } = renderWithStore(<PartFigures circuit={circuit} device="unit" />);
  const type = (label: string, text: string) =>
    fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
  type('Through it, A', '4.35');
  type('Across it, V', '330');
  screen.getByText('35.0 µF, 0 % under its label: good');
  type('Through it, A', '3,6');
  screen.getByText('28.9 µF, 17 % under its label: replace it');
  type('1 to 2, Ω', '3.6');
  type('2 to 3, Ω', '4.8');
  type('1 to 3, Ω', '1.2');
  screen.getByText(/^1 to 2 is S–C, 2 to 3 is R–S, 1 to 3 is R–C: they add up/);
});
