/** Survey on a record of its own: identify, record, correct. */
import { act, fireEvent, within } from '@testing-library/react';
import type { Circuit } from '@zygostat/core/circuit';
import { findCable, findConductor, parseCircuit } from '@zygostat/core/circuit';
import { EMPTY_SURVEY, takeSystem } from '@zygostat/core/survey';
import { emptyCircuit } from '@zygostat/core/systems';
import { useAppSelector } from '../../store';
import { surveyDocument } from './document';
import { opened, takeUp } from '../circuit/slice';
import { renderWithStore } from '../../testing/render';
import { serveRoutes } from '../../testing/server';
import { AsFound } from './AsFound';
import { Identify } from './Identify';
import { Labels } from './Labels';

type Step = 'found' | 'labels' | 'identify';

function Host({ step }: { step: Step }) {
  const circuit = useAppSelector(({ edits }) => edits.present.circuit);
  if (!circuit) return null;
  if (step === 'labels') return <Labels circuit={circuit} />;
  if (step === 'identify') return <Identify circuit={circuit} onTaken={() => undefined} />;
  return <AsFound circuit={circuit} onLabels={() => undefined} onTrace={() => undefined} />;
}

const taken = takeSystem(emptyCircuit('Survey'), EMPTY_SURVEY, 'furnace-ac');

function open(step: Step, { circuit, survey } = taken) {
  const { store, screen } = renderWithStore(<Host step={step} />);
  act(() => {
    store.dispatch(takeUp(circuit));
    store.dispatch(opened({ jobId: 'job', base: 1 }));
    store.dispatch(surveyDocument.opened({ jobId: 'job', base: 0, value: survey }));
  });
  const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
  const nameOf = (radio: Element) => radio.getAttribute('aria-label')!.split(',')[0];
  const active = () => nameOf(screen.getByRole('radio', { checked: true }));
  const circuitNow = (): Circuit => store.getState().edits.present.circuit!;
  return { store, screen, press, active, nameOf, circuitNow };
}

beforeEach(() => {
  localStorage.clear();
  serveRoutes({
    'POST /api/jobs/job/revisions': () => ({ status: 201, body: { number: 2 } }),
    'PUT /api/jobs/job/survey': () => ({ body: { number: 1 } }),
  });
});

describe('as found', () => {
  test('a colour lands, goes on by itself, and the same colour at the other end is the same conductor', () => {
    const { press, active, circuitNow } = open('found');
    expect(active()).toBe('Thermostat R');
    press('red, RD');
    expect(active()).toBe('Thermostat Y');
    press('Nothing');
    expect(active()).toBe('Thermostat G');
    press(/^Plant room · Thermostat cable/);
    press('red, RD');
    const cable = findCable(circuitNow(), 'statCable')!;
    expect(cable.conductors).toEqual([
      expect.objectContaining({ colour: 'RD', from: 'stat.R', to: 'board.R' }),
    ]);
  });

  test('other screws than the ready system’s are offered, all of them, and nothing breaks', () => {
    const { screen, press, nameOf, circuitNow } = open('found');
    press('red, RD');
    press('Thermostat: its screws: RC RH Y Y2 G W W2 O B C');
    const names = within(screen.getByRole('radiogroup', { name: 'Terminals' }))
      .getAllByRole('radio')
      .map(nameOf);
    expect(names).toEqual(expect.arrayContaining(['Thermostat RC', 'Thermostat O', 'Thermostat B']));
    expect(names).not.toContain('Thermostat R');
    expect(() => parseCircuit(circuitNow())).not.toThrow();
  });

  test('a spare, a second jacket, a wire size and a jumper are recorded', () => {
    const { store, press, circuitNow } = open('found');
    press('Add a spare conductor');
    fireEvent.click(document.querySelectorAll('[aria-label="brown, BN"]')[1]!);
    expect(findConductor(circuitNow(), 'statCable-BN')).toMatchObject({
      state: 'spare',
      from: null,
      to: null,
    });
    press('Wire size: 20 AWG');
    expect(findCable(circuitNow(), 'statCable')!.gauge).toBe(20);
    press('Add a second jacket beside it');
    expect(store.getState().survey.value.runs.map(({ cable }) => cable)).toContain('statCable-2');
    press('Record a jumper');
    press('Thermostat R');
    press('Thermostat C');
    expect(circuitNow().links.map(({ joins }) => joins)).toEqual([['stat.R', 'stat.C']]);
    press(/^Jumper Thermostat R to Thermostat C: take away/);
    expect(circuitNow().links).toEqual([]);
  });
});

test('labels read are kept, and what is not valid is said and not lost', () => {
  const { screen, circuitNow } = open('labels');
  const field = screen.getByLabelText('Nameplate, VA');
  fireEvent.change(field, { target: { value: '900' } });
  fireEvent.blur(field);
  expect(screen.getByText(/Nameplate must be a number from 5 to 200 VA/)).toBeDefined();
  expect((field as HTMLInputElement).value).toBe('900');
  fireEvent.change(field, { target: { value: '75' } });
  fireEvent.blur(field);
  expect(circuitNow().devices.find(({ id }) => id === 'xfmr')!.params.va).toBe(75);
});

test('answers narrow it down, can be taken back, and a system is taken as what stands there', () => {
  const { screen, store, press, circuitNow } = open('identify', {
    circuit: emptyCircuit('Survey'),
    survey: EMPTY_SURVEY,
  });
  expect(screen.getByRole('heading', { level: 2, name: 'Is it a line-voltage thermostat?' })).toBeDefined();
  press('No');
  press('Yes');
  expect(Object.values(store.getState().survey.value.answers)).toEqual(['no', 'yes']);
  const [evidence] = within(screen.getByRole('list', { name: 'Evidence' })).getAllByRole('button');
  fireEvent.click(evidence!);
  expect(Object.keys(store.getState().survey.value.answers)).toHaveLength(1);
  fireEvent.click(screen.getAllByRole('button', { name: /^Use / })[0]!);
  expect(circuitNow().devices.length).toBeGreaterThan(3);
});
