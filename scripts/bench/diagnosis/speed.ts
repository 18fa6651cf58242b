/** How long a phone's worker has to think: all predictions of a circuit, and a step after each observation. */
import type { Circuit } from '@zygostat/core/circuit';
import type { Dictionary } from '@zygostat/core/diagnose';
import { callStates, followDiagnosis, hypothesesOf, makeDictionary } from '@zygostat/core/diagnose';
import { asksOf } from '@zygostat/core/prove';
import { TEMPLATES } from '@zygostat/core/systems';
import { median, report } from '../report';

const RUNS = 5;

const build = (id: string) => TEMPLATES.find((template) => template.id === id)!.build('Speed');

/** Every call, the first stages by themselves and emergency heat too. */
const MORE = /^(heat|cool|emergency)$/;

function filled(circuit: Circuit): Dictionary {
  const more = asksOf(circuit).flatMap(({ id, inputs }) =>
    MORE.test(id) ? [{ id: `${id} by itself`, inputs }] : [],
  );
  const states = [...callStates(circuit), ...more];
  const dictionary = makeDictionary(circuit, hypothesesOf(circuit), states);
  for (const { id } of states)
    for (const hypothesis of dictionary.hypotheses.keys()) dictionary.predict(hypothesis, id);
  return dictionary;
}

function timed(work: () => void): number {
  const times = Array.from({ length: RUNS }, () => {
    const started = performance.now();
    work();
    return performance.now() - started;
  });
  return median(times);
}

export function tellSpeed(): void {
  const circuit = build('heat-pump-two-stage');
  const count = hypothesesOf(circuit).length;
  const dictionaryMs = timed(() => void filled(circuit));
  const note = `two-stage heat pump, ${count} hypotheses in ${filled(circuit).states.length} states`;
  report('dictionary_ms', dictionaryMs, 'ms', `${note}, median of ${RUNS}; aim ≤ 300`);
  const dictionary = filled(circuit);
  const diagnosis = (volts: number) =>
    ({
      version: 1,
      observed: [
        { id: 'a', at: '', observation: { type: 'air', state: 'cool', air: 'plain' } },
        {
          id: 'b',
          at: '',
          observation: {
            type: 'reading',
            state: 'cool',
            probes: { mode: 'ac-volts', red: 'board.Y', black: 'board.C', meter: 'high-z' },
            value: volts,
          },
        },
      ],
      whereabouts: { station: 'hall', open: [], state: 'cool' },
    }) as const;
  let volts = 20;
  const stepMs = timed(() => void followDiagnosis(dictionary, diagnosis((volts += 0.5))));
  report(
    'next_step_ms',
    stepMs,
    'ms',
    `${note}, a reading weighed and the next step; aim ≤ 25, a quarter of 100`,
  );
}
