/** Plan against the real model, without a worker between them. */
import { act, fireEvent, within } from '@testing-library/react';
import type { Circuit } from '@zygostat/core/circuit';
import { exchange, findConductor } from '@zygostat/core/circuit';
import { furnaceAirConditioner, heatPumpWithStrips } from '@zygostat/core/systems';
import { useAppSelector } from '../../store';
import type { Job } from '../jobs/api';
import { opened, takeUp } from '../circuit/slice';
import { renderWithStore } from '../../testing/render';
import { serveRoutes } from '../../testing/server';
import { AddPane } from './AddPane';
import { MistakesPane } from './MistakesPane';
import { ProofPane } from './ProofPane';
import { SumsPane } from './SumsPane';
import { SwapPane } from './SwapPane';

jest.mock('../../model/model', () => jest.requireActual<object>('../../testing/model'));
const mockPush = jest.fn();
jest.mock('expo-router', () => ({ router: { push: (to: unknown) => mockPush(to) as unknown } }));

const job: Job = {
  id: 'job',
  name: 'Loft',
  siteId: 's',
  site: 'Orchard barn',
  system: '',
  notes: '',
  address: '',
  broughtBy: null,
  broughtAt: null,
  state: 'open',
  isAway: false,
  createdAt: '',
  updatedAt: '',
  revision: 1,
  readings: 0,
  disagreeing: 0,
  bypasses: 0,
};

type Pane = 'swap' | 'add' | 'sums' | 'mistakes' | 'proof';

function Host({ pane }: { pane: Pane }) {
  const circuit = useAppSelector(({ edits }) => edits.present.circuit);
  if (!circuit) return null;
  return {
    swap: <SwapPane job={job} circuit={circuit} />,
    add: <AddPane job={job} circuit={circuit} />,
    sums: <SumsPane circuit={circuit} />,
    mistakes: <MistakesPane circuit={circuit} />,
    proof: <ProofPane jobId="job" circuit={circuit} />,
  }[pane];
}

function open(pane: Pane, circuit: Circuit) {
  const { store, screen } = renderWithStore(<Host pane={pane} />);
  act(() => {
    store.dispatch(takeUp(circuit));
    store.dispatch(opened({ jobId: 'job', base: 1 }));
  });
  const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
  const circuitNow = () => store.getState().edits.present.circuit!;
  return { store, screen, press, circuitNow };
}

beforeEach(() => {
  localStorage.clear();
  mockPush.mockClear();
  serveRoutes({
    'POST /api/jobs/job/revisions': () => ({ status: 201, body: { number: 2 } }),
    'PUT /api/jobs/job/plan': () => ({ body: { number: 1 } }),
  });
});

describe('a swap', () => {
  test('compares the ways, shows every landing with its reason, and is taken as the plan', async () => {
    const { screen, store, press } = open('swap', furnaceAirConditioner('Swap', false));
    press('It is powered by: R and C, with batteries');
    press('Plan the landings');
    expect(await screen.findByText('5 ways, best first')).toBeDefined();
    const [spare] = within(screen.getByRole('list', { name: 'Ways' })).getAllByRole('listitem');
    expect(spare!.textContent).toContain('Use a spare: blue for C');
    expect(spare!.textContent).toContain('New thermostat C ⟷ Furnace board C (was free)');
    expect(spare!.textContent).toContain('Landed at both ends');
    press('Take this plan: Use a spare: blue for C');
    const { value: plan } = store.getState().plan;
    expect(plan).toMatchObject({ title: 'New thermostat: use a spare: blue for C', swap: { way: 'spare' } });
    expect(findConductor(plan!.after, 'statC')).toMatchObject({ from: 'stat2.C', to: 'board.C' });
    expect(mockPush).toHaveBeenCalledWith('/job/job/wire?view=list');
  });

  test('says what a thermostat cannot do', async () => {
    const { screen, press } = open('swap', heatPumpWithStrips('Swap'));
    press('Screws of the new one: R Y G W C');
    press('Plan the landings');
    expect((await screen.findByRole('alert')).textContent).toContain('cannot turn a heat pump over');
  });
});

describe('what is added', () => {
  test('a float is compared in every place, with what the water does there', async () => {
    const { screen, store, press } = open('add', furnaceAirConditioner('Add'));
    press('The furnace: Condensing');
    press('Compare the places');
    const list = await screen.findByRole('list', { name: 'Places' });
    const places = within(list).getAllByRole('listitem');
    expect(places.map(({ textContent }) => /^In [RY]\D*?(?=Suits|Cut)/.exec(textContent)?.[0])).toEqual([
      'In R to the thermostat',
      'In R, ahead of everything',
      'In Y from the thermostat',
      'In Y to the outdoor unit',
    ]);
    expect(places[3]!.textContent).toContain('Goes on: blower (cooling speed)');
    expect(places[3]!.textContent).toContain('Does not stop the water');
    press('Take this plan: In R to the thermostat');
    expect(store.getState().plan.value?.title).toBe('New float switch: In R to the thermostat');
  });

  test('a relay goes across a call of the unit', async () => {
    const { screen, store, press } = open('add', furnaceAirConditioner('Add'));
    press('Plan a relay across this call');
    await act(() => Promise.resolve());
    expect(store.getState().plan.value?.after.devices.find(({ kind }) => kind === 'relay')).toMatchObject({
      station: 'plant',
    });
    expect(screen.getByText('A second thermostat')).toBeDefined();
  });

  test('a conductor found broken is planned around', async () => {
    const { screen, press, circuitNow } = open('add', furnaceAirConditioner('Add', false));
    press('Which run: Thermostat cable');
    press('yellow is broken');
    expect(findConductor(circuitNow(), 'statY')!.state).toBe('broken');
    press('Plan around what is broken');
    const ways = await screen.findByRole('list', { name: 'Ways for the run' });
    expect((await within(ways).findAllByRole('listitem'))[0]!.textContent).toContain(
      'Use a spare: blue for Y',
    );
  });
});

test('the sums say what the transformer carries, what each coil gets and what the fuse does', async () => {
  const { screen, press } = open('sums', furnaceAirConditioner('Sums'));
  expect(await screen.findByRole('img', { name: /^Transformer: \d+ VA of 40 VA/ })).toBeDefined();
  expect(screen.getByText(/[Pp]ulls in at 10 % low mains/)).toBeDefined();
  expect(screen.getByText(/Opens before the transformer suffers/)).toBeDefined();
  press('The cables lie in air of: 140 °F');
  expect(await screen.findByText(/Usually pulls in at 10 % low mains.*under its guarantee/)).toBeDefined();
});

test('mistakes are a picture to tap: what each exchange does, by sign, in words and by a reading', async () => {
  const { screen, press } = open('mistakes', furnaceAirConditioner('Mistakes'));
  const grid = await screen.findByRole('group', { name: 'If two are exchanged' });
  expect(within(grid).getAllByRole('button')).toHaveLength(10);
  press('yellow on Y with blue on C: dangerous');
  const card = screen.getByRole('region', { name: 'What it does' });
  expect(card.textContent).toMatch(/✕ .*Board fuse opens/);
  press('How to tell');
  expect(await within(card).findByText(/reads 0(\.0)? V instead of 2\d/)).toBeDefined();
  expect(screen.getByRole('list', { name: 'Dangerous' }).textContent).toMatch(/Board fuse opens/);
});

describe('the proof', () => {
  test('finds a wrong landing and puts it right', async () => {
    const wrong = exchange(furnaceAirConditioner('Proof'), ['statY', 'to'], ['statW', 'to']);
    const { screen, press, circuitNow } = open('proof', wrong);
    expect(await screen.findByText('Not proven')).toBeDefined();
    fireEvent.click(screen.getAllByRole('button', { name: 'What would put it right?' })[0]!);
    expect(await screen.findByText(/^Exchange yellow of Thermostat cable and white/)).toBeDefined();
    press('Do it in the model');
    // At whichever end it proposed: yellow joins Y to Y again, or white does.
    expect(circuitNow()).not.toEqual(wrong);
    expect(await screen.findByText('Proven')).toBeDefined();
  });

  test('a finding at low mains is seen at low mains', async () => {
    const circuit = furnaceAirConditioner('Proof');
    const long = {
      ...circuit,
      cables: circuit.cables.map((cable) => (cable.id === 'yardCable' ? { ...cable, lengthM: 40 } : cable)),
    };
    const { screen, store } = open('proof', long);
    const [live] = await screen.findAllByRole('button', { name: 'See it live' });
    fireEvent.click(live!);
    await act(() => Promise.resolve());
    expect(store.getState().bench.supply).toBe(0.9);
  });
});
