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

test('a broken conductor is found, named to the search and tagged for the plan', () => {
  const { id, colour } = cable.conductors[1]!;
  const { done, store } = tested(id);
  expect(done).toEqual([[{ type: 'wires', cable: 'statCable', found: `${id} broken` }]]);
  const after = findCable(store.getState().edits.present.circuit!, 'statCable')!;
  expect(after.conductors.filter(({ tag }) => tag === 'dead').map((one) => one.colour)).toEqual([colour]);
});
