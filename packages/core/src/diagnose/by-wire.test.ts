/** What goes wrong inside an outdoor unit, found: that these are the usual faults of one is common practice. */
import { furnaceAirConditionerByWire } from '../systems';
import type { Diagnosis, Observation } from '.';
import { dictionaryFor, followDiagnosis, hypothesesOf, remedyKey, siteWith } from '.';

const circuit = furnaceAirConditionerByWire('Find');
const hypotheses = hypothesesOf(circuit);
const state = 'cool';
/** More steps than a person would take. */
const MOST_STEPS = 20;

const diagnosis = (observations: readonly Observation[]): Diagnosis => ({
  observed: observations.map((observation, i) => ({
    id: `o${i}`,
    at: '2026-11-28T10:00:00.000Z',
    observation,
  })),
  whereabouts: { station: 'yard', open: [], state },
});

test.each([
  ['a capacitor weak for the compressor', 'capacitor herm-weak'],
  ['a capacitor open for the fan', 'capacitor fan-open'],
  ['a start winding open', 'compressor start-open'],
  ['fan on HERM and compressor on FAN', 'w4 from on capacitor.FAN, w7 from on capacitor.HERM'],
])('%s', (_, id) => {
  const truth = hypotheses.find((one) => one.id === id)!;
  const site = siteWith(circuit, truth);
  const observed: Observation[] = [{ type: 'air', state, air: site.stands(state).air }];
  const dictionary = dictionaryFor(circuit, diagnosis(observed), {});
  let view = followDiagnosis(dictionary, diagnosis(observed));
  for (let steps = 0; steps < MOST_STEPS && view.settled === null; steps++) {
    observed.push(...site.observe(view.steps[0]!.step));
    view = followDiagnosis(dictionary, diagnosis(observed));
  }
  expect(view.settled && remedyKey(view.settled)).toBe(remedyKey(truth.remedy!));
});
