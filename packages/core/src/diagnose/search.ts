/** The dictionary a search goes by: the circuit, what is known of it, what was found before, what was tried. */
import type { Circuit } from '../circuit';
import type { Diagnosis } from './document';
import type { Dictionary } from './dictionary';
import { makeDictionary } from './dictionary';
import type { Found } from './history';
import { withHistory } from './history';
import { hypothesesOf } from './hypotheses';
import { callStates, triedIn, trialsOf } from './states';

/** States of observations in which something was tried that is not among what is offered. */
function triedBesides(circuit: Circuit, { observed }: Diagnosis): string[] {
  const offered = trialsOf(circuit);
  const states = observed.flatMap(({ observation }) => ('state' in observation ? [observation.state] : []));
  return [...new Set(states)].filter((id) => {
    const tried = triedIn(id);
    return tried !== null && id !== tried.call && !offered.includes(id);
  });
}

/** Equal for searches that go by the same dictionary. */
export const searchKey = (circuit: Circuit, diagnosis: Diagnosis, found: Found): string =>
  JSON.stringify([circuit, diagnosis.unsurveyed ?? false, found, triedBesides(circuit, diagnosis)]);

export function dictionaryFor(circuit: Circuit, diagnosis: Diagnosis, found: Found): Dictionary {
  const hypotheses = hypothesesOf(circuit, diagnosis.unsurveyed ? { isSeen: () => false } : {});
  return makeDictionary(circuit, withHistory(circuit, hypotheses, found), callStates(circuit), [
    ...trialsOf(circuit),
    ...triedBesides(circuit, diagnosis),
  ]);
}
