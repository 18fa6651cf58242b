/**
 * What calls that were made have left behind: a fuse that has blown in one is blown in every one after it, under the
 * hypotheses that blow it.
 */
import type { Dictionary } from './dictionary';
import type { Observation } from './observation';

/** States in the order they were observed in, since something was last put right; each once in a row. */
function statesOf(observations: readonly Observation[]): string[] {
  const states: string[] = [];
  for (const observation of observations) {
    if (observation.type === 'repaired') states.length = 0;
    if ('state' in observation && observation.state !== states[states.length - 1])
      states.push(observation.state);
  }
  return states;
}

const NOTHING: readonly string[] = [];

/** Dictionaries after states, by which protections are open under each hypothesis: most states open none. */
interface Known {
  byStates: Map<string, Dictionary>;
  byOpened: Map<string, Dictionary>;
}

const known = new WeakMap<Dictionary, Known>();

function knownOf(dictionary: Dictionary): Known {
  const found = known.get(dictionary) ?? { byStates: new Map(), byOpened: new Map() };
  known.set(dictionary, found);
  return found;
}

const keyOf = (opened: readonly (readonly string[])[]) =>
  opened.flatMap((devices, i) => (devices.length > 0 ? [`${i}:${devices.join()}`] : [])).join(' ');

function openedAfter(dictionary: Dictionary, states: readonly string[]): readonly (readonly string[])[] {
  return dictionary.hypotheses.map((_, i) =>
    states.reduce((opened, state) => dictionary.predict(i, state, opened).opened, NOTHING),
  );
}

function afterStates(dictionary: Dictionary, states: readonly string[]): Dictionary {
  if (states.length === 0) return dictionary;
  const { byStates, byOpened } = knownOf(dictionary);
  const before = byStates.get(states.join());
  if (before) return before;
  const opened = openedAfter(dictionary, states);
  const key = keyOf(opened);
  const made =
    key === ''
      ? dictionary
      : (byOpened.get(key) ?? {
          ...dictionary,
          predict: (i: number, state: string) => dictionary.predict(i, state, opened[i]),
        });
  byOpened.set(key, made);
  byStates.set(states.join(), made);
  return made;
}

/**
 * A dictionary as a place stands once all of this was observed: what it predicts of the next state begins with what is
 * open by now.
 */
export const after = (dictionary: Dictionary, observations: readonly Observation[]): Dictionary =>
  afterStates(dictionary, statesOf(observations));

/** The same when one of the observations was made: while a state lasts nothing is set anew. */
export function before(dictionary: Dictionary, observations: readonly Observation[], at: number): Dictionary {
  const states = statesOf(observations.slice(0, at + 1));
  const made = observations[at]!;
  return afterStates(dictionary, 'state' in made ? states.slice(0, -1) : states);
}
