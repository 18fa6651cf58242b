/** The dictionary a search goes by: the circuit, what is known of it, what was found before, what was tried. */
import type { Circuit } from '../circuit';
import type { Diagnosis } from './document';
import type { Dictionary } from './dictionary';
import { makeDictionary } from './dictionary';
import type { Experience } from './history';
import { withHistory } from './history';
import { hypothesesOf } from './hypotheses';
import { callStates, triedIn, trialsOf } from './states';

/** States of observations in which something was tried that is not among what is offered. */
function triedBesides(circuit: Circuit, { observed, trying }: Diagnosis): string[] {
  const offered = trialsOf(circuit);
  const states = observed.flatMap(({ observation }) => ('state' in observation ? [observation.state] : []));
  return [...new Set([...states, ...(trying === undefined ? [] : [trying])])].filter((id) => {
    const tried = triedIn(id);
    return tried !== null && id !== tried.call && !offered.includes(id);
  });
}

/** What is known beside the circuit: what was found before, and whose landings were looked at. */
export interface Beside extends Experience {
  /** Devices whose landings are as recorded; without a survey nobody knows of the others. */
  seen?: readonly string[];
}

/** Equal for searches that go by the same dictionary. */
export const searchKey = (circuit: Circuit, diagnosis: Diagnosis, beside: Beside): string =>
  JSON.stringify([circuit, diagnosis.unsurveyed ?? false, beside, triedBesides(circuit, diagnosis)]);

export function dictionaryFor(circuit: Circuit, diagnosis: Diagnosis, beside: Beside): Dictionary {
  const { seen = [] } = beside;
  const known = diagnosis.unsurveyed ? { isSeen: (device: string) => seen.includes(device) } : {};
  const hypotheses = hypothesesOf(circuit, known);
  return makeDictionary(circuit, withHistory(circuit, hypotheses, beside), callStates(circuit), [
    ...trialsOf(circuit),
    ...triedBesides(circuit, diagnosis),
  ]);
}
