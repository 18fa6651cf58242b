/** The sheets and lines of Trace against the real model, without a worker between them. */
import { act, fireEvent, waitFor } from '@testing-library/react';
import type { Inputs } from '@zygostat/core/behaviour';
import { NEW_WORLD, advance, pathOf, readMeter, viewOf } from '@zygostat/core/behaviour';
import type { Circuit } from '@zygostat/core/circuit';
import { findConductor } from '@zygostat/core/circuit';
import { compile } from '@zygostat/core/network';
import { furnaceAirConditioner } from '@zygostat/core/systems';
import type { Store } from '../../store';
import type { Bench } from '../bench/slice';
import { answered, loadFollowed, probePlaced } from '../bench/slice';
import { sheetOpened } from './slice';
import { opened, takeUp } from '../circuit/slice';
import { renderWithStore } from '../../testing/render';
import { serveRoutes } from '../../testing/server';
import { DeviceSheet } from './DeviceSheet';
import { LogSheet } from '../readings/LogSheet';
import { PathPane } from './PathPane';
import { StatusLine } from './StatusLine';
import { StudSheet } from './StudSheet';
import { useTraceActions } from './useTraceActions';
import { useAppSelector } from '../../store';

const circuit = furnaceAirConditioner('Trace');
const COOL: Inputs = {
  controls: { stat: { mode: 'cool', setC: 22 } },
  conditions: { indoorC: 26, outdoorC: 31 },
};

/** What the model answers after some seconds of cooling. */
function answerOf(from: Circuit, seconds: number, probes?: { red: string; black: string }) {
  const network = compile(from);
  const settled = advance(network, COOL, NEW_WORLD, seconds);
  return {
    about: from,
    world: settled.world,
    view: viewOf(network, COOL, settled),
    reading: probes
      ? readMeter(network, COOL, settled, { mode: 'ac-volts', meter: 'high-z', ...probes })
      : null,
    path: pathOf(network, settled, { device: 'contactor', element: 'coil' }),
    pathOf: null as Bench['pathOf'],
  };
}

function setUp(store: Store, answer = answerOf(circuit, 400)) {
  act(() => {
    store.dispatch(takeUp(circuit));
    store.dispatch(opened({ jobId: 'job', base: 4 }));
    store.dispatch(answered(answer));
  });
}

/** A sheet over whatever circuit the store holds. */
function Host({ sheet }: { sheet: 'stud' | 'device' }) {
  const now = useAppSelector(({ edits }) => edits.present.circuit);
  const actions = useTraceActions();
  if (!now) return null;
  return sheet === 'stud' ? (
    <StudSheet circuit={now} node="board.Y" actions={actions} />
  ) : (
    <DeviceSheet jobId="job" circuit={now} device="xfmr" actions={actions} />
  );
}

beforeEach(() => {
  localStorage.clear();
  serveRoutes({ 'POST /api/jobs/job/revisions': () => ({ status: 201, body: { number: 5 } }) });
});

describe('the status line', () => {
  test('counts a wait down and skips it', () => {
    const skip = jest.fn();
    const { store, screen } = renderWithStore(<StatusLine onSkip={skip} />);
    setUp(store, answerOf(circuit, 100));
    expect(screen.getByText(/compressor held by the thermostat’s protection/)).toBeTruthy();
    expect(screen.getByText('3 min 20 s')).toBeTruthy();
    fireEvent.click(screen.getByText('Skip'));
    expect(skip).toHaveBeenCalled();
  });

  test('opens to what to do next, and folds in again', () => {
    const { store, screen } = renderWithStore(<StatusLine onSkip={jest.fn()} />);
    setUp(store);
    expect(screen.queryByText('Put the probes where you want to know.')).toBeNull();
    fireEvent.click(screen.getByLabelText(/^More/));
    expect(screen.getByText('Put the probes where you want to know.')).toBeTruthy();
    fireEvent.click(screen.getByLabelText(/^Less/));
    expect(screen.queryByText('Put the probes where you want to know.')).toBeNull();
  });

  test('says what runs', () => {
    const { store, screen } = renderWithStore(<StatusLine onSkip={jest.fn()} />);
    setUp(store);
    expect(screen.getByText(/^Cooling: .*compressor and outdoor fan on$/)).toBeTruthy();
  });
});

describe('the sheet of a stud', () => {
  test('says what it is for, what it reads and what is landed there', () => {
    const { store, screen } = renderWithStore(<Host sheet="stud" />);
    setUp(store);
    expect(screen.getByText('Furnace board Y')).toBeTruthy();
    expect(screen.getByText(/Cooling call: passes through to the contactor/)).toBeTruthy();
    expect(screen.getByText(/^2[4-6]\.\d V$/)).toBeTruthy();
    expect(screen.getByText('yellow to Thermostat Y')).toBeTruthy();
    expect(screen.getByText('yellow to Pan float COM')).toBeTruthy();
  });

  test('lifts a conductor, offers its free end, and lands it again', () => {
    const { store, screen } = renderWithStore(<Host sheet="stud" />);
    setUp(store);
    const end = () => findConductor(store.getState().edits.present.circuit!, 'statY')!.to;
    fireEvent.click(screen.getAllByLabelText('Lift the yellow conductor')[0]!);
    expect(end()).toBeNull();
    fireEvent.click(screen.getByLabelText('Land the yellow conductor here'));
    expect(end()).toBe('board.Y');
  });

  test('puts a probe down and closes', () => {
    const { store, screen } = renderWithStore(<Host sheet="stud" />);
    setUp(store);
    act(() => void store.dispatch(sheetOpened({ type: 'stud', node: 'board.Y' })));
    fireEvent.click(screen.getByText('Red probe here'));
    expect(store.getState().bench.meter.red).toBe('board.Y');
    expect(store.getState().trace.sheet).toBeNull();
  });
});

describe('the sheet of a device', () => {
  test('shows defaults as defaults, refuses nonsense, takes what is valid', () => {
    const { store, screen } = renderWithStore(<Host sheet="device" />);
    setUp(store);
    const va = () =>
      store.getState().edits.present.circuit!.devices.find(({ id }) => id === 'xfmr')!.params.va;
    expect(screen.getAllByText('Default, read the label.').length).toBeGreaterThan(0);
    const field = screen.getByLabelText('Nameplate, VA');
    fireEvent.change(field, { target: { value: 'forty' } });
    expect(screen.getByText('Nameplate must be a number from 5 to 200 VA.')).toBeTruthy();
    fireEvent.blur(field);
    expect(va()).toBeUndefined();
    fireEvent.change(field, { target: { value: '75' } });
    fireEvent.blur(field);
    expect(va()).toBe(75);
    expect(screen.getByText('As entered.')).toBeTruthy();
  });
});

describe('logging a reading', () => {
  const probes = { red: 'contactor.A1', black: 'contactor.A2' };

  function renderLog(status = 201) {
    const asked = serveRoutes({
      'POST /api/jobs/job/readings': ({ body }) => ({
        status,
        body: status === 201 ? body : { status, title: 'No', detail: 'revision must be at most 4' },
      }),
    });
    const rendered = renderWithStore(<LogSheet circuit={circuit} jobId="job" {...probes} />);
    setUp(rendered.store, answerOf(circuit, 400, probes));
    act(() => {
      rendered.store.dispatch(probePlaced({ probe: 'red', node: probes.red }));
      rendered.store.dispatch(probePlaced({ probe: 'black', node: probes.black }));
    });
    return { ...rendered, asked };
  }

  test('judges as it is typed and sends both values with the revision', async () => {
    const { screen, asked } = renderLog();
    fireEvent.change(screen.getByTestId('actual'), { target: { value: '19.2' } });
    expect(screen.getByText('Lower than it should be')).toBeTruthy();
    fireEvent.click(screen.getByText('Save reading'));
    const logged = () =>
      asked.filter(({ path }) => path === '/api/jobs/job/readings').map(({ body }) => body);
    await waitFor(() => expect(logged()).toHaveLength(1));
    expect(logged()[0]).toMatchObject({
      revision: 4,
      mode: 'ac-volts',
      red: 'contactor.A1',
      actual: 19.2,
    });
    expect((logged()[0] as { expected: number }).expected).toBeGreaterThan(24);
  });

  test('keeps what was typed when the server refuses it', async () => {
    const { screen } = renderLog(422);
    fireEvent.change(screen.getByTestId('actual'), { target: { value: '25' } });
    fireEvent.click(screen.getByText('Save reading'));
    expect(await screen.findByText('revision must be at most 4')).toBeTruthy();
    expect((screen.getByTestId('actual') as HTMLInputElement).value).toBe('25');
  });
});

test('the path lists every stop and says where it is open', () => {
  const { store, screen } = renderWithStore(<PathPane circuit={circuit} onStud={jest.fn()} />);
  setUp(store, answerOf(circuit, 10));
  fireEvent.click(screen.getByRole('button', { name: 'Contactor coil' }));
  expect(screen.getByText('Transformer R')).toBeTruthy();
  expect(screen.getByText('open: Y in Thermostat')).toBeTruthy();
  expect(screen.getByText('Contactor A2')).toBeTruthy();
});

test('no wiring is blamed for a load that the model has not answered about yet', () => {
  const { store, screen } = renderWithStore(<PathPane circuit={circuit} onStud={jest.fn()} />);
  const bare = { ...answerOf(circuit, 400), path: [] };
  setUp(store, bare);
  act(() => void store.dispatch(loadFollowed({ device: 'contactor', element: 'coil' })));
  // What was asked before the load was chosen is no answer about it.
  act(() => void store.dispatch(answered(bare)));
  expect(screen.queryByText(/No wiring leads/)).toBeNull();
  act(() => void store.dispatch(answered({ ...bare, pathOf: store.getState().bench.followed })));
  expect(screen.getByText(/No wiring leads/)).toBeTruthy();
});
