/** The ladder against the real model, without a worker between them. */
import { fireEvent } from '@testing-library/react';
import { heatPumpWithStrips } from '@zygostat/core/systems';
import { renderWithStore } from '../../testing/render';
import { serveRoutes } from '../../testing/server';
import { LadderPane } from './LadderPane';

jest.mock('../../model/model', () => jest.requireActual<object>('../../testing/model'));

const circuit = heatPumpWithStrips('Ladder');

beforeEach(() => {
  localStorage.clear();
  serveRoutes({});
});

test('a terminal on it opens its stud, and its rungs go in a list where the screen is narrow', async () => {
  const tapped: string[] = [];
  const { screen } = renderWithStore(
    <LadderPane circuit={circuit} onStud={(terminal) => void tapped.push(terminal)} />,
  );
  fireEvent.click((await screen.findAllByTestId('rung-contactor.A1'))[0]!);
  expect(tapped).toEqual(['contactor.A1']);
  fireEvent.click(screen.getByRole('button', { name: 'List of rungs' }));
  expect((await screen.findAllByRole('listitem')).length).toBeGreaterThan(5);
});

test('it can be made larger and smaller, and fitted', async () => {
  const { screen } = renderWithStore(<LadderPane circuit={circuit} onStud={() => undefined} />);
  const picture = await screen.findByLabelText('Ladder diagram');
  const widthOf = () => Number(picture.querySelector('svg')!.getAttribute('width'));
  const full = widthOf();
  fireEvent.click(screen.getByRole('button', { name: 'Larger' }));
  expect(widthOf()).toBeGreaterThan(full);
  fireEvent.click(screen.getByRole('button', { name: 'Full' }));
  expect(widthOf()).toBeCloseTo(full, 6);
});
