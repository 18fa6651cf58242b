/** The landing list against the real model, without a worker between them. */
import { act, fireEvent, waitFor, within } from '@testing-library/react';
import { findConductor, findDevice, lift } from '@zygostat/core/circuit';
import { planSwap } from '@zygostat/core/plan';
import { furnaceAirConditioner } from '@zygostat/core/systems';
import type { Plan } from '@zygostat/core/wire';
import { PLAN_VERSION } from '@zygostat/core/wire';
import { useAppSelector } from '../../store';
import { planDocument } from '../plan/document';
import { openedAs } from '../circuit/saving';
import { edited, takeUp } from '../circuit/slice';
import { writerNamed } from '../record/slice';
import { settingsChosen } from '../settings/slice';
import { renderWithStore } from '../../testing/render';
import { serveRoutes } from '../../testing/server';
import { planOf } from '../plan/usePlan';
import { LandingList } from './LandingList';
import { Papers } from './Papers';

jest.mock('../../model/model', () => jest.requireActual<object>('../../testing/model'));
jest.mock('expo-router', () => ({ router: { push: () => undefined } }));
const mockPicked = jest.fn<Promise<File | null>, []>();
jest.mock('../../basics/pickFile', () => ({ pickFile: () => mockPicked() }));

const before = furnaceAirConditioner('Wire', false);
const wish = { device: 'stat', terminals: 'five', supply: 'both' } as const;
const plan: Plan = {
  version: PLAN_VERSION,
  id: 'plan-1',
  before,
  events: [],
  ...planOf(planSwap(before, wish)!.options[0]!, wish),
};

function Host({ papers }: { papers: boolean }) {
  const circuit = useAppSelector(({ edits }) => edits.present.circuit);
  const kept = useAppSelector((state) => state.plan.value);
  if (!circuit) return null;
  if (papers) return <Papers circuit={circuit} job={{ id: 'job', name: 'Wire', site: 'Quince orchard' }} />;
  return kept ? <LandingList plan={kept} circuit={circuit} jobId="job" /> : null;
}

function open(papers = false) {
  const { store, screen } = renderWithStore(<Host papers={papers} />);
  act(() => {
    store.dispatch(takeUp(before));
    store.dispatch(openedAs('job', { number: 1, value: before }));
    store.dispatch(writerNamed('Ada Quill'));
    store.dispatch(planDocument.opened({ jobId: 'job', base: 0, value: plan }));
  });
  const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
  const card = () => screen.getByRole('region', { name: 'Next step' });
  const read = (volts: string) =>
    fireEvent.change(within(card()).getByLabelText('Reading, V'), { target: { value: volts } });
  /** Does what is next, and waits until something else is. */
  const doNext = async () => {
    const text = card().textContent;
    if (within(card()).queryByLabelText('Reading, V')) {
      read('0,2');
      press('It is dead');
    } else press('Done');
    await waitFor(() =>
      expect(screen.queryByRole('region', { name: 'Next step' })?.textContent).not.toBe(text),
    );
  };
  return {
    store,
    screen,
    press,
    card,
    read,
    doNext,
    circuitNow: () => store.getState().edits.present.circuit!,
  };
}

beforeEach(() => {
  localStorage.clear();
  serveRoutes({
    'POST /api/jobs/job/revisions': () => ({ status: 201, body: { number: 2 } }),
    'PUT /api/jobs/job/plan': () => ({ body: { number: 1, latest: 1 } }),
    'POST /api/jobs/job/schedule': () => ({
      status: 422,
      body: {
        status: 422,
        title: '',
        detail: 'line 3',
        problems: [{ path: 'line 3', message: 'colour must be one of BK' }],
      },
    }),
  });
});

describe('the gate', () => {
  test('comes first, refuses what is not dead, and keeps the reading', async () => {
    const { screen, store, card, read, press, doNext } = open();
    await screen.findByRole('region', { name: 'Next step' });
    expect(card().textContent).toContain('lock it and hang your tag');
    expect(
      screen
        .getByRole('checkbox', { name: /^Land blue of Thermostat cable on Furnace/ })
        .getAttribute('aria-disabled'),
    ).toBe('true');
    await doNext();
    expect(store.getState().bench.inputs.controls.furnaceBreaker).toMatchObject({ handle: 'off' });
    expect(card().textContent).toContain('Red on Furnace board R, black on Furnace board C.');
    read('24');
    expect(card().textContent).toContain('24 V is not dead');
    read('0.2');
    press('It is dead');
    await waitFor(() => expect(screen.getByText(/read 0\.2 V/)).toBeDefined());
  });
});

test('worked down, the circuit comes to the plan; taken back, it follows', async () => {
  const { screen, circuitNow, doNext } = open();
  await screen.findByRole('region', { name: 'Next step' });
  for (let i = 0; i < 40 && screen.queryByRole('region', { name: 'Next step' }); i++) await doNext();
  expect(screen.getByText('Everything is landed')).toBeDefined();
  expect(findConductor(circuitNow(), 'statC')).toMatchObject({ from: 'stat2.C', to: 'board.C' });
  expect(findDevice(circuitNow(), 'stat')).toBeUndefined();
  fireEvent.click(screen.getByRole('checkbox', { name: /^Land blue of Thermostat cable on New/ }));
  await waitFor(() =>
    expect(findConductor(circuitNow(), 'statC')).toMatchObject({ from: null, to: 'board.C' }),
  );
});

test('what is stripped is told in the person’s units', async () => {
  const { screen, store, card, doNext } = open();
  await screen.findByRole('region', { name: 'Next step' });
  for (let i = 0; i < 9 && !card().textContent.includes('Strip'); i++) await doNext();
  expect(card().textContent).toContain('Strip 5/16 in. Other end: ');
  act(() => void store.dispatch(settingsChosen({ length: 'm' })));
  expect(card().textContent).toContain('Strip 8 mm. Other end: ');
});

test('a circuit changed otherwise is not overwritten', async () => {
  const { screen, store, press } = open();
  await screen.findByRole('region', { name: 'Next step' });
  act(() => void store.dispatch(edited({ circuit: lift(before, 'statG', 'to'), note: 'elsewhere' })));
  expect((await screen.findByRole('alert')).textContent).toContain('changed since');
  press('Go on from here');
  await screen.findByRole('region', { name: 'Next step' });
  expect(findConductor(store.getState().edits.present.circuit!, 'statG')!.to).toBeNull();
});

test('another colour than planned changes the plan, shown before it is taken', async () => {
  const { screen, store, press, card, doNext } = open();
  await screen.findByRole('region', { name: 'Next step' });
  while (!/^Next, at \S.*Land (?!blue of Thermostat cable on Furnace)/.test(card().textContent))
    await doNext();
  press('Not as planned');
  press('It has another colour');
  press('violet, VT');
  expect(await screen.findByText(/^\+ Land violet of Thermostat cable/)).toBeDefined();
  press('Take the changed plan');
  await waitFor(() => expect(JSON.stringify(store.getState().plan.value!.after)).toContain('"colour":"VT"'));
});

test('a schedule that does not fit is told by line, and nothing is changed', async () => {
  const { screen, press, circuitNow } = open(true);
  // The test's DOM has files without `text`; its server reads JSON.
  mockPicked.mockResolvedValue({ text: () => Promise.resolve('"cable"') } as File);
  press('Read a wire schedule (CSV)');
  expect((await screen.findByRole('alert')).textContent).toContain('line 3: colour must be one of BK');
  expect(circuitNow()).toEqual(before);
});
