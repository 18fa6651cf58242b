/** Searches as a worker makes them, one observation after another: how long each next step took, ms. */
import type { Diagnosis } from '@zygostat/core/diagnose';
import {
  afterStep,
  complaintOf,
  followDiagnosis,
  hypothesesOf,
  makeDictionary,
  siteWith,
} from '@zygostat/core/diagnose';
import { TEMPLATES } from '@zygostat/core/systems';

/** What is hidden, one search after another: where it takes several steps, of several kinds. */
const FAULTS = ['yardY broken', 'contactor coil-open', 'board dead', 'statG loose to', 'stat valve B'];
const MOST_STEPS = 12;

export function stepTimes(template: string): number[] {
  const circuit = TEMPLATES.find(({ id }) => id === template)!.build('Steps');
  const hypotheses = hypothesesOf(circuit);
  const dictionary = makeDictionary(circuit, hypotheses);
  const sound = siteWith(circuit, hypotheses[0]!);
  const times: number[] = [];
  for (const fault of FAULTS) {
    const site = siteWith(
      circuit,
      hypotheses.find(({ id }) => id === fault)!,
    );
    const complaint = complaintOf(sound, site);
    if (!complaint) continue;
    const observed = complaint.seen.map((observation, i) => ({ id: `c${i}`, at: '', observation }));
    let diagnosis: Diagnosis = {
      observed,
      whereabouts: { station: 'hall', open: [], state: complaint.state },
    };
    let view = followDiagnosis(dictionary, diagnosis);
    for (let n = 0; n < MOST_STEPS && !view.settled && view.steps[0]; n++) {
      const { step } = view.steps[0];
      const made = site.observe(step).map((observation, i) => ({ id: `${n}.${i}`, at: '', observation }));
      diagnosis = {
        ...diagnosis,
        observed: [...diagnosis.observed, ...made],
        whereabouts: afterStep(diagnosis.whereabouts, step),
      };
      const began = performance.now();
      view = followDiagnosis(dictionary, diagnosis);
      times.push(performance.now() - began);
    }
  }
  return times;
}

// Called from the page it is put into.
Object.assign(globalThis, { stepTimes });
