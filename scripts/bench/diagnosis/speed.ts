/** How long a worker has to think: all predictions of a circuit, a step after an observation, two faults. Run in one. */
import type { Circuit } from '@zygostat/core/circuit';
import type { Dictionary, Observation, OperatingState } from '@zygostat/core/diagnose';
import {
  callStates,
  hypothesesOf,
  makeDictionary,
  pairsThatFit,
  plainState,
  withPairs,
} from '@zygostat/core/diagnose';
import { asksOf } from '@zygostat/core/prove';
import { TEMPLATES } from '@zygostat/core/systems';
import { RUNS, WARM_RUNS, timed } from '../timed';

const report = (...metric: [metric: string, value: number, unit: string, note: string]) =>
  postMessage(metric);

const build = (id: string) => TEMPLATES.find((template) => template.id === id)!.build('Speed');

/** First stages by themselves, and emergency heat. */
const MORE = /^(heat|cool|emergency)$/;

/** Every call, and first stages and emergency heat where something else runs then: of one stage they are the call itself. */
function statesOf(circuit: Circuit): OperatingState[] {
  const more = asksOf(circuit).flatMap(({ id, inputs }) =>
    MORE.test(id) ? [plainState(`${id} by itself`, inputs)] : [],
  );
  const all = [...callStates(circuit), ...more];
  const sound = makeDictionary(circuit, hypothesesOf(circuit).slice(0, 1), all);
  const runsIn = ({ id }: OperatingState) => [...sound.predict(0, id).runs].sort().join();
  return all.filter((state, i) => all.findIndex((other) => runsIn(other) === runsIn(state)) === i);
}

function filled(circuit: Circuit, states: readonly OperatingState[]): Dictionary {
  const dictionary = makeDictionary(circuit, hypothesesOf(circuit), states);
  for (const { id } of states)
    for (const hypothesis of dictionary.hypotheses.keys()) dictionary.predict(hypothesis, id);
  return dictionary;
}

/** The ready system with the most that can be wrong. */
const largest = () =>
  TEMPLATES.map(({ id }) => build(id)).reduce((most, circuit) =>
    hypothesesOf(circuit).length > hypothesesOf(most).length ? circuit : most,
  );

function tellDictionary(metric: string, what: string, circuit: Circuit, aim: number): void {
  const states = statesOf(circuit);
  const { hypotheses } = filled(circuit, states);
  const ms = timed(() => void filled(circuit, states));
  const note = `${what}, ${hypotheses.length} hypotheses in ${states.length} states, median of ${RUNS} after ${WARM_RUNS}`;
  report(metric, ms, 'ms', `${note}; aim ≤ ${aim}`);
}

/** What no single fault gives. */
const ODD: readonly Observation[] = [
  { type: 'air', state: 'cool', air: 'plain' },
  {
    type: 'reading',
    state: 'cool',
    probes: { mode: 'ac-volts', red: 'board.Y', black: 'board.C', meter: 'high-z' },
    value: 14,
  },
];

function tellPairs(circuit: Circuit): void {
  const dictionary = makeDictionary(circuit);
  const ms = timed(() => void withPairs(dictionary, pairsThatFit(dictionary, ODD)).predict(0, 'cool'));
  report('pairs_ms', ms, 'ms', 'two-stage heat pump, all pairs screened, 1500 weighed; aim ≤ 5000');
}

const pump = build('heat-pump-two-stage');
tellDictionary('dictionary_ms', 'two-stage heat pump', pump, 300);
tellDictionary('dictionary_zone_ms', 'the largest ready system', largest(), 1500);
tellPairs(pump);
postMessage(null);
